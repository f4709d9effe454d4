import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { constants, deflateRawSync } from 'node:zlib';
import { PNG } from 'pngjs';
import sharp, { type Sharp } from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  type ImageInfo,
  profileName,
  readDelivered,
  srgbProfile,
  decodeTiff,
  writeTiff,
} from '@yosomi/core/image-file';
import { type Raster, largestDifference, likeness, raster, ssim } from '@yosomi/core/pixels';
import { encodeWithin, examineImage, repairImage, sizeFor, verdictOf } from '@yosomi/core/recipe';
import {
  FORMATS,
  LEAST_QUALITY,
  PROFILES,
  type Profile,
  type StoreFormat,
  checkImage,
  findProfile,
} from '@yosomi/core/stores';
import { NodeStudio } from '@yosomi/node-kit';
import { judge } from '../server/src/judge';
import { fileOf, hugePng, picturePixels, pixelsOf, scenePixels } from './fixtures/pictures';

type Bytes = Uint8Array<ArrayBuffer>;
const studio = new NodeStudio(new Map());
const MB = 1024 * 1024;
const roomy = { mostBytes: 50 * MB, ppi: 300 };

let scene: Raster;
beforeAll(() => (scene = scenePixels(480, 768)));

const made = async (picture: Raster, format: StoreFormat, limits = roomy) => {
  const done = await encodeWithin(picture, format, limits, studio);
  if (!done.ok) throw new Error(done.fault.code);
  return done.value;
};

/** Coloured letters' worst case: thin bars of red on green. */
const bars = (): Raster => {
  const out = raster(400, 640);
  for (let y = 0; y < 640; y++)
    for (let x = 0; x < 400; x++) out.data.set(x % 6 < 3 ? [220, 30, 40, 255] : [30, 120, 60, 255], (y * 400 + x) * 4);
  return out;
};

describe.each(FORMATS)('a cover as %s', (format) => {
  it('is read by another decoder: its pixels, its profile, its density, and nothing else', async () => {
    const { bytes, likeness: alike } = await made(scene, format);
    const meta = await sharp(bytes).metadata();
    expect(meta).toMatchObject({
      width: 480,
      height: 768,
      format: format === 'avif' ? 'heif' : format,
      depth: 'uchar',
    });
    expect([meta.exif, meta.xmp, meta.iptc]).toEqual([undefined, undefined, undefined]);
    if (format !== 'avif') expect(profileName(new Uint8Array(meta.icc!))).toBe('sRGB');
    if (format === 'jpeg' || format === 'png' || format === 'tiff') expect(meta.density).toBe(300);
    const back = await pixelsOf(bytes);
    if (format === 'png' || format === 'tiff') expect(largestDifference(back, scene)).toBe(0);
    else expect(ssim(back, scene)).toBeGreaterThan(0.97);
    expect(alike).toBeGreaterThan(format === 'png' || format === 'tiff' ? 0.9999 : 0.95);
    expect(readDelivered(bytes)).toMatchObject({
      ok: true,
      value: { format, widthPx: 480, heightPx: 768, profile: 'sRGB', metadata: [], alpha: false, animated: false },
    });
  });

  it('is the same bytes for the same picture', async () => {
    const [a, b] = [await made(scene, format), await made(scene, format)];
    expect(Buffer.from(a.bytes).equals(Buffer.from(b.bytes))).toBe(true);
  });

  it('says when it does not fit at all', async () => {
    const done = await encodeWithin(scene, format, { mostBytes: 900, ppi: 300 }, studio);
    expect(done).toMatchObject({ ok: false, fault: { code: 'budget-too-small', data: { most: 900 } } });
  });
});

