export * from './surface';
export * from './textures';
export * from './plain';
export * from './kernel';
export * from './warp';
