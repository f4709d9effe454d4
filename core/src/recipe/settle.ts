import { type Finding, finding } from '../base';
import type { Brief } from '../book';
import { type Hex, hexOf, labOf, luminance, rgbOf, withLightness } from '../colour';
import {
  type AddedScrim,
  type Composition,
  type Resources,
  areaPx,
  compose,
  scrimAt,
  scrimOver,
  withoutLetters,
  wordColour,
  wordMarks,
} from '../compose';
import { type Doc, type WordsPart, inOrder } from '../cover';
import {
  ENOUGH,
  MOSTLY,
  MOST_WORDS,
  type Veil,
  type WordContrast,
  type WordPixels,
  letterColours,
  letterMap,
  letterTones,
  markOf,
  readsFrom,
  seenShare,
  wordContrast,
} from '../glance';
import type { Images, Ink, InkItem } from '../ink';
import { type Rect, centreOf, contains, union } from '../plane';
import type { Raster } from '../pixels';
import type { Block, PlacedWord } from '../text';

/** What is known of a words part once it is set and measured. */
export type WordsReport = {
  readonly part: string;
  readonly sizePx: number;
  readonly words: readonly WordContrast[];
  /** Lowest of the words' ratios. */
  readonly typical: number;
  readonly worstTenth: number;
  /** Share of the letters of its least seen word that can be seen in the finished cover, 0..1. */
  readonly seen: number;
  /** Smallest cover width at which the words read, px; null where they read at none. */
  readonly readsFromPx: number | null;
};

export type Settled = {
  readonly composition: Composition;
  readonly added: readonly AddedScrim[];
  readonly reports: ReadonlyMap<string, WordsReport>;
  readonly findings: readonly Finding[];
};

/** Width at which contrast is measured: small letters still have several pixels there. */
export const MEASURE_PX = 400;
/** A width for what is as slender as a spine: so many times it in height is enough, for its letters are as large. */
export const SLENDER = 4;

/** `widthPx`, or less where the cover is so slender that its height would be more than `SLENDER` times that. */
export const widthOfShape = (doc: Pick<Doc, 'widthPx' | 'heightPx'>, widthPx: number): number =>
  Math.max(16, Math.min(widthPx, Math.round((widthPx * SLENDER * doc.widthPx) / doc.heightPx)));
const STEP = 0.05;
/** The strongest scrim that is added without being asked for: more of it buries the picture. */
export const MOST_SCRIM = 0.45;

/** A words part that is set, with where each of its words lies in the raster that is measured. */
type Measured = { readonly part: WordsPart; readonly block: Block; readonly words: readonly Lain[] };
type Lain = { readonly word: PlacedWord; readonly pixels: WordPixels; readonly hidden: number };

/** A cover painted: `without` its letters, and as a screen shows that (`under`). */
type Finished = {
  readonly full: Raster;
  readonly without: Raster;
  readonly under: Raster;
  shown(pixels: Raster): Raster;
};

/** The luminances of a word's letters on the screen. */
const tonesOf = (pixels: WordPixels, { full, without, shown }: Finished): number[] =>
  letterTones(shown(letterColours(pixels, full, without)));

type Paint = (ink: Ink, widthPx: number, images: Images) => Raster;

/**
 * Composes a cover and makes its words readable: every word is measured on the finished pixels, and where the worst tenth
 * of what is behind it falls under 4.5:1 a scrim from the nearer edge is added, just strong enough, under the words it
 * serves; `shown` is what a screen makes of the pixels. Words that no scrim up to `MOST_SCRIM` saves, words on a plate and words with support switched off are reported
 * instead, and so are words that something hides.
 */
export function settle(
  doc: Doc,
  brief: Brief,
  resources: Resources,
  images: Images,
  paint: Paint,
  shown: (pixels: Raster) => Raster = (pixels) => pixels,
): Settled {
  const bare = compose(doc, brief, resources);
  const measured = layWords(doc, bare, images, paint);
  if (measured.length === 0) return { composition: bare, added: [], reports: new Map(), findings: bare.findings };

  const isLetters = (id: string | null): boolean => id !== null && doc.parts[id]?.kind === 'words';
  const px = widthOfShape(doc, MEASURE_PX);
  const finished = ({ ink }: Composition): Finished => {
    const full = paint(ink, px, images);
    const without = paint({ ...ink, items: withoutLetters(ink.items, isLetters) }, px, images);
    return { full, without, under: shown(without), shown };
  };
  const before = finished(bare);
  const added = scrimsFor(doc, measured, before);
  const composition = added.length === 0 ? bare : compose(doc, brief, resources, added);
  const after = added.length === 0 ? before : finished(composition);

  const reports = new Map<string, WordsReport>();
  const findings: Finding[] = [];
  for (const m of measured) {
    const report = reportOf(m, doc, after);
    reports.set(m.part.id, report);
    findings.push(...legibilityFindings(m, report, after.under));
  }
  for (const scrim of added) {
    findings.push(
      finding('scrim-added', 'note', scrim.parts[0], { edge: scrim.from, percent: Math.round(scrim.opacity * 100) }),
    );
  }
  return { composition, added, reports, findings: [...composition.findings, ...findings] };
}

