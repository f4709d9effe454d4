import sharp, { type Sharp } from 'sharp';
import { describe, expect, it } from 'vitest';
import {
  animatedWebp,
  dressJpeg,
  formatOf,
  jpegOptions,
  jpegStripRows,
  profileName,
  readImage,
  readJpeg,
  readPng,
  srgbProfile,
  stripMetadata,
  uprightMap,
  writePng,
} from '@yosomi/core/image-file';
import { largestDifference, raster } from '@yosomi/core/pixels';
import { apply } from '@yosomi/core/plane';
import { decodeImage, encodeJpeg, encodeStrip } from '@yosomi/node-kit';
import { fileOf, hugePng, picturePixels, pixelsOf } from './fixtures/pictures';

const picture = picturePixels(240, 160);
const withGps = (image: Sharp): Sharp =>
  image.withExif({
    IFD0: { Copyright: 'Ottoline Frew', Orientation: '6' },
    IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' },
  });

const text = (bytes: Uint8Array): string => Buffer.from(bytes).toString('latin1');
const fault = (bytes: Uint8Array): string => {
  const read = readImage(bytes);
  return read.ok ? 'none' : read.fault.code;
};

describe('reading image files', () => {
  it.each(['jpeg', 'png', 'webp'] as const)('tells size and format of a %s from its bytes', async (format) => {
    const bytes = await fileOf(picture, format);
    const read = readImage(bytes);
    expect(read).toMatchObject({
      ok: true,
      value: { format, widthPx: 240, heightPx: 160, orientation: 1, bitDepth: 8, colour: 'rgb', alpha: false },
    });
  });

  it('agrees with another reader on density, profile and interlacing', async () => {
    const jpeg = await fileOf(picture, 'jpeg', (image) => image.jpeg({ progressive: true }));
    expect(readJpeg(jpeg)).toMatchObject({ ok: true, value: { progressive: true } });
    const png = await fileOf(picture, 'png', (image) =>
      image.withMetadata({ density: 150 }).png({ progressive: true }),
    );
    const meta = await sharp(png).metadata();
    expect(readPng(png)).toMatchObject({ ok: true, value: { ppi: meta.density, progressive: true } });
  });

  it('sees greyscale, CMYK, 16 bits and transparency', async () => {
    const grey = await fileOf(picture, 'jpeg', (image) => image.toColourspace('b-w'));
    expect(readImage(grey)).toMatchObject({ ok: true, value: { colour: 'grey' } });
    const cmyk = await fileOf(picture, 'jpeg', (image) => image.toColourspace('cmyk'));
    expect(readImage(cmyk)).toMatchObject({ ok: true, value: { colour: 'cmyk' } });
    const deep = new Uint8Array(
      await sharp(Buffer.from(picture.data), { raw: { width: 240, height: 160, channels: 4 } })
        .toColourspace('rgb16')
        .png()
        .toBuffer(),
    );
    expect(readImage(deep)).toMatchObject({ ok: true, value: { bitDepth: 16, alpha: true } });
  });

  it.each([
    ['gif', 'a GIF'],
    ['tiff', 'a TIFF'],
    ['avif', 'an AVIF'],
  ] as const)('names a %s for what it is', async (format, name) => {
    const bytes = await fileOf(picture, format);
    expect(formatOf(bytes)).toEqual({ other: name });
    expect(fault(bytes)).toBe('image-format');
  });

  it.each([
    ['%PDF-1.7 ...', 'a PDF'],
    ['<!doctype html><p>hello', 'a web page'],
    ['PK\x03\x04', 'a zip'],
    ['BM....', 'a BMP'],
    ['hello', 'no picture'],
    ['<?xml version="1.0"?><svg xmlns="x"><rect/></svg>', 'an SVG'],
  ])('names %j for what it is', (content, other) =>
    expect(formatOf(new Uint8Array(Buffer.from(content, 'latin1')))).toEqual({ other }),
  );
});

