export * from './change';
export * from './find';
export * from './places';
export * from './table';
