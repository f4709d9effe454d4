export * from './profile';
export * from './profiles';
export * from './rules';
export * from './budget';
