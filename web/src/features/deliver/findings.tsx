import type { Fault, Finding } from '@yosomi/core/base';
import { verdictOf } from '@yosomi/core/recipe';
import { Link } from 'react-router';
import { sentenceOf } from '../../messages/sentences';
import { Verdict } from '../../ui/verdict';

/** Where a finding of a title's own cover is mended. */
const MENDED: Readonly<Record<string, readonly [step: string, label: string]>> = {
  'store-words-match': ['brief', 'Open the Brief'],
  'store-address': ['front', 'Open Front'],
  'store-price': ['front', 'Open Front'],
  'store-phone': ['front', 'Open Front'],
  'store-rank': ['front', 'Open Front'],
  'store-object': ['front', 'Open Front'],
  'store-thumb': ['glance', 'Open Glance'],
  'store-empty-border': ['front', 'Open Front'],
  'reads-contrast': ['front', 'Open Front'],
  'reads-hidden': ['front', 'Open Front'],
  'reads-outside': ['front', 'Open Front'],
  'title-not-shown': ['front', 'Open Front'],
  'cover-empty': ['front', 'Open Front'],
};

const WORDS = {
  passes: 'Passes every check',
  may: 'Accepted, but look at this',
  reads: 'Reads badly',
  fails: 'Would be refused',
} as const;

/** What was found in a finished file: the verdict, then each sentence; with `title`, the way to where it is mended. */
export function FindingsView({
  findings,
  title,
  of,
}: {
  findings: readonly Finding[];
  title?: string;
  /** What was examined, where that is not the whole file. */
  of?: string;
}) {
  const verdict = verdictOf(findings);
  return (
    <div className="flex flex-col gap-0.5">
      <Verdict grade={verdict === 'passes' ? 'pass' : verdict === 'may' ? 'may' : 'fail'}>
        {of ? `${of}: ${WORDS[verdict].toLowerCase()}` : WORDS[verdict]}
      </Verdict>
      <ul className="flex flex-col gap-0.5">
        {findings.map((f, i) => {
          const mended = title === undefined || f.severity === 'note' ? undefined : MENDED[f.code];
          return (
            <li
              key={i}
              data-code={f.code}
              className={`text-xs ${f.severity === 'must' ? 'text-fail' : f.severity === 'should' ? 'text-may' : 'text-ink-2'}`}
            >
              {sentenceOf(f)}{' '}
              {mended && (
                <Link to={`/title/${title}/${mended[0]}`} className="text-ink underline underline-offset-2">
                  {mended[1]}
                </Link>
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** A file that could not be opened, with the reason; another can be chosen at once. */
export function Unreadable({ name, fault }: { name: string; fault: Fault }) {
  return (
    <div role="alert" className="flex flex-col gap-1">
      <h2 className="text-base font-semibold break-all">{name}</h2>
      <Verdict grade="fail">{sentenceOf(fault)}</Verdict>
    </div>
  );
}