/** Where the letters of every word lie, and how much of each lies behind those of others. */
function layWords(doc: Doc, { blocks, ink }: Composition, images: Images, paint: Paint): Measured[] {
  const set = inOrder(doc).flatMap((part) => {
    const block = blocks.get(part.id);
    return part.kind === 'words' && !part.hidden && block && block.words.length > 0 ? [{ part, block }] : [];
  });
  const px = widthOfShape(doc, MEASURE_PX);
  const words = set.flatMap(({ part, block }) => block.words.map((word) => ({ part, block, word })));
  const lain = new Map<PlacedWord, Lain>();
  // A raster tells only so many words apart.
  for (let from = 0; from < words.length; from += MOST_WORDS) {
    const some = words.slice(from, from + MOST_WORDS);
    const numbers = new Map(some.map(({ word }, i) => [word, i]));
    const marks = set.flatMap(({ part, block }) =>
      wordMarks(part, { ...block, words: block.words.filter((word) => numbers.has(word)) }, (word) =>
        markOf(numbers.get(word) ?? 0),
      ),
    );
    const read = (items: readonly InkItem[]): WordPixels[] =>
      letterMap(paint({ ...ink, items }, px, images), some.length);
    const front = read(marks);
    // Painted in the other order as well, for letters that lie behind those of another part.
    const back = set.length > 1 ? read([...marks].reverse()) : front;
    some.forEach(({ word }, i) => {
      const whole = Math.max(front[i].area, back[i].area);
      lain.set(word, { word, pixels: front[i], hidden: whole === 0 ? 0 : 1 - front[i].area / whole });
    });
  }
  return set.map(({ part, block }) => ({ part, block, words: block.words.flatMap((word) => lain.get(word) ?? []) }));
}

/** Words of which no letter is drawn, such as a lone space, are no words. */
const drawn = ({ words }: Measured): Lain[] => words.filter(({ word }) => word.box.width > 0);

function reportOf(m: Measured, doc: Doc, cover: Finished): WordsReport {
  const words = drawn(m).map(({ word, pixels }) =>
    wordContrast(word.text, tonesOf(pixels, cover), pixels, cover.under),
  );
  const seen = Math.min(
    1,
    ...drawn(m).map(({ pixels, hidden }) => seenShare(pixels, cover.full, cover.without) * (1 - hidden)),
  );
  const typical = Math.min(21, ...words.map((w) => w.typical));
  const worstTenth = seen < MOSTLY ? 1 : Math.min(21, ...words.map((w) => w.worstTenth));
  const readsFromPx = readsFrom(m.block, doc.widthPx, worstTenth);
  return { part: m.part.id, sizePx: m.block.sizePx, words, typical, worstTenth, seen, readsFromPx };
}

/** Words that cannot be read: since something hides them, or since their colour is too near to what is behind. */
function legibilityFindings({ part, words }: Measured, report: WordsReport, under: Raster): Finding[] {
  if (report.worstTenth >= ENOUGH) return [];
  // In its own colour it would stand out: then something lies over it, cuts it or fades it.
  const meant = Math.min(
    ...words.map(
      ({ word, pixels }) => wordContrast('', [luminance(rgbOf(wordColour(part, word)))], pixels, under).typical,
    ),
  );
  if (
    report.seen < MOSTLY &&
    (meant >= 2 || words.some(({ pixels, hidden }) => hidden > 1 - MOSTLY || pixels.area === 0))
  ) {
    return [finding('words-hidden', 'must', part.id, { percent: Math.round(report.seen * 100) })];
  }
  return [finding('contrast-low', 'must', part.id, { ratio: round(report.worstTenth), wanted: ENOUGH })];
}

