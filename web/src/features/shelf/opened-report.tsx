import { sentenceOf } from '../../messages/sentences';
import { Button } from '../../ui/button';
import { Report } from '../../ui/report';
import { type Opened, forgetOpened, openMany } from './opening';

const count = (n: number, one: string, many: string): string => (n === 1 ? `One ${one}` : `${n} ${many}`);
/** So many names are listed. */
const MOST = 40;

/** What became of many title files, and what can be done with those that did not become a title. */
export function OpenedReport({ last }: { last: Opened }) {
  const { opened, same, other, failed, left } = last;
  const lines = [
    opened > 0 ? `${count(opened, 'title was', 'titles were')} put on the Shelf.` : 'No title was put on the Shelf.',
    same > 0 ? `${count(same, 'is', 'are')} there already, just so.` : '',
  ];
  return (
    <Report label="What became of the files" className="mb-6" onClose={forgetOpened}>
      <p role="status">{lines.filter(Boolean).join(' ')}</p>
      {other.length > 0 && (
        <div className="flex flex-wrap items-center gap-3">
          <p>
            {count(other.length, 'file is', 'files are')} of a title that is on the Shelf in another state. The Shelf
            was left as it is.
          </p>
          <Button onClick={() => openMany(other, true)}>
            {other.length === 1 ? 'Put it beside the other' : 'Put them beside the others'}
          </Button>
        </div>
      )}
      {failed.length > 0 && (
        <>
          <p className="font-semibold">{count(failed.length, 'file', 'files')} could not be opened:</p>
          <ul className="max-h-40 list-disc overflow-y-auto pl-5">
            {failed.slice(0, MOST).map(({ name, fault }, i) => (
              <li key={`${name} ${i}`}>
                <span className="font-semibold wrap-anywhere">{name}</span>: {sentenceOf(fault)}
              </li>
            ))}
            {failed.length > MOST && <li>{failed.length - MOST} more</li>}
          </ul>
        </>
      )}
      {left.length > 0 && (
        <div className="flex flex-wrap items-center gap-3">
          <p>{count(left.length, 'file was', 'files were')} not looked at.</p>
          <Button onClick={() => openMany(left)}>{left.length === 1 ? 'Open it too' : 'Open them too'}</Button>
        </div>
      )}
    </Report>
  );
}
