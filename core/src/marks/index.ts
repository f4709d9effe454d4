export * from './frames';
export * from './initials';
export * from './letters';
export * from './mark';
export * from './region';
export * from './symbols';
export * from './ways';
