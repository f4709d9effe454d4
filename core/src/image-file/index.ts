export * from './info';
export * from './read';
export { dressJpeg, readJpeg } from './jpeg';
export { readPng, writePng } from './png';
export { srgbProfile, profileName } from './icc';
export { liesOnSide, uprightMap } from './exif';
export { concat } from './bytes';
export * from './jpeg-strips';
export * from './open-raster';
