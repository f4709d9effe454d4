export * from './cover';
export * from './deliverables';
export * from './gather';
export * from './mockup';
export * from './promo';
export * from './settle';
export * from './start';
export * from './studio';
