export * from './first-promo';
