import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { SCREEN_PPI, deliverables, makeDeliverable, noWishes } from '@yosomi/core/recipe';
import { type Raster, shrink, ssim } from '@yosomi/core/pixels';
import { NodeStudio } from '@yosomi/node-kit';
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { inTurn } from '../fixtures/cases';
import { demos } from '../fixtures/demos';
import { pixelsOf } from '../fixtures/pictures';
import { expect, put, test } from './help';

type Row = { readonly id: string; readonly key: string; readonly madeAt: string; readonly base64: string };

/** Every file that the browser has kept, with the state it was made from. */
const madeFiles = (page: Page): Promise<Row[]> =>
  page.evaluate(
    () =>
      new Promise<Row[]>((resolve, reject) => {
        const opening = indexedDB.open('yosomi');
        opening.onerror = () => reject(new Error('no store'));
        opening.onsuccess = () => {
          const all = opening.result.transaction('files').objectStore('files').getAll();
          all.onsuccess = async () => {
            const rows = all.result as { id: string; key: string; madeAt: string; bytes: Uint8Array<ArrayBuffer> }[];
            const read = (bytes: Uint8Array<ArrayBuffer>): Promise<string> =>
              new Promise((done) => {
                const reader = new FileReader();
                reader.onload = () => done((reader.result as string).split(',')[1] ?? '');
                reader.readAsDataURL(new Blob([bytes]));
              });
            resolve(
              await Promise.all(
                rows.map(async ({ id, key, madeAt, bytes }) => ({ id, key, madeAt, base64: await read(bytes) })),
              ),
            );
          };
        };
      }),
  );

/** A page of a PDF as a program that the product does not use draws it. */
function pageOf(bytes: Uint8Array, page: number): Promise<Raster> {
  const path = put('page.pdf', bytes);
  const run = spawnSync('pdftoppm', ['-r', '72', '-f', `${page}`, '-l', `${page}`, '-png', '-singlefile', path, path]);
  if (run.error) throw run.error;
  return pixelsOf(new Uint8Array(readFileSync(`${path}.png`)));
}

/** What a file says in words: of a booklet all of it. */
function saidBy(bytes: Uint8Array): string {
  if (Buffer.from(bytes.subarray(0, 4)).toString() === '%PDF')
    return spawnSync('pdftotext', [put('words.pdf', bytes), '-'], { encoding: 'utf8' }).stdout;
  const files = unzipSync(bytes);
  const chapters = Object.keys(files).filter((name) => name.endsWith('.xhtml'));
  return chapters.map((name) => new TextDecoder().decode(files[name])).join('');
}

/** What a file of any kind shows: of an ebook and a page the picture within, of outlines what another renderer draws. */
async function shownBy(kind: string, bytes: Uint8Array): Promise<Raster> {
  const booklet = kind === 'booklet';
  if (booklet && Buffer.from(bytes.subarray(0, 4)).toString() === '%PDF') return pageOf(bytes, 3);
  if (kind === 'epub' || booklet) {
    const files = unzipSync(bytes);
    return pixelsOf(files[Object.keys(files).find((name) => name.endsWith('.jpg'))!]);
  }
  if (kind === 'pdf') {
    const all = Buffer.from(bytes);
    return pixelsOf(
      all.subarray(all.indexOf(Buffer.from([0xff, 0xd8, 0xff])), all.lastIndexOf(Buffer.from([0xff, 0xd9])) + 2),
    );
  }
  if (kind === 'svg')
    return pixelsOf(
      await sharp(bytes, { unlimited: true, density: SCREEN_PPI }).resize({ width: 800 }).png().toBuffer(),
    );
  return pixelsOf(bytes);
}

/** Their files are of the same kinds as those of the other three. */
const LEFT_OUT = ['The Ledger of Small Hours', 'Weather for Two Voices'];

test('every file of a demo book is the same from the browser and from Node, whatever its kind', async ({ page }) => {
  test.setTimeout(900_000);
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Open The Balcony Moss Garden' })).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Deliver many titles' }).click();
  const dialog = page.getByRole('dialog', { name: 'Deliver many titles' });
  await dialog.getByRole('radio', { name: 'Every file' }).click();
  for (const name of LEFT_OUT) await dialog.getByLabel(name).uncheck();
  await dialog.getByRole('button', { name: 'Make the files' }).click();
  await expect(dialog.locator('[data-batch="ended"]')).toHaveText(/^46 made, 0 up to date, 0 failed/, {
    timeout: 600_000,
  });

  const made = new Map((await madeFiles(page)).map((row) => [row.id, row]));
  const projects = demos();
  const files = new Map(projects.flatMap((project) => [...project.files]));
  const studio = new NodeStudio(files);
  const others = new Map(projects.map(({ book }) => [book.id, book]));
  const [kinds, compared] = [new Set<string>(), new Set<string>()];
  const shown = projects.filter(({ book }) => !LEFT_OUT.includes(book.brief.title));
  for (const [b, { book }] of shown.entries()) {
    for (const [n, wanted] of deliverables(book, others).entries()) {
      const name = `${book.brief.title}: ${wanted.id}`;
      const row = made.get(`${book.id}/${wanted.id}`)!;
      expect(row.key, name).toBe(wanted.key);
      kinds.add(wanted.kind);
      // The first of each kind, and of the others one of two; a booklet is two kinds of file.
      if (!inTurn(2, b, n) && compared.has(wanted.kind) && wanted.kind !== 'booklet') continue;
      compared.add(wanted.kind);
      const node = await makeDeliverable(book, wanted, row.madeAt, studio, noWishes, others);
      if (!node.ok) throw new Error(`${name}: ${node.fault.code}`);
      if (wanted.kind === 'booklet') {
        const said = saidBy(Buffer.from(row.base64, 'base64'));
        expect(said.length, name).toBeGreaterThan(5000);
        expect(saidBy(node.value.bytes), name).toBe(said);
      }
      const [theirs, ours] = [
        await shownBy(wanted.kind, Buffer.from(row.base64, 'base64')),
        await shownBy(wanted.kind, node.value.bytes),
      ];
      expect([theirs.width, theirs.height], name).toEqual([ours.width, ours.height]);
      const small = (r: Raster): Raster => shrink(r, 500, Math.round((500 * r.height) / r.width));
      expect(ssim(small(theirs), small(ours)), name).toBeGreaterThanOrEqual(0.995);
    }
  }
  expect(compared).toEqual(kinds);
});
