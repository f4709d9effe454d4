export * from './cells';
export * from './columns';
export * from './rows';
export * from './standing';
export * from './write';
