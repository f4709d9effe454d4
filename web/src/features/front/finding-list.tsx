import type { Finding } from '@yosomi/core/base';
import type { ReactNode } from 'react';
import { sentenceOf } from '../../messages/sentences';

const LOOK = {
  must: 'border-fail bg-fail-wash',
  should: 'border-may bg-may-wash',
  note: 'border-blue bg-blue-wash',
} as const;

/** What was found, each with the fixes that go with it as words to click. */
export function FindingList(props: { findings: readonly Finding[]; renderFixes?(finding: Finding): ReactNode }) {
  if (props.findings.length === 0) return null;
  return (
    <ul className="flex flex-col gap-2">
      {props.findings.map((f, i) => (
        <li key={`${f.code}-${i}`} className={`border-l-3 px-3 py-2 ${LOOK[f.severity]}`}>
          {sentenceOf(f)} {props.renderFixes?.(f)}
        </li>
      ))}
    </ul>
  );
}
