export * from './blur';
export * from './develop';
