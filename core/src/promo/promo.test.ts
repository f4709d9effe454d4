import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { change } from '../base';
import { emptyBrief } from '../book';
import { contrast, hexOf, huesOf, labOf } from '../colour';
import { docOf, newGround, newWords } from '../cover';
import {
  Campaign,
  FIELDS,
  FORMATS,
  LOOKS,
  LOOK_FAMILIES,
  MESSAGE_KINDS,
  TONES,
  addOwnFormat,
  addWording,
  changesOf,
  dressPromo,
  favourLook,
  findFormat,
  formatsOf,
  giveBack,
  lookFor,
  messageFor,
  newCampaign,
  newMessage,
  ownOf,
  printEnds,
  promoColours,
  removeWording,
  setField,
  setKind,
  setOwnWords,
  setStyle,
  slotsOf,
  toneOf,
  toneOn,
  wantFormat,
  withChanges,
} from './index';

const rgb = fc.tuple(
  fc.integer({ min: 0, max: 255 }),
  fc.integer({ min: 0, max: 255 }),
  fc.integer({ min: 0, max: 255 }),
);
const swatches = fc
  .array(fc.tuple(rgb, fc.double({ min: 0.01, max: 1, noNaN: true })), { minLength: 1, maxLength: 6 })
  .map((list) => {
    const whole = list.reduce((sum, [, share]) => sum + share, 0);
    return list.map(([c, share]) => ({ hex: hexOf(c), lab: labOf(c), share: share / whole }));
  });

describe('tones', () => {
  it('read by construction, whatever the cover is like', () => {
    fc.assert(
      fc.property(swatches, fc.constantFrom(...TONES), (list, name) => {
        const tone = toneOf(name, huesOf(list));
        for (const ground of [tone.ground, tone.centre]) {
          expect(contrast(tone.ink, ground)).toBeGreaterThanOrEqual(4.5);
          expect(contrast(tone.soft, ground)).toBeGreaterThanOrEqual(4.5);
        }
        expect(contrast(tone.plate, tone.ground)).toBeGreaterThanOrEqual(3);
        expect(contrast(tone.onPlate, tone.plate)).toBeGreaterThanOrEqual(4.5);
        expect(contrast(tone.onBlock, tone.block)).toBeGreaterThanOrEqual(4.5);
        expect(contrast(tone.onBlockPlate, tone.blockPlate)).toBeGreaterThanOrEqual(4.5);
        expect(contrast(tone.blockPlate, tone.block)).toBeGreaterThanOrEqual(3);
        const { dark, light } = printEnds(tone);
        for (const end of [dark, light]) expect(contrast(tone.ink, end)).toBeGreaterThanOrEqual(4.5);
      }),
    );
  });

  it('read on any ground of one\u2019s own', () => {
    fc.assert(
      fc.property(swatches, rgb, (list, own) => {
        const tone = toneOn(hexOf(own), huesOf(list));
        const most = Math.max(contrast('#ffffff', tone.centre), contrast('#000000', tone.centre));
        expect(contrast(tone.ink, tone.ground)).toBeGreaterThanOrEqual(Math.min(4.5, most) - 0.05);
        expect(contrast(tone.onPlate, tone.plate)).toBeGreaterThanOrEqual(4.5);
      }),
    );
  });

  it('take the hue that there is much of before one that is only strong', () => {
    const s = (hex: string, c: readonly [number, number, number], share: number) => ({ hex, lab: labOf(c), share });
    const { first } = huesOf([
      s('#3f6b35', [63, 107, 53], 0.5),
      s('#c03020', [192, 48, 32], 0.05),
      s('#f4efe2', [244, 239, 226], 0.45),
    ]);
    expect(first.hue).toBeGreaterThan(1.9);
    expect(first.hue).toBeLessThan(2.9);
  });
});

