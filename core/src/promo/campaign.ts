import { z } from 'zod';
import { type Edit, fault } from '../base';
import { Doc, HexColour, Part, WRAPPINGS } from '../cover';
import { Motion, plainMotion } from '../motion';
import { FORMATS, Format, SCREEN_FORMATS, findFormat, ownFormat } from './formats';
import {
  FIELDS,
  MOST_WORDINGS,
  Message,
  type MessageField,
  type MessageKind,
  SLOTS,
  type Slot,
  Wording,
  newMessage,
} from './message';
import { TONES } from './tones';

/** What a person changed of one part of a promo that is composed by rule. Fields hold what Part holds, and are parsed as such. */
export const PartChange = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('set'), fields: z.record(z.string(), z.unknown()) }),
  z.object({ kind: z.literal('gone') }),
  z.object({ kind: z.literal('new'), part: Part }),
]);
export type PartChange = z.infer<typeof PartChange>;
export const PartChanges = z.record(z.string(), PartChange);
export type PartChanges = z.infer<typeof PartChanges>;

/** Words that one format has for itself. */
const OwnWords = z.partialRecord(z.enum(SLOTS), z.string().max(400));

/** What one format of a campaign has of its own: changes over the rule, look by look, or a document drawn by hand. */
export const Made = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('ruled'), words: OwnWords, changes: z.record(z.string(), PartChanges) }),
  /** `follows`: its colours are taken from the cover and turn with it. */
  z.object({ kind: z.literal('drawn'), doc: Doc, follows: z.boolean() }),
]);
export type Made = z.infer<typeof Made>;

export const Style = z.object({
  look: z.string().max(40),
  /** null is the look's own. */
  tone: z.enum(TONES).nullable(),
  /** A ground of one's own instead of a tone. */
  colour: HexColour.nullable(),
  backing: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('look') }),
    z.object({ kind: z.literal('cover') }),
    z.object({ kind: z.literal('picture'), asset: z.string().max(80) }),
  ]),
  /** Faces of the headline and of the lines; null takes the cover's. */
  faces: z.object({ head: z.string().max(80), text: z.string().max(80) }).nullable(),
  /** Which of the title's scenes its books are shown in, by its id; null is that of Mockups as it is now. */
  scene: z.string().max(40).nullable(),
});
export type Style = z.infer<typeof Style>;

/** How the cover is shown little by little, in a message that reveals it. */
export const Reveal = z.object({
  wrapping: z.enum(WRAPPINGS),
  /** How much is shown, 0..1. */
  share: z.number().min(0).max(1),
  /** Where it is torn, fractions of the cover; null is where the cover tells most without its title. */
  at: z.object({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) }).nullable(),
  /** Which of the shapes that paper tears in, and how it lies and falls. */
  shape: z.number().int().min(0).max(999),
  /** How many stills lead from hidden to shown. */
  stills: z.number().int().min(2).max(14),
});
export type Reveal = z.infer<typeof Reveal>;
export const plainReveal: Reveal = { wrapping: 'paper', share: 0.22, at: null, shape: 7, stills: 5 };

/** How much each still of a series shows: little by little, the whole cover last. */
export const stillShares = (stills: number): number[] =>
  Array.from({ length: stills }, (_, i) => (i === stills - 1 ? 1 : 0.06 + 0.74 * (i / Math.max(1, stills - 1)) ** 1.2));

export const MOST_FORMATS = 24;
export const MOST_CAMPAIGNS = 40;

/** One message in all its formats. */
export const Campaign = z.object({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  name: z.string().max(80),
  message: Message,
  style: Style,
  reveal: Reveal,
  motion: Motion,
  /** Ids of its formats, in their order. */
  formats: z.array(z.string().max(30)).max(MOST_FORMATS),
  own: z.array(Format).max(MOST_FORMATS),
  made: z.record(z.string(), Made),
  /** Alt text of its own for a format; the rest is drafted from the message. */
  alt: z.record(z.string(), z.string().max(500)),
  favourites: z.array(z.string().max(40)).max(60),
});
export type Campaign = z.infer<typeof Campaign>;

export const DEFAULT_LOOK = 'dusk';
/** Looks that show the cover in its wrapping. */
export const REVEALS: ReadonlySet<string> = new Set(['wrapped', 'unwrapping']);
export const plainStyle: Style = {
  look: DEFAULT_LOOK,
  tone: null,
  colour: null,
  backing: { kind: 'look' },
  faces: null,
  scene: null,
};

export const newCampaign = (id: string, name: string, kind: MessageKind): Campaign => ({
  id,
  name,
  message: newMessage(kind),
  style: kind === 'reveal' ? { ...plainStyle, look: 'wrapped' } : plainStyle,
  reveal: plainReveal,
  motion: kind === 'reveal' ? { ...plainMotion, kind: 'reveal' } : plainMotion,
  formats: [...SCREEN_FORMATS],
  own: [],
  made: {},
  alt: {},
  favourites: [],
});

/** The formats of a campaign that are known, in their order. */
export const formatsOf = (campaign: Campaign): Format[] =>
  campaign.formats.flatMap((id) => findFormat(id, campaign.own) ?? []);

const wrong = (where: string) => fault('edit-wrong', { where });

export type FieldValue = string | number | boolean | null | Message['price'];

/** Changes one field of the message, in the wording that is shown. Faults: `edit-wrong`. */
export const setField =
  (field: MessageField, value: FieldValue): Edit<Campaign> =>
  ({ message }) => {
    const target = field === 'headline' || field === 'line' ? message.wordings[message.shown] : message;
    const shape = field === 'headline' || field === 'line' ? Wording.shape[field] : Message.shape[field];
    const parsed = shape.safeParse(value);
    if (!parsed.success || !target) return wrong(`message.${field}`);
    Object.assign(target, { [field]: parsed.data });
  };

