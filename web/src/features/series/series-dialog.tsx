import type { Shared } from '@yosomi/core/base';
import { readsGrade, readsText } from '@yosomi/core/glance';
import { type Asset, type Book, MOST_VERSIONS, isMatte } from '@yosomi/core/project';
import type { SeriesCover, SeriesDesign } from '@yosomi/core/recipe';
import { useMemo, useState } from 'react';
import { ROLES } from '../../messages/role-names';
import { say, sayFault } from '../../messages/say';
import { sentenceOf } from '../../messages/sentences';
import { editStored } from '../../persist/titles';
import { nowIso } from '../../platform/clock';
import { freshId } from '../../platform/ids';
import { follow } from '../../state/follow';
import { useBook, useSession } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Dialog } from '../../ui/dialog';
import { Menu } from '../../ui/menu';
import { Verdict } from '../../ui/verdict';
import { useHouseOf } from '../front/use-house';
import { usePictureInput } from '../front/use-picture-input';
import { useShelfMates } from '../mockups/use-others';
import { layOnVolume } from './lay-on-volume';
import { type Row, useVolumes } from './use-volumes';

const LABEL = 'Front from the series design';
const volumes = (count: number): string => `${count} ${count === 1 ? 'volume' : 'volumes'}`;

/** What is laid on: it stays the same while its dialog is open. */
const FRONT: SeriesDesign = { kind: 'front' };

/** One design for every volume of the series, seen before it is used: a sketch of the sheet, or the front as it is. */
export function SeriesDialog({ design = FRONT, onClose }: { design?: SeriesDesign; onClose(): void }) {
  const book = useBook();
  const { series, known } = useShelfMates(book);
  const why =
    book.brief.seriesName.trim() === ''
      ? 'This title is not in a series. Give it and its sisters the same series name in their Briefs.'
      : series.length === 0
        ? `No other volume of “${book.brief.seriesName.trim()}” is on the Shelf. Give it the same series name in its Brief.`
        : design.kind === 'front' && book.cover.finished
          ? 'This front is a finished file: its words are part of the picture and cannot be set anew.'
          : null;
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={design.kind === 'front' ? 'This front for the series' : 'One design for the series'}
      description="Each volume is set in its own words and pictures. The cover it had is kept as a version."
    >
      {!known ? (
        <p role="status">Reading the Shelf</p>
      ) : why === null ? (
        <Volumes design={design} book={book} series={series} onClose={onClose} />
      ) : (
        <p role="status">{why}</p>
      )}
    </Dialog>
  );
}

/** The volumes in a design, drawn one after the other, and the taking of it. */
export function Volumes(props: { design?: SeriesDesign; book: Book; series: readonly string[]; onClose(): void }) {
  const { design = FRONT, onClose } = props;
  // What is laid on the volumes is the design as it was when it was asked for.
  const [book] = useState(props.book);
  const [series] = useState(props.series);
  const edit = useSession((s) => s.edit);
  const undo = useSession((s) => s.undo);
  const { house } = useHouseOf(book.id);
  const [busy, setBusy] = useState(false);
  const [turning, setTurning] = useState(true);
  const [pictures, setPictures] = useState<Readonly<Record<string, string>>>({});
  const [brought, setBrought] = useState<readonly Asset[]>([]);
  const [out, setOut] = useState<readonly string[]>([]);
  const { rows, done, fault } = useVolumes(design, book, series, turning, pictures);
  // The front that is carried stays as it is.
  const laid = rows.filter(
    (row) => row.made?.cover && !out.includes(row.book.id) && !(design.kind === 'front' && row.book.id === book.id),
  );
  const typed = useMemo(
    () => [...new Set(rows.flatMap((row) => row.made?.cover?.typed.map(({ text }) => text) ?? []))],
    [rows],
  );

  const use = async (): Promise<void> => {
    setBusy(true);
    const shared: Shared = { id: freshId(), titles: laid.map((row) => row.book.id) };
    let count = 0;
    for (const { book: to, made } of laid) {
      if (!made?.cover) continue;
      const { bitmap: _, ...cover } = made.cover;
      const change = layOnVolume(cover satisfies SeriesCover, book, house, brought);
      if (to.id === book.id) {
        if (edit(LABEL, change, null, shared)) count++;
        continue;
      }
      const saved = await editStored(to.id, LABEL, change, nowIso(), shared);
      if (saved.ok) count++;
      else sayFault(saved.fault);
    }
    setBusy(false);
    onClose();
    if (count === 0) return;
    const own = shared.titles.includes(book.id);
    const full = laid.filter(({ book: to }) => to.versions.length >= MOST_VERSIONS).length;
    const kept =
      full === 0
        ? 'Their old covers are kept as versions.'
        : `${volumes(full)} had no room for another version: there, Undo alone brings the old cover back.`;
    say(`The design is on ${volumes(count)}. ${kept}`, {
      label: 'Undo',
      run: own ? undo : () => void follow(shared, 'undo', null),
    });
  };

  const left = rows.length - done;
  return (
    <>
      <Check
        label="Turn the colours from volume to volume"
        hint="To colours that go with each volume’s own picture, and in which its words read."
        checked={turning}
        onChange={setTurning}
      />
      {fault && <p role="alert">The volumes could not be drawn. Close this and try again.</p>}
      <p role="status" className="text-xs text-ink-2">
        {rows.length === 0
          ? 'Reading the volumes'
          : left > 0 && !fault
            ? `Drawing the volumes: ${done} of ${rows.length}`
            : ''}
      </p>
      <ul aria-label="Volumes" className="flex flex-wrap gap-x-5 gap-y-6">
        {rows.map((row) => (
          <VolumeTile
            key={row.book.id}
            row={row}
            own={row.book.id === book.id}
            fixed={design.kind === 'front' && row.book.id === book.id}
            designPicture={rows.find((one) => one.book.id === book.id)?.made?.cover?.picture ?? null}
            from={book}
            brought={brought}
            chosen={pictures[row.book.id] ?? null}
            out={out.includes(row.book.id)}
            onPicture={(id, asset) => {
              if (asset) setBrought((now) => [...now.filter((one) => one.id !== asset.id), asset]);
              setPictures((now) => {
                const { [row.book.id]: _, ...others } = now;
                return id === null ? others : { ...others, [row.book.id]: id };
              });
            }}
            onOut={(isOut) =>
              setOut((now) => [...now.filter((id) => id !== row.book.id), ...(isOut ? [row.book.id] : [])])
            }
          />
        ))}
      </ul>
      {typed.length > 0 && (
        <p className="text-xs text-ink-2">
          Stays as it was typed on every volume: {typed.map((text) => `“${text.replace(/\s+/g, ' ')}”`).join(', ')}.
        </p>
      )}
      <div className="flex justify-end gap-2">
        <Button onClick={onClose}>Cancel</Button>
        <Button
          kind="ink"
          disabled={busy || left > 0 || laid.length === 0}
          onClick={() => void use().catch(() => sayFault({ code: 'work-failed', data: {} }))}
        >
          Use it on {volumes(laid.length)}
        </Button>
      </div>
    </>
  );
}

