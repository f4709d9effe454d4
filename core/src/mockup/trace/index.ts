export * from './facet';
export * from './stage';
export * from './band';
export * from './render';
export * from './ground';
export * from './tones';
export * from './looks';
export * from './table';
