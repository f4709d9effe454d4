export * from './noise';
export * from './texture';
