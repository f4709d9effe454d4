import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { GLOSSARY } from '../web/src/messages/glossary';
import { SENTENCES } from '../web/src/messages/sentences';

/** Words of the workshop that an author does not know, as whole words; each has a plain one. */
const WORKSHOP =
  /\b(mimetype|container|manifest|metadata|rootfile|viewbox|linear|alpha|opaque|lossless|lossy|chroma|encoded|quantis|parse|schema|payload|null|undefined|boolean|string|zod|orientation|bit depth|serialis)\w*/i;
const DATA = new Proxy(
  {},
  {
    get: (_, name) =>
      name === 'percent'
        ? 99.2
        : name === 'found' || name === 'wanted' || name === 'most' || name === 'count'
          ? 12
          : String(name),
  },
);

describe('sentences for a person without a technical background', () => {
  it.each(Object.keys(SENTENCES))('%s has no word of the workshop', (code) => {
    expect(SENTENCES[code](DATA)).not.toMatch(WORKSHOP);
  });

  it('say of a place in a file of stores where it is, in words', () => {
    expect(SENTENCES['stores-wrong']({ where: 'stores.0.least.widthPx' })).toBe(
      'This file of stores is not right: look at store 1, its least size, width. Nothing was taken in.',
    );
    expect(SENTENCES['stores-wrong']({ where: 'stores.2' })).toContain('look at store 3.');
  });

  it('tell of what was lost in a file as an eye would', () => {
    const lossy = (percent: number): string =>
      SENTENCES['encoded-lossy']({ format: 'JPEG', quality: 90, percent, half: 0 });
    expect(lossy(99.2)).toBe('JPEG: it looks just like the cover.');
    expect(lossy(96)).toContain('hardly a difference');
    expect(lossy(80)).toContain('softer');
  });
});

describe('what the words mean', () => {
  const web = join(import.meta.dirname, '../web/src');
  const shown = readdirSync(web, { recursive: true, encoding: 'utf8' })
    .filter((path) => /\.tsx?$/.test(path) && !/glossary|\.test\./.test(path))
    .map((path) => readFileSync(join(web, path), 'utf8'))
    .join('\n');

  it('is told in plain words, in the order of the alphabet', () => {
    const terms = GLOSSARY.map(({ term }) => term);
    expect(terms).toEqual([...new Set(terms)].sort((a, b) => a.localeCompare(b, 'en')));
    for (const { means } of GLOSSARY) {
      expect(means).not.toMatch(WORKSHOP);
      expect(means).toMatch(/^[A-Z1].*\.$/);
    }
  });

  it.each(GLOSSARY.map(({ term }) => term))('%s is a word that the app uses', (term) => {
    for (const word of term.split(', ')) expect(shown.toLowerCase()).toContain(word.toLowerCase());
  });
});