describe('promos drawn by hand, of an earlier schema', () => {
  it('have colours that read at 4.5 : 1, whatever the cover is like', () => {
    fc.assert(
      fc.property(swatches, (list) => {
        const c = promoColours(list);
        expect(contrast(c.ink, c.ground)).toBeGreaterThanOrEqual(4.5);
        expect(contrast(c.ink, c.centre)).toBeGreaterThanOrEqual(4.5);
        expect(contrast(c.onPlate, c.plate)).toBeGreaterThanOrEqual(4.5);
      }),
    );
  });

  it('change nothing but their colours when they are dressed anew', () => {
    const doc = docOf(1080, 1080, [{ ...newGround('#ffffff'), id: 'ground' }]);
    const red = promoColours([{ hex: '#c03020', lab: labOf([192, 48, 32]), share: 1 }]);
    const dressed = dressPromo(doc, red);
    expect(dressPromo(dressed, red)).toEqual(dressed);
    expect(dressed).not.toEqual(doc);
  });
});

describe('a message', () => {
  const brief = {
    ...emptyBrief,
    title: 'A Debt of Foxfire',
    subtitle: 'A novel',
    strapline: 'Every light is owed',
    website: 'fernhollow.example',
    seriesName: 'The Accounts',
  };
  const said = (kind: (typeof MESSAGE_KINDS)[number], more: object = {}, language = 'en') =>
    slotsOf({ ...newMessage(kind), ...more }, { ...brief, language });

  it('takes from the Brief only what a person wrote there, and leaves out what is empty', () => {
    expect(said('announcement')).toEqual({ headline: 'Every light is owed', link: 'fernhollow.example' });
    expect(slotsOf(newMessage('announcement'), emptyBrief)).toEqual({});
    for (const kind of MESSAGE_KINDS) expect(slotsOf(newMessage(kind), emptyBrief), kind).toEqual({});
    expect(
      slotsOf({ ...newMessage('announcement'), wordings: [{ headline: '', line: null }], link: '' }, brief),
    ).toEqual({});
  });

  it('writes dates and prices as the language of the title does', () => {
    const offer = { price: { amount: 4.99, currency: 'EUR' }, date: '2026-12-03' };
    expect(said('offer', offer)).toMatchObject({ badge: '€4.99', facts: 'until December 3, 2026' });
    expect(said('offer', offer, 'de')).toMatchObject({ badge: '4,99\u00a0€', facts: 'bis 3. Dezember 2026' });
    expect(said('offer', { ...offer, price: { amount: 5, currency: 'USD' } })).toMatchObject({ badge: '$5' });
    expect(said('offer', { ...offer, free: true }, 'fr').badge).toBe('Gratuit');
    expect(said('event', { date: '2026-12-12', time: '19:30', place: 'The barn' }, 'en-GB').facts).toBe(
      '12 December 2026 · 19:30 · The barn',
    );
    expect(said('countdown', { days: 3 }).badge).toBe('3 days');
    expect(said('countdown', { days: 1 }, 'de').badge).toBe('1 Tag');
    expect(said('countdown', { days: 0 }).badge).toBe('today');
    expect(said('announcement', { date: '2026-12-03' }, 'tlh').facts).toBe('December 3, 2026');
  });

  it('puts a quotation in the marks of its language, and leaves those that are there', () => {
    expect(said('endorsement', { quotation: 'A lamp', name: 'P. Vane', where: 'The Reader' })).toMatchObject({
      headline: '“A lamp”',
      by: 'P. Vane, The Reader',
    });
    expect(said('endorsement', { quotation: 'Eine Lampe' }, 'de').headline).toBe('„Eine Lampe“');
    expect(said('endorsement', { quotation: '«Una luce»' }, 'en').headline).toBe('«Una luce»');
  });

  it('keeps what was typed when its kind changes, and shows only what the kind asks for', () => {
    let c: Campaign = newCampaign('c', 'C', 'event');
    const apply = (edit: Parameters<typeof change<Campaign>>[1]): void => {
      const done = change(c, edit);
      if (!done.ok) throw new Error(done.fault.code);
      c = done.value.next;
    };
    apply(setField('place', 'The barn'));
    apply(setKind('announcement'));
    expect(slotsOf(c.message, brief).facts).toBeUndefined();
    apply(setKind('event'));
    expect(slotsOf(c.message, brief).facts).toBe('The barn');
  });

  it('asks every kind for a field that it can say', () => {
    for (const kind of MESSAGE_KINDS) expect(FIELDS[kind].length, kind).toBeGreaterThan(3);
  });
});

