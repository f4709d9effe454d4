import type { Edit } from '../base';
import { type Brief, wordsOf } from '../book';
import { type Hex, contrast, mostLegible } from '../colour';
import { newShape, newWords } from './defaults';
import type { Doc, PartSeed } from './document';
import { addPart } from './ops/add-part';
import { groupParts } from './ops/depth';
import { nameGroup } from './ops/groups';
import { coloursOf } from './ops/recolour';
import type { Area, WordsPart } from './parts';

/** Things that covers of the trade carry, as parts that are ready to stand: in the cover's faces, with the Brief's words. */
export const READY = ['headline', 'preheader', 'contact', 'endorsement', 'offer', 'number'] as const;
export type ReadyKind = (typeof READY)[number];

/** Words that are not in the Brief: "Free" in the title's language, and a reader's words with who said them. */
export type ReadyWords = {
  readonly brief: Brief;
  readonly free: string;
  readonly quotation: string;
  readonly reader: string;
};

/** Where each is meant to stand; heights as shares of the width, so that it has the same shape on any cover. */
const PLACES: Readonly<Record<ReadyKind, Area>> = {
  headline: { x: 0.16, y: 0.3, width: 0.68, height: 0.12 },
  preheader: { x: 0.2, y: 0.07, width: 0.6, height: 0.06 },
  contact: { x: 0.25, y: 0.86, width: 0.5, height: 0.12 },
  endorsement: { x: 0.16, y: 0.62, width: 0.68, height: 0.26 },
  offer: { x: 0.64, y: 0.6, width: 0.28, height: 0.28 },
  number: { x: 0.43, y: 0.08, width: 0.14, height: 0.14 },
};

/** The box that a ready group takes on this cover, fractions of it. */
export function readyArea(kind: ReadyKind, { widthPx, heightPx, parts }: Doc): Area {
  const place = PLACES[kind];
  const height = Math.min(0.6, (place.height * widthPx) / heightPx);
  const title = Object.values(parts).find((p) => p.kind === 'words' && p.role === 'title' && !p.hidden);
  // What stands over the title hangs from it, where there is room over it.
  const over = kind === 'preheader' && title?.kind === 'words' ? title.area.y - height : null;
  return { ...place, height, y: over !== null && over > 0.02 ? over : Math.min(place.y, 0.97 - height) };
}

/** A line of the Brief that the cover does not show yet, or the first of them that is written. */
function lineOf(
  doc: Doc,
  brief: Brief,
  fields: readonly ('subtitle' | 'strapline' | 'series')[],
): WordsPart['says'] | null {
  const written = fields.filter((field) => wordsOf(brief, field).trim() !== '');
  const shown = new Set(
    Object.values(doc.parts).flatMap((p) =>
      p.kind === 'words' && !p.hidden && p.says.kind === 'brief' ? [p.says.field] : [],
    ),
  );
  const field = written.find((one) => !shown.has(one)) ?? written[0];
  return field ? { kind: 'brief', field } : null;
}

/** Whether the Brief has what a ready group says; the rest has words of its own to be typed over. */
export function readyNeeds(kind: ReadyKind, doc: Doc, brief: Brief): boolean {
  switch (kind) {
    case 'headline':
      return lineOf(doc, brief, ['subtitle', 'strapline']) !== null;
    case 'preheader':
      return lineOf(doc, brief, ['strapline', 'series', 'subtitle']) !== null;
    case 'contact':
      return brief.website.trim() !== '';
    case 'number':
      return brief.seriesNumber !== null;
    case 'endorsement':
    case 'offer':
      return true;
  }
}

/**
 * The parts of a ready group within a place, from the back to the front; empty where the Brief lacks its words. The face of the
 * title serves what is large, that of the author's or the subtitle's line the rest.
 */