describe('fitting bytes', () => {
  it.each(['jpeg', 'webp', 'avif'] as const)('finds the best quality of %s, and no better one fits', async (format) => {
    const noisy = picturePixels(480, 768);
    const free = await made(noisy, format);
    const mostBytes = Math.round(free.bytes.length * 0.55);
    const { bytes, quality, chroma } = await made(noisy, format, { ...roomy, mostBytes });
    expect(bytes.length).toBeLessThanOrEqual(mostBytes);
    expect(quality).toBeGreaterThanOrEqual(LEAST_QUALITY);
    const better =
      format === 'jpeg'
        ? await studio.encodeJpeg(noisy, quality! + 1, false, chroma!)
        : await studio.encodeModern(noisy, format, quality! + 1);
    // The profile that goes in is counted too.
    expect(better.length + 2600).toBeGreaterThan(mostBytes);
  });

  it('keeps colour at every pixel where letters need it, and gives it up only where that looks better', async () => {
    expect((await made(bars(), 'jpeg')).chroma).toBe('4:4:4');
    const tight = await made(picturePixels(400, 640), 'jpeg', { ...roomy, mostBytes: 12_000 });
    expect(tight.chroma).toBe('4:2:0');
    const whole = async (chroma: '4:4:4' | '4:2:0'): Promise<number> => {
      let best = 0;
      for (let q = LEAST_QUALITY; q <= 92; q += 4) {
        const bytes = await studio.encodeJpeg(picturePixels(400, 640), q, false, chroma);
        if (bytes.length + 2600 > 12_000) break;
        best = likeness(picturePixels(400, 640), await pixelsOf(bytes));
      }
      return best;
    };
    const [full, half] = [await whole('4:4:4'), await whole('4:2:0')];
    expect(tight.likeness).toBeGreaterThan(Math.max(full, half) - 0.01);
    const squeezed = await made(bars(), 'jpeg', { ...roomy, mostBytes: 40_000 });
    expect(squeezed.chroma).toBe('4:4:4');
  });

  it('counts blurred colour as a difference that luma alone does not see', async () => {
    const picture = bars();
    const [full, half] = await Promise.all(
      (['4:4:4', '4:2:0'] as const).map(async (chroma) =>
        pixelsOf(await studio.encodeJpeg(picture, 85, false, chroma)),
      ),
    );
    expect(likeness(picture, picture)).toBeCloseTo(1, 9);
    expect(likeness(picture, full)).toBeGreaterThan(likeness(picture, half) + 0.05);
  });
});

describe('TIFF', () => {
  it('with clear pixels keeps them straight, and a decoder of ours reads both', async () => {
    const clear = raster(70, 50);
    for (let i = 0; i < clear.data.length; i += 4) clear.data.set([i % 251, (i * 7) % 253, 90, i % 255], i);
    const bytes = writeTiff(clear, 144);
    const { data, info } = await sharp(bytes).raw().toBuffer({ resolveWithObject: true });
    expect(info).toMatchObject({ width: 70, height: 50, channels: 4, premultiplied: false });
    // That decoder takes the colours through the profile, and may round.
    expect(largestDifference(raster(70, 50, new Uint8ClampedArray(data)), clear)).toBeLessThanOrEqual(1);
    expect(largestDifference((await studio.decode(writeTiff(scene, 300)))!, scene)).toBe(0);
  });

  it.each([
    ['lzw', 'horizontal', 256],
    ['deflate', 'float', 512],
    ['packbits', 'none', 64],
    ['lzw', 'none', 0],
    ['jpeg', 'none', 128],
    ['none', 'none', 16],
  ] as const)(
    'packed as %s, foretold %s, in tiles of %i px, is decoded to the very pixels',
    async (compression, predictor, tile) => {
      const plain = sharp(Buffer.from(scene.data), { raw: { width: 480, height: 768, channels: 4 } }).removeAlpha();
      const file = new Uint8Array(
        await plain
          .tiff({
            compression,
            predictor: predictor === 'float' ? 'horizontal' : predictor,
            quality: 95,
            ...(tile ? { tile: true, tileWidth: tile, tileHeight: tile } : {}),
          })
          .toBuffer(),
      );
      const back = (await studio.decode(file))!;
      if (compression === 'jpeg') expect(ssim(back, scene)).toBeGreaterThan(0.97);
      else expect(largestDifference(back, scene)).toBe(0);
    },
  );

  it('that lies about how much it holds costs no more than one that does not', async () => {
    const honest = writeTiff(scene, 300);
    const at = new DataView(honest.buffer).getUint32(4, true);
    const rows = new DataView(honest.buffer).getUint16(at, true);
    for (let i = 0; i < rows; i++) {
      for (const [place, value] of [
        [4, 0xffffffff],
        [8, 0xfffffff0],
        [2, 12],
      ] as const) {
        const lying = honest.slice();
        const view = new DataView(lying.buffer);
        if (place === 2) view.setUint16(at + 2 + i * 12 + 2, value, true);
        else view.setUint32(at + 2 + i * 12 + place, value, true);
        const back = await studio.decode(lying);
        if (back) expect(back.width * back.height).toBeLessThanOrEqual(100_000_000);
      }
    }
    // The next picture of the file is the file's own first one, for ever.
    const ring = honest.slice();
    new DataView(ring.buffer).setUint32(at + 2 + rows * 12, at, true);
    expect(largestDifference((await studio.decode(ring))!, scene)).toBe(0);
  }, 20_000);

  it('with a strip that would unpack to gigabytes is unpacked as far as its pixels go', () => {
    // 100 MB of zeros without an end, forty times over.
    const some = deflateRawSync(Buffer.alloc(100_000_000), { level: 9, finishFlush: constants.Z_FULL_FLUSH });
    const zeros = Buffer.concat([Buffer.from([0x78, 0x9c]), ...Array.from({ length: 40 }, () => some)]);
    const small = writeTiff(raster(8, 8), 72);
    const at = new DataView(small.buffer).getUint32(4, true);
    const bomb = new Uint8Array(small.length + zeros.length);
    bomb.set(small);
    bomb.set(zeros, small.length);
    const view = new DataView(bomb.buffer);
    for (let i = 0; i < view.getUint16(at, true); i++) {
      const row = at + 2 + i * 12;
      if (view.getUint16(row, true) === 273) view.setUint32(row + 8, small.length, true);
      if (view.getUint16(row, true) === 279) view.setUint32(row + 8, zeros.length, true);
    }
    const back = decodeTiff(bomb);
    expect(back && [back.width, back.height]).toEqual([8, 8]);
  });

  it.each(['lzw', 'deflate', 'none', 'jpeg', 'packbits'] as const)(
    'packed as %s by others is decoded',
    async (compression) => {
      const bytes = await fileOf(scene, 'tiff', (image) => image.tiff({ compression, quality: 95 }));
      const file =
        compression === 'jpeg'
          ? bytes
          : new Uint8Array(
              await sharp(Buffer.from(scene.data), { raw: { width: 480, height: 768, channels: 4 } })
                .removeAlpha()
                .tiff({ compression })
                .toBuffer(),
            );
      const back = await studio.decode(file);
      expect(ssim(back!, scene)).toBeGreaterThan(0.97);
    },
  );
});

