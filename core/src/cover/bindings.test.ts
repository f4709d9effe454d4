import { describe, expect, it } from 'vitest';
import { change } from '../base';
import type { Edit } from '../base';
import type { Rect } from '../plane';
import { newCurve, newShape, newWords } from './defaults';
import { type Doc, docOf } from './document';
import {
  boundTo,
  dropStyle,
  duplicateParts,
  fillForm,
  joinCurves,
  moveParts,
  bringStyle,
  nameStyle,
  ownLook,
  recolour,
  removePart,
  runAlong,
  runBeside,
  scaleParts,
  setPart,
  setStyle,
  turnParts,
  wearStyle,
} from './ops';
import { runwayOf } from './outline';
import type { WordsPart } from './parts';

const node = (x: number, y: number) => ({ x, y, inX: x - 0.1, inY: y, outX: x + 0.1, outY: y });
const words = (id: string, more: Partial<WordsPart> = {}) => ({
  ...newWords({
    role: 'strapline',
    says: { kind: 'own', text: 'A line of words' },
    area: { x: 0.1, y: 0.1, width: 0.5, height: 0.2 },
    cut: 'spectral/400',
    colour: '#203040',
    size: 0.04,
    ...more,
  }),
  id,
});
const along = (part: string) => ({ kind: 'along' as const, part, from: 0, gap: 0.2, back: false });

const cover: Doc = docOf(1600, 2560, [
  {
    ...newShape({ kind: 'ellipse' }, { area: { x: 0.2, y: 0.3, width: 0.6, height: 0.375 }, colour: '#ffffff' }),
    id: 'ring',
  },
  { ...newCurve([node(0.1, 0.8), node(0.5, 0.7), node(0.9, 0.8)], '#102030'), id: 'line' },
  { ...newCurve([node(0.1, 0.9), node(0.9, 0.95)], '#102030'), id: 'other' },
  words('round', { baseline: along('ring') }),
  words('on', { baseline: along('line') }),
  words('in', { room: { kind: 'inside', part: 'ring', gap: 0.01 } }),
  words('free'),
]);
const frames = new Map<string, Rect>(
  ['ring', 'line', 'other', 'round', 'on', 'in', 'free'].map((id) => [id, { x: 400, y: 900, width: 600, height: 300 }]),
);

const done = (doc: Doc, edit: Edit<Doc>): Doc => {
  const changed = change(doc, edit);
  if (!changed.ok) throw new Error(changed.fault.code);
  return changed.value.next;
};
const fault = (doc: Doc, edit: Edit<Doc>): string | null => {
  const changed = change(doc, edit);
  return changed.ok ? null : changed.fault.code;
};
const get = (doc: Doc, id: string): WordsPart => doc.parts[id] as WordsPart;

