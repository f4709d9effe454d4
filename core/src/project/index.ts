export * from './book';
export * from './house';
export * from './migrate';
export { assetsTo16 } from './migrations/to-16';
export * from './file';
export * from './edit-book';
export * from './edit-booklet';
