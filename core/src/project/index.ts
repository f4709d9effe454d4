export * from './book';
export * from './house';
export * from './migrate';
export * from './file';
export * from './edit-book';
