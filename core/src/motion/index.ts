export * from './motion';
export * from './timeline';
export * from './indexed';
export * from './gif';
export * from './film';
export * from './i420';
