import { z } from 'zod';

/**
 * A size that promos are made in. `displayPx` is the width at which it is usually seen (CSS px): what must be read there is set large
 * enough for it. `zones` are the shares of its height and width at each edge that others lay their own controls over.
 */
export const Format = z.object({
  id: z.string().regex(/^[a-z0-9-]{1,30}$/),
  name: z.string().min(1).max(40),
  widthPx: z.number().int().min(120).max(6000),
  heightPx: z.number().int().min(120).max(6000),
  displayPx: z.number().int().min(60).max(4000),
  zones: z.object({
    top: z.number().min(0).max(0.4),
    bottom: z.number().min(0).max(0.4),
    left: z.number().min(0).max(0.4),
    right: z.number().min(0).max(0.4),
  }),
});
export type Format = z.infer<typeof Format>;

const NONE = { top: 0, bottom: 0, left: 0, right: 0 } as const;

const format = (
  id: string,
  name: string,
  widthPx: number,
  heightPx: number,
  displayPx: number,
  zones: Partial<Format['zones']> = {},
): Format => ({ id, name, widthPx, heightPx, displayPx, zones: { ...NONE, ...zones } });

/** The formats that ship, by their geometry. To add one, add a line here. */
export const FORMATS: readonly Format[] = [
  format('square', 'Square', 1080, 1080, 400),
  format('upright', 'Upright', 1080, 1350, 400),
  format('tall', 'Tall', 1080, 1920, 400, { top: 0.13, bottom: 0.17 }),
  format('wide', 'Wide', 1920, 1080, 800),
  format('link', 'Link card', 1200, 628, 480),
  format('poster', 'Poster', 1000, 1500, 300),
  format('header', 'Header', 1500, 500, 640),
  format('mail', 'Mail strip, twice', 1200, 400, 600),
  format('hero', 'Site head', 2400, 1000, 1200),
  format('column', 'Column, twice', 600, 1200, 300),
  format('letter', 'Letter page', 2550, 3300, 816),
  format('a4', 'A4 page', 2480, 3508, 794),
];

/** What a new campaign is made in: all that are for screens. */
export const SCREEN_FORMATS: readonly string[] = FORMATS.map((f) => f.id).filter(
  (id) => id !== 'letter' && id !== 'a4',
);

export const OWN_FORMAT = 'own-';

/** A format by its id, among those that ship and a campaign's own. */
export const findFormat = (id: string, own: readonly Format[] = []): Format | undefined =>
  [...FORMATS, ...own].find((f) => f.id === id);

/** A size of one's own: a small one is seen as it is, a large one at half its pixels, at most 800 wide. */
export function ownFormat(widthPx: number, heightPx: number): Format {
  const displayPx = Math.min(800, Math.max(Math.round(widthPx / 2), Math.min(widthPx, 400)));
  return format(`${OWN_FORMAT}${widthPx}x${heightPx}`, 'Own size', widthPx, heightPx, displayPx);
}
