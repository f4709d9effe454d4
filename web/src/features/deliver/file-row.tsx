import { type Wishes, formatFor } from '@yosomi/core/recipe';
import { type StoreFormat, findProfile } from '@yosomi/core/stores';
import { sentenceOf } from '../../messages/sentences';
import { Button } from '../../ui/button';
import { Verdict } from '../../ui/verdict';
import { FindingsView } from './findings';
import type { Row } from './use-deliver';

export const sizeText = (bytes: number): string =>
  bytes >= 1024 * 1024 ? `${(bytes / 1024 / 1024).toFixed(2)} MB` : `${Math.round(bytes / 1024)} KB`;

const NAMES: Record<StoreFormat, string> = { jpeg: 'JPEG', png: 'PNG', webp: 'WebP', avif: 'AVIF', tiff: 'TIFF' };

/** A day and a time as this browser's people write them. */
export const momentText = (iso: string): string =>
  new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }).format(
    new Date(iso),
  );

type Props = {
  row: Row;
  idle: boolean;
  wishes: Wishes;
  title: string;
  /** True where the server has a stand-in for the store. */
  canSend: boolean;
  onFormat(format: StoreFormat): void;
  onMake(): void;
  onSave(): void;
  onSend(): void;
};

/** One file of a title: what it is, what it is like, and what can be done with it. */
export function FileRow(props: Props) {
  const { row, idle, canSend } = props;
  const { wanted, made, stale, left } = row;
  const ready = made !== null && !stale;
  return (
    <tr
      className="border-b border-line align-top"
      data-file={wanted.id}
      data-state={row.busy ? 'making' : row.fault ? 'failed' : !made ? 'none' : stale ? 'stale' : 'made'}
    >
      <td className="py-3 pr-4">
        <p className="font-semibold">{wanted.label}</p>
        <p className="font-mono text-xs wrap-anywhere text-ink-2">{wanted.fileName}</p>
        {left && <Left row={row} />}
      </td>
      <td className="py-3 pr-4 font-mono text-xs whitespace-nowrap">
        {wanted.widthPx} x {wanted.heightPx}
      </td>
      <td className="py-2.5 pr-4">
        <FormatChoice {...props} />
      </td>
      <td className="py-3 pr-4 text-right font-mono text-xs">{made ? sizeText(made.bytes.length) : ''}</td>
      <td className="py-3 pr-4 pl-6">
        <RowVerdict row={row} title={props.title} />
      </td>
      <td className="py-2.5">
        <div className="flex justify-end gap-1.5">
          {wanted.kind === 'store-image' && (
            <Button
              kind="quiet"
              onClick={props.onSend}
              disabled={!ready || !canSend || !idle}
              aria-label={`Send ${wanted.fileName} to the stand-in store`}
            >
              Send
            </Button>
          )}
          <Button onClick={props.onMake} disabled={!idle} aria-label={`${made ? 'Remake' : 'Make'} ${wanted.fileName}`}>
            {made ? 'Remake' : 'Make'}
          </Button>
          <Button onClick={props.onSave} disabled={!ready} aria-label={`Save ${wanted.fileName}`}>
            Save
          </Button>
        </div>
      </td>
    </tr>
  );
}

function FormatChoice({ row: { wanted }, wishes, onFormat }: Props) {
  const profile = wanted.store === null ? undefined : findProfile(wanted.store, wishes.stores);
  if (!profile || profile.formats.length === 1) return <span className="block py-0.5">{wanted.format}</span>;
  return (
    <select
      aria-label={`Format of ${wanted.label}`}
      value={formatFor(profile, wishes)}
      onChange={(e) => onFormat(e.target.value as StoreFormat)}
      className="-ml-1.5 rounded-sm border border-transparent bg-transparent px-1 py-0.5 hover:border-edge"
    >
      {profile.formats.map((format) => (
        <option key={format} value={format}>
          {NAMES[format]}
        </option>
      ))}
    </select>
  );
}

const HOW = { saved: 'Saved', packed: 'Packed', sent: 'Sent' } as const;

/** When the file left last, and whether that was this state of it. */
function Left({ row: { left, wanted } }: { row: Row }) {
  if (!left) return null;
  const answer = left.accepted === null ? '' : left.accepted ? ', accepted' : ', refused';
  const older = left.key !== wanted.key ? ', an older cover' : '';
  return (
    <p className="text-xs text-ink-2" data-left={left.how}>
      {HOW[left.how]} {momentText(left.at)}
      {answer}
      {older}
    </p>
  );
}

function RowVerdict({ row, title }: { row: Row; title: string }) {
  const { made, stale, fault, busy } = row;
  if (busy) return <span className="text-ink-2">Making</span>;
  if (fault) return <Verdict grade="fail">{sentenceOf(fault)}</Verdict>;
  if (!made) return <span className="text-ink-2">Not made yet</span>;
  if (stale) return <Verdict grade="may">Older than the cover: remake it</Verdict>;
  return <FindingsView findings={made.findings} title={title} />;
}
