export { checkImage } from './file';
export * from './pixels';
export * from './words';
export { graveFirst } from './severity';
