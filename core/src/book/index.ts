export * from './brief';
export * from './genres';
export * from './rights';
