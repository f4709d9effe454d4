export * from './cover-page';
export * from './set-cover';
