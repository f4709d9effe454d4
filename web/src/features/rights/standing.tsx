import type { Rights } from '@yosomi/core/book';
import { isUntold } from '@yosomi/core/book';
import { type Grade, Verdict } from '../../ui/verdict';

const STANDING: Readonly<Record<Rights['use'], readonly [grade: Grade, words: string]>> = {
  goods: ['pass', 'May be sold on covers and on goods'],
  covers: ['pass', 'May be sold on covers, not on goods'],
  none: ['fail', 'May not be sold. Take another picture'],
  unknown: ['may', 'Not told whether it may be sold'],
};

/** How far the rights of a picture go, in a few words. */
export function Standing({ rights }: { rights: Rights }) {
  const [grade, words] = STANDING[rights.use];
  return <Verdict grade={grade}>{isUntold(rights) ? 'No rights are told yet' : words}</Verdict>;
}
