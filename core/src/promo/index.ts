export * from './colours';
export * from './first-promo';
