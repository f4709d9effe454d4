import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import sharp from 'sharp';
import { type Moment, type Motion, type Timeline, gifFilm, timeline, webpFilm } from '@yosomi/core/motion';
import { thingsBox } from '@yosomi/core/mockup';
import { type Raster, raster, ssim } from '@yosomi/core/pixels';
import { type Rect, union } from '@yosomi/core/plane';
import type { Book, Project } from '@yosomi/core/project';
import { type Campaign, LOOKS, findFormat, newCampaign, ownFormat } from '@yosomi/core/promo';
import {
  type PromoAt,
  docAt,
  imagesOf,
  motionsOf,
  movedScene,
  oneThread,
  paintMotion,
  promoDoc,
  promoJob,
  promoRaster,
  sceneOfSource,
  subjectsOf,
} from '@yosomi/core/recipe';
import { encodeFrame, momentFile } from '@yosomi/node-kit';
import { demos } from './fixtures/demos';
import { probe } from './fixtures/films';
import { QuickStudio } from './fixtures/quick-studio';

let books: Project[];
let studio: QuickStudio;
let others: Map<string, Book>;

beforeAll(() => {
  books = demos();
  studio = new QuickStudio(new Map(books.flatMap((d) => [...d.files])));
  others = new Map(books.map((d) => [d.book.id, d.book]));
});

const SMALL = ownFormat(320, 400);

function atOf(look: string, more: Partial<Campaign> = {}, format = SMALL): PromoAt {
  const campaign = newCampaign('c', 'C', look === 'wrapped' ? 'reveal' : 'announcement');
  const message = { ...campaign.message, wordings: [{ headline: 'Every light is owed', line: '' }], call: 'Read' };
  return { campaign: { ...campaign, message, style: { ...campaign.style, look }, ...more }, format };
}

async function painted(
  book: Book,
  at: PromoAt,
  motion: Motion,
  every = 1,
  enough: (moment: number) => boolean = () => true,
): Promise<{ line: Timeline; at: Raster[] }> {
  const kept: Raster[] = [];
  const stop = new Error('enough');
  const made = await paintMotion(oneThread(studio), book, at, { motion, every }, others, {
    put: async (moment, pixels) => {
      if (!enough(moment)) throw stop;
      kept[moment] = pixels;
    },
    onProgress() {},
  }).catch((error: unknown) => {
    if (error !== stop) throw error;
    return { ok: true as const, value: timeline(motion) };
  });
  if (!made.ok) throw new Error(made.fault.code);
  return { line: made.value, at: kept };
}

const still = async (book: Book, at: PromoAt): Promise<Raster> => {
  const job = await promoJob(oneThread(studio), book, at, others);
  if (!job.ok) throw new Error(job.fault.code);
  return promoRaster(book, at, imagesOf(job.value.pictures, studio), at.format.widthPx, others, studio);
};

/** Share of pixels that differ by more than a trace. */
function apart(a: Raster, b: Raster): number {
  let n = 0;
  for (let i = 0; i < a.data.length; i += 4)
    if (Math.max(...[0, 1, 2].map((c) => Math.abs(a.data[i + c] - b.data[i + c]))) > 12) n++;
  return n / (a.width * a.height);
}

const MOTION: Motion = { kind: 'words', arrive: true, seconds: 3 };

