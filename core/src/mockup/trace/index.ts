export * from './texture';
export * from './stage';
export * from './band';
export * from './render';
export * from './ground-shadow';
