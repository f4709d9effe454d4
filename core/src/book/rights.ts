import { z } from 'zod';

/** What a picture may be sold on: nothing is told, covers of books, covers and goods (prints, mugs, adverts), or nothing at all. */
export const USES = ['unknown', 'covers', 'goods', 'none'] as const;

/** By which right a picture is used. What is empty was not told. */
export const Rights = z.object({
  /** Where it comes from, in a person's own words. */
  source: z.string().max(300),
  maker: z.string().max(120),
  /** Name of the licence. */
  licence: z.string().max(120),
  use: z.enum(USES),
  /** The line that the licence wants to see where the picture is shown; empty where none is due. */
  credit: z.string().max(300),
});
export type Rights = z.infer<typeof Rights>;

export const untold: Rights = { source: '', maker: '', licence: '', use: 'unknown', credit: '' };

/** Whether nothing at all was told of it. */
export const isUntold = (rights: Rights): boolean =>
  rights.use === 'unknown' &&
  [rights.source, rights.maker, rights.licence, rights.credit].every((text) => !text.trim());

/** Pictures that this program made by itself: `source` says what of it did. */
export const ownPainting = (source: string): Rights => ({
  source,
  maker: 'Yosomi',
  licence: 'Free to use and to sell',
  use: 'goods',
  credit: '',
});

export const ANSWERS = ['mine', 'bought', 'public', 'credited', 'private'] as const;
export type Answer = (typeof ANSWERS)[number];

/**
 * The usual answers to the question of rights, each a whole one; it keeps what is told of source and maker. `author` is whose book it is;
 * one who asks for credit is named as the picture is, until another line is written.
 */
export function answered(now: Rights, answer: Answer, of: { readonly name: string; readonly author: string }): Rights {
  switch (answer) {
    case 'mine':
      return { ...now, maker: now.maker || of.author.slice(0, 120), licence: 'My own work', use: 'goods', credit: '' };
    case 'bought':
      return { ...now, licence: 'Licence bought', use: 'covers', credit: '' };
    case 'public':
      return { ...now, licence: 'Public domain (CC0)', use: 'goods', credit: '' };
    case 'credited': {
      const by = now.maker.trim() ? ` by ${now.maker.trim()}` : '';
      const credit = now.credit.trim() || `${of.name.slice(0, 120)}${by}, CC BY 4.0`;
      return { ...now, licence: 'CC BY 4.0', use: 'goods', credit };
    }
    case 'private':
      return { ...now, licence: 'For private use', use: 'none' };
  }
}