describe('words in and along parts', () => {
  it('slide along their line when they are moved, and are back where they were when moved back', () => {
    const moved = done(cover, moveParts(['on'], frames, 0.1, 0));
    const { baseline } = get(moved, 'on');
    expect(baseline).toMatchObject({ kind: 'along', part: 'line' });
    if (baseline?.kind !== 'along') return;
    const { line } = runwayOf(moved.parts.line, moved, false)!;
    // The line falls away there: where it comes nearest is a little less far.
    const rest = line.at(line.length / 2).point;
    const { point } = line.at((0.5 + baseline.from) * line.length);
    expect(Math.abs(point.x - rest.x - 160)).toBeLessThan(20);
    expect(get(moved, 'on').area).toEqual(get(cover, 'on').area);
    const back = get(done(moved, moveParts(['on'], frames, -0.1, 0)), 'on').baseline;
    expect(back?.kind === 'along' && Math.abs(back.from)).toBeLessThan(0.02);
    // Round a form there is no end: a whole turn is none.
    let doc = cover;
    for (let step = 0; step < 60; step++) {
      doc = done(doc, moveParts(['round'], frames, 0.05, 0.02));
      const now = get(doc, 'round').baseline;
      expect(now?.kind === 'along' && Math.abs(now.from) <= 0.5).toBe(true);
    }
  });

  it('go with the part they are bound to, without moving on it', () => {
    const moved = done(cover, moveParts(['ring', 'round', 'in'], frames, 0.05, 0.05));
    expect(get(moved, 'round')).toEqual(get(cover, 'round'));
    expect(get(moved, 'in')).toEqual(get(cover, 'in'));
    const turned = done(cover, turnParts(['ring', 'round'], frames, { x: 800, y: 1280 }, 0.4));
    expect(get(turned, 'round')).toEqual(get(cover, 'round'));
    const scaled = done(cover, scaleParts(['ring', 'in'], frames, { x: 800, y: 1280 }, 0.5));
    expect(get(scaled, 'in')).toMatchObject({ room: { part: 'ring' }, size: 0.02 });
  });

  it('that fill a part are set free where they are seen, when they are moved away', () => {
    const moved = get(done(cover, moveParts(['in'], frames, 0.1, 0)), 'in');
    expect(moved.room).toBeNull();
    expect(moved.area.x).toBeCloseTo(400 / 1600 + 0.1, 6);
    expect(moved.area.y).toBeCloseTo(900 / 2560, 6);
    expect(moved.area.width * 1600).toBeGreaterThan(600);
  });

  it('that run beside a part move, grow and turn by themselves, and stay beside it', () => {
    const doc = done(cover, setPart('free', { room: { kind: 'beside', part: 'ring', gap: 0.02 } }));
    const moved = get(done(doc, moveParts(['free', 'ring'], frames, 0.1, 0.1)), 'free');
    expect(moved.room).toMatchObject({ kind: 'beside', part: 'ring' });
    expect(moved.area.x).toBeCloseTo(0.2, 6);
    expect(boundTo(moved)).toBeNull();
    const scaled = get(done(doc, scaleParts(['free'], frames, { x: 0, y: 0 }, 0.5)), 'free');
    expect(scaled).toMatchObject({ size: 0.02, room: { kind: 'beside' } });
    const copied = done(doc, duplicateParts(['free', 'ring'], ['free2', 'ring2']));
    expect(get(copied, 'free2').room).toMatchObject({ part: 'ring2' });
  });

  it('stay when the part is removed: along a line of their own, or in their own place', () => {
    const without = done(cover, removePart('line'));
    const { baseline } = get(without, 'on');
    expect(baseline?.kind).toBe('curve');
    if (baseline?.kind !== 'curve') return;
    expect(Math.abs(baseline.nodes[0].x - 0.1)).toBeLessThan(0.02);
    expect(Math.abs(baseline.nodes[baseline.nodes.length - 1].x - 0.9)).toBeLessThan(0.02);
    const bare = done(cover, removePart('ring'));
    expect(get(bare, 'round').baseline?.kind).toBe('curve');
    expect(get(bare, 'in').room).toBeNull();
    const joined = done(done(cover, setPart('on', { baseline: along('other') })), joinCurves('line', 'other'));
    expect(get(joined, 'on').baseline).toMatchObject({ part: 'line' });
  });

  it('copied with their part are bound to its copy; by themselves they go round the same, and stand free', () => {
    const both = done(cover, duplicateParts(['ring', 'round', 'in'], ['ring2', 'round2', 'in2']));
    expect(boundTo(both.parts.round2)).toBe('ring2');
    expect(boundTo(both.parts.in2)).toBe('ring2');
    const one = done(cover, duplicateParts(['round', 'in'], ['round2', 'in2']));
    expect(boundTo(one.parts.round2)).toBe('ring');
    expect(boundTo(one.parts.in2)).toBeNull();
  });
});

describe('binding words', () => {
  it('runs them along, fills a form, keeps them beside it, and refuses what has no line or outline', () => {
    const on = get(done(cover, runAlong('free', 'line')), 'free');
    expect(on).toMatchObject({ room: null, baseline: { kind: 'along', part: 'line', from: 0 } });
    const filled = done(cover, fillForm('free', 'ring'));
    expect(get(filled, 'free')).toMatchObject({ room: { kind: 'inside', part: 'ring' }, baseline: null, size: null });
    expect(get(filled, 'free').colour).toBe('#203040');
    const faint = done(cover, setPart('free', { colour: '#f4f4f4' }));
    // Pale words on a white form take the cover's colour that is seen best there.
    expect(get(done(faint, fillForm('free', 'ring')), 'free').colour).not.toBe('#f4f4f4');
    const beside = get(done(cover, runBeside('on', 'ring')), 'on');
    expect(beside).toMatchObject({
      baseline: null,
      room: { kind: 'beside', part: 'ring' },
      area: get(cover, 'on').area,
    });
    expect(fault(cover, runAlong('free', 'in'))).toBe('part-no-line');
    expect(fault(cover, fillForm('free', 'line'))).toBe('part-no-form');
    expect(fault(cover, runBeside('free', 'gone'))).toBe('part-gone');
    expect(fault(cover, fillForm('ring', 'line'))).toBe('part-gone');
    const locked = done(cover, setPart('free', { locked: true }));
    for (const bind of [runAlong, fillForm, runBeside]) expect(fault(locked, bind('free', 'ring'))).toBe('part-locked');
  });
});

