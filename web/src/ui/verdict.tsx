import { Check, CircleAlert, TriangleAlert } from 'lucide-react';
import type { ReactNode } from 'react';

export type Grade = 'pass' | 'may' | 'fail';

const LOOK: Record<Grade, { colour: string; Icon: typeof Check; word: string }> = {
  pass: { colour: 'text-pass', Icon: Check, word: 'Passes' },
  may: { colour: 'text-may', Icon: TriangleAlert, word: 'Mind' },
  fail: { colour: 'text-fail', Icon: CircleAlert, word: 'Fails' },
};

/** A grade as icon, colour and words: never by colour alone. It is grey, and still read, while what it is of is being measured anew. */
export function Verdict({ grade, children }: { grade: Grade; children: ReactNode }) {
  const { colour, Icon, word } = LOOK[grade];
  return (
    <span
      className={`inline-flex items-center gap-1 transition-colors group-data-[fresh=false]/measured:text-ink-2 group-data-[fresh=false]/measured:delay-200 ${colour}`}
    >
      <Icon size={13} aria-label={word} className="shrink-0" />
      {children}
    </span>
  );
}
