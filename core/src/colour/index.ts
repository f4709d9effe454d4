export * from './colour';
export * from './palette';
