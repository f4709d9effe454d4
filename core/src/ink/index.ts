export * from './ink';
export * from './surface';
export * from './paint';