describe('bad image files', () => {
  it('are refused with the reason', async () => {
    const jpeg = await fileOf(picture, 'jpeg');
    const png = await fileOf(picture, 'png');
    const webp = await fileOf(picture, 'webp');
    expect(fault(new Uint8Array(0))).toBe('file-empty');
    expect(fault(jpeg.slice(0, jpeg.length / 2))).toBe('image-truncated');
    expect(fault(png.slice(0, png.length / 2))).toBe('image-truncated');
    expect(fault(webp.slice(0, webp.length / 2))).toBe('image-truncated');
    const broken = png.slice();
    broken[Math.floor(png.length / 2)] ^= 255;
    expect(fault(broken)).toBe('image-damaged');
    expect(fault(await fileOf(picturePixels(1, 1), 'png'))).toBe('image-small');
    expect(fault(new Uint8Array(Buffer.from('<svg xmlns="x"><script>alert(1)</script></svg>')))).toBe('svg-script');
    expect(fault(new Uint8Array(Buffer.from('<svg onload="x()"></svg>')))).toBe('svg-script');
  });

  it('of 20,000 x 20,000 px in a small file are refused before they are unpacked', async () => {
    const bytes = await hugePng();
    expect(bytes.length).toBeLessThan(2_000_000);
    const before = process.memoryUsage().rss;
    expect(fault(bytes)).toBe('image-large');
    expect(process.memoryUsage().rss - before).toBeLessThan(100_000_000);
    expect(await decodeImage(bytes)).toMatchObject({ ok: false, fault: { code: 'image-large' } });
  });

  it('never make the reader throw, however they are cut or bent', async () => {
    for (const format of ['jpeg', 'png', 'webp'] as const) {
      const whole = await fileOf(picture, format);
      for (let n = 0; n < 300; n++) {
        const bytes = whole.slice(0, (n * 7919) % whole.length);
        if (bytes.length > 20) bytes[(n * 104729) % bytes.length] ^= n & 255;
        expect(() => readImage(bytes)).not.toThrow();
      }
    }
  });
});

describe('stripping metadata', () => {
  it.each(['jpeg', 'png', 'webp'] as const)(
    'takes places, names and notes out of a %s and leaves the pixels',
    async (format) => {
      const bytes = await fileOf(picture, format, withGps);
      expect(text(bytes)).toContain('Ottoline');
      const read = readImage(bytes);
      if (!read.ok) throw new Error(read.fault.code);
      expect(read.value.metadata).toContain('Exif');
      const stripped = stripMetadata(bytes, read.value);
      expect(text(stripped)).not.toContain('Ottoline');
      expect((await sharp(stripped).metadata()).exif).toBeUndefined();
      expect(largestDifference(await pixelsOf(bytes), await pixelsOf(stripped))).toBe(0);
      const again = readImage(stripped);
      expect(again).toMatchObject({ ok: true, value: { metadata: [], orientation: 1 } });
    },
  );

  it('keeps a colour profile', async () => {
    const bytes = await fileOf(picture, 'jpeg', (image) => image.withIccProfile('p3'));
    const read = readImage(bytes);
    if (!read.ok) throw new Error('read');
    expect(read.value.profile).toMatch(/P3/);
    expect(readImage(stripMetadata(bytes, read.value))).toMatchObject({
      ok: true,
      value: { profile: read.value.profile },
    });
  });
});

describe('orientation', () => {
  it.each([1, 2, 3, 4, 5, 6, 7, 8])('%i is turned upright as another decoder turns it', async (orientation) => {
    const bytes = await fileOf(picture, 'jpeg', (image) => image.withMetadata({ orientation }));
    const theirs = await sharp(bytes).rotate().ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    const ours = await decodeImage(bytes);
    if (!ours.ok) throw new Error(ours.fault.code);
    expect([ours.value.raster.width, ours.value.raster.height]).toEqual([theirs.info.width, theirs.info.height]);
    const other = raster(theirs.info.width, theirs.info.height, new Uint8ClampedArray(theirs.data));
    expect(largestDifference(ours.value.raster, other)).toBeLessThanOrEqual(3);
    const corner = apply(uprightMap(orientation, 240, 160), { x: 0, y: 0 });
    expect([0, theirs.info.width]).toContain(corner.x);
    expect([0, theirs.info.height]).toContain(corner.y);
  });
});

describe('writing a JPEG', () => {
  it('gives it exactly one density, one profile and no other metadata', async () => {
    const bytes = dressJpeg(await encodeJpeg(picture, 90, true), 300, srgbProfile());
    const meta = await sharp(bytes).metadata();
    expect(meta).toMatchObject({
      format: 'jpeg',
      width: 240,
      height: 160,
      density: 300,
      space: 'srgb',
      channels: 3,
      depth: 'uchar',
      isProgressive: true,
      chromaSubsampling: '4:4:4',
    });
    expect(meta.exif).toBeUndefined();
    expect(meta.xmp).toBeUndefined();
    expect(profileName(new Uint8Array(meta.icc!))).toBe('sRGB');
    expect(readJpeg(bytes)).toMatchObject({ ok: true, value: { ppi: 300, profile: 'sRGB', metadata: [] } });
    const dressedTwice = dressJpeg(bytes, 300, srgbProfile());
    expect(Buffer.from(dressedTwice).equals(Buffer.from(bytes))).toBe(true);
  });

  it('writes a profile that another colour engine takes for sRGB', async () => {
    const plain = await encodeJpeg(picture, 95, false);
    const dressed = dressJpeg(plain, 300, srgbProfile());
    const managed = await sharp(dressed).pipelineColourspace('srgb').toColourspace('srgb').raw().toBuffer();
    const raw = await sharp(plain).raw().toBuffer();
    let most = 0;
    for (let i = 0; i < raw.length; i++) most = Math.max(most, Math.abs(raw[i] - managed[i]));
    expect(most).toBeLessThanOrEqual(2);
  });
});

