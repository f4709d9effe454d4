import { type Edit, type Fault, fault } from '../../base';
import { contrast, mostLegible } from '../../colour';
import type { Doc } from '../document';
import { outlineOf, runwayOf } from '../outline';
import type { Part, WordsPart } from '../parts';
import { coloursOf } from './recolour';

/** Binds words to a part, both there and the words not locked. Faults: `part-gone`, `part-locked`, and those of `how`. */
const bind =
  (id: string, to: string, how: (words: WordsPart, other: Part, doc: Doc) => Fault | void): Edit<Doc> =>
  (doc) => {
    const [words, other] = [doc.parts[id], doc.parts[to]];
    if (words?.kind !== 'words' || !other) return fault('part-gone');
    return words.locked ? fault('part-locked') : how(words, other, doc);
  };

/** Runs words along a curve or the outline of a form, a little off it. Faults: `part-gone`, `part-locked`, `part-no-line`. */
export function runAlong(id: string, to: string): Edit<Doc> {
  return bind(id, to, (words, other, doc) => {
    const runway = runwayOf(other, doc, false);
    if (!runway) return fault('part-no-line');
    // Round a form they stand over its top, not from its foot on.
    if (runway.closed) words.align = 'centre';
    words.setting = 'across';
    words.room = null;
    words.baseline = { kind: 'along', part: to, from: 0, gap: 0.3, back: false };
  });
}

/** Under this ratio words on a form are given another colour of the cover. */
const FAINT = 3;

/**
 * Fills a form with words, in its middle and as large as fits; where they could not be seen on it, in the colour of the cover that
 * can be seen best. Faults: `part-gone`, `part-locked`, `part-no-form`.
 */
export function fillForm(id: string, to: string): Edit<Doc> {
  return bind(id, to, (words, other, doc) => {
    if (!outlineOf(other, doc)) return fault('part-no-form');
    const plain = other.kind === 'shape' && !other.fill ? other.colour : null;
    if (plain && !words.fill && contrast(words.colour, plain) < FAINT)
      words.colour = mostLegible(plain, [...coloursOf(doc), '#101112', '#ffffff']);
    Object.assign(words, { setting: 'across', baseline: null, follows: null, align: 'centre', alignY: 'middle' });
    Object.assign(words, { size: null, maxSize: 1, room: { kind: 'inside', part: to, gap: 0.01 } });
    // Should the form go, they stand where it stood.
    if ('area' in other) words.area = { ...other.area };
  });
}

/** Keeps words beside a form, in their own place. Faults: `part-gone`, `part-locked`, `part-no-form`. */
export function runBeside(id: string, to: string): Edit<Doc> {
  return bind(id, to, (words, other, doc) => {
    if (!outlineOf(other, doc)) return fault('part-no-form');
    Object.assign(words, { setting: 'across', baseline: null, room: { kind: 'beside', part: to, gap: 0.015 } });
  });
}
