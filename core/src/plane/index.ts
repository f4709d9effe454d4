export * from './geometry';
export * from './path';
export * from './homography';
