import { z } from 'zod';
import { Manuscript, emptyManuscript } from './manuscript';
import { PAGE_LOOKS } from './looks';
import { SHEET_IDS } from './sheets';

/** The pages that go with a title: what they say, by which look and on which sheet they are made. How they are set is computed. */
export const Booklet = z.object({
  manuscript: Manuscript,
  look: z.string().max(40),
  sheet: z.enum(SHEET_IDS),
  /** Whether the flat cover is the first page. */
  cover: z.boolean(),
});
export type Booklet = z.infer<typeof Booklet>;

export const newBooklet = (manuscript: Manuscript = emptyManuscript): Booklet => ({
  manuscript,
  look: PAGE_LOOKS[0].id,
  sheet: 'letter',
  cover: true,
});
