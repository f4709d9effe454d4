export * from './geometry';
export * from './path';
export * from './homography';
export * from './fit-curve';
export * from './fit-ring';
export * from './polyline';
export * from './scan';
