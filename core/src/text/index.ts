export * from './font-book';
export * from './shaper';
export * from './breaking';
export * from './layout';
export * from './along';
export * from './font-file';
export * from './scripts';
