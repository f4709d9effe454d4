export * from './canvas-easel';
export * from './images';
export * from './fonts';
export * from './jpeg';
export * from './paths';
export * from './studio';
export * from './demo';
export * from './moments';
export { encodeFrame } from './codecs';