/** A picture by sharp, in ways that stores do not take. */
const foreign = async (change: (image: Sharp) => Sharp, [w, h] = [900, 1440]): Promise<Bytes> => {
  const picture = scenePixels(w, h);
  const image = sharp(Buffer.from(picture.data), { raw: { width: w, height: h, channels: 4 } }).removeAlpha();
  return new Uint8Array(await change(image).toBuffer());
};

const SOURCES: Record<string, () => Promise<Bytes>> = {
  'a CMYK JPEG': () => foreign((i) => i.toColourspace('cmyk').jpeg()),
  'a PNG of 16 bits': () => foreign((i) => i.toColourspace('rgb16').png()),
  'a JPEG in P3': () => foreign((i) => i.jpeg().withIccProfile('p3')),
  'a grey JPEG': () => foreign((i) => i.toColourspace('b-w').jpeg()),
  'a progressive JPEG': () => foreign((i) => i.jpeg({ progressive: true })),
  'a PNG with clear pixels': () => foreign((i) => i.ensureAlpha(0.5).png()),
  'a PNG of few colours': () => foreign((i) => i.png({ palette: true, colours: 64 })),
  'a JPEG with a camera’s words': () =>
    foreign((i) => i.jpeg().withExif({ IFD0: { Artist: 'Someone', Copyright: 'x' } })),
  'a TIFF': () => foreign((i) => i.tiff()),
  'an AVIF': () => foreign((i) => i.avif({ effort: 0 })),
  'a WebP': () => foreign((i) => i.webp()),
  'a square picture': () => foreign((i) => i.jpeg(), [800, 800]),
  'a wide picture': () => foreign((i) => i.jpeg(), [1200, 700]),
  'a small picture': () => foreign((i) => i.png(), [160, 250]),
};

/** Each source is mended for a store, so that each store gets one or two. */
describe.each(Object.keys(SOURCES).map((name, i) => [name, i] as const))('%s mended', (name, i) => {
  it('is taken by the store, which decodes it by another decoder', async () => {
    const source = await SOURCES[name]();
    for (const profile of [PROFILES[(i * 5 + 3) % 8]]) {
      const done = await repairImage(source, profile, studio);
      if (!done.ok) throw new Error(`${profile.id}: ${done.fault.code}`);
      expect(
        done.value.findings.filter((f) => f.severity === 'must'),
        profile.id,
      ).toEqual([]);
      const theirs = await judge(Buffer.from(done.value.bytes), profile);
      expect(theirs.ok && theirs.value.filter((f) => f.severity === 'must'), profile.id).toEqual([]);
    }
  }, 120_000);
});

