export * from './dividers';
export * from './outlines';
export * from './rough';
export * from './svg-path';
export * from './tapered';
