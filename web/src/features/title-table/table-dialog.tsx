import { type Fault, type Result, fail } from '@yosomi/core/base';
import type { Card } from '@yosomi/core/shelf';
import { type Mapping, mappingOf } from '@yosomi/core/title-table';
import { useEffect, useRef, useState } from 'react';
import { sentenceOf } from '../../messages/sentences';
import type { RowBeside } from '../../persist/title-rows';
import { bytesOfFile } from '../../platform/files';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { DropPlace } from '../../ui/drop-place';
import { TextField } from '../../ui/field';
import { type TableHead, readTable } from '../../work/title-table';
import { ColumnsForm } from './columns-form';
import { makeTitles, useMaking } from './making';
import { PicturesGiven } from './pictures-given';
import { Pictures, picturesNamed } from './pictures';
import { RowsList } from './rows-list';
import { saveEmptyTable } from './save-table';
import { isTableFile } from './table-files';
import { useRows } from './use-rows';

const MOST_MB = 64;

type Given = { readonly name: string; readonly table: TableHead };

/** Faults: `file-large`, those of `readTable`. */
async function openTable(file: File): Promise<Result<TableHead>> {
  if (file.size > MOST_MB * 1048576) return fail('file-large', { mb: Math.round(file.size / 1048576), most: MOST_MB });
  return readTable(await bytesOfFile(file));
}

/** Titles from a table: it is given, its columns are told, its rows are seen, and then a title and a cover is made for each. */
export function TableDialog(props: { files: readonly File[]; cards: readonly Card[]; onClose(): void }) {
  const [given, setGiven] = useState<Given | null>(null);
  const [pictures, setPictures] = useState(() => new Pictures(props.files.filter((file) => !isTableFile(file))));
  const [fault, setFault] = useState<Fault | null>(null);
  const [reading, setReading] = useState(false);

  const take = async (name: string, open: () => Promise<Result<TableHead>>): Promise<void> => {
    setReading(true);
    setFault(null);
    const table = await open().catch((): Result<TableHead> => fail('work-failed'));
    setReading(false);
    if (table.ok) setGiven({ name, table: table.value });
    else setFault(table.fault);
  };
  const takeFile = (file: File): void => void take(file.name, () => openTable(file));
  // A table that was dropped on the Shelf is read at once.
  const dropped = useRef(props.files.find(isTableFile));
  useEffect(() => {
    if (dropped.current) takeFile(dropped.current);
    dropped.current = undefined;
  });

  return (
    <Dialog
      open
      wide={!given}
      full={given !== null}
      onClose={props.onClose}
      title="Titles from a table"
      description="A title and a cover for every row. Volumes of a series share a design."
    >
      {given ? (
        <Rows
          given={given}
          cards={props.cards}
          pictures={pictures}
          onPictures={(more) => setPictures((now) => now.with(more))}
          onAnother={() => setGiven(null)}
          onClose={props.onClose}
        />
      ) : (
        <Ways
          fault={fault}
          reading={reading}
          onFile={takeFile}
          onText={(text) => void take('Pasted cells', () => readTable(text))}
        />
      )}
    </Dialog>
  );
}

/** How a table is given. */
function Ways(props: { fault: Fault | null; reading: boolean; onFile(file: File): void; onText(text: string): void }) {
  const [text, setText] = useState('');
  return (
    <>
      <DropPlace
        title="Choose a table"
        hint="CSV from any spreadsheet. Its first line says what the columns are."
        accept=".csv,.tsv,.txt,text/csv,text/tab-separated-values"
        label="Table"
        onFile={props.onFile}
      />
      <TextField
        label="Or paste cells here"
        hint="Copied from a spreadsheet, with the line that names the columns."
        lines={5}
        value={text}
        onChange={setText}
      />
      {props.fault && (
        <p role="alert" className="text-fail">
          {sentenceOf(props.fault)}
        </p>
      )}
      <p role="status">{props.reading ? 'Reading the table' : ''}</p>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <Button kind="link" onClick={saveEmptyTable}>
          Save an empty table to fill in
        </Button>
        <Button kind="ink" disabled={text.trim() === '' || props.reading} onClick={() => props.onText(text)}>
          Read these cells
        </Button>
      </div>
    </>
  );
}

