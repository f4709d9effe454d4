import { z } from 'zod';
import { type Migration, type Result, fail, ok, versioned } from '../base';

const side = z.number().int().min(1).max(30_000);
const sides = z.object({ widthPx: side, heightPx: side });

export const FORMATS = ['jpeg', 'png', 'webp', 'avif', 'tiff'] as const;
export type StoreFormat = (typeof FORMATS)[number];

/** What must not, or must, be on a cover. Each is one rule. */
export const CONTENT_RULES = [
  'no-address',
  'no-price',
  'no-phone',
  'no-rank',
  'no-object',
  'words-match',
  'no-empty-border',
] as const;
export type ContentRule = (typeof CONTENT_RULES)[number];

export const PROFILE_SCHEMA = 2;

/** What a store asks of a cover image. Null is not asked. Documented in docs/stores.md. */
export const Profile = z.object({
  schema: z.literal(PROFILE_SCHEMA),
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  name: z.string().trim().min(1).max(80),
  ideal: sides,
  /** True where only the ideal size is taken. */
  exact: z.boolean(),
  least: sides.nullable(),
  most: sides.nullable(),
  leastShortSidePx: side.nullable(),
  mostSidePx: side.nullable(),
  /** Height over width. `must` says whether a cover outside is refused or only warned about. */
  ratio: z
    .object({ low: z.number().min(0.1).max(10), high: z.number().min(0.1).max(10), must: z.boolean() })
    .nullable(),
  /** What it takes; the first is made where nothing else is chosen. */
  formats: z.array(z.enum(FORMATS)).min(1).max(5),
  mostBytes: z
    .number()
    .int()
    .min(1024)
    .max(200 * 1024 * 1024),
  baseline: z.boolean(),
  /** Pixels per inch the file should state. */
  ppi: z.number().int().min(1).max(2400).nullable(),
  /** True where a pale cover needs a grey line round it, so that it does not vanish on a white page. */
  edgeLine: z.boolean(),
  /** Most pixels of the picture inside an EPUB. */
  epubPixels: z.number().int().min(10_000).nullable(),
  /** The width it is shown at in lists, at which the title must read; and in how many greys. */
  thumb: z
    .object({ widthPx: z.number().int().min(30).max(600), greys: z.number().int().min(2).max(256).nullable() })
    .nullable(),
  content: z.array(z.enum(CONTENT_RULES)).max(CONTENT_RULES.length),
});
export type Profile = z.infer<typeof Profile>;

/** A profile of schema 1 asked for less; what it did not know is not asked. */
const to2: Migration = (old) => ({ edgeLine: false, epubPixels: null, thumb: null, content: [], ...old, schema: 2 });

/** A store's demands, from a file or among a person's own stores. Faults: `stores-newer`, `stores-wrong` with the place. */
export const Profiles = versioned('profile', Profile, [to2], { newer: 'stores-newer', wrong: 'stores-wrong' });

/** Profiles as a file: what is exported, imported and given to the command line. */
export const ProfileFile = z.object({
  format: z.literal('yosomi-stores'),
  schema: z.number().int(),
  stores: z.array(z.unknown()).max(200),
});

/** Most bytes of such a file. */
const MOST_BYTES = 1024 * 1024;

/**
 * Reads profiles from a file; those of schema 1 are taken along. Faults: `stores-not`, `stores-newer`, `stores-wrong` (with
 * where), `stores-twice`.
 */
export function readProfiles(bytes: Uint8Array): Result<Profile[]> {
  if (bytes.length > MOST_BYTES) return fail('stores-not');
  let data: unknown;
  try {
    data = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    return fail('stores-not');
  }
  const file = ProfileFile.safeParse(data);
  if (!file.success) return fail('stores-not');
  if (file.data.schema > PROFILE_SCHEMA)
    return fail('stores-newer', { found: file.data.schema, known: PROFILE_SCHEMA });
  const profiles: Profile[] = [];
  for (const [i, one] of file.data.stores.entries()) {
    const read = Profiles.read(one);
    if (!read.ok && read.fault.code === 'stores-newer') return read;
    if (!read.ok) return fail('stores-wrong', { where: `stores.${i}.${read.fault.data.where}` });
    const wrong = nonsense(read.value);
    if (wrong) return fail('stores-wrong', { where: `stores.${i}.${wrong}` });
    if (profiles.some((p) => p.id === read.value.id)) return fail('stores-twice', { id: read.value.id });
    profiles.push(read.value);
  }
  return ok(profiles);
}

/** The field of a profile whose demands no picture can meet; null where they go together. */
export function nonsense({ ideal, exact, least, most, leastShortSidePx, mostSidePx, ratio }: Profile): string | null {
  const { widthPx: w, heightPx: h } = ideal;
  if (ratio && ratio.low > ratio.high) return 'ratio';
  if (least && (w < least.widthPx || h < least.heightPx)) return 'least';
  if (most && (w > most.widthPx || h > most.heightPx)) return 'most';
  if (least && most && (least.widthPx > most.widthPx || least.heightPx > most.heightPx)) return 'least';
  if (leastShortSidePx && Math.min(w, h) < leastShortSidePx) return 'leastShortSidePx';
  if (mostSidePx && Math.max(w, h) > mostSidePx) return 'mostSidePx';
  if (ratio && (h / w < ratio.low - 0.01 || h / w > ratio.high + 0.01)) return 'ratio';
  return exact && least ? 'exact' : null;
}

/** Profiles as a file that `readProfiles` reads. */
export function writeProfiles(profiles: readonly Profile[]): Uint8Array<ArrayBuffer> {
  const file = { format: 'yosomi-stores', schema: PROFILE_SCHEMA, stores: profiles };
  return new TextEncoder().encode(`${JSON.stringify(file, null, 2)}\n`);
}