describe('an animated WebP', () => {
  it.each([true, false])('is read by another decoder picture for picture (lossless: %s)', async (lossless) => {
    const colours = [
      { r: 200, g: 30, b: 30, alpha: 1 },
      { r: 20, g: 60, b: 190, alpha: 0.5 },
      { r: 0, g: 0, b: 0, alpha: 0 },
    ];
    const stills = await Promise.all(
      colours.map((background) =>
        sharp({ create: { width: 33, height: 21, channels: 4, background } })
          .webp({ lossless, quality: 100, alphaQuality: 100 })
          .toBuffer(),
      ),
    );
    const made = animatedWebp(
      stills.map((s) => new Uint8Array(s)),
      33,
      21,
      120,
      true,
    );
    const { data, info } = await sharp(made, { animated: true })
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(await sharp(made, { animated: true }).metadata()).toMatchObject({
      pages: 3,
      loop: 0,
      delay: [120, 120, 120],
      pageHeight: 21,
    });
    expect([info.width, info.height]).toEqual([33, 63]);
    colours.forEach(({ r, b, alpha }, i) => {
      const p = (i * 21 + 10) * 33 * 4 + 16 * 4;
      expect(Math.abs(data[p + 3] - alpha * 255)).toBeLessThanOrEqual(2);
      if (alpha > 0) expect(Math.abs(data[p] - r) + Math.abs(data[p + 2] - b)).toBeLessThanOrEqual(8);
    });
    expect(
      (await sharp(animatedWebp([new Uint8Array(stills[0])], 33, 21, 50, false), { animated: true }).metadata()).loop,
    ).toBe(1);
    expect(() => animatedWebp([new Uint8Array(40)], 33, 21, 50, true)).toThrow();
  });
});

describe('a JPEG coded in strips', () => {
  it.each([
    [1000, 1000],
    [1001, 1027],
    [1600, 2560],
  ])('%i x %i: another decoder reads it as the strips one under another', async (width, height) => {
    const whole = picturePixels(width, height);
    const rows = jpegStripRows(width, height);
    expect(rows).toHaveLength(4);
    expect(rows.reduce((a, b) => a + b)).toBe(height);
    const joined = await encodeJpeg(whole, 88, false);
    let from = 0;
    const alone: Buffer[] = [];
    const coded: Uint8Array[] = [];
    for (const strip of rows) {
      const data = whole.data.slice(from, (from += strip * width * 4));
      const bytes = await encodeStrip(raster(width, strip, data), jpegOptions(88, false));
      coded.push(bytes);
      alone.push(await sharp(bytes).raw().toBuffer());
    }
    const { data, info } = await sharp(joined, { failOn: 'warning' }).raw().toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([width, height]);
    expect(data.equals(Buffer.concat(alone))).toBe(true);
    expect(joined.length).toBeLessThan(coded.reduce((sum, c) => sum + c.length, 0));
    const atOnce = await encodeStrip(whole, jpegOptions(88, false));
    expect(joined.length).toBeLessThan(atOnce.length * 1.005);
    expect(readJpeg(dressJpeg(joined, 300, srgbProfile()))).toMatchObject({
      ok: true,
      value: { widthPx: width, heightPx: height, progressive: false, ppi: 300, profile: 'sRGB' },
    });
  });

  it('is not cut where a restart interval could not count the blocks of a strip, nor when small', () => {
    expect(jpegStripRows(300, 400)).toEqual([400]);
    expect(jpegStripRows(10_000, 10_000)).toEqual([10_000]);
    expect(jpegStripRows(4000, 4000)).toHaveLength(4);
  });
});

describe('writing a PNG', () => {
  it('is lossless, opaque where the picture is, with density and profile', async () => {
    const bytes = writePng(picture, 72);
    expect(largestDifference(await pixelsOf(bytes), picture)).toBe(0);
    const meta = await sharp(bytes).metadata();
    expect(meta).toMatchObject({ channels: 3, density: 72, space: 'srgb' });
    expect(profileName(new Uint8Array(meta.icc!))).toBe('sRGB');
  });

  it('keeps every alpha and the colours under it', async () => {
    const clear = raster(64, 64);
    for (let i = 0; i < 64 * 64; i++) clear.data.set([i & 255, (i * 7) & 255, (i * 13) & 255, (i * 3) & 255], i * 4);
    expect(largestDifference(await pixelsOf(writePng(clear, 72)), clear)).toBe(0);
  });
});
