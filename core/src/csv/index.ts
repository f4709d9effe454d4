export * from './read';
export * from './text';
export * from './write';
