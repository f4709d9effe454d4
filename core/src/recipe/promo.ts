import { type Finding, finding, keyOf } from '../base';
import type { Brief } from '../book';
import { palette } from '../colour';
import { type Composition, type MadeSource, type Resources, compose, needs, textOf } from '../compose';
import type { Doc } from '../cover';
import { blurred } from '../darkroom';
import type { Images, SurfaceImage } from '../ink';
import type { Scene } from '../mockup';
import type { Moment } from '../motion';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import {
  type Campaign,
  type Faces,
  type Format,
  type PromoLook,
  type PromoSetting,
  type Ruled,
  type Slot,
  type Slots,
  dressPromo,
  findFormat,
  findLook,
  promoColours,
  ruleAnyway,
  slotsOf,
  toneOf,
  toneOn,
  withChanges,
} from '../promo';
import { fallbacksFor } from '../text';
import { wrapped } from '../wrapping';
import { coverFindings, coverRaster } from './cover';
import { gather } from './gather';
import { readsFindings } from './legibility';
import { mockupKey } from './mockup';
import { perStudio } from './per-studio';
import { bareRaster, cutNear } from './bare-cover';
import { type PromoFacts, factsKey, promoFacts } from './promo-facts';
import { docAt, isMoving, movedScene, stillAt } from './promo-moment';
import { pinKey, pinnedRaster } from './pin-art';
import { sceneOfSource } from './promo-shots';
import type { Others } from './scene-art';
import { settle } from './settle';
import type { Studio } from './studio';
import { VERSIONS } from './versions';

/** One format of one campaign; at a moment of its motion, else as the still. */
export type PromoAt = { readonly campaign: Campaign; readonly format: Format; readonly moment?: Moment };

/** A title with the scene in which the campaign shows its books: its own, or that of Mockups. */
export function bookAt(book: Book, { campaign }: PromoAt): Book {
  const own = campaign.style.scene === null ? undefined : book.scenes[campaign.style.scene];
  return own ? { ...book, scene: own.scene } : book;
}

/** Where a title has a promo; null where it has none any more. */
export function promoAt(book: Book, campaign: string, format: string): PromoAt | null {
  const found = book.promos[campaign];
  const size = found && findFormat(format, found.own);
  return size ? { campaign: found, format: size } : null;
}

/** A promo as it is shown. */
export type PromoShown = {
  readonly doc: Doc;
  /** As its rule composes it, with the words shown and without a person's changes; null where it is drawn by hand. */
  readonly ruled: Doc | null;
  readonly dropped: readonly Slot[];
  /** The look it is composed by; another than the campaign's where that cannot serve here. */
  readonly look: string;
};

/** The proportions in which a promo that is drawn by hand places the title's own mockup. */
function mockupSize(doc: Doc): { widthPx: number; heightPx: number } {
  const part = Object.values(doc.parts).find((p) => p.kind === 'picture' && p.source.kind === 'mockup');
  const area = part?.kind === 'picture' ? part.area : { width: 0.6, height: 0.9 };
  const px = (share: number, side: number): number => Math.min(MOST_SHOT, Math.max(64, Math.round(share * side * 1.5)));
  return { widthPx: px(area.width, doc.widthPx), heightPx: px(area.height, doc.heightPx) };
}

/** The key of a title's scene, whatever its size. */
const OWN_SIZE = { widthPx: 1, heightPx: 1 };

const clearScene = (book: Book): Scene => ({ ...book.scene, ground: { kind: 'clear' } });

/** Equal as long as the promo would be equal. */
export function promoKey(owner: Book, at: PromoAt, others: Others): string {
  const { campaign, format, moment } = at;
  const book = bookAt(owner, at);
  const made = campaign.made[format.id];
  const shown = findLook(campaign.style.look);
  const { title, subtitle, strapline, website, seriesName, seriesNumber, author, language } = book.brief;
  const drawn = made?.kind === 'drawn' ? mockupKey(book, mockupSize(made.doc), clearScene(book), others) : null;
  return keyOf({
    message: campaign.message,
    style: campaign.style,
    reveal: campaign.message.kind === 'reveal' ? campaign.reveal : null,
    format,
    made: made ?? null,
    brief: { title, subtitle, strapline, website, seriesName, seriesNumber, author, language },
    facts: factsKey(book, others),
    own: shown?.shots.includes('own') ? mockupKey(book, OWN_SIZE, book.scene, others) : null,
    pin: shown?.asks === 'photo' && book.pin ? pinKey(book, book.pin) : null,
    drawn,
    ...(moment ? { moment } : {}),
    version: VERSIONS.promo,
  });
}

