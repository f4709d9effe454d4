export * from './bounds';
export * from './ink';
export * from './paint';
export * from './surface';
export * from './same';
export * from './outlines';
