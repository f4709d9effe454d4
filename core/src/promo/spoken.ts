/** Dates, prices and the few words round them, as a language writes them. An unknown language is written as English. */

const known = (language: string): string => (Intl.DateTimeFormat.supportedLocalesOf([language])[0] ? language : 'en');

/** "3 December 2026", by the language's own order. */
export const dateWords = (date: string, language: string): string =>
  new Intl.DateTimeFormat(known(language), { dateStyle: 'long', timeZone: 'UTC' }).format(
    new Date(`${date}T00:00:00Z`),
  );

export const timeWords = (time: string, language: string): string =>
  new Intl.DateTimeFormat(known(language), { timeStyle: 'short', timeZone: 'UTC' }).format(
    new Date(`2026-01-01T${time}:00Z`),
  );

/** A price with as few decimals as it needs. */
export const priceWords = (price: { amount: number; currency: string }, language: string): string =>
  new Intl.NumberFormat(known(language), {
    style: 'currency',
    currency: price.currency,
    trailingZeroDisplay: 'stripIfInteger',
  }).format(price.amount);

export const daysWords = (days: number, language: string): string =>
  days === 0
    ? new Intl.RelativeTimeFormat(known(language), { numeric: 'auto' }).format(0, 'day')
    : new Intl.NumberFormat(known(language), { style: 'unit', unit: 'day', unitDisplay: 'long' }).format(days);

const UNTIL: Readonly<Record<string, string>> = {
  en: 'until',
  de: 'bis',
  fr: 'jusqu’au',
  es: 'hasta el',
  it: 'fino al',
  pt: 'até',
  nl: 'tot',
  sv: 'till',
  da: 'til',
  nb: 'til',
  pl: 'do',
};

/** "until 3 December 2026"; only the date where we do not know the word. */
export function untilWords(date: string, language: string): string {
  const until = UNTIL[language.split('-')[0]];
  return until ? `${until} ${dateWords(date, language)}` : dateWords(date, language);
}

const FREE: Readonly<Record<string, string>> = {
  en: 'Free',
  de: 'Kostenlos',
  fr: 'Gratuit',
  es: 'Gratis',
  it: 'Gratis',
  pt: 'Grátis',
  nl: 'Gratis',
  sv: 'Gratis',
  da: 'Gratis',
  nb: 'Gratis',
  pl: 'Za darmo',
};
export const freeWord = (language: string): string => FREE[language.split('-')[0]] ?? FREE.en;

const QUOTES: Readonly<Record<string, readonly [string, string]>> = {
  de: ['„', '“'],
  fr: ['« ', ' »'],
  es: ['«', '»'],
  it: ['«', '»'],
  pl: ['„', '”'],
  sv: ['”', '”'],
  da: ['»', '«'],
};
const QUOTED = /^["'“”„«»‘’].*["'“”„«»‘’]$/su;

/** A quotation in the marks of its language; one that has marks keeps them. */
export function inQuotes(words: string, language: string): string {
  if (!words || QUOTED.test(words)) return words;
  const [open, close] = QUOTES[language.split('-')[0]] ?? ['“', '”'];
  return `${open}${words}${close}`;
}
