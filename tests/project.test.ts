import { deflateRawSync } from 'node:zlib';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import { type Project, assetsInUse, packProject, readBook, unpackProject } from '@yosomi/core/project';
import { demos } from './fixtures/demos';
import { pictureProject, wordsBook } from './fixtures/books';

let project: Project;
beforeAll(async () => {
  project = await pictureProject();
});

const code = (bytes: Uint8Array): string => {
  const read = unpackProject(bytes);
  return read.ok ? 'none' : read.fault.code;
};

/** The project's file with one entry changed or, for null, left out. */
function tampered(change: Record<string, Uint8Array | null>): Uint8Array {
  const entries = unzipSync(packProject(project));
  for (const [name, data] of Object.entries(change)) {
    if (data) entries[name] = new Uint8Array(data);
    else delete entries[name];
  }
  return zipSync(entries);
}
const manifest = (
  change: (m: { version: number; format: string; book: Record<string, unknown> }) => void,
): Uint8Array => {
  const m = JSON.parse(new TextDecoder().decode(unzipSync(packProject(project))['manifest.json']));
  change(m);
  return tampered({ 'manifest.json': strToU8(JSON.stringify(m)) });
};

describe('a title file', () => {
  it('brings the same title back, pictures and all', () => {
    const back = unpackProject(packProject(project));
    if (!back.ok) throw new Error(back.fault.code);
    expect(back.value.book).toEqual(project.book);
    expect([...back.value.files.keys()]).toEqual(assetsInUse(project.book));
    for (const [id, bytes] of project.files)
      expect(Buffer.from(back.value.files.get(id)!).equals(Buffer.from(bytes))).toBe(true);
  });

  it('is the same bytes for the same title, and a plain zip that others can open', () => {
    expect(Buffer.from(packProject(project)).equals(Buffer.from(packProject(project)))).toBe(true);
    const names = Object.keys(unzipSync(packProject(project)));
    expect(names).toEqual(['manifest.json', `assets/${[...project.files.keys()][0]}.jpg`]);
  });

  it('leaves out pictures that nothing shows any more', () => {
    const { book: own } = project;
    const book = { ...own, cover: wordsBook().cover, sheet: { ...own.sheet, pictures: [] } };
    expect(Object.keys(unzipSync(packProject({ book, files: project.files })))).toEqual(['manifest.json']);
  });

  it('holds each demo book', async () => {
    for (const demo of demos()) {
      const back = unpackProject(packProject(demo));
      expect(back.ok && back.value.book).toEqual(demo.book);
    }
  });
});

describe('a bad title file', () => {
  it('is refused with the reason', () => {
    const whole = packProject(project);
    const id = [...project.files.keys()][0];
    expect(code(new Uint8Array(0))).toBe('project-not');
    expect(code(strToU8('hello'))).toBe('project-not');
    expect(code(whole.slice(0, whole.length - 200))).toBe('project-damaged');
    expect(code(zipSync({ 'other.txt': strToU8('x') }))).toBe('project-not');
    expect(code(tampered({ 'manifest.json': strToU8('{') }))).toBe('project-damaged');
    expect(code(manifest((m) => (m.format = 'other')))).toBe('project-damaged');
    expect(code(manifest((m) => (m.version = 99)))).toBe('project-newer');
    expect(code(manifest((m) => (m.book.schema = 99)))).toBe('project-newer');
    expect(code(manifest((m) => (m.book.cover = { parts: 'none' })))).toBe('project-damaged');
    expect(code(tampered({ [`assets/${id}.jpg`]: null }))).toBe('project-picture');
    expect(code(tampered({ [`assets/${id}.jpg`]: strToU8('<html>') }))).toBe('project-picture');
  });

  it('that would unpack to a gigabyte is refused before it does', () => {
    const bomb = zipOfOne('manifest.json', 700 * 1024 * 1024);
    expect(bomb.length).toBeLessThan(1024 * 1024);
    // It is a zip like any other, but for its size.
    expect(code(zipOfOne('manifest.json', 1000))).toBe('project-damaged');
    const before = process.memoryUsage().rss;
    expect(code(bomb)).toBe('project-large');
    expect(process.memoryUsage().rss - before).toBeLessThan(100 * 1024 * 1024);
  });

  it('never makes the reader throw', () => {
    const whole = packProject(project);
    for (let n = 0; n < 200; n++) {
      const bytes = whole.slice(0, whole.length - ((n * 131) % 4000));
      bytes[(n * 104729) % bytes.length] ^= 1 + (n & 127);
      expect(() => unpackProject(bytes)).not.toThrow();
    }
  });
});

/** A zip of one file of so many zeros; packed by Node, which is much quicker at it. */
function zipOfOne(name: string, size: number): Uint8Array {
  const packed = deflateRawSync(Buffer.alloc(size), { level: 9 });
  const entry = Buffer.alloc(26);
  entry.writeUInt16LE(20, 0);
  entry.writeUInt16LE(8, 4);
  entry.writeUInt32LE(packed.length, 14);
  entry.writeUInt32LE(size, 18);
  entry.writeUInt16LE(name.length, 22);
  const text = Buffer.from(name);
  const local = Buffer.concat([Buffer.from('PK\x03\x04'), entry, text, packed]);
  const central = Buffer.concat([Buffer.from('PK\x01\x02\x14\x00'), entry, Buffer.alloc(14), text]);
  const end = Buffer.alloc(18);
  end.writeUInt16LE(1, 4);
  end.writeUInt16LE(1, 6);
  end.writeUInt32LE(central.length, 8);
  end.writeUInt32LE(local.length, 12);
  return new Uint8Array(Buffer.concat([local, central, Buffer.from('PK\x05\x06'), end]));
}

describe('documents of other times', () => {
  it.each([null, 7, {}, { schema: 'x' }, { schema: 0 }, { schema: 1 }])('%j is damaged, not an exception', (raw) =>
    expect(readBook(raw)).toMatchObject({ ok: false, fault: { code: 'project-damaged' } }),
  );
});
