export * from './drawing';
export * from './svg';
export * from './trace';
