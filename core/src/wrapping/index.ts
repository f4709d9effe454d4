export * from './wrapping';
