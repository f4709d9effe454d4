export * from './blur';
export * from './develop';
export * from './hints';
export * from './lean';
export * from './refine';
