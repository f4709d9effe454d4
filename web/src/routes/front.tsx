import { useState } from 'react';
import { AddPart } from '../features/front/add-part';
import { Inspector } from '../features/front/inspector';
import { PartsPanel } from '../features/front/parts-panel';
import { GROUNDS, Table } from '../features/front/table';
import { GlanceStrip } from '../features/glance/glance-strip';
import { sentenceOf } from '../messages/sentences';
import { onCover, useBook } from '../state/session';
import { Group } from '../ui/group';
import { useCoverColours } from '../work/queries';
import { useCoverView } from '../work/use-cover-view';

const NONE = new Map<string, never>();

export function FrontPage() {
  const book = useBook();
  const [width, setWidth] = useState(400);
  const [dragging, setDragging] = useState(false);
  const [ground, setGround] = useState(0);
  const { view, failed, fresh } = useCoverView(book, width, dragging);
  const { data: colours } = useCoverColours(book);
  const frames = view?.frames ?? NONE;
  const findings = view?.findings ?? [];
  const title = book.brief.title.trim() || 'this book';
  const stage = findings.filter((f) => f.severity !== 'note');
  return (
    <main className="flex min-h-0 flex-1" data-fresh={fresh}>
      <h1 className="sr-only">Front</h1>
      <PartsPanel doc={book.cover} frames={frames} reports={view?.reports ?? NONE} added={view?.added ?? []}>
        {!book.cover.finished && <AddPart doc={book.cover} on={onCover} colour={colours?.[0] ?? '#16181b'} />}
      </PartsPanel>
      <Table
        doc={book.cover}
        on={onCover}
        bitmap={view?.bitmap ?? null}
        frames={frames}
        label={`Cover of ${title}`}
        onWidth={setWidth}
        onDragging={setDragging}
        ground={ground}
        onGround={setGround}
        guides
        footer={
          <span className="text-xs" role="status">
            {failed ? 'The cover could not be painted. Undo the last step.' : ''}
          </span>
        }
      />
      <GlanceStrip view={view} ground={ground === 0 ? '#ffffff' : GROUNDS[ground].colour} />
      <Inspector
        doc={book.cover}
        on={onCover}
        frames={frames}
        reports={view?.reports ?? NONE}
        findings={findings}
        added={view?.added ?? []}
        colours={colours ?? []}
        empty={
          <>
            <h2 className="px-4 pt-4 text-base font-semibold">
              {book.cover.finished ? 'A finished cover' : 'The cover'}
            </h2>
            <Group title="What to do">
              <p>
                {book.cover.finished
                  ? 'This file is the front as it is. Unlock the picture in the parts list to replace it.'
                  : 'Choose a part on the cover or in the list. Double-click words to type on the cover.'}
              </p>
            </Group>
            <Group title="What to look at">
              {stage.length === 0 && view?.reports.size ? <p>Every word reaches a contrast of 4.5 : 1.</p> : null}
              {findings.length === 0 && !view?.reports.size ? <p className="text-ink-2">Nothing yet.</p> : null}
              <ul className="flex flex-col gap-2">
                {findings.map((f, i) => (
                  <li
                    key={i}
                    className={`border-l-3 px-3 py-2 ${f.severity === 'must' ? 'border-fail bg-fail-wash' : f.severity === 'should' ? 'border-may bg-may-wash' : 'border-blue bg-blue-wash'}`}
                  >
                    {sentenceOf(f)}
                  </li>
                ))}
              </ul>
            </Group>
          </>
        }
      />
    </main>
  );
}
