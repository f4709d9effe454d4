export * from './cancel';
export * from './slot';
