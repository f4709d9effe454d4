import type { WordField } from '@yosomi/core/book';
import {
  type Area,
  type Doc,
  type Form,
  type PartSeed,
  READY,
  type ReadyKind,
  type ReadyWords,
  type WordRole,
  TEXTURES,
  drawnArea,
  newOverlay,
  newScrim,
  newShape,
  newWords,
  readyArea,
  readyNeeds,
  readyParts,
} from '@yosomi/core/cover';
import type { Book, Mark } from '@yosomi/core/project';
import { freeWord, inQuotes } from '@yosomi/core/promo';
import { OVERLAYS, ROLES } from './part-names';

/** Something that can be added: what it is called, the step it makes, and the part itself as it is meant to stand. */
export type Offer = {
  readonly id: string;
  readonly label: string;
  readonly step: string;
  readonly seed: PartSeed;
  /** Looks for a free place and a colour that is seen there; what reaches from edge to edge or lies over all does not. */
  readonly lands: boolean;
  /** Kept wherever it lands; null for one that is seen there. */
  readonly colour?: string | null;
};

/** Shapes with the place they first take; round ones are round on any cover. */
const SHAPES: readonly { label: string; form: Form; area: Area; role?: 'band' | 'rule' }[] = [
  {
    label: 'Band',
    form: { kind: 'rectangle', radius: 0 },
    area: { x: 0, y: 0.62, width: 1, height: 0.08 },
    role: 'band',
  },
  {
    label: 'Rule',
    form: { kind: 'rectangle', radius: 0 },
    area: { x: 0.4, y: 0.5, width: 0.2, height: 0.003 },
    role: 'rule',
  },
  { label: 'Rectangle', form: { kind: 'rectangle', radius: 0 }, area: { x: 0.25, y: 0.4, width: 0.5, height: 0.2 } },
  { label: 'Ellipse', form: { kind: 'ellipse' }, area: { x: 0.3, y: 0.35, width: 0.4, height: 0.25 } },
  { label: 'Polygon', form: { kind: 'polygon', sides: 6 }, area: { x: 0.3, y: 0.35, width: 0.4, height: 0.25 } },
  { label: 'Line', form: { kind: 'line', dash: 0, round: true }, area: { x: 0.2, y: 0.5, width: 0.6, height: 0.005 } },
  {
    label: 'Ribbon',
    form: { kind: 'ribbon', fold: 0.3, notch: 0.5 },
    area: { x: 0.08, y: 0.6, width: 0.84, height: 0.08 },
  },
  {
    label: 'Burst',
    form: { kind: 'burst', points: 20, depth: 0.16 },
    area: { x: 0.62, y: 0.62, width: 0.3, height: 0.1875 },
  },
  {
    label: 'Badge',
    form: { kind: 'badge', scallops: 24, ring: true },
    area: { x: 0.62, y: 0.62, width: 0.3, height: 0.1875 },
  },
  {
    label: 'Frame',
    form: { kind: 'frame', thick: 0.008, corner: 'scooped', size: 0.08, double: true },
    area: { x: 0.05, y: 0.03125, width: 0.9, height: 0.9375 },
  },
  {
    label: 'Divider',
    form: { kind: 'divider', ornament: 'diamond' },
    area: { x: 0.3, y: 0.5, width: 0.4, height: 0.02 },
  },
];

/** Words with the field of the Brief they show. */
const WORDS: readonly { role: WordRole; field: WordField; y: number }[] = [
  { role: 'title', field: 'title', y: 0.12 },
  { role: 'subtitle', field: 'subtitle', y: 0.4 },
  { role: 'byline', field: 'author', y: 0.9 },
  { role: 'series', field: 'series', y: 0.05 },
  { role: 'strapline', field: 'strapline', y: 0.84 },
  { role: 'website', field: 'website', y: 0.95 },
  { role: 'blurb', field: 'blurb', y: 0.5 },
  { role: 'publisher', field: 'publisher', y: 0.92 },
];

/** Where a mark first stands, as large as fits. */
const MARK_AREA = { x: 0.39, y: 0.9, width: 0.22, height: 0.06 };
const SYMBOL_AREA = { x: 0.3, y: 0.34, width: 0.4, height: 0.26 };

/** The blend an overlay mixes best with. */
const MIX = {
  grain: 'normal',
  worn: 'normal',
  paper: 'multiply',
  rays: 'screen',
  vignette: 'multiply',
  halftone: 'multiply',
  fog: 'screen',
  wash: 'multiply',
  strokes: 'multiply',
} as const;

/** Round forms get a height that makes them round on this cover. */
function squared(area: Area, form: Form, doc: Doc): Area {
  const round = form.kind === 'ellipse' || form.kind === 'polygon' || form.kind === 'burst' || form.kind === 'badge';
  return round ? { ...area, height: (area.width * doc.widthPx) / doc.heightPx } : area;
}

/** A shape wider than this spans the cover and stands where it is meant to. */
const SPANS = 0.6;

