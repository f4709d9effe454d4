import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Random, seeded } from '@yosomi/core/base';
import { checkOpened, inspectEpub, newEdition, openEpub, readerPage, readerPages } from '@yosomi/core/ebook';
import { readImage } from '@yosomi/core/image-file';
import { packProject, unpackProject } from '@yosomi/core/project';
import { PROFILES, readProfiles, writeProfiles } from '@yosomi/core/stores';
import { ROOT, decodeDelivered } from '@yosomi/node-kit';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { bookFile, plainPlan } from '../../tests/fixtures/epubs';
import { fileOf, picturePixels } from '../../tests/fixtures/pictures';
import { woundBytes, woundJson } from './mutate';

type Bytes = Uint8Array<ArrayBuffer>;
/** What became of a wounded file: it was refused by a code, or read, and what was read held together. */
type Fate = { readonly kind: 'refused'; readonly code: string } | { readonly kind: 'read' };
const READ: Fate = { kind: 'read' };

export type Tried = {
  readonly what: string;
  readonly tried: number;
  readonly read: number;
  readonly codes: ReadonlyMap<string, number>;
  readonly slowestMs: number;
  /** Broken promises: something thrown, or something read that does not hold together. */
  readonly broken: readonly string[];
};

const same = (a: Uint8Array, b: Uint8Array): boolean => Buffer.compare(a, b) === 0;
const blob = (bytes: Bytes): Blob => new Blob([bytes]);

/** A zip with some of its files wounded, packed anew; half of the time its own bytes are wounded instead. */
function woundZip(random: Random, whole: Bytes, json: boolean): Bytes {
  if (random() < 0.5) return woundBytes(random, whole);
  const files = unzipSync(whole);
  const names = Object.keys(files);
  const name = json ? 'manifest.json' : names[Math.floor(random() * names.length)]!;
  files[name] = json
    ? strToU8(JSON.stringify(woundJson(random, JSON.parse(strFromU8(files[name]!)))))
    : woundBytes(random, files[name]!);
  return zipSync(files, { level: 0 }) as Bytes;
}

function titleFate(bytes: Bytes): Fate {
  const read = unpackProject(bytes);
  if (!read.ok) return { kind: 'refused', code: read.fault.code };
  const again = unpackProject(packProject(read.value));
  if (!again.ok) throw new Error(`a title that was read is refused when it was saved: ${again.fault.code}`);
  if (!same(packProject(again.value), packProject(read.value)))
    throw new Error('a saved title is another when it is read');
  return READ;
}

async function epubFate(bytes: Bytes, cover: Bytes): Promise<Fate> {
  const opened = await openEpub(blob(bytes));
  if (!opened.ok) return { kind: 'refused', code: opened.fault.code };
  await checkOpened(opened.value);
  await inspectEpub(blob(bytes));
  for (const path of readerPages(opened.value).slice(0, 2)) {
    const page = await readerPage(opened.value, path);
    if (page && /<script|javascript:|\son\w+=|src="https?:/i.test(page))
      throw new Error('a page came through with script or a request');
  }
  const info = readImage(cover);
  if (!info.ok) throw new Error('the cover of the trial is no picture');
  const made = await newEdition(blob(bytes), {
    cover: { bytes: cover, info: info.value as never, alt: null },
    words: { title: 'A Fern & Others' },
    modified: '2026-11-27T10:00:00Z',
  });
  if (!made.ok) return { kind: 'refused', code: made.fault.code };
  const again = await inspectEpub(made.value.file);
  if (!again.ok) throw new Error(`a new edition cannot be opened: ${again.fault.code}`);
  return READ;
}

async function imageFate(bytes: Bytes): Promise<Fate> {
  const decoded = await decodeDelivered(bytes);
  if (!decoded.ok) return { kind: 'refused', code: decoded.fault.code };
  const { raster } = decoded.value;
  if (raster.data.length !== raster.width * raster.height * 4)
    throw new Error('a picture of another size than it says');
  return READ;
}

function storesFate(bytes: Bytes): Fate {
  const read = readProfiles(bytes);
  if (!read.ok) return { kind: 'refused', code: read.fault.code };
  const again = readProfiles(writeProfiles(read.value));
  if (!again.ok) throw new Error(`stores that were read are refused when they were saved: ${again.fault.code}`);
  if (JSON.stringify(again.value) !== JSON.stringify(read.value))
    throw new Error('saved stores are others when they are read');
  return READ;
}

async function trial(what: string, count: number, one: (n: number) => Promise<Fate> | Fate): Promise<Tried> {
  const codes = new Map<string, number>();
  const broken: string[] = [];
  let read = 0;
  let slowestMs = 0;
  for (let n = 0; n < count; n++) {
    const from = performance.now();
    try {
      const fate = await one(n);
      if (fate.kind === 'read') read++;
      else codes.set(fate.code, (codes.get(fate.code) ?? 0) + 1);
    } catch (error) {
      broken.push(
        `${what} ${n}: ${error instanceof Error ? (error.stack ?? error.message).split('\n').slice(0, 3).join(' ') : String(error)}`,
      );
    }
    slowestMs = Math.max(slowestMs, performance.now() - from);
    if (n % 2000 === 1999) console.log(`${what}: ${n + 1} tried, ${read} read, ${broken.length} broken`);
  }
  return { what, tried: count, read, codes, slowestMs, broken };
}

/** Wounds title files, EPUBs, images and store files, `count` times each, and looks at what becomes of each. */
export async function mutations(seed: number, count: number): Promise<Tried[]> {
  const from = (n: number, kind: number): Random => seeded(seed + kind * 1_000_003 + n);
  const titles = ['1-balcony-moss', '5-weather-voices'].map(
    (name) => new Uint8Array(readFileSync(join(ROOT, 'build/demo', `${name}.yosomi`))),
  );
  const cover = await fileOf(picturePixels(80, 128), 'jpeg');
  const plain = plainPlan(cover);
  const books = [
    plain,
    { ...plain, version: 2 as const, property: false, guide: 'page' as const },
    { ...plain, page: 'svg' as const, landmarks: true, wrapper: 'book/' },
  ].map((plan) => bookFile(plan) as Bytes);
  const pictures = await Promise.all(
    (['jpeg', 'png', 'webp', 'tiff', 'avif'] as const).map((format) => fileOf(picturePixels(48, 76), format)),
  );
  const stores = JSON.parse(strFromU8(writeProfiles(PROFILES.slice(0, 3)))) as unknown;
  const text = strToU8(JSON.stringify(stores));
  return [
    await trial('title files', count, (n) => titleFate(woundZip(from(n, 1), titles[n % titles.length]!, n % 4 < 2))),
    await trial('EPUBs', count, (n) => epubFate(woundZip(from(n, 2), books[n % books.length]!, false), cover)),
    await trial('images', count, (n) => imageFate(woundBytes(from(n, 3), pictures[n % pictures.length]!))),
    await trial('store files', count, (n) => {
      const random = from(n, 4);
      return storesFate(
        n % 2 ? woundBytes(random, text) : (strToU8(JSON.stringify(woundJson(random, stores))) as Bytes),
      );
    }),
  ];
}
