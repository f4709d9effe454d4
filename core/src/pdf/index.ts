export * from './cover-page';
