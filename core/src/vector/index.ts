export * from './drawing';
export * from './svg';
export * from './svg-of';
export * from './trace';
