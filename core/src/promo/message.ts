import { z } from 'zod';
import type { Brief } from '../book';
import { dateWords, freeWord, daysWords, inQuotes, priceWords, timeWords, untilWords } from './spoken';

export const MESSAGE_KINDS = [
  'announcement',
  'offer',
  'magnet',
  'endorsement',
  'countdown',
  'series',
  'edition',
  'reveal',
  'event',
] as const;
export type MessageKind = (typeof MESSAGE_KINDS)[number];

/** Text of a field: null follows the Brief, an empty one leaves its part out. */
const text = (most: number) => z.string().max(most).nullable();

/** One way to put a message. */
export const Wording = z.object({ headline: text(300), line: text(300) });
export type Wording = z.infer<typeof Wording>;

export const MOST_WORDINGS = 3;

/** What a campaign says. All fields are kept whatever kind it is, so that nothing typed is lost when the kind is changed. */
export const Message = z.object({
  kind: z.enum(MESSAGE_KINDS),
  wordings: z.array(Wording).min(1).max(MOST_WORDINGS),
  /** The wording that is shown. */
  shown: z
    .number()
    .int()
    .min(0)
    .max(MOST_WORDINGS - 1),
  quotation: text(400),
  name: text(120),
  where: text(120),
  call: text(60),
  link: text(120),
  badge: text(40),
  price: z.object({ amount: z.number().min(0).max(1e6), currency: z.string().regex(/^[A-Z]{3}$/) }).nullable(),
  free: z.boolean(),
  /** yyyy-mm-dd */
  date: z.iso.date().nullable(),
  /** hh:mm */
  time: z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/)
    .nullable(),
  place: text(160),
  days: z.number().int().min(0).max(999).nullable(),
});
export type Message = z.infer<typeof Message>;

export type MessageField = Exclude<keyof Message, 'kind' | 'wordings' | 'shown'> | keyof Wording;

const ENDING = ['call', 'link'] as const;

/** What each kind asks for, in the order in which a person is asked. */
export const FIELDS: Readonly<Record<MessageKind, readonly MessageField[]>> = {
  announcement: ['headline', 'line', ...ENDING, 'badge', 'date'],
  offer: ['headline', 'line', 'price', 'free', 'date', ...ENDING, 'badge'],
  magnet: ['headline', 'line', ...ENDING, 'badge'],
  endorsement: ['quotation', 'name', 'where', ...ENDING],
  countdown: ['headline', 'line', 'days', 'date', ...ENDING],
  series: ['headline', 'line', ...ENDING, 'badge'],
  edition: ['headline', 'line', ...ENDING, 'badge', 'date'],
  reveal: ['headline', 'line', 'date', ...ENDING],
  event: ['headline', 'line', 'date', 'time', 'place', ...ENDING],
};

export const newMessage = (kind: MessageKind): Message => ({
  kind,
  wordings: [{ headline: null, line: null }],
  shown: 0,
  quotation: null,
  name: null,
  where: null,
  call: null,
  link: null,
  badge: null,
  price: null,
  free: false,
  date: null,
  time: null,
  place: null,
  days: null,
});

/** Places for words that looks know; each is the id of its part. */
export const SLOTS = ['headline', 'line', 'by', 'facts', 'call', 'link', 'badge'] as const;
export type Slot = (typeof SLOTS)[number];
/** Words by place; a place without words is left out. */
export type Slots = Readonly<Partial<Record<Slot, string>>>;

const first = (...texts: readonly string[]): string => texts.find((t) => t.trim()) ?? '';

/** What a field says that a person has left to the Brief: words that they wrote there, or nothing. */
export function fromBrief(kind: MessageKind, field: MessageField, brief: Brief): string {
  switch (field) {
    case 'headline':
      if (kind === 'series') return first(brief.seriesName, brief.strapline, brief.title);
      if (kind === 'magnet' || kind === 'edition') return brief.title;
      return first(brief.strapline, brief.title);
    case 'line':
      if (kind === 'series') return brief.strapline;
      if (kind === 'magnet') return brief.subtitle;
      return brief.strapline.trim() ? '' : brief.subtitle;
    case 'link':
      return brief.website;
    default:
      return '';
  }
}

/** The words of a message in their places, in the title's language. `own` are words that one format has for itself. */
export function slotsOf(message: Message, brief: Brief, own: Slots = {}): Slots {
  const { kind, date, time, place, price, free, days } = message;
  const asks = new Set(FIELDS[kind]);
  const { language } = brief;
  const wording = message.wordings[message.shown] ?? message.wordings[0];
  const typed = (field: 'quotation' | 'name' | 'where' | 'call' | 'link' | 'badge' | 'place' | 'headline' | 'line') => {
    if (!asks.has(field)) return '';
    const value = field === 'headline' || field === 'line' ? wording[field] : message[field];
    return (value ?? fromBrief(kind, field, brief)).trim();
  };
  const quotation = typed('quotation');
  const said = {
    price: !asks.has('price') ? '' : free ? freeWord(language) : price ? priceWords(price, language) : '',
    days: asks.has('days') && days !== null ? daysWords(days, language) : '',
    date: !asks.has('date') || !date ? '' : kind === 'offer' ? untilWords(date, language) : dateWords(date, language),
    time: asks.has('time') && time ? timeWords(time, language) : '',
  };
  const badge = first(typed('badge'), said.price, said.days);
  const facts = [said.price, said.days, said.date, said.time, asks.has('place') ? (place ?? '') : '']
    .map((one) => one.trim())
    .filter((one) => one && one !== badge);
  const all: Record<Slot, string> = {
    headline: kind === 'endorsement' ? inQuotes(quotation, language) : typed('headline'),
    line: typed('line'),
    by: [typed('name'), typed('where')].filter(Boolean).join(', '),
    facts: facts.join(' · '),
    call: typed('call'),
    link: typed('link'),
    badge,
    ...own,
  };
  return Object.fromEntries(Object.entries(all).filter(([, words]) => words.trim())) as Slots;
}

const SIGNS: Readonly<Record<string, string>> = { $: 'USD', '€': 'EUR', '£': 'GBP', '¥': 'JPY' };

/** "4.99 EUR", "$0.99" or "12,50": an amount, and the currency that it was typed with or else the one before; null for no amount. */
export function readPrice(text: string, before: string): NonNullable<Message['price']> | null {
  const found = /\d+(?:[.,]\d+)?/.exec(text);
  if (!found) return null;
  const code = /[A-Za-z]{3}/.exec(text)?.[0].toUpperCase();
  const sign = Object.keys(SIGNS).find((one) => text.includes(one));
  const amount = Math.min(1e6, Number(found[0].replace(',', '.')));
  return { amount, currency: code ?? (sign ? SIGNS[sign] : before) };
}
