export * from './book';
export * from './migrate';
export * from './file';
