export * from './archive';
