export * from './add-part';
export * from './apply-scheme';
export * from './arrange';
export * from './balance';
export * from './move-part';
export * from './recolour';
export * from './remove-part';
export * from './set-part';
