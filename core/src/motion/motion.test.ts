import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { seeded } from '../base';
import { labOf } from '../colour';
import { type Raster, raster } from '../pixels';
import {
  ALL_THERE,
  FRAMES_A_SECOND,
  MOTIONS,
  type Motion,
  arrival,
  durationsOf,
  gifFilm,
  i420,
  indexer,
  loops,
  paletteOf,
  shownOf,
  timeline,
  webpFilm,
} from './index';

const motions: Motion[] = MOTIONS.flatMap((kind) =>
  [3, 4.5, 6, 12].flatMap((seconds) => [true, false].map((arrive) => ({ kind, seconds, arrive }))),
);
const named = motions.map((m): [string, Motion] => [`${m.kind} ${m.seconds} s${m.arrive ? ', words arrive' : ''}`, m]);

describe('a timeline', () => {
  it.each(named)('%s has 24 frames a second, and each moment once', (_, motion) => {
    const { moments, frames, loops: looped } = timeline(motion);
    expect(frames).toHaveLength(motion.seconds * FRAMES_A_SECOND);
    expect(new Set(moments.map((m) => JSON.stringify(m))).size).toBe(moments.length);
    expect(new Set(frames).size).toBe(moments.length);
    expect(looped).toBe(loops(motion));
    if (motion.kind === 'swing' && !motion.arrive) expect(moments.length).toBeLessThanOrEqual(frames.length / 2 + 2);
  });

  it.each(named.filter(([, m]) => loops(m)))('%s goes on from its end without a jump', (_, motion) => {
    const { moments, frames } = timeline(motion);
    const step = (a: number, b: number): number => {
      const [from, to] = [moments[frames[a]], moments[frames[b]]];
      const turn = Math.abs(Math.sin((to.turnRad - from.turnRad) / 2));
      const seen = Math.abs(arrival(to, 0).shown - arrival(from, 0).shown);
      // A light comes out of the dark and goes into it: at both ends there is none.
      const lit = (light: number | null): number => (light === null ? 0 : Math.sin(Math.PI * light));
      return turn + seen + Math.abs(lit(to.light) - lit(from.light));
    };
    const inside = Math.max(...frames.slice(1).map((_, i) => step(i, i + 1)));
    expect(step(frames.length - 1, 0)).toBeLessThanOrEqual(inside + 1e-9);
  });

  it.each(named)('%s has a poster with all the words, unless it begins with what it hides', (_, motion) => {
    const { moments, frames, poster } = timeline(motion);
    const { words, gone } = moments[frames[poster]];
    if (motion.kind !== 'reveal') expect([words, gone]).toEqual([ALL_THERE, 0]);
    else expect(moments[frames[poster]].share).toBeLessThan(0.1);
  });

  it('a reveal only ever shows more, and ends with the whole cover', () => {
    const { moments, frames } = timeline({ kind: 'reveal', arrive: false, seconds: 6 });
    const shares = frames.map((m) => moments[m].share!);
    expect(shares.every((s, i) => i === 0 || s >= shares[i - 1])).toBe(true);
    expect(shares.at(-1)).toBe(1);
  });

  it('words come one after the other, stay, and are gone where it begins again', () => {
    const { moments, frames } = timeline({ kind: 'words', arrive: true, seconds: 4 });
    const firstWhole = (place: number): number => frames.findIndex((m) => arrival(moments[m], place).shown === 1);
    expect(firstWhole(0)).toBeLessThan(firstWhole(1));
    expect(firstWhole(1)).toBeLessThan(firstWhole(5));
    expect(arrival(moments[frames[0]], 0).shown).toBe(0);
    expect(arrival(moments[frames.at(-1)!], 0).shown).toBeLessThan(0.2);
  });

  it.each(named)('%s is shown from its poster on, every frame once, to the millisecond', (_, motion) => {
    const line = timeline(motion);
    const shown = shownOf(line);
    expect(shown.reduce((sum, { frames }) => sum + frames, 0)).toBe(line.frames.length);
    expect(shown[0].moment).toBe(line.frames[line.loops ? line.poster : 0]);
    expect(durationsOf(shown).reduce((a, b) => a + b, 0)).toBe(Math.round(motion.seconds * 1000));
  });
});

const plain = (w: number, h: number, colours: readonly (readonly number[])[]): Raster => {
  const out = raster(w, h);
  for (let i = 0; i < w * h; i++) out.data.set([...colours[i % colours.length], 255], i * 4);
  return out;
};

