import { type Brief, wordsOf } from '../book';
import type { WordsPart } from '../cover';

/** The text of a words part as it will be set. */
export const textOf = (part: Pick<WordsPart, 'says'>, brief: Brief): string =>
  part.says.kind === 'brief' ? wordsOf(brief, part.says.field) : part.says.text;
