export * from './add-part';
export * from './arrange';
export * from './move-part';
export * from './recolour';
export * from './remove-part';
export * from './set-part';
