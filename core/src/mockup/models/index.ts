export * from './model';
export * from './paperback';
export * from './pages';
