export * from './brushes';
export * from './scenery';
