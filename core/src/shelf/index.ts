export * from './arrange';
export * from './card';
export * from './file-state';
