export * from './scene';
export * from './mockup';
export * from './models';
export * from './light';
export * from './trace';
