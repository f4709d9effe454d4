import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import type { Versioned } from '@yosomi/core/base';
import { OwnPictures } from '@yosomi/core/library';
import { Scenes } from '@yosomi/core/mockup';
import { PinScenes } from '@yosomi/core/pin';
import { Books, Houses } from '@yosomi/core/project';
import { NameMaps } from '@yosomi/core/renaming';
import { Cards } from '@yosomi/core/shelf';
import { Profiles } from '@yosomi/core/stores';
import { Arrivals } from '../web/src/persist/arrival';
import { Deliveries } from '../web/src/persist/deliveries';
import { DemoRows } from '../web/src/persist/demo-progress';
import { Steps } from '../web/src/persist/histories';
import { HouseSteps } from '../web/src/persist/house-steps';
import { Copies } from '../web/src/persist/keeps';
import { Measures } from '../web/src/persist/measures';
import { PinLists } from '../web/src/persist/pins';
import { SceneLists } from '../web/src/persist/scenes';
import { Seens } from '../web/src/persist/seen';
import { WishRows } from '../web/src/persist/wishes';

const ROOT = join(import.meta.dirname, '..');
const FIXTURES = join(import.meta.dirname, 'fixtures');

/** Every kind of thing that outlives a release. */
const KINDS: readonly Versioned<unknown>[] = [
  Books,
  Scenes,
  PinScenes,
  Profiles,
  Houses,
  HouseSteps,
  WishRows,
  Measures,
  SceneLists,
  PinLists,
  Copies,
  Arrivals,
  OwnPictures,
  DemoRows,
  Deliveries,
  Steps,
  Seens,
  NameMaps,
  Cards,
];

/** One as a release of that schema wrote it. */
function fixture(kind: string, schema: number): Record<string, unknown> | null {
  const json = join(FIXTURES, 'kept', `${kind}-${schema}.json`);
  if (existsSync(json)) {
    // A file is no JSON: it stands as a word.
    const read = JSON.parse(readFileSync(json, 'utf8'), (_, value) =>
      value === 'a file' ? new Blob(['a file']) : value,
    );
    return read;
  }
  const title = join(FIXTURES, `schema-${schema}`, 'words.yosomi');
  if (kind !== 'book' || !existsSync(title)) return null;
  const entries = unzipSync(new Uint8Array(readFileSync(title)));
  return JSON.parse(new TextDecoder().decode(entries['manifest.json'])).book;
}

describe.each(KINDS)('what is kept: $kind', (kind) => {
  const past = Array.from({ length: kind.schema }, (_, i) => i + 1);

  it.each(past)('has one of schema %i, which reads', (schema) => {
    if (kind === Books && schema === Books.schema) return;
    const raw = fixture(kind.kind, schema);
    expect(raw, `fixtures/kept/${kind.kind}-${schema}.json is missing`).not.toBeNull();
    const read = kind.read(raw);
    expect(read.ok || read.fault).toBe(true);
    if (!read.ok) return;
    expect(read.value).toMatchObject({ schema: kind.schema });
    // What is the same in both schemas is still there.
    expect(kind.read(read.value)).toEqual(read);
  });

  it('of a later release, of no number that there is, or of another shape is refused with the reason', () => {
    const raw = fixture(kind.kind, kind.schema) ?? fixture(kind.kind, kind.schema - 1);
    const newer = kind.read({ ...raw, schema: kind.schema + 1 });
    expect(newer).toMatchObject({ ok: false, fault: { data: { found: kind.schema + 1, known: kind.schema } } });
    for (const wrong of [
      null,
      7,
      'kept',
      [],
      { ...raw, schema: 0 },
      { ...raw, schema: 1.5 },
      { ...raw, schema: '1' },
      { schema: kind.schema },
    ]) {
      const read = kind.read(wrong);
      expect(read.ok, JSON.stringify(wrong)?.slice(0, 80)).toBe(false);
      if (!newer.ok && !read.ok) expect(read.fault.code).not.toBe(newer.fault.code);
    }
  });
});

describe('the list above', () => {
  it('has every kind that the sources tell the schema of', () => {
    const found = ['core/src', 'web/src'].flatMap((tree) =>
      readdirSync(join(ROOT, tree), { recursive: true, encoding: 'utf8' })
        .filter((name) => /\.tsx?$/.test(name) && !name.includes('.test.'))
        .flatMap((name) => [...readFileSync(join(ROOT, tree, name), 'utf8').matchAll(/\bversioned\(\s*'?(\w+)/g)])
        .map((m) => m[1]),
    );
    // Kept lists are told by the name that they are made with.
    const names = found.flatMap((name) => (name === 'name' ? ['scenes', 'pins'] : [name]));
    expect(names.sort()).toEqual(KINDS.map((kind) => kind.kind).sort());
  });

  it('is all that is parsed as it was stored: nobody else tests a number of a schema', () => {
    const own = readdirSync(join(ROOT, 'web/src/persist'), { encoding: 'utf8' })
      .filter((name) => name.endsWith('.ts') && !name.includes('.test.'))
      .filter((name) => /safeParse\(/.test(readFileSync(join(ROOT, 'web/src/persist', name), 'utf8')));
    // A row of a title is read loosely around its book; findings of files are made anew with them.
    expect(own.sort()).toEqual(['keeps.ts', 'made-files.ts', 'rows.ts', 'wishes.ts']);
  });
});
