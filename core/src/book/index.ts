export * from './brief';
export * from './genres';
