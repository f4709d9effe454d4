import type { Brief } from '../book';
import { type Doc, type Part, type WordsPart, curveLine, runwayOf } from '../cover';
import { type Rect, arcBaseline } from '../plane';
import {
  type Block,
  type Shaper,
  type TextSpec,
  type Track,
  layOut,
  layOutAlong,
  layOutInRoom,
  openTrack,
  plainRoom,
  standIn,
} from '../text';
import { roomOf } from './rooms';
import { type Resources, areaPx } from './types';
import { textOf } from './words-of';

/** Sets parts after those they hang under. An empty part passes its own place on to what hangs under it. */
export function setAllWords(
  parts: readonly Part[],
  doc: Doc,
  brief: Brief,
  resources: Pick<Resources, 'shaper' | 'syllables'>,
): Map<string, Block> {
  const words = parts.filter((part): part is WordsPart => part.kind === 'words');
  const byId = new Map(words.map((part) => [part.id, part]));
  const blocks = new Map<string, Block>();
  const setting = new Set<string>();
  const setOne = (part: WordsPart): Block => {
    const known = blocks.get(part.id);
    if (known) return known;
    setting.add(part.id);
    const area = areaPx(part.area, doc);
    const above = part.follows ? byId.get(part.follows.part) : undefined;
    let from = area;
    if (above && part.follows && !setting.has(above.id)) {
      const { box } = setOne(above);
      const gap = box.height > 0 ? part.follows.gap * doc.heightPx : 0;
      from = { ...area, y: box.y + box.height + gap };
    }
    const block = setIn(part, from, textOf(part, brief), doc, resources);
    blocks.set(part.id, block);
    setting.delete(part.id);
    return block;
  };
  words.forEach(setOne);
  return blocks;
}

/** The words of one part in its place: along a line, in or beside another part, or straight. */
function setIn(
  part: WordsPart,
  place: Rect,
  text: string,
  doc: Doc,
  { shaper, syllables }: Pick<Resources, 'shaper' | 'syllables'>,
): Block {
  const spec = specOf({ ...part, cut: shaper.standIn(part.cut) }, text, doc.widthPx);
  if (part.baseline?.kind === 'arc') {
    const track = openTrack(arcBaseline(place, part.baseline.bend));
    return standIn(layOutAlong(shaper, spec, track, place.height), place, spec.alignY);
  }
  const track = part.baseline && trackOf(part.baseline, doc);
  // Along a closed line letters as large as fit would fill a cover: they take a third of what it goes round.
  if (track) return layOutAlong(shaper, spec, track, track.closed ? track.line.length / 9 : doc.heightPx / 2);
  const room = part.room && roomOf(part.room, place, doc);
  if (part.setting === 'across' && (room || part.initial || part.hyphens)) {
    const manner = { initial: part.initial, syllables: part.hyphens ? syllables : null };
    return layOutInRoom(shaper, spec, room ?? plainRoom(place), manner);
  }
  return layOut(shaper, spec, place);
}

/** null where the part that the words ran along is gone. */
function trackOf(baseline: Exclude<WordsPart['baseline'], null | { kind: 'arc' }>, doc: Doc): Track | null {
  if (baseline.kind === 'curve') return openTrack(curveLine(baseline.nodes, doc));
  const other = doc.parts[baseline.part];
  const runway = other && runwayOf(other, doc, baseline.back);
  return runway ? { ...runway, from: baseline.from, gap: baseline.gap } : null;
}

/** Sets the words of one part that runs straight in a place given in pixels, on a cover of this width. */
export const setWords = (part: NewWords, text: string, place: Rect, widthPx: number, shaper: Shaper): Block =>
  layOut(shaper, specOf({ ...part, cut: shaper.standIn(part.cut) }, text, widthPx), place);

type NewWords = Omit<WordsPart, 'id' | 'order'>;

function specOf(part: NewWords, text: string, widthPx: number): TextSpec {
  const { tracking, smallCaps, alternates, figures, kerning, pairs, wide } = part;
  return {
    text,
    cut: part.cut,
    manner: { tracking, smallCaps, alternates, figures, kerning, pairs, wide },
    leading: part.leading,
    upper: part.upper,
    align: part.align,
    alignY: part.follows ? 'top' : part.alignY,
    setting: part.setting,
    justified: part.justified,
    sizePx: part.size === null ? null : part.size * widthPx,
    maxPx: part.maxSize * widthPx,
    minor: part.minor,
    accents: part.accents,
  };
}
