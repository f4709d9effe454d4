export * from './result';
export * from './finding';
export * from './random';
export * from './hash';
export * from './order';
export * from './change';
export * from './history';
export * from './slug';