describe('a campaign', () => {
  const start = newCampaign('c', 'C', 'announcement');
  const run = (edit: Parameters<typeof change<Campaign>>[1], from = start) => {
    const done = change(from, edit);
    return done.ok ? done.value.next : done.fault.code;
  };

  it('has its wordings side by side, up to three, and keeps the last one', () => {
    const two = run(addWording) as Campaign;
    expect(two.message.shown).toBe(1);
    const three = run(addWording, two) as Campaign;
    expect(run(addWording, three)).toBe('wordings-full');
    const one = run(removeWording(2), run(removeWording(1), three) as Campaign);
    expect(one).toBe('wording-last');
    expect(run(removeWording(0))).toBe('wording-last');
  });

  it('refuses a field that it could not keep', () => {
    expect(run(setField('days', -1))).toBe('edit-wrong');
    expect(run(setField('date', '2026-13-45'))).toBe('edit-wrong');
    expect(run(setField('headline', 'x'.repeat(301)))).toBe('edit-wrong');
    expect(run(setField('time', '25:00'))).toBe('edit-wrong');
    expect(run(setStyle({ tone: 'loud' as never }))).toBe('edit-wrong');
    expect(run(setKind('advert' as never))).toBe('edit-wrong');
  });

  it('has formats in their order, each once, and never none', () => {
    const more = run(wantFormat('a4', true)) as Campaign;
    expect(more.formats.at(-1)).toBe('a4');
    expect(run(wantFormat('gone', true))).toBe('format-unknown');
    const own = run(addOwnFormat(1600, 400), more) as Campaign;
    expect(formatsOf(own).at(-1)).toMatchObject({ widthPx: 1600, heightPx: 400 });
    for (const [w, h] of [
      [1600, 300],
      [300, 1000],
      [100, 100],
      [9000, 9000],
    ])
      expect(run(addOwnFormat(w, h))).toBe('format-size');
    expect(run(wantFormat('square', false), { ...start, formats: ['square'] })).toBe('format-last');
    const without = run(wantFormat('square', false)) as Campaign;
    expect((run(wantFormat('square', true), without) as Campaign).formats).toEqual(start.formats);
  });

  it('says what of a format is its own, and gives it back', () => {
    const worded = run(setOwnWords('link', 'headline', 'Here only')) as Campaign;
    expect(ownOf(worded, 'link')).toBe('words');
    expect(ownOf(worded, 'square')).toBe('rule');
    const both = {
      ...worded,
      made: { link: { ...worded.made.link, changes: { dusk: { call: { kind: 'gone' as const } } } } as never },
    };
    expect(ownOf(both, 'link')).toBe('changed');
    expect(ownOf({ ...both, style: { ...both.style, look: 'arch' } }, 'link')).toBe('words');
    expect(ownOf(run(giveBack('link'), both) as Campaign, 'link')).toBe('rule');
    expect((run(setOwnWords('link', 'headline', null), worded) as Campaign).made.link).toMatchObject({ words: {} });
  });

  it('keeps favourite looks once each', () => {
    const kept = run(favourLook('arch', true), run(favourLook('arch', true)) as Campaign) as Campaign;
    expect(kept.favourites).toEqual(['arch']);
    expect((run(favourLook('arch', false), kept) as Campaign).favourites).toEqual([]);
  });
});

