export * from './contrast';
export * from './letter-map';
export * from './reads';
export * from './greys';
