export * from './shadow';
export * from './shade';
