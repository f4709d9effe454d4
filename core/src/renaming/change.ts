import { z } from 'zod';
import { type Result, type Versioned, fail, ok, versioned } from '../base';

export const NAME_KINDS = ['title', 'author', 'publisher', 'site', 'mail'] as const;
export type NameKind = (typeof NAME_KINDS)[number];

/** A name of the old edition, and what stands there in the new one. */
export type NameChange = { readonly kind: NameKind; readonly from: string; readonly to: string };

/** Which of the places that were found are changed: those about which there is no doubt, all, or those of these ids. */
export type Accepted = 'sure' | 'all' | ReadonlySet<string>;

const MOST_NAME = 200;
export const MOST_CHANGES = 40;

const name = z.string().trim().min(1).max(MOST_NAME);
const map = z.object({
  schema: z.literal(1),
  changes: z
    .array(z.object({ kind: z.enum(NAME_KINDS), from: name, to: name }))
    .min(1)
    .max(MOST_CHANGES),
  /** What is changed beside the sure places, by the ids of a report; and what is left although it is sure. */
  also: z.array(z.string().max(2000)).max(100_000).default([]),
  not: z.array(z.string().max(2000)).max(100_000).default([]),
});

/** Names of an old edition and of its new one, as a file. */
export type NameMap = z.infer<typeof map>;

/** The one reader of such files. Faults: `names-newer`, `names-wrong`. */
export const NameMaps: Versioned<NameMap> = versioned('names', map, [], {
  newer: 'names-newer',
  wrong: 'names-wrong',
  unnumbered: 1,
});

const hostOf = (site: string): string =>
  site
    .trim()
    .replace(/^[a-z]+:\/\//i, '')
    .replace(/^www\./i, '')
    .replace(/\/+$/, '');

/** A site as it is looked for: without scheme, `www.` and a slash at its end. */
export const bareSite = hostOf;

const MAIL = /^[^\s@<>"]+@[^\s@<>"]+\.[^\s@<>".]{2,}$/;
const SITE = /^[\p{L}\p{N}-]+(\.[\p{L}\p{N}-]+)+(:\d+)?(\/\S*)?$/u;

/**
 * What is to be changed, tidied: what stays as it is falls out. Faults: `name-site`, `name-mail` (`found`), `names-none`, `names-twice`
 * (`name`): one name cannot become two.
 */
export function nameChanges(wished: readonly NameChange[]): Result<NameChange[]> {
  const changes: NameChange[] = [];
  for (const { kind, from, to } of wished) {
    const tidy = (text: string): string => text.normalize('NFC').replace(/\s+/g, ' ').trim();
    const [old, next] = kind === 'site' ? [hostOf(tidy(from)), hostOf(tidy(to))] : [tidy(from), tidy(to)];
    if (!old || !next || old === next) continue;
    for (const found of [old, next]) {
      if (kind === 'site' && !SITE.test(found)) return fail('name-site', { found });
      if (kind === 'mail' && !MAIL.test(found)) return fail('name-mail', { found });
    }
    const twice = changes.find((one) => one.from.toLowerCase() === old.toLowerCase());
    if (twice && twice.to !== next) return fail('names-twice', { name: old });
    if (!twice) changes.push({ kind, from: old, to: next });
  }
  return changes.length > 0 ? ok(changes) : fail('names-none');
}
