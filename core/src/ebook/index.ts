export * from './epub';
export * from './check-epub';
