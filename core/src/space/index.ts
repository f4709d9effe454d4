export * from './vec3';
export * from './camera';
export * from './rigid';
