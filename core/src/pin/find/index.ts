export * from './find';
export { settled } from './settle';
