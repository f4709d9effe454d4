export * from './desk';
export * from './reading';
export * from './search';
