export * from './scene';
export * from './models';
export * from './arrange';
export * from './light';
export * from './trace';
