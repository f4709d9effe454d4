import { tableText } from '@yosomi/core/csv';
import { Link } from 'react-router';
import { sentenceOf } from '../../messages/sentences';
import { follow } from '../../state/follow';
import { Button } from '../../ui/button';
import { Report } from '../../ui/report';
import { removeFromShelf } from '../shelf/use-shelf';
import { type Made, forgetMade, makeTitles, tookBack } from './making';
import { saveTable } from './save-table';

const count = (n: number, one: string, many: string): string => (n === 1 ? `One ${one}` : `${n} ${many}`);
/** So many rows are listed. */
const MOST = 40;

/** What became of each row, to be kept. */
const reportOf = ({ made, changed, failed, left }: Made): string =>
  tableText(
    ['row', 'title', 'result', 'reason'],
    [
      ...made.map(({ line, name }) => [String(line), name, 'made', '']),
      ...changed.map(({ line, name }) => [String(line), name, 'changed', '']),
      ...failed.map(({ line, name, fault }) => [String(line), name, 'failed', sentenceOf(fault)]),
      ...left.map(({ row }) => [String(row.line), row.brief.title ?? '', 'not done', 'Stopped before it.']),
    ].sort((a, b) => Number(a[0]) - Number(b[0])),
  );

/** What became of the rows of a table, and ways back. */
export function MadeReport({ last }: { last: Made }) {
  const { made, changed, step, failed, left, pictures } = last;
  const lines = [
    made.length > 0 ? `${count(made.length, 'title was', 'titles were')} put on the Shelf.` : '',
    changed.length > 0 ? `${count(changed.length, 'title was', 'titles were')} changed.` : '',
    made.length + changed.length === 0 ? 'Nothing was made.' : '',
  ];
  return (
    <Report label="What was made" className="mb-6" onClose={forgetMade}>
      <p role="status">{lines.filter(Boolean).join(' ')}</p>
      {failed.length > 0 && (
        <>
          <p className="font-semibold">{count(failed.length, 'row', 'rows')} could not be made:</p>
          <ul className="max-h-40 list-disc overflow-y-auto pl-5">
            {failed.slice(0, MOST).map(({ line, name, fault }) => (
              <li key={line}>
                <span className="font-semibold wrap-anywhere">
                  {line}, {name}
                </span>
                : {sentenceOf(fault)}
              </li>
            ))}
            {failed.length > MOST && <li>{failed.length - MOST} more</li>}
          </ul>
        </>
      )}
      <div className="flex flex-wrap items-center gap-3">
        {left.length > 0 && (
          <>
            <p>{count(left.length, 'row was', 'rows were')} not made.</p>
            <Button onClick={() => makeTitles(left, pictures)}>
              {left.length === 1 ? 'Make it too' : 'Make them too'}
            </Button>
          </>
        )}
        {made.length === 1 && (
          <Link to={`/title/${made[0].id}/front`} className="underline underline-offset-2 hover:no-underline">
            Open it
          </Link>
        )}
        {made.length > 0 && (
          <Button
            onClick={() => {
              void removeFromShelf(made);
              tookBack('made');
            }}
          >
            {made.length === 1 ? 'Take it off again' : 'Take them off again'}
          </Button>
        )}
        {step && (
          <Button
            onClick={() => {
              void follow(step, 'undo', null);
              tookBack('changed');
            }}
          >
            Take the changes back
          </Button>
        )}
        <Button onClick={() => saveTable(reportOf(last), 'yosomi-report.csv')}>Save this report</Button>
      </div>
    </Report>
  );
}