/** What was done so that the words of a volume read, and what does not. */
function notes(cover: SeriesCover): string[] {
  const names = (ids: readonly string[]): string =>
    ids
      .map((id) => cover.doc.parts[id])
      .flatMap((part) => (part?.kind === 'words' ? [ROLES[part.role].toLowerCase()] : []))
      .join(', ');
  return [
    ...(cover.light < 0 ? ['Its picture is printed darker, so that the words read.'] : []),
    ...(cover.light > 0 ? ['Its picture is printed lighter, so that the words read.'] : []),
    ...(cover.mended.length > 0 ? [`Set differently, so that it reads: ${names(cover.mended)}.`] : []),
    ...(cover.low.length > 0 ? [`Too little contrast: ${names(cover.low)}.`] : []),
  ];
}

const OWN = 'own';

/** One volume in the design, with its picture to choose and whether it takes part. */
function VolumeTile(props: {
  row: Row;
  own: boolean;
  /** It is the design, and nothing is laid on it. */
  fixed: boolean;
  designPicture: string | null;
  from: Book;
  brought: readonly Asset[];
  chosen: string | null;
  out: boolean;
  onPicture(id: string | null, asset?: Asset): void;
  onOut(out: boolean): void;
}) {
  const { row, own, designPicture, chosen } = props;
  const { book, made } = row;
  const input = usePictureInput(({ asset }) => props.onPicture(asset.id, asset));
  const name = book.brief.title.trim() || 'Untitled';
  const assets = Object.values(book.assets).filter((asset) => !isMatte(book, asset.id));
  const known = new Map([...assets, ...props.brought].map((asset) => [asset.id, asset.name]));
  const cover = made?.cover ?? null;
  const same = cover !== null && cover.picture !== null && cover.picture === designPicture && !own;
  return (
    <li className={`flex w-40 flex-col gap-1.5 ${props.out ? 'opacity-60' : ''}`}>
      {made === null ? (
        <p className="flex aspect-[5/8] items-center justify-center border border-dashed border-edge text-xs text-ink-2">
          Waits
        </p>
      ) : made.cover ? (
        <Bitmap bitmap={made.cover.bitmap} label={`${name} in this design`} className="block w-full shadow-cover" />
      ) : (
        <p className="border border-dashed border-edge p-3 text-xs">{sentenceOf(made.fault)}</p>
      )}
      {props.fixed ? (
        <span className="text-xs text-ink-2">{name}, as it is</span>
      ) : (
        <span className="text-xs">
          <Check
            label={name}
            checked={!props.out && cover !== null}
            disabled={!cover}
            onChange={(on) => props.onOut(!on)}
          />
        </span>
      )}
      {cover && (
        <div className="flex flex-col gap-1 text-xs text-ink-2">
          <Verdict grade={readsGrade(true, cover.titleFromPx)}>Title {readsText(cover.titleFromPx)}</Verdict>
          {notes(cover).map((note) => (
            <p key={note}>{note}</p>
          ))}
        </div>
      )}
      {designPicture !== null && !own && (
        <>
          <Menu
            label={`Picture of ${name}`}
            value={chosen ?? OWN}
            onChange={(id) => props.onPicture(id === OWN ? null : id)}
            groups={[
              {
                title: 'The picture',
                options: [
                  { value: OWN, label: 'Its own' },
                  ...(known.has(designPicture) ? [] : [{ value: designPicture, label: 'The one of this design' }]),
                  ...[...known].map(([id, label]) => ({ value: id, label })),
                ],
              },
            ]}
          />
          {input.input}
          <Button onClick={input.open} aria-label={`Another picture for ${name}`}>
            Another picture
          </Button>
          {same && chosen === null && (
            <p className="text-xs text-ink-2">It has no picture of its own yet, and shows the design’s.</p>
          )}
        </>
      )}
    </li>
  );
}