/** Faces of a campaign: chosen, or the cover's. */
function facesFor({ style }: Campaign, facts: PromoFacts): Faces {
  if (!style.faces) return facts.faces;
  const { head, text } = style.faces;
  return { head, text, strong: cutNear(text, 700), upper: false };
}

/** The words of one format: the message's, with those it has for itself. */
export function wordsAt(book: Book, { campaign, format }: PromoAt): Slots {
  const made = campaign.made[format.id];
  return slotsOf(campaign.message, book.brief, made?.kind === 'ruled' ? made.words : {});
}

/** What looks compose from, each look with its colours. Faces must be loaded. */
function settingsFor(book: Book, at: PromoAt, facts: PromoFacts, studio: Studio): (look: PromoLook) => PromoSetting {
  const { campaign, format } = at;
  const { style } = campaign;
  const common = {
    format,
    slots: wordsAt(book, at),
    faces: facesFor(campaign, facts),
    cover: facts.cover,
    backing: style.backing,
    reveal: campaign.message.kind === 'reveal' ? { ...campaign.reveal, at: campaign.reveal.at ?? facts.hole } : null,
    shaper: studio.shaper,
    box: (shot: Parameters<PromoSetting['box']>[0]) => facts.boxes.get(shot)!,
  };
  return (look) => ({
    ...common,
    tone: style.colour ? toneOn(style.colour, facts.hues) : toneOf(style.tone ?? look.tone, facts.hues),
  });
}

/** Composes one format by its rule, with what a person changed; or as it was drawn by hand, in the cover's colours while it follows them. */
export async function promoDoc(owner: Book, at: PromoAt, others: Others, studio: Studio): Promise<PromoShown> {
  const { campaign, format } = at;
  const book = bookAt(owner, at);
  const made = campaign.made[format.id];
  if (at.moment) return promoDoc(book, stillAt(at), others, studio);
  if (made?.kind === 'drawn') {
    const led = leading(made.doc, book.brief);
    const doc = made.follows ? dressPromo(led, promoColours(palette(await coverRaster(book, 160, studio)))) : led;
    return { doc, ruled: null, dropped: [], look: campaign.style.look };
  }
  const key = promoKey(book, at, others);
  const before = composedBy(studio).get(key);
  if (before) return before;
  const facts = await promoFacts(book, others, studio);
  const { head, text, strong } = facesFor(campaign, facts);
  await studio.loadFonts([head, text, strong, ...fallbacksFor(Object.values(wordsAt(book, at)).join(' '))]);
  const { doc: ruled, dropped, look }: Ruled = ruleAnyway(campaign.style.look, settingsFor(book, at, facts, studio));
  const changes = made?.changes[campaign.style.look];
  const shown = { doc: changes ? withChanges(ruled, changes) : ruled, ruled, dropped, look };
  // With a face that is not there words are measured in another: that holds only for now.
  if (facts.whole && [head, text, strong].every((cut) => studio.shaper.has(cut))) composedBy(studio).set(key, shown);
  return shown;
}

/** What was composed last: a plan, a tile and what is measured ask for the same. */
const composedBy = perStudio<PromoShown>({ max: 96 });

/** Where there is no headline, what hangs under it leads: a line that nobody wrote is never put in. */
function leading(doc: Doc, brief: Brief): Doc {
  const { headline } = doc.parts;
  if (headline?.kind !== 'words' || headline.hidden || textOf(headline, brief).trim()) return doc;
  const next = Object.values(doc.parts).find((p) => p.kind === 'words' && p.follows?.part === headline.id);
  if (next?.kind !== 'words') return doc;
  const { area, cut, maxSize, leading, alignY } = headline;
  const led = { ...next, area, cut, leading, alignY, maxSize: Math.max(maxSize, next.maxSize), follows: null };
  return { ...doc, parts: { ...doc.parts, [next.id]: led } };
}

