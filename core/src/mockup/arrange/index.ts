export * from './laws';
export * from './setting';
export * from './starters';
