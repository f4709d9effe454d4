export * from './document';
export * from './defaults';
export * from './parts';
export * from './ops';
