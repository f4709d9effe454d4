export * from './contrast';
export * from './reads';
