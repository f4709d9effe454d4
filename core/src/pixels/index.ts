export * from './raster';
export * from './transfer';
export * from './resample';
export * from './compare';