const wordsOffer = (
  role: WordRole,
  says: Parameters<typeof newWords>[0]['says'],
  y: number,
  cut: string,
  colour: string,
): Offer => ({
  id: `words-${role}`,
  label: ROLES[role],
  step: `Add ${ROLES[role].toLowerCase()}`,
  lands: true,
  seed: newWords({ role, says, area: { x: 0.15, y, width: 0.7, height: 0.05 }, cut, colour, maxSize: 0.06 }),
});

export const markOffer = (form: Mark['form'], doc: Doc, colour: string): Offer => ({
  id: 'mark',
  label: 'Mark',
  step: 'Add a mark',
  lands: true,
  seed: newShape(form, { role: 'mark', area: drawnArea(form.ratio, MARK_AREA, doc), colour }),
});

/** A symbol, large enough to be a figure of the cover. */
export const symbolOffer = (form: Mark['form'], name: string, doc: Doc, colour: string): Offer => ({
  id: 'symbol',
  label: 'Symbol',
  step: 'Add a symbol',
  lands: true,
  seed: newShape(form, { name, role: 'ornament', area: drawnArea(form.ratio, SYMBOL_AREA, doc), colour }),
});

/** All that can be added to a composition by itself, in its title's colour and face, or another colour where it has none. Words of the Brief that it shows already are left out. */
export function offersOf(doc: Doc, other: string): Record<'words' | 'shapes' | 'overlays', Offer[]> {
  const parts = Object.values(doc.parts);
  const title = parts.find((p) => p.kind === 'words' && p.role === 'title');
  const cut = title?.kind === 'words' ? title.cut : 'jost/600';
  const colour = title?.kind === 'words' ? title.colour : other;
  const there = new Set(parts.flatMap((p) => (p.kind === 'words' ? [p.role] : [])));
  const words = WORDS.filter(({ role }) => !there.has(role)).map(({ role, field, y }) =>
    wordsOffer(role, { kind: 'brief', field }, y, cut, colour),
  );
  return {
    words: [
      ...words,
      wordsOffer('endorsement', { kind: 'own', text: 'What a reader says of it' }, 0.78, cut, colour),
      wordsOffer('free', { kind: 'own', text: 'Your words' }, 0.5, cut, colour),
    ],
    shapes: SHAPES.map(({ label, form, area, role }) => ({
      id: `shape-${label}`,
      label,
      step: `Add a ${label.toLowerCase()}`,
      lands: area.width <= SPANS,
      seed: newShape(form, { area: squared(area, form, doc), colour, role: role ?? 'ornament' }),
    })),
    overlays: [
      ...TEXTURES.map((texture) => ({
        id: `overlay-${texture}`,
        label: OVERLAYS[texture],
        step: `Add ${OVERLAYS[texture].toLowerCase()}`,
        lands: false,
        seed: newOverlay(texture, /rays|fog/.test(texture) ? '#fff6e4' : texture === 'worn' ? '#efe6d4' : '#1d1712', {
          blend: MIX[texture],
          opacity: 0.7,
        }),
      })),
      {
        id: 'scrim',
        label: 'Scrim',
        step: 'Add a scrim',
        lands: false,
        seed: newScrim({ from: 'top', colour: '#101112', opacity: 0.5 }),
      },
    ],
  };
}

/** A ready group as it can be added; `lacks` says what the Brief has to say first. */
export type ReadyOffer = {
  readonly id: string;
  readonly kind: ReadyKind;
  readonly label: string;
  readonly seeds: readonly PartSeed[];
  readonly lacks: string | null;
};

const READY_NAMES: Readonly<Record<ReadyKind, { readonly label: string; readonly lacks: string }>> = {
  headline: { label: 'Headline with rules', lacks: 'needs a subtitle or strapline' },
  preheader: { label: 'Line above the title', lacks: 'needs a strapline, series or subtitle' },
  contact: { label: 'House and website', lacks: 'needs a website' },
  endorsement: { label: 'Praise with a name', lacks: '' },
  offer: { label: 'Seal of an offer', lacks: '' },
  number: { label: 'Number in the series', lacks: 'needs a number in the series' },
};

/** What ready groups say beyond the Brief: a reader's words from the title's own campaigns, where one has some. */
export function readyWords({ brief, promos }: Pick<Book, 'brief' | 'promos'>): ReadyWords {
  const said = Object.values(promos).find(({ message }) => (message.quotation ?? '').trim() !== '')?.message;
  return {
    brief,
    free: freeWord(brief.language),
    quotation: inQuotes(said?.quotation?.trim() || 'What a reader says of it', brief.language),
    reader: said?.name?.trim() || 'Who said it',
  };
}

export const readyOffers = (doc: Doc, words: ReadyWords, colour: string): ReadyOffer[] =>
  READY.map((kind) => ({
    id: `ready-${kind}`,
    kind,
    label: READY_NAMES[kind].label,
    seeds: readyParts(kind, doc, words, readyArea(kind, doc), colour),
    lacks: readyNeeds(kind, doc, words.brief) ? null : READY_NAMES[kind].lacks,
  }));
