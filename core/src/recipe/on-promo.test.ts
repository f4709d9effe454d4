import { describe, expect, it } from 'vitest';
import { change } from '../base';
import { emptyBrief } from '../book';
import { type Doc, type WordsPart, docOf, newGround, newWords, removePart, setPart } from '../cover';
import { type Book, onCover } from '../project';
import { type Made, dressPromo, newCampaign, promoColours, withChanges } from '../promo';
import { onPromo, promoFollowing, startFromWords } from './index';

const words = (role: 'headline' | 'free', text: string) =>
  newWords({
    role,
    says: { kind: 'own', text },
    area: { x: 0.1, y: 0.1, width: 0.5, height: 0.2 },
    cut: 'jost/600',
    colour: '#222222',
  });
const drawn: Doc = docOf(1080, 1080, [
  { ...newGround('#eeeeee'), id: 'ground' },
  { ...words('headline', 'Read me'), id: 'headline' },
  { ...words('free', 'a line'), id: 'line' },
]);
const plain = startFromWords({
  id: 'session-book',
  identifier: 'urn:x:12345',
  now: '2026-11-25T10:00:00Z',
  brief: { ...emptyBrief, title: 'T', author: 'A' },
});
const withMade = (made: Made | null): Book => ({
  ...plain,
  promos: { c: { ...newCampaign('c', 'C', 'announcement'), made: made ? { square: made } : {} } },
});
const apply = (state: Book, edit: Parameters<typeof change<Book>>[1]): Book => {
  const done = change(state, edit);
  if (!done.ok) throw new Error(done.fault.code);
  return done.value.next;
};

describe('editing a promo that is drawn by hand and follows the cover', () => {
  const book = withMade({ kind: 'drawn', doc: drawn, follows: true });
  const shown = dressPromo(drawn, promoColours([{ hex: '#a01010', lab: [0.45, 0.15, 0.08], share: 1 }]));
  const on = onPromo('c', 'square', shown, null);
  const of = (b: Book): Extract<Made, { kind: 'drawn' }> => {
    const made = b.promos.c.made.square;
    if (made.kind !== 'drawn') throw new Error('drawn by hand it stays');
    return made;
  };
  const headline = (b: Book): WordsPart => of(b).doc.parts.headline as WordsPart;

  it('goes on following when words or places change', () => {
    const next = apply(book, on(setPart('headline', { tracking: 0.1 })));
    expect(of(next).follows).toBe(true);
    expect(headline(next).tracking).toBe(0.1);
  });

  it('stops when a colour is chosen by hand, and keeps all the colours that were shown', () => {
    const next = apply(book, on(setPart('headline', { colour: '#123456' })));
    expect(of(next).follows).toBe(false);
    expect(headline(next).colour).toBe('#123456');
    expect((of(next).doc.parts.line as WordsPart).colour).toBe((shown.parts.line as WordsPart).colour);
    expect(of(next).doc.parts.ground).toMatchObject({ paint: (shown.parts.ground as { paint: unknown }).paint });
  });

  it('changes nothing when the edit is refused', () => {
    expect(change(book, on(setPart('gone', {})))).toMatchObject({ ok: false, fault: { code: 'part-gone' } });
    expect(change(book, onPromo('gone', 'square', shown, null)(setPart('headline', {})))).toMatchObject({
      ok: false,
      fault: { code: 'campaign-gone' },
    });
  });

  it('never touches the cover, nor a cover edit the promo', () => {
    expect(apply(book, on(setPart('headline', { colour: '#123456' }))).cover).toBe(book.cover);
    expect(apply(book, onCover(setPart('title', { tracking: 0.2 }))).promos).toBe(book.promos);
  });

  it('follows or stays as it is told, from the colours that were shown', () => {
    const stays = apply(book, promoFollowing('c', 'square', shown, false));
    expect(of(stays)).toEqual({ kind: 'drawn', doc: shown, follows: false });
    expect(of(apply(stays, promoFollowing('c', 'square', shown, true))).follows).toBe(true);
  });
});

describe('editing a promo that is composed by its rule', () => {
  const book = withMade(null);
  const on = onPromo('c', 'square', drawn, drawn);
  const made = (b: Book) => b.promos.c.made.square as Extract<Made, { kind: 'ruled' }> | undefined;

  it('keeps a change over the rule, which the next rule wears', () => {
    const next = apply(book, on(setPart('headline', { turnRad: 0.2 })));
    const changes = made(next)!.changes.dusk;
    expect(changes).toEqual({ headline: { kind: 'set', fields: { turnRad: 0.2 } } });
    const other: Doc = {
      ...drawn,
      parts: { ...drawn.parts, headline: { ...drawn.parts.headline, turnRad: 0, opacity: 0.5 } },
    };
    expect(withChanges(other, changes).parts.headline).toMatchObject({ turnRad: 0.2, opacity: 0.5 });
  });

  it('keeps what is typed on the words as words of this format, which no look can lose', () => {
    const next = apply(
      book,
      on(setPart('headline', { says: { kind: 'own', text: 'Only here' } } as Partial<WordsPart>)),
    );
    expect(made(next)).toEqual({ kind: 'ruled', words: { headline: 'Only here' }, changes: {} });
  });

  it('is given back to the rule by changing it back', () => {
    const turned = apply(book, on(setPart('headline', { turnRad: 0.2 })));
    expect(made(apply(turned, on(setPart('headline', { turnRad: 0 }))))).toBeUndefined();
  });

  it('keeps that a part was taken out, and leaves out what has no part any more', () => {
    const next = apply(book, on(removePart('line')));
    expect(made(next)!.changes.dusk).toEqual({ line: { kind: 'gone' } });
    const { line: _, ...fewer } = drawn.parts;
    expect(withChanges({ ...drawn, parts: fewer }, { line: { kind: 'set', fields: { opacity: 0.4 } } }).parts).toEqual(
      fewer,
    );
  });

  it('refuses a change that a part cannot have, and passes over one that is kept and wrong', () => {
    expect(withChanges(drawn, { headline: { kind: 'set', fields: { opacity: 'much' } } })).toEqual(drawn);
  });
});