describe('mending', () => {
  const longreach = findProfile('longreach')!;
  const mend = async (bytes: Bytes, profile: Profile = longreach) => {
    const done = await repairImage(bytes, profile, studio);
    if (!done.ok) throw new Error(done.fault.code);
    return { ...done.value, codes: done.value.findings.map((f) => f.code) };
  };

  it.each([1, 2, 3, 4, 5, 6, 7, 8])('turns orientation %d upright', async (orientation) => {
    const source = await foreign((i) => i.jpeg({ quality: 95 }).withMetadata({ orientation }));
    const wanted = await sharp(source).autoOrient().raw().toBuffer({ resolveWithObject: true });
    const { bytes } = await mend(source, { ...findProfile('ownsite')!, mostBytes: 20 * MB });
    const back = await sharp(bytes).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    expect([back.info.width, back.info.height]).toEqual([wanted.info.width, wanted.info.height]);
    const { data } = await sharp(wanted.data, { raw: wanted.info })
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const of = (d: Buffer): Raster => raster(back.info.width, back.info.height, new Uint8ClampedArray(d));
    expect(ssim(of(back.data), of(data))).toBeGreaterThan(0.97);
    expect((await sharp(bytes).metadata()).orientation).toBeUndefined();
  });

  it('takes the colours of P3 to sRGB as another converter does', async () => {
    const source = await foreign((i) => i.png().withIccProfile('p3'), [200, 320]);
    const stored = PNG.sync.read(Buffer.from(source));
    const { bytes, codes } = await mend(source, { ...findProfile('pommel')!, leastShortSidePx: null });
    const theirs = await sharp(source).toColourspace('srgb').ensureAlpha().raw().toBuffer();
    const ours = await pixelsOf(bytes);
    expect(codes).toContain('repair-colour');
    let most = 0;
    for (let i = 0; i < ours.data.length; i++) most = Math.max(most, Math.abs(ours.data[i] - theirs[i]));
    expect(most).toBeLessThanOrEqual(3);
    // The stored numbers are others: without the profile they would be wrong.
    expect(Math.abs(stored.data[4 * 200 * 200] - theirs[4 * 200 * 200])).toBeGreaterThan(5);
  });

  it('takes colours wider than any screen to sRGB as another converter does', async () => {
    // ROMM RGB (ISO 22028-2): primaries adapted to D50, here with a curve of 1.8.
    const file = join(mkdtempSync(join(tmpdir(), 'icc-')), 'wide.icc');
    const icc = Buffer.from(srgbProfile());
    icc.write('ROMM', icc.indexOf('desc', 200) + 12, 'latin1');
    const at = (tag: string): number => icc.readUInt32BE(icc.indexOf(tag, 132) + 4);
    const put = (tag: string, xyz: readonly number[]): void =>
      xyz.forEach((v, i) => void icc.writeInt32BE(Math.round(v * 65_536), at(tag) + 8 + i * 4));
    put('rXYZ', [0.79767, 0.28804, 0]);
    put('gXYZ', [0.13519, 0.71188, 0]);
    put('bXYZ', [0.03134, 0.00009, 0.82491]);
    const curve = at('rTRC');
    for (let i = 0; i < 1024; i++) icc.writeUInt16BE(Math.round(65_535 * (i / 1023) ** 1.8), curve + 12 + i * 2);
    writeFileSync(file, icc);
    const source = await foreign((i) => i.png().withIccProfile(file), [200, 320]);
    const { bytes, codes } = await mend(source, { ...findProfile('pommel')!, leastShortSidePx: null });
    const theirs = await sharp(source).toColourspace('srgb').ensureAlpha().raw().toBuffer();
    const ours = await pixelsOf(bytes);
    expect(codes).toContain('repair-colour');
    let sum = 0;
    for (let i = 0; i < ours.data.length; i++) sum += Math.abs(ours.data[i] - theirs[i]);
    expect(sum / ours.data.length).toBeLessThan(1);
  });

  it('leaves the coded pixels alone where only words about them are wrong', async () => {
    const source = await fileOf(scenePixels(1600, 2560), 'jpeg');
    const { bytes, codes } = await mend(source);
    expect(codes).toEqual(['repair-words']);
    const scan = (b: Uint8Array): Buffer => Buffer.from(b.subarray(Buffer.from(b).indexOf(Buffer.from([0xff, 0xda]))));
    expect(scan(bytes).equals(scan(source))).toBe(true);
  });

  it('draws a line round a pale cover for a store that wants one', async () => {
    const pale = raster(1600, 2560);
    pale.data.fill(255);
    const { bytes, codes } = await mend(await fileOf(pale, 'jpeg'));
    expect(codes).toContain('edge-line');
    expect([...(await pixelsOf(bytes)).data.slice(0, 3)].every((v) => v < 160)).toBe(true);
  });

  it('shows a picture of another ratio whole, on its own edge colour', async () => {
    const { bytes, codes } = await mend(
      await foreign((i) => i.jpeg({ quality: 95 }), [1400, 1400]),
      findProfile('fennel')!,
    );
    expect(codes).toContain('repair-fitted');
    const back = await pixelsOf(bytes);
    expect([back.width, back.height]).toEqual([1400, 1867]);
    const top = back.data.slice(4 * 700, 4 * 700 + 3);
    expect(Math.max(...top) - Math.min(...top)).toBeLessThan(140);
    const inner = await sharp(bytes)
      .extract({ left: 0, top: 234, width: 1400, height: 1400 })
      .ensureAlpha()
      .raw()
      .toBuffer();
    expect(ssim(raster(1400, 1400, new Uint8ClampedArray(inner)), scenePixels(1400, 1400))).toBeGreaterThan(0.95);
  });

  it('asks for pixels that the store takes, whatever comes', () => {
    for (const profile of PROFILES) {
      for (const [widthPx, heightPx] of [
        [16, 16],
        [300, 500],
        [1600, 2560],
        [9000, 14_000],
        [5000, 300],
        [333, 7777],
      ]) {
        const size = sizeFor({ widthPx, heightPx }, profile);
        const info: ImageInfo = {
          format: 'jpeg',
          ...size,
          orientation: 1,
          bitDepth: 8,
          colour: 'rgb',
          alpha: false,
          ppi: 300,
          profile: 'sRGB',
          progressive: false,
          animated: false,
          metadata: [],
        };
        expect(
          verdictOf(checkImage(info, 1000, profile)),
          `${profile.id} ${widthPx} x ${heightPx}: ${size.widthPx} x ${size.heightPx}`,
        ).not.toBe('fails');
      }
    }
  });

  it.each([
    ['file-empty', async () => new Uint8Array()],
    ['image-format', async () => new TextEncoder().encode('<!doctype html><title>cover.jpg</title>')],
    ['image-format', async () => fileOf(picturePixels(40, 40), 'gif')],
    ['image-truncated', async () => (await fileOf(picturePixels(400, 640), 'jpeg')).slice(0, 4000)],
    ['image-truncated', async () => (await fileOf(picturePixels(400, 640), 'tiff')).slice(0, 4000)],
    ['image-truncated', async () => (await fileOf(picturePixels(400, 640), 'avif')).slice(0, 900)],
    ['image-large', async () => hugePng()],
  ] as const)('says %s of what is no cover', async (code, source) => {
    const bytes = (await source()) as Bytes;
    expect(await repairImage(bytes, longreach, studio)).toMatchObject({ ok: false, fault: { code } });
    expect(await examineImage(bytes, longreach, studio)).toMatchObject({ ok: false, fault: { code } });
  });

  it('keeps the first picture of an animation, and says so', async () => {
    const frames = Buffer.concat([Buffer.from(scenePixels(100, 160).data), Buffer.from(picturePixels(100, 160).data)]);
    const moving = new Uint8Array(
      await sharp(frames, { raw: { width: 100, height: 320, channels: 4, pageHeight: 160 } })
        .webp({ loop: 0, lossless: true })
        .toBuffer(),
    );
    expect((await sharp(moving).metadata()).pages).toBe(2);
    const { bytes, codes } = await mend(moving, { ...findProfile('ownsite')!, formats: ['png'] });
    expect(codes).toContain('repair-still');
    expect(largestDifference(await pixelsOf(bytes), scenePixels(100, 160))).toBeLessThanOrEqual(1);
  });
});