const titles = (count: number): string => (count === 1 ? 'one title' : `${count} titles`);

/** What is done with the rows, and how many of each there are. */
function countsOf(rows: readonly RowBeside[]) {
  const of = (is: (one: RowBeside) => boolean): number => rows.filter(is).length;
  const changes = ({ standing, changes: some }: RowBeside): boolean =>
    standing.kind === 'of' && Object.keys(some).length > 0;
  return {
    fresh: of(({ standing }) => standing.kind === 'new'),
    changed: of(changes),
    same: of((one) => one.standing.kind === 'there' || (one.standing.kind === 'of' && !changes(one))),
    wrong: of(({ standing }) => standing.kind === 'wrong'),
  };
}

function Rows(props: {
  given: Given;
  cards: readonly Card[];
  pictures: Pictures;
  onPictures(files: readonly File[]): void;
  onAnother(): void;
  onClose(): void;
}) {
  const { table, name } = props.given;
  const [mapping, setMapping] = useState<Mapping>(() => mappingOf(table.head));
  const { rows, done, failed } = useRows(table, mapping, props.cards);
  const busy = useMaking((s) => s.now !== null);
  const titled = mapping.includes('title');
  const counts = rows ? countsOf(rows) : null;
  const said = counts
    ? [
        counts.fresh > 0 ? `${counts.fresh} new` : '',
        counts.changed > 0 ? `${counts.changed} changed` : '',
        counts.same > 0 ? `${counts.same} on the Shelf already` : '',
        counts.wrong > 0 ? `${counts.wrong} left out` : '',
      ].filter(Boolean)
    : [];
  const verb = counts
    ? [
        counts.fresh > 0 ? `Make ${titles(counts.fresh)}` : '',
        counts.changed > 0 ? `${counts.fresh > 0 ? 'change' : 'Change'} ${titles(counts.changed)}` : '',
      ].filter(Boolean)
    : [];
  return (
    <>
      <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
        <p role="status">
          <span className="font-semibold wrap-anywhere">{name}</span>
          {rows && titled ? `, ${rows.length} ${rows.length === 1 ? 'row' : 'rows'}: ${said.join(', ')}.` : ''}
        </p>
        <Button onClick={props.onAnother}>Another table</Button>
      </div>
      <div className="flex min-h-0 flex-1 flex-col gap-6 overflow-y-auto min-[1000px]:flex-row-reverse min-[1000px]:overflow-visible">
        <section aria-label="What the columns are" className="shrink-0 min-[1000px]:w-96 min-[1000px]:overflow-y-auto">
          <ColumnsForm table={table} mapping={mapping} onChange={setMapping} />
        </section>
        <div className="flex min-h-96 min-w-0 flex-1 shrink-0 flex-col gap-3 min-[1000px]:min-h-0 min-[1000px]:shrink">
          {!titled && (
            <p role="alert" className="text-fail">
              Say which column is the title.
            </p>
          )}
          {failed && <p role="alert">The table could not be read. Close this and try again.</p>}
          {rows === null && !failed && (
            <p role="status">Reading the rows{done > 0 ? `, ${Math.round(done * 100)} %` : ''}</p>
          )}
          {rows && titled && (
            <>
              <PicturesGiven names={picturesNamed(rows)} pictures={props.pictures} onFiles={props.onPictures} />
              <RowsList rows={rows} pictures={props.pictures} />
            </>
          )}
          {busy && <p role="status">Titles of another table are being made. When that is done, these can be.</p>}
        </div>
      </div>
      <div className="flex justify-end gap-2">
        <Button onClick={props.onClose}>Cancel</Button>
        <Button
          kind="ink"
          disabled={!rows || !titled || busy || verb.length === 0}
          onClick={() => {
            if (!rows) return;
            makeTitles(rows, props.pictures);
            props.onClose();
          }}
        >
          {verb.join(' and ') || 'Nothing to make'}
        </Button>
      </div>
    </>
  );
}