describe('a style of words', () => {
  it('goes along where a colour is changed everywhere, so that words that wear it still do', () => {
    const one = docOf(1600, 2560, [words('a'), words('b')]);
    const worn = done(done(one, nameStyle('a', 's', 'Lines')), wearStyle(['b'], 's'));
    const next = done(worn, recolour('#203040', '#aa3311'));
    expect(next.styles.s.look.colour).toBe('#aa3311');
    for (const id of ['a', 'b']) expect(ownLook(next, next.parts[id] as WordsPart)).toEqual([]);
  });

  const named = done(cover, nameStyle('free', 's', '  Small heads '));

  it('has a name of its own, and is what the words look like', () => {
    expect(named.styles.s).toMatchObject({ name: 'Small heads', look: { cut: 'spectral/400', size: 0.04 } });
    expect(get(named, 'free').style).toBe('s');
    expect(ownLook(named, get(named, 'free'))).toEqual([]);
    expect(fault(named, nameStyle('on', 't', 'small HEADS'))).toBe('style-known');
    expect(fault(named, nameStyle('on', 't', '   '))).toBe('style-value');
    expect(fault(named, nameStyle('ring', 't', 'x'))).toBe('part-gone');
    expect(fault(named, wearStyle(['on'], 'gone'))).toBe('style-gone');
  });

  it('is given to many, and changed in one place: what a part has of its own stays its own', () => {
    let doc = done(named, setPart('on', { colour: '#990000', upper: true }));
    doc = done(doc, wearStyle(['on', 'round'], 's'));
    expect(get(doc, 'on')).toMatchObject({ colour: '#203040', upper: false, style: 's' });
    doc = done(doc, setPart('round', { colour: '#00aa00' }));
    expect(ownLook(doc, get(doc, 'round'))).toEqual(['colour']);
    doc = done(
      doc,
      setPart('free', {
        colour: '#0000ff',
        size: 0.05,
        ruleBelow: { length: 1, thick: 0.04, gap: 0.3, colour: '#0000ff' },
      }),
    );
    doc = done(doc, setStyle('free'));
    expect(get(doc, 'on')).toMatchObject({ colour: '#0000ff', size: 0.05, ruleBelow: { length: 1 } });
    expect(get(doc, 'round')).toMatchObject({ colour: '#00aa00', size: 0.05 });
    expect(get(doc, 'in')).toEqual(get(cover, 'in'));
    // Where words stand is never a matter of style.
    for (const id of ['on', 'round', 'free']) expect(get(doc, id).area).toEqual(get(cover, id).area);
    expect(get(doc, 'on').baseline).toEqual(get(cover, 'on').baseline);
  });

  it('comes from elsewhere with its name, and later as it is there by then', () => {
    const house = { name: 'Small heads', look: { ...named.styles.s.look, colour: '#123456' } };
    let doc = done(named, bringStyle(['on'], 'h', house));
    expect(doc.styles.h).toEqual({ ...house, name: 'Small heads 2' });
    expect(get(doc, 'on')).toMatchObject({ style: 'h', colour: '#123456' });
    doc = done(doc, wearStyle(['round'], 'h'));
    doc = done(doc, setPart('round', { size: 0.07 }));
    const later = { name: 'Heads', look: { ...house.look, colour: '#654321', size: 0.03 } };
    doc = done(doc, bringStyle(['on'], 'h', later));
    expect(doc.styles.h).toEqual(later);
    expect(get(doc, 'on')).toMatchObject({ colour: '#654321', size: 0.03 });
    expect(get(doc, 'round')).toMatchObject({ colour: '#654321', size: 0.07 });
    expect(get(doc, 'free')).toEqual(get(named, 'free'));
    expect(fault(doc, bringStyle(['on'], 'i', { ...later, name: '' }))).toBe('style-value');
  });

  it('leaves locked words alone when it is given, and all words as they look when it goes', () => {
    const locked = done(named, setPart('on', { locked: true }));
    expect(get(done(locked, wearStyle(['on', 'in'], 's')), 'on').style).toBeNull();
    const doc = done(done(named, wearStyle(['on'], 's')), dropStyle('s'));
    expect(doc.styles).toEqual({});
    expect(get(doc, 'on')).toMatchObject({ style: null, cut: 'spectral/400' });
    expect(fault(doc, dropStyle('s'))).toBe('style-gone');
    expect(get(done(named, wearStyle(['free'], null)), 'free')).toMatchObject({ style: null, size: 0.04 });
  });
});
