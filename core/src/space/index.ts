export * from './vec3';
export * from './camera';
