export * from './profile';
export * from './demands';
export * from './profiles';
export * from './rules';
export * from './budget';
