import { readFileSync, readdirSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { describe, expect, it } from 'vitest';
import { SENTENCES, sentenceOf } from '../web/src/messages/sentences';
import { sentence as cliSentence } from '../cli/src/sentences';

const ROOT = resolve(import.meta.dirname, '..');

function* files(folder: string): Generator<string> {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) yield* files(path);
    else if (/\.tsx?$/.test(name) && !name.endsWith('.test.ts')) yield path;
  }
}

/** Codes that the source of a folder makes: of faults, findings and rules. */
function codesIn(...folders: string[]): string[] {
  const found = new Set<string>();
  for (const folder of folders) {
    for (const file of files(join(ROOT, folder))) {
      const text = readFileSync(file, 'utf8');
      for (const m of text.matchAll(
        /\b(?:fail|fault|finding|must|should|note|did)\(\s*(?:[\w.]+ \? )?'([a-z]+(?:-[a-z]+)+)'(?: : '([a-z-]+)')?/g,
      )) {
        found.add(m[1]);
        if (m[2]) found.add(m[2]);
      }
      for (const m of text.matchAll(/(?:code|newer|wrong): '([a-z]+(?:-[a-z]+)+)'/g)) found.add(m[1]);
    }
  }
  return [...found].sort();
}

const DATA = new Proxy(
  {},
  { get: (_, name) => (name === 'found' || name === 'most' || name === 'wanted' ? 12 : `<${String(name)}>`) },
);

describe('sentences', () => {
  const codes = codesIn('core/src', 'web/src');
  it('are found in good number', () => expect(codes.length).toBeGreaterThan(50));

  it.each(codes)('%s has one', (code) => expect(SENTENCES[code]).toBeTypeOf('function'));

  it('are there for nothing that cannot happen', () => {
    const unknown = Object.keys(SENTENCES).filter((code) => !codes.includes(code));
    expect(unknown).toEqual([]);
  });

  it('are short, end with a full stop, and shout at nobody', () => {
    for (const [code, make] of Object.entries(SENTENCES)) {
      const text = make(DATA);
      expect(text, code).toMatch(/\.$/);
      expect(text, code).not.toMatch(/!|undefined|NaN|\binvalid\b|error/i);
      expect(text.length, code).toBeLessThan(170);
    }
  });

  it('have a way out for a code that nobody knows', () =>
    expect(sentenceOf({ code: 'strange-thing', data: {} })).toContain('strange-thing'));

  it('are there on the command line for every fault a command can meet', () => {
    const reachable = [
      ...codesIn('cli/src', 'core/src/image-file', 'core/src/project', 'node-kit/src'),
      'title-missing',
      'budget-too-small',
      // The house style is kept, and works of others are named, in the browser alone.
    ].filter((code) => !/^(house|origins?)-/.test(code));
    for (const code of reachable) expect(cliSentence({ code, data: DATA }), code).not.toMatch(/^Failed:/);
  });
});
