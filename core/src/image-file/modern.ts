/** What the encoders of WebP and AVIF are asked for: colour at every pixel in AVIF; WebP has none but half, made as sharp as it can be. */
export const modernOptions = (format: 'webp' | 'avif', quality: number) =>
  format === 'webp' ? { quality, method: 4, use_sharp_yuv: 1 } : { quality, speed: 8, subsample: 3 };

/** The same for one frame of many, WebP: a quarter of the time for two bytes in a hundred more. */
export const frameOptions = (quality: number) => ({ quality, method: 2, use_sharp_yuv: 0 });

/** How hard the optimiser of PNGs tries: the next level takes twice as long for two bytes in a hundred. */
export const PNG_LEVEL = 1;
