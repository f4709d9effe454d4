export * from './studio';
export * from './settle';
export * from './cover';
export * from './mockup';
export * from './promo';
export * from './deliverables';
export * from './start';
