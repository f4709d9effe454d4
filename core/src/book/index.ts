export * from './brief';
export * from './genres';
export * from './origin';
export * from './rights';