describe('a promo in motion', () => {
  it('is the still where all has arrived, and has no word of it at its beginning', async () => {
    const { book } = books[1];
    const at = atOf('dusk');
    const { line, at: frames } = await painted(book, at, MOTION);
    const whole = await still(book, at);
    expect(apart(frames[line.frames[line.poster]], whole)).toBe(0);
    const empty = {
      ...at.campaign,
      message: { ...at.campaign.message, wordings: [{ headline: '', line: '' }], call: '', link: '' },
    };
    const first = frames[line.frames[0]];
    expect(apart(first, whole)).toBeGreaterThan(0.03);
    // The words' own places show nothing but the ground, as where no words are.
    const { doc } = await promoDoc(book, at, others, studio);
    const { headline } = doc.parts;
    const area = headline.kind === 'words' ? headline.area : { x: 0, y: 0, width: 1, height: 1 };
    const blank = await still(book, { ...at, campaign: empty });
    const inside = (r: Raster): number => {
      let least = 255;
      let most = 0;
      for (let y = Math.ceil(area.y * r.height); y < (area.y + area.height) * r.height - 1; y++)
        for (let x = Math.ceil(area.x * r.width); x < (area.x + area.width) * r.width - 1; x++) {
          const v = r.data[(y * r.width + x) * 4 + 1];
          least = Math.min(least, v);
          most = Math.max(most, v);
        }
      return most - least;
    };
    expect(inside(whole)).toBeGreaterThan(100);
    expect(inside(first)).toBeLessThan(40);
    expect(blank.width).toBe(first.width);
  });

  it('turns its book: every frame differs from the one before, and the way back is the way there', async () => {
    const { book } = books[1];
    const { line, at: frames } = await painted(book, atOf('dusk'), { kind: 'swing', arrive: false, seconds: 3 }, 4);
    const shown = frames.filter(Boolean);
    for (const [i, frame] of shown.slice(1).entries()) expect(apart(frame, shown[i]), String(i)).toBeGreaterThan(0.001);
    expect(line.moments.length).toBeLessThan(line.frames.length * 0.6);
  });

  it('lights a cover and goes dark again, and keeps its exposure and its frame', async () => {
    const { book } = books[1];
    const at = atOf('dusk');
    const { line, at: frames } = await painted(book, at, { kind: 'light', arrive: false, seconds: 3 }, 6);
    const mean = (r: Raster): number => {
      let sum = 0;
      for (let i = 0; i < r.data.length; i += 4) sum += r.data[i + 1];
      return sum / (r.data.length / 4);
    };
    const light = frames.map((frame, i) => ({ at: line.moments[i].light!, mean: mean(frame) })).filter(Boolean);
    const [dark, lit] = [light.filter((m) => m.at < 0.02), light.filter((m) => m.at > 0.4 && m.at < 0.6)];
    expect(Math.min(...lit.map((m) => m.mean))).toBeGreaterThan(Math.max(...dark.map((m) => m.mean)) + 0.5);
    // Its cover shines a little more than the still's, and as much before the light comes as when it has just begun to.
    expect(Math.abs(mean(frames[line.frames[0]]) - mean(await still(book, at)))).toBeLessThan(0.6);
    const near = await painted(book, at, { kind: 'light', arrive: false, seconds: 12 }, 1, (i) => i < 12);
    const steps = near.at.slice(1).map((frame, i) => Math.abs(mean(frame) - mean(near.at[i])));
    expect(Math.max(...steps)).toBeLessThan(0.12);
  });

  it('unwraps a cover until all of it is there', async () => {
    const { book } = books[1];
    const at = atOf('wrapped');
    const { line, at: frames } = await painted(book, at, { kind: 'reveal', arrive: false, seconds: 3 }, 6);
    const shown = frames.flatMap((frame, i) => (frame ? [{ share: line.moments[i].share!, frame }] : []));
    const last = await still(book, {
      ...at,
      campaign: { ...at.campaign, reveal: { ...at.campaign.reveal, share: 1 } },
    });
    const away = shown.map(({ frame }) => apart(frame, last));
    expect(away[0]).toBeGreaterThan(0.1);
    expect(Math.min(...away)).toBeLessThan(away[0] * 0.4);
    expect(away.every((a, i) => i === 0 || a <= away[i - 1] + 0.01)).toBe(true);
  });

  it('says what cannot move, and paints nothing of it', async () => {
    const { book } = books[1];
    const asked: number[] = [];
    const put = async (moment: number): Promise<void> => void asked.push(moment);
    const made = await paintMotion(
      oneThread(studio),
      book,
      atOf('plain'),
      { motion: { ...MOTION, kind: 'reveal' } },
      others,
      {
        put,
        onProgress() {},
      },
    );
    expect(made).toMatchObject({ ok: false, fault: { code: 'motion-cannot', data: { motion: 'reveal' } } });
    const pictured = books.find((d) => Object.keys(d.book.assets).length > 0)!.book;
    const bare = oneThread(new QuickStudio(new Map()));
    const lost = await paintMotion(bare, pictured, atOf('bleed'), { motion: MOTION }, others, {
      put,
      onProgress() {},
    });
    expect([lost.ok, asked]).toEqual([false, []]);
  });
});

const within = (inner: Rect, outer: Rect): boolean =>
  inner.x >= outer.x &&
  inner.y >= outer.y &&
  inner.x + inner.width <= outer.x + outer.width &&
  inner.y + inner.height <= outer.y + outer.height;

const moment = (turnRad: number, sweepRad: number): Moment => ({
  turnRad,
  sweepRad,
  light: null,
  share: null,
  words: 99,
  gone: 0,
});

