import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { shrink, ssim } from '@yosomi/core/pixels';
import { BOOK_SCHEMA, Book, packProject, readBook, unpackProject } from '@yosomi/core/project';
import { coverRaster } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { pixelsOf } from './fixtures/pictures';

const fixture = (name: string): Uint8Array => new Uint8Array(readFileSync(join(import.meta.dirname, 'fixtures', name)));

/** Titles as earlier releases wrote them, with the pictures of their covers that those made. */
describe.each([
  'schema-1/pictured',
  'schema-1/words',
  'schema-2/pictured',
  'schema-2/words',
  'schema-3/pictured',
  'schema-3/words',
  'schema-4/pictured',
  'schema-4/words',
  'schema-5/pictured',
  'schema-5/words',
  'schema-6/pictured',
  'schema-6/words',
  'schema-7/pictured',
  'schema-7/words',
])('a title of %s', (name) => {
  const opened = unpackProject(fixture(`${name}.yosomi`));

  it('opens as the present schema', () => {
    expect(opened.ok).toBe(true);
    if (!opened.ok) return;
    expect(opened.value.book.schema).toBe(BOOK_SCHEMA);
    expect(Book.parse(opened.value.book)).toEqual(opened.value.book);
    expect(opened.value.book).toMatchObject({ versions: [], faces: {}, sides: { spine: null, back: null }, pin: null });
    expect(opened.value.book.scene).toMatchObject({ schema: 2, arrangement: 'standing' });
    expect(opened.value.book.scene.things.map((t) => t.object.kind)).toEqual(['paperback']);
  });

  it('keeps its words and looks as it looked', async () => {
    if (!opened.ok) throw new Error(opened.fault.code);
    const { book, files } = opened.value;
    expect(book.brief.title.length).toBeGreaterThan(5);
    const now = shrink(await coverRaster(book, 800, new NodeStudio(files)), 250, 400);
    expect(ssim(now, await pixelsOf(fixture(`${name}.png`)))).toBeGreaterThan(0.995);
  });

  it('is written as the present schema, and comes back the same', () => {
    if (!opened.ok) throw new Error(opened.fault.code);
    const again = unpackProject(packProject(opened.value));
    expect(again.ok && again.value.book).toEqual(opened.value.book);
  });
});

it('a headline that the product had made up gives way to the strapline', () => {
  const opened = unpackProject(fixture('schema-7/words.yosomi'));
  if (!opened.ok) throw new Error(opened.fault.code);
  expect(opened.value.book.promo.parts['headline']).toMatchObject({ says: { kind: 'brief', field: 'strapline' } });
  for (const name of ['schema-1/words', 'schema-3/pictured', 'schema-6/words', 'schema-7/words']) {
    const book = unpackProject(fixture(`${name}.yosomi`));
    expect(JSON.stringify(book.ok && book.value.book.promo), name).not.toContain('evenings"');
  }
});

describe('documents that are none', () => {
  it('are refused with the place that is wrong, and never thrown at', () => {
    for (const raw of [
      null,
      7,
      'book',
      [],
      {},
      { schema: '2' },
      { schema: 0 },
      { schema: 1.5 },
      { schema: 1 },
      { schema: 1, cover: 4 },
      { schema: 1, cover: { parts: { a: null } } },
      { schema: 2, cover: null },
    ]) {
      const read = readBook(raw);
      expect(read.ok).toBe(false);
      expect(!read.ok && read.fault.code).toBe('project-damaged');
    }
    expect(readBook({ schema: BOOK_SCHEMA + 1 })).toMatchObject({ ok: false, fault: { code: 'project-newer' } });
  });
});
