import { describe, expect, it } from 'vitest';
import { change } from '../base';
import { emptyBrief } from '../book';
import { type Doc, type WordsPart, setPart } from '../cover';
import { type Book, onCover } from '../project';
import { dressPromo, promoColours } from '../promo';
import { onPromo, promoFollowing, startFromWords } from './index';

const book = startFromWords({
  id: 'session-book',
  identifier: 'urn:x:12345',
  now: '2026-11-25T10:00:00Z',
  brief: { ...emptyBrief, title: 'T', author: 'A' },
});
const shown: Doc = dressPromo(book.promo, promoColours([{ hex: '#a01010', lab: [0.45, 0.15, 0.08], share: 1 }]));
const apply = (state: Book, edit: ReturnType<ReturnType<typeof onPromo>>): Book => {
  const done = change(state, edit);
  if (!done.ok) throw new Error(done.fault.code);
  return done.value.next;
};
const headline = (b: Book): WordsPart => b.promo.parts.headline as WordsPart;

describe('editing a promo that follows the cover', () => {
  it('goes on following when words or places change', () => {
    const next = apply(book, onPromo(shown)(setPart('headline', { tracking: 0.1 })));
    expect(next.promoFollows).toBe(true);
    expect(headline(next).tracking).toBe(0.1);
  });

  it('stops when a colour is chosen by hand, and keeps all the colours that were shown', () => {
    const next = apply(book, onPromo(shown)(setPart('headline', { colour: '#123456' })));
    expect(next.promoFollows).toBe(false);
    expect(headline(next).colour).toBe('#123456');
    expect((next.promo.parts.website as WordsPart).colour).toBe((shown.parts.website as WordsPart).colour);
    expect(next.promo.parts.ground).toMatchObject({ paint: (shown.parts.ground as { paint: unknown }).paint });
  });

  it('changes nothing when the edit is refused', () => {
    const done = change(book, onPromo(shown)(setPart('gone', {})));
    expect(done).toMatchObject({ ok: false, fault: { code: 'part-gone' } });
  });

  it('touches only its own colours once it does not follow any more', () => {
    const own = { ...book, promoFollows: false };
    const next = apply(own, onPromo(shown)(setPart('headline', { colour: '#123456' })));
    expect((next.promo.parts.website as WordsPart).colour).toBe((own.promo.parts.website as WordsPart).colour);
  });

  it('never touches the cover, nor a cover edit the promo', () => {
    expect(apply(book, onPromo(shown)(setPart('headline', { colour: '#123456' }))).cover).toBe(book.cover);
    expect(apply(book, onCover(setPart('title', { tracking: 0.2 }))).promo).toBe(book.promo);
  });

  it('follows or stays as it is told, from the colours that were shown', () => {
    const stays = apply(book, promoFollowing(shown, false));
    expect(stays.promoFollows).toBe(false);
    expect(stays.promo).toEqual(shown);
    expect(apply(stays, promoFollowing(shown, true)).promoFollows).toBe(true);
  });
});