describe('what turns', () => {
  /** Every book that stands beside words keeps to its place at every angle, in every look and shape. */
  it.each(['square', 'tall', 'wide', 'header'])('never leaves the place that it has at rest, %s', async (id) => {
    const format = findFormat(id)!;
    const { book } = books[2];
    let seen = 0;
    for (const look of LOOKS) {
      const at = atOf(look.id, {}, format);
      const { doc } = await promoDoc(book, at, others, studio);
      const can = motionsOf(doc, book, others);
      for (const [kind, sweep] of [
        ['swing', 0.42],
        ['round', Math.PI],
      ] as const) {
        if (!can.includes(kind)) continue;
        const boxOf = (turn: number): Rect | null => {
          const now = docAt(doc, moment(turn, sweep), book, others).parts.book;
          if (now?.kind !== 'picture' || now.source.kind !== 'shot' || now.source.set) return null;
          const scene = movedScene(sceneOfSource(book, now.source, others), moment(turn, sweep), book, others);
          const { x, y, width, height } = thingsBox(scene, subjectsOf(book, scene, others), 1000, 1000);
          const { area } = now;
          return {
            x: area.x + x * area.width,
            y: area.y + y * area.height,
            width: width * area.width,
            height: height * area.height,
          };
        };
        const part = doc.parts.book;
        if (part?.kind !== 'picture' || part.source.kind !== 'shot' || part.source.set) continue;
        const scene = sceneOfSource(book, part.source, others);
        const box = thingsBox(scene, subjectsOf(book, scene, others), 1000, 1000);
        const { area } = part;
        const rest = {
          x: area.x + box.x * area.width,
          y: area.y + box.y * area.height,
          width: box.width * area.width,
          height: box.height * area.height,
        };
        // What the edge of the format cuts has no words on that side.
        if (!within({ ...rest, height: 0 }, { x: 0, y: 0, width: 1, height: 1 })) continue;
        const swept = union([-1, -0.6, -0.2, 0, 0.3, 0.7, 1].flatMap((k) => boxOf(k * sweep) ?? []));
        const cut = rest.y + rest.height > 1 ? 1 : 0;
        const room = {
          x: rest.x - 0.004,
          y: rest.y - 0.004,
          width: rest.width + 0.008,
          height: rest.height + 0.008 + cut,
        };
        expect(within(swept, room), `${look.id} ${kind}`).toBe(true);
        seen++;
      }
    }
    expect(seen).toBeGreaterThan(12);
  });
});

describe('a film as a file', () => {
  const motion: Motion = { kind: 'words', arrive: true, seconds: 3 };
  const wish = { mostBytes: null, onProgress() {} };

  it('is a GIF of all frames that other programs read, its first one the poster, its colours near those painted', async () => {
    const { book } = books[1];
    const { line, at: frames } = await painted(book, atOf('dusk'), motion);
    const made = await gifFilm({ get: async (m) => frames[m] }, line, wish);
    if (!made.ok) throw new Error(made.fault.code);
    expect(await sharp(made.value).metadata()).toMatchObject({ format: 'gif', width: 320, height: 400, loop: 0 });
    // What does not change for a while is one frame that is shown for longer.
    const path = join(mkdtempSync(join(tmpdir(), 'motion-')), 'words.gif');
    writeFileSync(path, made.value);
    expect(probe(path)).toMatchObject({ codec_name: 'gif', width: '320', duration: '3.000000' });
    const first = await sharp(made.value).ensureAlpha().raw().toBuffer();
    const poster = frames[line.frames[line.poster]];
    expect(ssim(raster(320, 400, new Uint8ClampedArray(first)), poster)).toBeGreaterThan(0.93);
    // Each frame as it is shown, not as it is stored: the others lie under it.
    const all = await sharp(made.value, { pages: -1 }).ensureAlpha().raw().toBuffer();
    const last = new Uint8ClampedArray(all.subarray(all.length - 320 * 400 * 4));
    const shown = [...line.frames.slice(line.poster), ...line.frames.slice(0, line.poster)];
    expect(ssim(raster(320, 400, last), frames[shown.at(-1)!])).toBeGreaterThan(0.93);
  });

  it('is a WebP whose times add up, and one that plays once where it reveals', async () => {
    const { book } = books[1];
    const { line, at: frames } = await painted(book, atOf('wrapped'), { kind: 'reveal', arrive: true, seconds: 3 });
    const made = await webpFilm({ get: async (m) => frames[m] }, line, wish, encodeFrame);
    if (!made.ok) throw new Error(made.fault.code);
    const { format, loop, delay, pages, pageHeight } = await sharp(made.value, { animated: true }).metadata();
    expect([format, loop, pageHeight]).toEqual(['webp', 1, 400]);
    expect(delay!.reduce((a, b) => a + b, 0)).toBe(3000);
    expect(pages).toBe(delay!.length);
  });

  it('keeps its moments on disk as they were', async () => {
    const store = momentFile(5, 3);
    const of = (k: number): Raster =>
      raster(
        5,
        3,
        Uint8ClampedArray.from({ length: 60 }, (_, i) => (i * k) % 256),
      );
    await store.put(7, of(3));
    await store.put(0, of(5));
    expect(await store.get(7)).toEqual(of(3));
    expect(await store.get(0)).toEqual(of(5));
    store.end();
    expect(timeline(motion).frames).toHaveLength(72);
  });
});
