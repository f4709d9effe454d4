import { X } from 'lucide-react';
import { sentenceOf } from '../../messages/sentences';
import type { Taken } from './taking';

const count = (n: number, one: string, many: string): string => (n === 1 ? `One ${one}` : `${n} ${many}`);

/** What became of files that came in: how many are new, which were there, and which could not be read, and why. */
export function TakenReport({ taken, onClose }: { taken: Taken; onClose(): void }) {
  const { added, known, failed, left } = taken;
  const lines = [
    added > 0 ? `${count(added, 'picture was', 'pictures were')} added.` : 'Nothing was added.',
    known > 0 ? `${count(known, 'was', 'were')} here already.` : '',
    failed.length > 0 ? `${count(failed.length, 'file', 'files')} could not be taken in:` : '',
  ];
  return (
    <div role="status" aria-label="What became of the files" className="flex items-start gap-3 bg-blue-wash px-3 py-2">
      <div className="flex min-w-0 flex-1 flex-col gap-1">
        <p>{lines.filter(Boolean).join(' ')}</p>
        {failed.length > 0 && (
          <ul className="max-h-28 list-disc overflow-y-auto pl-5">
            {failed.slice(0, 40).map(({ name, fault }, i) => (
              <li key={`${name} ${i}`}>
                <span className="font-semibold">{name}</span>: {sentenceOf(fault)}
              </li>
            ))}
            {failed.length > 40 && <li>{failed.length - 40} more</li>}
          </ul>
        )}
        {left > 0 && <p>{count(left, 'file was', 'files were')} not looked at. Drop them again to go on.</p>}
      </div>
      <button
        type="button"
        aria-label="Close this report"
        onClick={onClose}
        className="rounded-sm p-1 text-ink-2 hover:text-ink"
      >
        <X size={16} />
      </button>
    </div>
  );
}
