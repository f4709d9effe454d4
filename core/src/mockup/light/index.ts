export * from './area-light';
export * from './occluder';
export * from './occlusion';
export * from './shade';