describe('changes over a rule', () => {
  const words = (text: string, x: number) =>
    newWords({
      role: 'free',
      says: { kind: 'own', text },
      area: { x, y: 0.2, width: 0.4, height: 0.2 },
      cut: 'jost/400',
      colour: '#101010',
    });
  const docs = fc
    .array(
      fc.record({
        text: fc.constantFrom('one', 'two', 'three'),
        x: fc.constantFrom(0, 0.1, 0.2),
        id: fc.constantFrom('a', 'b', 'c', 'd'),
      }),
      { maxLength: 4 },
    )
    .map((list) =>
      docOf(100, 100, [...new Map(list.map(({ text, x, id }) => [id, { ...words(text, x), id }])).values()]),
    );

  it('lead from the rule to what a person made of it', () => {
    fc.assert(
      fc.property(docs, docs, (ruled, edited) => {
        expect(withChanges(ruled, changesOf(ruled, edited)).parts).toEqual(edited.parts);
        expect(changesOf(ruled, ruled)).toEqual({});
      }),
    );
  });
});

describe('looks and formats', () => {
  it('have ids and names of their own, and every family has some', () => {
    expect(LOOKS.length).toBeGreaterThanOrEqual(24);
    expect(new Set(LOOKS.map((l) => l.id)).size).toBe(LOOKS.length);
    expect(new Set(LOOKS.map((l) => l.name)).size).toBe(LOOKS.length);
    for (const family of LOOK_FAMILIES)
      expect(
        LOOKS.some((l) => l.family === family),
        family,
      ).toBe(true);
    expect(new Set(FORMATS.map((f) => f.id)).size).toBe(FORMATS.length);
    for (const { id } of FORMATS) expect(findFormat(id)?.id).toBe(id);
  });
});

describe('a campaign for another title', () => {
  const from: Campaign = {
    ...newCampaign('a', 'Launch', 'offer'),
    message: {
      ...newMessage('offer'),
      wordings: [
        { headline: 'One', line: null },
        { headline: 'Two', line: null },
      ],
      shown: 1,
      call: 'Get it',
      price: { amount: 2, currency: 'EUR' },
      date: '2026-12-01',
    },
    style: {
      look: 'desk',
      tone: 'night',
      colour: null,
      backing: { kind: 'picture', asset: 'p1' },
      faces: { head: 'own/f1', text: 'work-sans/400' },
      scene: null,
    },
    made: {
      square: { kind: 'ruled', words: { headline: 'Here' }, changes: { desk: { headline: { kind: 'gone' } } } },
      tall: { kind: 'ruled', words: {}, changes: { desk: { headline: { kind: 'gone' } } } },
    },
    alt: { square: 'A green book' },
    favourites: ['desk'],
  };

  it('takes the look, the formats and the button along, and nothing that was said of the first', () => {
    const made = lookFor(from, { has: () => true });
    expect(made.style).toEqual(from.style);
    expect(made.favourites).toEqual(['desk']);
    expect(made.message).toEqual({ ...newMessage('offer'), call: 'Get it' });
    expect([made.made, made.alt]).toEqual([{}, {}]);
    expect(Campaign.parse(made)).toEqual(made);
  });

  it('shows no picture and no face that the other title lacks', () => {
    expect(lookFor(from, { has: () => false }).style).toMatchObject({ backing: { kind: 'look' }, faces: null });
    expect(messageFor(from, { has: (id) => id === 'f1' }).style).toMatchObject({
      backing: { kind: 'look' },
      faces: { head: 'own/f1' },
    });
  });

  it('says the same words where they were typed, and keeps no change that was made over the first cover', () => {
    const made = messageFor(from, { has: () => true });
    expect(made.message).toEqual(from.message);
    expect(made.made).toEqual({ square: { kind: 'ruled', words: { headline: 'Here' }, changes: {} } });
  });
});