export const setKind =
  (kind: MessageKind): Edit<Campaign> =>
  ({ message, style, motion }) => {
    if (!FIELDS[kind]) return wrong('message.kind');
    message.kind = kind;
    // What hides the cover serves a reveal alone, and a reveal begins with it.
    if (kind === 'reveal' && !REVEALS.has(style.look)) style.look = 'wrapped';
    if (kind !== 'reveal' && REVEALS.has(style.look)) style.look = DEFAULT_LOOK;
    if ((kind === 'reveal') !== (motion.kind === 'reveal'))
      motion.kind = kind === 'reveal' ? 'reveal' : plainMotion.kind;
  };

/** Another wording beside the others, shown at once. Fault: `wordings-full`. */
export const addWording: Edit<Campaign> = ({ message }) => {
  if (message.wordings.length >= MOST_WORDINGS) return fault('wordings-full', { most: MOST_WORDINGS });
  message.wordings.push({ headline: null, line: null });
  message.shown = message.wordings.length - 1;
};

/** The last one stays. Fault: `wording-last`. */
export const removeWording =
  (index: number): Edit<Campaign> =>
  ({ message }) => {
    if (message.wordings.length === 1 || !message.wordings[index]) return fault('wording-last');
    message.wordings.splice(index, 1);
    message.shown = Math.min(message.shown, message.wordings.length - 1);
  };

export const showWording =
  (index: number): Edit<Campaign> =>
  ({ message }) => {
    if (!message.wordings[index]) return wrong('message.shown');
    message.shown = index;
  };

export const setStyle =
  (fields: Partial<Style>): Edit<Campaign> =>
  (campaign) => {
    if (!Style.safeParse({ ...campaign.style, ...fields }).success) return wrong('style');
    Object.assign(campaign.style, fields);
  };

export const setReveal =
  (fields: Partial<Reveal>): Edit<Campaign> =>
  (campaign) => {
    if (!Reveal.safeParse({ ...campaign.reveal, ...fields }).success) return wrong('reveal');
    Object.assign(campaign.reveal, fields);
  };

export const setMotion =
  (fields: Partial<Motion>): Edit<Campaign> =>
  (campaign) => {
    if (!Motion.safeParse({ ...campaign.motion, ...fields }).success) return wrong('motion');
    Object.assign(campaign.motion, fields);
  };

/** Puts a format into the campaign or takes it out. Its own words and changes stay, should it come back. Faults: `format-unknown`, `formats-full`, `format-last`. */
export const wantFormat =
  (id: string, wanted: boolean): Edit<Campaign> =>
  (campaign) => {
    if (!findFormat(id, campaign.own)) return fault('format-unknown', { format: id });
    const has = campaign.formats.includes(id);
    if (wanted === has) return;
    if (!wanted) {
      if (campaign.formats.length === 1) return fault('format-last');
      campaign.formats = campaign.formats.filter((one) => one !== id);
      return;
    }
    if (campaign.formats.length >= MOST_FORMATS) return fault('formats-full', { most: MOST_FORMATS });
    const place = (one: string): number => [...FORMATS, ...campaign.own].findIndex((f) => f.id === one);
    campaign.formats = [...campaign.formats, id].sort((a, b) => place(a) - place(b));
  };

/** A size of one's own. Faults: `format-size` where it is out of bounds, `formats-full`. */
export const addOwnFormat =
  (widthPx: number, heightPx: number): Edit<Campaign> =>
  (campaign) => {
    const made = ownFormat(widthPx, heightPx);
    const ratio = widthPx / heightPx;
    if (!Format.safeParse(made).success || ratio > 4 || ratio < 1 / 3) return fault('format-size');
    if (!campaign.own.some((f) => f.id === made.id)) {
      if (campaign.own.length >= MOST_FORMATS) return fault('formats-full', { most: MOST_FORMATS });
      campaign.own.push(made);
    }
    return wantFormat(made.id, true)(campaign);
  };

/** Words of one format alone; null gives them back to the message. Fault: `edit-wrong` where the format is drawn by hand. */
export const setOwnWords =
  (format: string, slot: Slot, text: string | null): Edit<Campaign> =>
  (campaign) => {
    const made = (campaign.made[format] ??= { kind: 'ruled', words: {}, changes: {} });
    if (made.kind !== 'ruled' || (text !== null && text.length > 400)) return wrong(`made.${format}`);
    if (text === null) delete made.words[slot];
    else made.words[slot] = text;
  };

/** Gives a format back to its rule: own words, changes, and a document drawn by hand go. */
export const giveBack =
  (format: string): Edit<Campaign> =>
  (campaign) => {
    delete campaign.made[format];
  };

export const setAlt =
  (format: string, text: string | null): Edit<Campaign> =>
  (campaign) => {
    if (text === null) delete campaign.alt[format];
    else campaign.alt[format] = text.slice(0, 500);
  };

export const favourLook =
  (look: string, on: boolean): Edit<Campaign> =>
  (campaign) => {
    campaign.favourites = campaign.favourites.filter((one) => one !== look);
    if (on) campaign.favourites.push(look);
  };

/** What of a format is its own: shown as a mark. */
export const ownOf = (campaign: Campaign, format: string): 'rule' | 'words' | 'changed' | 'drawn' => {
  const made = campaign.made[format];
  if (!made) return 'rule';
  if (made.kind === 'drawn') return 'drawn';
  if (Object.keys(made.changes[campaign.style.look] ?? {}).length > 0) return 'changed';
  return Object.keys(made.words).length > 0 ? 'words' : 'rule';
};
