import { tableText } from '@yosomi/core/csv';
import { sentenceOf } from '../../messages/sentences';
import { Button } from '../../ui/button';
import { Report } from '../../ui/report';
import { Working } from '../../ui/working';
import { saveTable } from '../title-table/save-table';
import { type Changed, forgetChanged, goOn, stopChanging, takeBack, useChanging } from './changing';

const titles = (count: number): string => (count === 1 ? 'one title' : `${count} titles`);
const MOST = 40;

const reportOf = ({ changed, failed, left }: Changed): string =>
  tableText(
    ['id', 'title', 'result', 'reason'],
    [
      ...changed.map(({ id, name }) => [id, name, 'changed', '']),
      ...failed.map(({ id, name, fault }) => [id, name, 'failed', sentenceOf(fault)]),
      ...left.map(({ id, name }) => [id, name, 'not done', 'Stopped before it.']),
    ],
  );

/** How far a change of the house is in its titles, and what became of the last one. */
export function HouseChanging() {
  const { now, last } = useChanging();
  return (
    <>
      {now && (
        <div className="max-w-xl">
          <Working
            label={`${now.back ? 'Taking it back' : 'Changing titles'}, ${now.done} of ${now.of}`}
            done={now.of === 0 ? 1 : now.done / now.of}
            onStop={now.back ? undefined : stopChanging}
          />
        </div>
      )}
      {last && <ChangedReport last={last} />}
    </>
  );
}

function ChangedReport({ last }: { last: Changed }) {
  const { changed, failed, left } = last;
  return (
    <Report label="What was changed" onClose={forgetChanged}>
      <p role="status">
        The house style is changed{changed.length > 0 ? `, and ${titles(changed.length)} with it` : ''}.
      </p>
      {failed.length > 0 && (
        <>
          <p className="font-semibold">{titles(failed.length)} could not be changed:</p>
          <ul className="max-h-40 list-disc overflow-y-auto pl-5">
            {failed.slice(0, MOST).map(({ id, name, fault }) => (
              <li key={id}>
                <span className="font-semibold wrap-anywhere">{name}</span>: {sentenceOf(fault)}
              </li>
            ))}
            {failed.length > MOST && <li>{failed.length - MOST} more</li>}
          </ul>
        </>
      )}
      <div className="flex flex-wrap items-center gap-3">
        {left.length > 0 && <p>Stopped before {titles(left.length)}.</p>}
        {left.length + failed.length > 0 && (
          <Button onClick={() => goOn(last)}>
            {left.length > 0 ? 'Go on with the rest' : failed.length === 1 ? 'Try it again' : 'Try them again'}
          </Button>
        )}
        <Button onClick={() => void takeBack(last)}>Take it all back</Button>
        {changed.length + failed.length > 0 && (
          <Button onClick={() => saveTable(reportOf(last), 'yosomi-report.csv')}>Save this report</Button>
        )}
      </div>
    </Report>
  );
}
