import { beforeAll, describe, expect, it } from 'vitest';
import { contrast } from '@yosomi/core/colour';
import type { Doc } from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';
import { cutsOf, likenessOf, noHouse, sheetAsk } from '@yosomi/core/recipe';
import { type Sketch, drawSketch, planSheet } from '@yosomi/core/sketch';
import { FALLBACK_CUT } from '@yosomi/core/text';
import { NodeStudio, shippedSymbols } from '@yosomi/node-kit';
import { demos } from './fixtures/demos';

let poems: Book;
let made: { sketch: Sketch; doc: Doc }[];

beforeAll(async () => {
  const all = demos().map(({ book }) => book);
  poems = all[all.length - 1];
  const studio = new NodeStudio(new Map());
  const ask = sheetAsk(poems, noHouse, [], shippedSymbols());
  const plan = planSheet(ask);
  if (!plan.ok) throw new Error(plan.fault.code);
  made = [];
  for (const { attempts } of plan.value.slice(0, 60)) {
    const [sketch] = attempts;
    await studio.loadFonts([...cutsOf(sketch), FALLBACK_CUT]);
    const drawn = drawSketch(sketch, ask, studio.shaper);
    if (drawn.ok) made.push({ sketch, doc: drawn.value });
  }
});

/** A title with this cover, of which no sheet knows where it came from. */
const withCover = (cover: Doc): Book => ({ ...poems, cover, sheet: { ...poems.sheet, taken: null } });
const changed = (doc: Doc, id: string, change: object): Doc => ({
  ...doc,
  parts: { ...doc.parts, [id]: { ...doc.parts[id], ...change } as Doc['parts'][string] },
});

describe('what a sheet keeps of the cover of another title', () => {
  it('is its title’s face and the colour of its ground, and words that read on that', () => {
    expect(made.length).toBeGreaterThan(30);
    for (const { sketch, doc } of made) {
      const like = likenessOf(withCover(doc), poems.brief);
      if (!like) throw new Error(sketch.structure);
      const { title } = doc.parts;
      expect(like.of.faces.title).toBe(title.kind === 'words' && title.cut);
      const { ground } = doc.parts;
      expect(like.of.tones.ground).toBe(
        ground.kind === 'ground' && ground.paint.kind === 'flat' && ground.paint.colour,
      );
      expect(contrast(like.of.tones.words, like.of.tones.ground)).toBeGreaterThanOrEqual(4.5);
    }
  });
  it('makes a whole sheet of other structures in just these colours and faces', () => {
    const like = likenessOf(withCover(made[0].doc), poems.brief);
    const plan = planSheet(sheetAsk(poems, noHouse, [], shippedSymbols()), like);
    if (!plan.ok || !like) throw new Error('no plan');
    const all = plan.value.flatMap(({ attempts }) => attempts);
    expect(new Set(all.map(({ structure }) => structure)).size).toBeGreaterThan(12);
    for (const { tones, faces } of all) {
      expect(tones).toEqual(like.of.tones);
      expect(faces.title).toBe(like.of.faces.title);
    }
  });
  it('follows what a person has changed since', () => {
    const { doc } = made[0];
    const now = changed(doc, 'title', { cut: 'oswald/600' });
    expect(likenessOf(withCover(now), poems.brief)?.of.faces.title).toBe('oswald/600');
    const red = changed(doc, 'ground', { paint: { kind: 'flat', colour: '#8c1010' } });
    expect(likenessOf(withCover(red), poems.brief)?.of.tones.ground).toBe('#8c1010');
  });
  it('leaves out faces that lack letters of this title, and is nothing where that leaves nothing', () => {
    const brief = { ...poems.brief, title: 'Κήπος της βροχής', subtitle: '', author: 'Ada Fenwright' };
    const oswald = changed(made[0].doc, 'title', { cut: 'oswald/600' });
    const like = likenessOf(withCover(oswald), brief);
    expect([like?.faces, like?.tones]).toEqual([false, true]);
    const plan = planSheet(sheetAsk({ ...poems, brief }, noHouse, [], shippedSymbols()), like);
    if (!plan.ok) throw new Error(plan.fault.code);
    for (const { attempts } of plan.value) expect(attempts[0].faces.title).not.toBe('oswald/600');
    const { ground: _, ...parts } = oswald.parts;
    expect(likenessOf(withCover({ ...oswald, parts }), brief)).toBeNull();
  });
  it('is nothing where the title is hidden, missing, or in a face of its own', () => {
    const { doc } = made[0];
    expect(likenessOf(withCover(changed(doc, 'title', { hidden: true })), poems.brief)).toBeNull();
    expect(likenessOf(withCover(changed(doc, 'title', { cut: 'own/any' })), poems.brief)).toBeNull();
    const { title: _, ...parts } = doc.parts;
    expect(likenessOf(withCover({ ...doc, parts }), poems.brief)).toBeNull();
  });
  it('keeps no colours of what a picture hides, but those of the sketch that it came from', () => {
    const { book } = demos()[0];
    const picture = Object.values(book.cover.parts).find(({ kind }) => kind === 'picture');
    if (!picture) throw new Error('no picture');
    expect(likenessOf({ ...book, sheet: { ...book.sheet, taken: null } }, poems.brief)?.tones).toBe(true);
    const moss = { ...book, cover: changed(book.cover, picture.id, { area: { x: 0, y: 0, width: 1, height: 1 } }) };
    expect(likenessOf({ ...moss, sheet: { ...moss.sheet, taken: null } }, poems.brief)?.tones).toBe(false);
    const taken = made[3].sketch;
    const like = likenessOf({ ...moss, sheet: { ...moss.sheet, taken } }, poems.brief);
    expect(like?.tones).toBe(true);
    expect(like?.of.tones).toEqual(taken.tones);
  });
});
