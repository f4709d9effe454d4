export * from './scene';
export * from './models';
export * from './arrange';
export * from './ops';
export * from './light';
export * from './trace';