/** A picture that a promo places and that is made from the title, with the pixels that it is made at. */
export type PromoPicture = {
  readonly name: string;
  readonly source: MadeSource;
  readonly widthPx: number;
  readonly heightPx: number;
  /** At which moment of a motion, where it moves. */
  readonly moment?: Moment;
};

/** Largest side of what is traced for a promo, px. */
const MOST_SHOT = 2400;

/** Shots come in few sizes, so that one serves several formats. */
const STEPS = [320, 640, 1100, 1600, MOST_SHOT] as const;
const stepOver = (px: number): number => STEPS.find((step) => step >= px * 0.94) ?? MOST_SHOT;

/** The pictures that a promo places, at the pixels that they need where it is painted `widthPx` wide. */
export function promoPictures(doc: Doc, brief: Brief, widthPx: number, moment?: Moment): PromoPicture[] {
  const made = new Map<string, PromoPicture>();
  for (const need of needs(doc, brief).images) {
    if (need.kind !== 'made') continue;
    const { base, source } = need;
    const across = Math.min(MOST_SHOT, Math.max(64, Math.ceil(need.across * widthPx)));
    const before = made.get(base);
    const size = sizeOf(source, doc, across, widthPx);
    if (before && before.widthPx >= size.widthPx) continue;
    made.set(base, { name: base, source, ...size, ...(moment && isMoving(source) ? { moment } : {}) });
  }
  return [...made.values()];
}

function sizeOf(source: MadeSource, doc: Doc, across: number, widthPx: number): { widthPx: number; heightPx: number } {
  switch (source.kind) {
    case 'shot':
      return source.set
        ? { widthPx: across, heightPx: Math.max(1, Math.round(across / source.set.ratio)) }
        : { widthPx: stepOver(across), heightPx: stepOver(across) };
    case 'cover':
    case 'reveal':
    case 'pinned':
      return { widthPx: across, heightPx: across };
    case 'mockup': {
      const { widthPx: w, heightPx: h } = mockupSize(doc);
      const k = Math.min(1, (widthPx * 1.5) / doc.widthPx);
      return { widthPx: Math.max(16, Math.round(w * k)), heightPx: Math.max(16, Math.round(h * k)) };
    }
  }
}

/** The scene that such a picture shows; null for the flat cover. */
export function sceneOfPicture(
  book: Book,
  { source, moment }: Pick<PromoPicture, 'source' | 'moment'>,
  others: Others,
): Scene | null {
  switch (source.kind) {
    case 'shot':
      return movedScene(sceneOfSource(book, source, others), moment, book, others);
    case 'mockup':
      return movedScene(clearScene(book), moment, book, others);
    case 'cover':
    case 'reveal':
    case 'pinned':
      return null;
  }
}

/** How far a cover is blurred where its words cannot be taken away, as a share of its width. */
const SMEARED = 0.045;

/** What needs nothing traced: the flat cover, and the photograph that it is pinned on. */
export type FlatSource = Extract<MadeSource, { kind: 'cover' | 'reveal' | 'pinned' }>;
export const isFlat = (source: MadeSource): source is FlatSource =>
  source.kind === 'cover' || source.kind === 'reveal' || source.kind === 'pinned';

/** The flat cover, its picture without words, or in its wrapping; a finished cover's words are smeared until nobody reads them. */
export async function coverPicture(book: Book, source: FlatSource, widthPx: number, studio: Studio): Promise<Raster> {
  if (source.kind === 'reveal') {
    const { wrapping: kind, share, at, colour, accent, seed } = source;
    return wrapped(await coverRaster(book, widthPx, studio), { kind, share, at, colour, accent, seed });
  }
  if (source.kind === 'pinned')
    return (await pinnedRaster(book, widthPx, studio)) ?? coverRaster(book, widthPx, studio);
  if (!source.bare) return coverRaster(book, widthPx, studio);
  const alone = await bareRaster(book, widthPx, studio);
  if (alone) return alone;
  const small = Math.min(widthPx, 320);
  return blurred(await coverRaster(book, small, studio), SMEARED * small);
}

