import { z } from 'zod';

const sides = z.object({ widthPx: z.number().int().positive(), heightPx: z.number().int().positive() });

/** What a store asks of a cover image. Everything optional is simply not asked. */
export const Profile = z.object({
  schema: z.literal(1),
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  name: z.string().min(1).max(80),
  ideal: sides,
  /** True where only the ideal size is taken. */
  exact: z.boolean(),
  least: sides.nullable(),
  most: sides.nullable(),
  leastShortSidePx: z.number().int().positive().nullable(),
  mostSidePx: z.number().int().positive().nullable(),
  /** Height over width. `must` says whether a cover outside is refused or only warned about. */
  ratio: z.object({ low: z.number(), high: z.number(), must: z.boolean() }).nullable(),
  formats: z.array(z.enum(['jpeg', 'png', 'webp'])).min(1),
  mostBytes: z.number().int().positive(),
  baseline: z.boolean(),
  /** Pixels per inch the file should state. */
  ppi: z.number().int().positive().nullable(),
});
export type Profile = z.infer<typeof Profile>;
