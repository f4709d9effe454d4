import { describe, expect, it } from 'vitest';
import { type Doc, type Part, docOf, newGround, newShape, newWords } from '../cover';
import type { Rect } from '../plane';
import { framesNow } from './index';

const words = (id: string, follows: string | null) => ({
  ...newWords({
    role: 'free',
    says: { kind: 'own', text: id },
    area: { x: 0.1, y: 0.2, width: 0.8, height: 0.1 },
    cut: 'jost/600',
    colour: '#000000',
    follows: follows ? { part: follows, gap: 0.01 } : null,
  }),
  id,
});
const then: Doc = docOf(1000, 2000, [
  { ...newGround('#ffffff'), id: 'ground' },
  words('a', null),
  words('b', 'a'),
  {
    ...newShape({ kind: 'ellipse' }, { area: { x: 0.5, y: 0.5, width: 0.1, height: 0.05 }, colour: '#ff0000' }),
    id: 'seal',
  },
]);
const frames = new Map<string, Rect>([
  ['a', { x: 200, y: 410, width: 500, height: 90 }],
  ['b', { x: 300, y: 520, width: 300, height: 50 }],
  ['seal', { x: 500, y: 1000, width: 100, height: 100 }],
]);
const change = (id: string, fields: object): Doc => ({
  ...then,
  parts: { ...then.parts, [id]: { ...then.parts[id], ...fields } as Part },
});

describe('frames as they are now', () => {
  it('are the same ones where nothing has changed', () => {
    expect(framesNow(frames, then, then)).toBe(frames);
    expect(framesNow(frames, then, change('a', { colour: '#ff0000' })).get('a')).toEqual(frames.get('a'));
  });

  it('of shapes are their area, at once', () => {
    const now = framesNow(frames, then, change('seal', { area: { x: 0.2, y: 0.1, width: 0.4, height: 0.2 } }));
    expect(now.get('seal')).toEqual({ x: 200, y: 200, width: 400, height: 400 });
    expect(now.get('a')).toBe(frames.get('a'));
  });

  it('of words move as far as their room has', () => {
    const now = framesNow(frames, then, change('a', { area: { x: 0.15, y: 0.3, width: 0.8, height: 0.1 } }));
    expect(now.get('a')).toEqual({ x: 250, y: 610, width: 500, height: 90 });
  });

  it('of words that were set free stand where they were put', () => {
    const now = framesNow(
      frames,
      then,
      change('b', { follows: null, area: { x: 0.1, y: 0.4, width: 0.8, height: 0.1 } }),
    );
    expect(now.get('b')).toMatchObject({ x: 300, y: 800 });
    expect(framesNow(frames, then, change('b', { opacity: 0.5 })).get('b')).toEqual(frames.get('b'));
  });

  it('of a new part are its room until it is set', () => {
    const doc = { ...then, parts: { ...then.parts, c: { ...then.parts.a, id: 'c' } } };
    expect(framesNow(frames, then, doc).get('c')).toEqual({ x: 100, y: 400, width: 800, height: 200 });
  });
});
