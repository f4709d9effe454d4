import { z } from 'zod';

/** A work of somebody else that the text of a title is, or is made from. What is empty was not told. */
export const Origin = z.object({
  /** Its title. */
  work: z.string().max(300),
  maker: z.string().max(120),
  /** Where it was found: an address, or a person's own words. */
  from: z.string().max(300),
  /** The terms under which it may be used. */
  licence: z.string().max(120),
  /** What is another thing here than there. */
  changed: z.string().max(600),
  /** The line as a person has written it; empty makes it of the rest. */
  line: z.string().max(900),
});
export type Origin = z.infer<typeof Origin>;

export const MOST_ORIGINS = 20;
export const noOrigin: Origin = { work: '', maker: '', from: '', licence: '', changed: '', line: '' };

/** The same text as a sentence: with a full stop, where it does not end in one. */
const stopped = (text: string): string => (/[.!?…。]$/u.test(text) ? text : `${text}.`);

/**
 * The line that is due for a work: its title, maker, source and licence, and what was changed, as open licences ask for
 * (Creative Commons, "Recommended practices for attribution"). Empty where nothing is told.
 */
export function originLine(origin: Origin): string {
  const of = (name: keyof Origin): string => origin[name].trim();
  if (of('line')) return of('line');
  const [work, maker, from, licence, changed] = (['work', 'maker', 'from', 'licence', 'changed'] as const).map(of);
  const who = [work && `“${work}”`, maker && `by ${maker}`].filter(Boolean).join(' ');
  const where = from && (who ? `from ${from}` : from);
  const first = [who, where].filter(Boolean).join(', ');
  if (!first && !licence) return '';
  return [
    first && stopped(`Text: ${first}`),
    licence && stopped(first ? licence : `Text: ${licence}`),
    changed && stopped(`Changed: ${changed}`),
  ]
    .filter(Boolean)
    .join(' ');
}
