export * from './compose';
export * from './quiet';
export * from './first-cover';
export * from './edge';
export * from './spine';
export * from './back';
