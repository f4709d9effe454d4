export * from './blur';
export * from './develop';
export * from './hints';
export * from './refine';