/** The weakest scrims from the top and the foot with which words over pictures read, for those that a scrim can save. */
function scrimsFor(doc: Doc, measured: readonly Measured[], cover: Finished): AddedScrim[] {
  const parts = inOrder(doc);
  const plates = parts.flatMap((p) => (p.kind === 'shape' && !p.hidden ? [areaPx(p.area, doc)] : []));
  const onPlate = (block: Block): boolean => plates.some((plate) => contains(plate, centreOf(block.box)));
  const worst = (m: Measured, veils: readonly Veil[]): number =>
    Math.min(
      21,
      ...drawn(m).map(({ pixels }) => wordContrast('', tonesOf(pixels, cover), pixels, cover.under, veils).worstTenth),
    );
  // Over a plain ground a scrim would only look like a stain: there the colour itself is at fault.
  const overPicture = (part: WordsPart): boolean =>
    parts.slice(0, parts.indexOf(part)).some((p) => p.kind === 'picture' && !p.hidden);
  const low = measured.filter(
    (m) =>
      m.part.support === 'auto' &&
      !m.part.plate &&
      overPicture(m.part) &&
      !onPlate(m.block) &&
      reportOf(m, doc, cover).seen >= MOSTLY / 2 &&
      worst(m, []) < ENOUGH,
  );
  const added: AddedScrim[] = [];
  for (const from of ['top', 'bottom'] as const) {
    const group = low.filter((m) => centreOf(m.block.box).y < doc.heightPx / 2 === (from === 'top'));
    const scrim = solve(group, from, doc, cover.under, (m, veil) => worst(m, [veil]) >= ENOUGH);
    if (!scrim) continue;
    // It never lies over words that it does not serve.
    const over = scrimOver(scrim, parts);
    const others = measured.filter((m) => !scrim.parts.includes(m.part.id) && parts.indexOf(m.part) <= over);
    if (!others.some((m) => reaches(scrim, m.block.box, doc))) added.push(scrim);
  }
  return added;
}

const reaches = ({ from, reach }: AddedScrim, box: Rect, doc: Doc): boolean =>
  from === 'top' ? box.y / doc.heightPx < reach : (box.y + box.height) / doc.heightPx > 1 - reach;

const round = (ratio: number): number => Math.floor(ratio * 10) / 10;

const veilOf = (scrim: AddedScrim): Veil => ({
  rgb: rgbOf(scrim.colour),
  at: (y) => scrim.opacity * scrimAt(scrim, y),
});

/** The weakest scrim of an edge with which the words of a group pass, for those that it can save; null where it saves none. */
function solve(
  group: readonly Measured[],
  from: 'top' | 'bottom',
  doc: Doc,
  under: Raster,
  passes: (m: Measured, veil: Veil) => boolean,
): AddedScrim | null {
  for (let served = group; served.length > 0;) {
    const scrim = shapeOf(served, from, doc, under);
    const veil = (opacity: number): Veil => veilOf({ ...scrim, opacity });
    const saved = served.filter((m) => passes(m, veil(MOST_SCRIM)));
    if (saved.length < served.length) {
      // Its place and colour follow from whom it serves.
      served = saved;
      continue;
    }
    let opacity = STEP;
    while (opacity < MOST_SCRIM && !served.every((m) => passes(m, veil(opacity))))
      opacity = Math.round((opacity + STEP) * 100) / 100;
    return { ...scrim, opacity };
  }
  return null;
}

function shapeOf(group: readonly Measured[], from: 'top' | 'bottom', doc: Doc, under: Raster) {
  const box = union(group.map((m) => m.block.box));
  const extent = from === 'top' ? (box.y + box.height) / doc.heightPx : 1 - box.y / doc.heightPx;
  const hold = Math.min(1, extent + 0.02);
  const reach = Math.min(1, hold + 0.2);
  const lightWords = group.filter((m) => luminance(rgbOf(m.part.colour)) > 0.3).length * 2 >= group.length;
  const mean = meanUnder(under, { x: 0, y: box.y / doc.heightPx, width: 1, height: box.height / doc.heightPx });
  const [lightness] = labOf(rgbOf(mean));
  const colour: Hex = lightWords
    ? withLightness(mean, Math.min(0.16, lightness), 0.7)
    : withLightness(mean, Math.max(0.96, lightness), 0.5);
  return { from, hold, reach, colour, parts: group.map((m) => m.part.id) };
}

function meanUnder(under: Raster, share: Rect): Hex {
  const sum = [0, 0, 0];
  let n = 0;
  const y1 = Math.min(under.height, Math.ceil((share.y + share.height) * under.height));
  for (let y = Math.max(0, Math.floor(share.y * under.height)); y < y1; y += 2) {
    for (let x = 0; x < under.width; x += 2) {
      const p = (y * under.width + x) * 4;
      for (let c = 0; c < 3; c++) sum[c] += under.data[p + c];
      n++;
    }
  }
  return n === 0 ? '#808080' : hexOf([sum[0] / n, sum[1] / n, sum[2] / n]);
}
