export * from './colour';
export * from './palette';
export * from './schemes';
export * from './hues';
