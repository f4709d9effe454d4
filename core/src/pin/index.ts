export * from './grain';
export * from './pin';
export * from './rectify';
export * from './shading';
