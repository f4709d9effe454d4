import { z } from 'zod';

/** What moves: the book to and fro, or right round; the light over it; the cover coming out of its wrapping; nothing but the words. */
export const MOTIONS = ['swing', 'round', 'light', 'reveal', 'words'] as const;
export type MotionKind = (typeof MOTIONS)[number];

export const LEAST_SECONDS = 3;
export const MOST_SECONDS = 12;

/** How a promo moves. */
export const Motion = z.object({
  kind: z.enum(MOTIONS),
  /** Its words come in one after the other; where it is played over and over they go again together. */
  arrive: z.boolean(),
  seconds: z.number().min(LEAST_SECONDS).max(MOST_SECONDS),
});
export type Motion = z.infer<typeof Motion>;

export const plainMotion: Motion = { kind: 'swing', arrive: true, seconds: 6 };

/** A reveal is over when the cover is shown: all else is played over and over. */
export const loops = ({ kind }: Motion): boolean => kind !== 'reveal';

/** Whether its words come in. Where nothing else moves, they do. */
export const arrives = ({ kind, arrive }: Motion): boolean => arrive || kind === 'words';
