export * from './cover-page';
export * from './set-cover';
export * from './booklet-file';
export * from './stamp';
export * from './rename';
export * from './page-text';
