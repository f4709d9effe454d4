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
    const bomb = zipSync({ 'manifest.json': new Uint8Array(700 * 1024 * 1024) }, { level: 9 });
    expect(bomb.length).toBeLessThan(1024 * 1024);
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

describe('documents of other times', () => {
  it.each([null, 7, {}, { schema: 'x' }, { schema: 0 }, { schema: 1 }])('%j is damaged, not an exception', (raw) =>
    expect(readBook(raw)).toMatchObject({ ok: false, fault: { code: 'project-damaged' } }),
  );
});
