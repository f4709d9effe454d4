export * from './brief';