describe('few colours', () => {
  it('keep a picture that has no more than they are', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.tuple(fc.nat(31), fc.nat(31), fc.nat(31)), {
          minLength: 1,
          maxLength: 40,
          selector: (c) => c.join(),
        }),
        (bins) => {
          // One colour in each cell of the histogram: no two may be taken for one.
          const colours = bins.map((c) => c.map((v) => v * 8 + 3));
          const picture = plain(colours.length * 4, 3, colours);
          const palette = paletteOf([picture], 255);
          for (const colour of colours) {
            const near = Math.min(
              ...palette.map((p) =>
                Math.max(Math.abs(p[0] - colour[0]), Math.abs(p[1] - colour[1]), Math.abs(p[2] - colour[2])),
              ),
            );
            expect(near).toBeLessThanOrEqual(2);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('show an even ground as even on the whole, and the same way each time', () => {
    const ramp = raster(256, 64);
    for (let y = 0; y < 64; y++)
      for (let x = 0; x < 256; x++) ramp.data.set([x * 0.4 + 40, x * 0.5 + 60, x * 0.3 + 50, 255], (y * 256 + x) * 4);
    const palette = paletteOf([ramp], 15);
    const index = indexer(palette);
    expect(palette).toHaveLength(15);
    expect(index(ramp)).toEqual(indexer(paletteOf([ramp], 15))(ramp));
    const found = index(ramp);
    for (let block = 0; block < 16; block++) {
      const sums = [0, 0, 0];
      const due = [0, 0, 0];
      for (let y = 0; y < 64; y++)
        for (let x = block * 16; x < block * 16 + 16; x++)
          for (let c = 0; c < 3; c++) {
            sums[c] += palette[found[y * 256 + x]][c] / 1024;
            due[c] += ramp.data[(y * 256 + x) * 4 + c] / 1024;
          }
      const [a, b] = [labOf([sums[0], sums[1], sums[2]]), labOf([due[0], due[1], due[2]])];
      // The ends of the ramp can only be shown by what is there.
      if (block > 0 && block < 15) expect(Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])).toBeLessThan(0.03);
    }
  });
});

describe('a film within bytes', () => {
  const noisy = (seed: number): Raster => {
    const out = raster(48, 40);
    const chance = seeded(seed);
    for (let i = 0; i < out.data.length; i++) out.data[i] = i % 4 === 3 ? 255 : Math.floor(chance() * 256);
    return out;
  };
  const line = timeline({ kind: 'round', arrive: false, seconds: 3 });
  const moments = { get: async (moment: number) => noisy(moment) };

  it('is met by fewer colours, or said with the least that it can have', async () => {
    const free = await gifFilm(moments, line, { mostBytes: null, onProgress() {} });
    if (!free.ok) throw new Error(free.fault.code);
    const most = Math.floor(free.value.length * 0.7);
    const kept = await gifFilm(moments, line, { mostBytes: most, onProgress() {} });
    expect(kept.ok && kept.value.length).toBeLessThanOrEqual(most);
    const none = await gifFilm(moments, line, { mostBytes: 900, onProgress() {} });
    expect(none).toMatchObject({ ok: false, fault: { code: 'film-too-large', data: { most: 900 } } });
    expect(!none.ok && none.fault.data.found).toBeGreaterThan(900);
  });

  it('is tried at lower and lower quality as WebP, even where the first guess is wrong', async () => {
    const asked: number[] = [];
    // What is guessed from a few frames is too hopeful here: the third of all frames is large.
    const encode = async (frame: Raster, quality: number): Promise<Uint8Array<ArrayBuffer>> => {
      asked.push(quality);
      const size = quality * (frame.data[0] % 3 === 0 ? 60 : 2);
      const data = new Uint8Array(size + (size & 1));
      const head = [...'RIFF'].map((c) => c.charCodeAt(0));
      const le = (v: number): number[] => [v & 255, (v >> 8) & 255, (v >> 16) & 255, v >>> 24];
      return Uint8Array.from([
        ...head,
        ...le(12 + data.length),
        ...[...'WEBPVP8 '].map((c) => c.charCodeAt(0)),
        ...le(data.length),
        ...data,
      ]);
    };
    const made = await webpFilm(moments, line, { mostBytes: 60_000, onProgress() {} }, encode);
    expect(made.ok && made.value.length).toBeLessThanOrEqual(60_000);
    expect(Math.min(...asked)).toBeLessThan(82);
    const none = await webpFilm(moments, line, { mostBytes: 500, onProgress() {} }, encode);
    expect(none).toMatchObject({ ok: false, fault: { code: 'film-too-large' } });
  });
});

describe('video planes', () => {
  const back = (y: number, u: number, v: number): number[] => {
    const [l, cb, cr] = [(y - 16) / 219, (u - 128) / 224, (v - 128) / 224];
    return [l + 1.5748 * cr, l - 0.1873 * cb - 0.4681 * cr, l + 1.8556 * cb].map((c) => c * 255);
  };
  it('hold colours to two steps of 255, at every size', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255)),
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        (colour, w, h) => {
          const { data, layout } = i420(plain(w, h, [colour]));
          const [, u, v] = layout;
          expect(data).toHaveLength(w * h + 2 * Math.ceil(w / 2) * Math.ceil(h / 2));
          const last = Math.ceil(w / 2) * Math.ceil(h / 2) - 1;
          const shown = back(data[w * h - 1], data[u.offset + last], data[v.offset + last]);
          shown.forEach((c, i) => expect(Math.abs(c - colour[i])).toBeLessThanOrEqual(2.5));
        },
      ),
    );
  });
});
