export * from './adapt';
export * from './defaults';
export * from './document';
export * from './guides';
export * from './ops';
export * from './parts';
export * from './snap';
export * from './outline';
