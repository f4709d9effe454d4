import { type Finding, finding } from '../base';
import type { Brief } from '../book';
import { type Hex, hexOf, labOf, luminance, rgbOf, withLightness } from '../colour';
import { type AddedScrim, type Composition, type Resources, areaPx, compose, scrimAt, wordColour } from '../compose';
import { type Doc, type WordsPart } from '../cover';
import { ENOUGH, type Veil, type WordContrast, behindLetters, luminancesIn, readsFrom, wordContrast } from '../glance';
import type { Images, Ink } from '../ink';
import { centreOf, contains, union, type Rect } from '../plane';
import type { Raster } from '../pixels';
import type { Block } from '../text';

/** What is known of a words part once it is set and measured. */
export type WordsReport = {
  readonly part: string;
  readonly sizePx: number;
  readonly words: readonly WordContrast[];
  /** Lowest of the words' ratios. */
  readonly typical: number;
  readonly worstTenth: number;
  /** Smallest cover width at which the words read, px; null where their contrast is too low at any width. */
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
const STEP = 0.05;
const MOST = 0.95;

type Measured = { part: WordsPart; block: Block };

/**
 * Composes a cover and makes its words readable: every word is measured against the pixels really behind it, and
 * where the worst tenth of them falls under 4.5:1 a scrim from the nearer edge is added, just strong enough.
 * Words on a plate, words with support switched off and words that no scrim can save are reported instead.
 */
export function settle(
  doc: Doc,
  brief: Brief,
  resources: Resources,
  images: Images,
  paint: (ink: Ink, widthPx: number, images: Images) => Raster,
): Settled {
  const bare = compose(doc, brief, resources);
  const measured: Measured[] = [];
  for (const part of Object.values(doc.parts)) {
    const block = bare.blocks.get(part.id);
    if (part.kind === 'words' && !part.hidden && block && block.words.length > 0) measured.push({ part, block });
  }
  if (measured.length === 0) return { composition: bare, added: [], reports: new Map(), findings: bare.findings };

  const isWords = (id: string | null): boolean => id !== null && doc.parts[id]?.kind === 'words';
  const only = (keep: (id: string | null) => boolean): Raster =>
    paint({ ...bare.ink, items: bare.ink.items.filter((item) => keep(item.part)) }, MEASURE_PX, images);
  const under = only((id) => !isWords(id));
  const letters = only(isWords);
  const mask = behindLetters(letters);
  const k = under.width / doc.widthPx;
  const measure = ({ part, block }: Measured, veils: readonly Veil[]): WordContrast[] =>
    block.words
      .filter((word) => word.box.width > 0)
      .map((word) => {
        const box = { x: word.box.x * k, y: word.box.y * k, width: word.box.width * k, height: word.box.height * k };
        const own = part.fill ? luminancesIn(letters, box) : [luminance(rgbOf(wordColour(part, word)))];
        return wordContrast(word.text, own, box, under, mask, veils);
      });
  const passes = (words: readonly WordContrast[]): boolean => words.every((word) => word.worstTenth >= ENOUGH);

  const plates = Object.values(doc.parts).flatMap((p) =>
    p.kind === 'shape' && !p.hidden ? [areaPx(p.area, doc)] : [],
  );
  const onPlate = (block: Block): boolean => plates.some((plate) => contains(plate, centreOf(block.box)));
  // Over a plain ground a scrim would only look like a stain: there the colour itself is at fault.
  const pictured = Object.values(doc.parts).some((p) => p.kind === 'picture' && !p.hidden);
  const low = measured.filter(
    (m) => pictured && m.part.support === 'auto' && !m.part.plate && !onPlate(m.block) && !passes(measure(m, [])),
  );

  const added: AddedScrim[] = [];
  for (const from of ['top', 'bottom'] as const) {
    const group = low.filter((m) => centreOf(m.block.box).y < doc.heightPx / 2 === (from === 'top'));
    const scrim = group.length > 0 ? solve(group, from, doc, under, (m, veil) => passes(measure(m, [veil]))) : null;
    if (scrim) added.push(scrim);
  }

  const veils = added.map(veilOf);
  const reports = new Map<string, WordsReport>();
  const findings: Finding[] = [];
  for (const m of measured) {
    const words = measure(m, veils);
    const typical = Math.min(...words.map((w) => w.typical));
    const worstTenth = Math.min(...words.map((w) => w.worstTenth));
    reports.set(m.part.id, {
      part: m.part.id,
      sizePx: m.block.sizePx,
      words,
      typical,
      worstTenth,
      readsFromPx: readsFrom(m.block, doc.widthPx, worstTenth),
    });
    if (worstTenth < ENOUGH) {
      findings.push(finding('contrast-low', 'must', m.part.id, { ratio: round(worstTenth), wanted: ENOUGH }));
    }
  }
  for (const scrim of added) {
    findings.push(
      finding('scrim-added', 'note', scrim.parts[0], { edge: scrim.from, percent: Math.round(scrim.opacity * 100) }),
    );
  }
  const composition = added.length === 0 ? bare : compose(doc, brief, resources, added);
  return { composition, added, reports, findings: [...composition.findings, ...findings] };
}

const round = (ratio: number): number => Math.floor(ratio * 10) / 10;

const veilOf = (scrim: AddedScrim): Veil => ({
  rgb: rgbOf(scrim.colour),
  at: (y) => scrim.opacity * scrimAt(scrim, y),
});

/** The weakest scrim of an edge with which every word of the group passes, or the strongest where none does. */
function solve(
  group: readonly Measured[],
  from: 'top' | 'bottom',
  doc: Doc,
  under: Raster,
  passes: (m: Measured, veil: Veil) => boolean,
): AddedScrim {
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
  const scrim = { from, hold, reach, colour, parts: group.map((m) => m.part.id) };
  const veil = (opacity: number): Veil => veilOf({ ...scrim, opacity });
  let opacity = STEP;
  while (opacity < MOST && !group.every((m) => passes(m, veil(opacity))))
    opacity = Math.round((opacity + STEP) * 100) / 100;
  return { ...scrim, opacity };
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
