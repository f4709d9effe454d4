export * from './contrast';
export * from './reads';
export * from './greys';