export function readyParts(kind: ReadyKind, doc: Doc, words: ReadyWords, area: Area, colour: Hex): PartSeed[] {
  const { brief } = words;
  if (!readyNeeds(kind, doc, brief)) return [];
  const cutOf = (roles: readonly WordsPart['role'][]): string | undefined => {
    const found = Object.values(doc.parts).find((p) => p.kind === 'words' && !p.hidden && roles.includes(p.role));
    return found?.kind === 'words' ? found.cut : undefined;
  };
  const display = cutOf(['title']) ?? 'jost/600';
  const plain = cutOf(['subtitle', 'byline', 'strapline']) ?? display;
  /** A place within the group's, by shares of it. */
  const at = (x: number, y: number, width: number, height: number): Area => ({
    x: area.x + x * area.width,
    y: area.y + y * area.height,
    width: width * area.width,
    height: height * area.height,
  });
  const rule = (place: Area): PartSeed =>
    newShape(
      { kind: 'rectangle', radius: 0 },
      { role: 'rule', area: { ...place, height: Math.max(THINNEST, place.height) }, colour },
    );
  const on = legibleOn(colour, doc);
  switch (kind) {
    case 'headline': {
      const line = { length: 1, thick: 0.05, gap: 0.45, colour };
      const says = lineOf(doc, brief, ['subtitle', 'strapline'])!;
      return [
        newWords({
          role: 'subtitle',
          says,
          area: at(0, 0.2, 1, 0.6),
          cut: display,
          colour,
          maxSize: 0.06,
          ruleAbove: line,
          ruleBelow: line,
        }),
      ];
    }
    case 'preheader':
      return [
        newWords({
          role: 'strapline',
          says: lineOf(doc, brief, ['strapline', 'series', 'subtitle'])!,
          area: at(0, 0, 1, 0.7),
          cut: plain,
          colour,
          upper: true,
          tracking: 0.14,
          maxSize: 0.026,
          ruleBelow: { length: 0.2, thick: 0.07, gap: 0.7, colour },
        }),
      ];
    case 'contact': {
      const house = brief.publisher.trim() !== '';
      const web = newWords({
        role: 'website',
        says: { kind: 'brief', field: 'website' },
        area: house ? at(0, 0.62, 1, 0.38) : at(0, 0.35, 1, 0.65),
        cut: plain,
        colour,
        maxSize: 0.034,
        alignY: 'top',
      });
      if (!house) return [rule(at(0.38, 0.16, 0.24, 0.03)), web];
      return [
        newWords({
          role: 'publisher',
          says: { kind: 'brief', field: 'publisher' },
          area: at(0, 0, 1, 0.38),
          cut: display,
          colour,
          upper: true,
          tracking: 0.1,
          maxSize: 0.032,
          alignY: 'bottom',
        }),
        rule(at(0.38, 0.49, 0.24, 0.03)),
        web,
      ];
    }
    case 'endorsement':
      return [
        newWords({
          role: 'endorsement',
          says: { kind: 'own', text: words.quotation },
          area: at(0, 0, 1, 0.66),
          cut: plain,
          colour,
          leading: 1.2,
          maxSize: 0.046,
          alignY: 'bottom',
        }),
        rule(at(0.44, 0.735, 0.12, 0.014)),
        newWords({
          role: 'free',
          says: { kind: 'own', text: words.reader },
          area: at(0, 0.81, 1, 0.19),
          cut: plain,
          colour,
          upper: true,
          tracking: 0.08,
          maxSize: 0.026,
          alignY: 'top',
        }),
      ];
    case 'offer':
      return [
        newShape({ kind: 'badge', scallops: 24, ring: true }, { role: 'plate', area, colour }),
        newWords({
          role: 'free',
          says: { kind: 'own', text: words.free },
          area: at(0.18, 0.32, 0.64, 0.36),
          cut: display,
          colour: on,
          upper: true,
          maxSize: 0.12,
        }),
      ];
    case 'number':
      return [
        newShape({ kind: 'ellipse' }, { role: 'plate', area, colour }),
        newWords({
          role: 'series',
          says: { kind: 'brief', field: 'number' },
          area: at(0.22, 0.22, 0.56, 0.56),
          cut: display,
          colour: on,
          figures: 'lining',
        }),
      ];
  }
}

/** The lowest that a part may be, a share of the cover. */
const THINNEST = 0.002;
/** Least contrast of words on a shape of their own. */
const READS = 4.5;

/** A colour of the cover's own that reads on a flat colour, or the nearest to black or white. */
function legibleOn(colour: Hex, doc: Doc): Hex {
  const own = coloursOf(doc).filter((hex) => contrast(hex, colour) >= READS);
  return own.length > 0 ? mostLegible(colour, own) : mostLegible(colour, ['#ffffff', '#101112']);
}

/** Adds parts as one group of this name in front of everything. Faults: those of `addPart`. */
export function addGroup(ids: readonly string[], seeds: readonly PartSeed[], group: string, name: string): Edit<Doc> {
  return (doc) => {
    for (const [i, seed] of seeds.entries()) {
      const refused = addPart(ids[i], seed)(doc);
      if (refused) return refused;
    }
    if (seeds.length < 2) return;
    return groupParts(ids.slice(0, seeds.length), group)(doc) ?? nameGroup(group, name)(doc);
  };
}
