import { slug } from '@yosomi/core/base';
import { verdictOf } from '@yosomi/core/recipe';
import { sayFault, say } from '../messages/say';
import { sentenceOf } from '../messages/sentences';
import { type Row, useDeliver } from '../features/deliver/use-deliver';
import { saveTitleAs } from '../features/shelf/use-shelf';
import { saveFile } from '../platform/files';
import { useBook } from '../state/session';
import { Button } from '../ui/button';
import { Verdict } from '../ui/verdict';
import { Working } from '../ui/working';
import { press } from '../work/workers';

const size = (bytes: number): string =>
  bytes >= 1024 * 1024 ? `${(bytes / 1024 / 1024).toFixed(2)} MB` : `${Math.round(bytes / 1024)} KB`;

export function DeliverPage() {
  const book = useBook();
  const { rows, make, progress, stop } = useDeliver(book);
  const current = rows.filter((r) => r.made && !r.stale);
  const stale = rows.filter((r) => r.stale);
  const zip = async (): Promise<void> => {
    try {
      const bytes = await press().zip(
        current.flatMap((r) => (r.made ? [{ name: r.made.name, bytes: r.made.bytes }] : [])),
      );
      const name = `${slug(book.brief.title)}-files.zip`;
      saveFile(bytes, name, 'application/zip');
      say(`Saved ${name}`);
    } catch {
      sayFault({ code: 'work-failed', data: {} });
    }
  };
  return (
    <main className="flex min-h-0 flex-1 flex-col overflow-auto px-10 py-7">
      <div className="flex items-center gap-3 pb-5">
        <h1 className="text-lg font-semibold">Deliver</h1>
        <p className="text-ink-2">
          {current.length} of {rows.length} files are up to date.
        </p>
        <div className="ml-auto flex items-center gap-2">
          {progress !== null ? (
            <div className="w-72">
              <Working label="Making the files" done={progress} onStop={stop} />
            </div>
          ) : (
            <>
              <Button onClick={() => void saveTitleAs(book)}>Save the title as a file</Button>
              {stale.length > 0 && (
                <Button onClick={() => void make(stale.map((r) => r.wanted))}>Remake what is stale</Button>
              )}
              <Button onClick={() => void zip()} disabled={current.length === 0}>
                Save all as a zip
              </Button>
              <Button kind="ink" onClick={() => void make(rows.map((r) => r.wanted))}>
                Make all
              </Button>
            </>
          )}
        </div>
      </div>
      {book.brief.stores.length === 0 && (
        <p className="pb-4 text-ink-2">
          No store is chosen. Choose where it is sold in the Brief, and its cover file appears here.
        </p>
      )}
      <table className="w-full border-collapse text-left">
        <thead className="text-xs text-ink-2">
          <tr className="border-b border-edge">
            <th className="py-2 pr-4">File</th>
            <th className="w-28 pr-4">Pixels</th>
            <th className="w-20 pr-4">Format</th>
            <th className="w-24 pr-4 text-right">Size</th>
            <th className="w-[27%] pr-4 pl-6">Verdict</th>
            <th className="w-40">
              <span className="sr-only">Actions</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <FileRow key={row.wanted.id} row={row} idle={progress === null} onMake={() => void make([row.wanted])} />
          ))}
        </tbody>
      </table>
    </main>
  );
}

function FileRow({ row, idle, onMake }: { row: Row; idle: boolean; onMake(): void }) {
  const { wanted, made, stale } = row;
  return (
    <tr
      className="border-b border-line align-top"
      data-file={wanted.id}
      data-state={row.busy ? 'making' : row.fault ? 'failed' : !made ? 'none' : stale ? 'stale' : 'made'}
    >
      <td className="py-3 pr-4">
        <p className="font-semibold">{wanted.label}</p>
        <p className="font-mono text-xs break-all text-ink-2">{wanted.fileName}</p>
      </td>
      <td className="py-3 pr-4 font-mono text-xs whitespace-nowrap">
        {wanted.widthPx} x {wanted.heightPx}
      </td>
      <td className="py-3 pr-4">{wanted.format}</td>
      <td className="py-3 pr-4 text-right font-mono text-xs">{made ? size(made.bytes.length) : ''}</td>
      <td className="py-3 pr-4 pl-6">
        <RowVerdict row={row} />
      </td>
      <td className="py-2.5">
        <div className="flex justify-end gap-1.5">
          <Button onClick={onMake} disabled={!idle} aria-label={`${made ? 'Remake' : 'Make'} ${wanted.fileName}`}>
            {made ? 'Remake' : 'Make'}
          </Button>
          <Button
            onClick={() => made && saveFile(made.bytes, made.name, made.type)}
            disabled={!made || stale}
            aria-label={`Save ${wanted.fileName}`}
          >
            Save
          </Button>
        </div>
      </td>
    </tr>
  );
}

function RowVerdict({ row }: { row: Row }) {
  const { made, stale, fault, busy } = row;
  if (busy) return <span className="text-ink-2">Making</span>;
  if (fault) return <Verdict grade="fail">{sentenceOf(fault)}</Verdict>;
  if (!made) return <span className="text-ink-2">Not made yet</span>;
  if (stale) return <Verdict grade="may">Older than the cover: remake it</Verdict>;
  const verdict = verdictOf(made.findings);
  const words = { passes: 'Passes every check', may: 'Accepted, but look at this', fails: 'Would be refused' }[verdict];
  return (
    <div className="flex flex-col gap-0.5">
      <Verdict grade={verdict === 'passes' ? 'pass' : verdict === 'may' ? 'may' : 'fail'}>{words}</Verdict>
      {made.findings.map((f, i) => (
        <span key={i} className="text-xs text-ink-2">
          {sentenceOf(f)}
        </span>
      ))}
    </div>
  );
}
