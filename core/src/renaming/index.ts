export * from './change';
export * from './find';