/** Key of a picture of a promo: equal keys, equal pixels. */
export const pictureKey = (book: Book, picture: PromoPicture, others: Others): string => {
  const { name, source, widthPx, heightPx } = picture;
  return keyOf({
    name,
    size: { widthPx, heightPx },
    cover: factsKey(book, others),
    pin: source.kind === 'pinned' && book.pin ? pinKey(book, book.pin) : null,
    scene: isFlat(source)
      ? null
      : mockupKey(book, { widthPx, heightPx }, sceneOfPicture(book, picture, others)!, others),
  });
};

export type PromoComposed = PromoShown & {
  readonly composition: Composition;
  readonly images: Images;
  readonly resources: Resources;
};

/** A promo composed over its pictures, ready to be painted `widthPx` wide. */
export async function composePromo(
  owner: Book,
  at: PromoAt,
  pictures: ReadonlyMap<string, SurfaceImage>,
  widthPx: number,
  others: Others,
  studio: Studio,
): Promise<PromoComposed> {
  const book = bookAt(owner, at);
  const still = await promoDoc(book, at, others, studio);
  const shown = at.moment ? { ...still, doc: docAt(still.doc, at.moment, book, others) } : still;
  const { resources, images } = await gather(shown.doc, book.brief, studio, widthPx, pictures);
  return { ...shown, composition: compose(shown.doc, book.brief, resources), images, resources };
}

/** The promo as pixels. */
export async function promoRaster(
  book: Book,
  at: PromoAt,
  pictures: ReadonlyMap<string, SurfaceImage>,
  widthPx: number,
  others: Others,
  studio: Studio,
): Promise<Raster> {
  const { composition, images } = await composePromo(book, at, pictures, widthPx, others, studio);
  return studio.paint(composition.ink, widthPx, images);
}

/** What counts on a promo of all that is found of a composition: shelves and trims are for covers. */
const COUNTS: ReadonlySet<string> = new Set([
  'contrast-low',
  'words-hidden',
  'words-outside',
  'words-overflow',
  'letters-missing',
  'picture-lost',
]);

/** What is found of a promo on its finished pixels: words that cannot be read where it is seen, and words that were left out. */
export async function promoWords(
  book: Book,
  at: PromoAt,
  pictures: ReadonlyMap<string, SurfaceImage>,
  others: Others,
  studio: Studio,
) {
  const { doc, images, resources, dropped, look } = await composePromo(book, at, pictures, 800, others, studio);
  // Promos get no scrims: their words are measured as they are painted.
  const parts = Object.fromEntries(
    Object.entries(doc.parts).map(([id, p]) => [id, p.kind === 'words' ? { ...p, support: 'none' as const } : p]),
  );
  const { findings, reports } = settle({ ...doc, parts }, book.brief, resources, images, studio.paint.bind(studio));
  const { displayPx } = at.format;
  const small = [...reports.values()].flatMap(({ part, readsFromPx }) =>
    readsFromPx !== null && readsFromPx > displayPx
      ? [finding('promo-small', 'should', part, { from: readsFromPx, seen: displayPx })]
      : [],
  );
  const left = dropped.map((slot) => finding('promo-left-out', 'note', null, { name: slot, seen: displayPx }));
  const other = look === at.campaign.style.look ? [] : [finding('promo-other-look', 'note', null, { look })];
  return { doc, findings: [...findings.filter(({ code }) => COUNTS.has(code)), ...small, ...left, ...other], reports };
}

/** What makes the words of a promo, and of the cover that it shows, hard to read. */
export async function promoFindings(
  book: Book,
  at: PromoAt,
  pictures: ReadonlyMap<string, SurfaceImage>,
  others: Others,
  studio: Studio,
): Promise<Finding[]> {
  const { doc, findings } = await promoWords(book, at, pictures, others, studio);
  const own = findings.filter(({ code }) => code.startsWith('promo-'));
  return [...readsFindings(doc, findings), ...own, ...(await coverFindings(book, studio))];
}
