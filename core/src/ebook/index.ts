export * from './epub';
