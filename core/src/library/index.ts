export * from './alike';
export * from './own-picture';
export * from './search';
