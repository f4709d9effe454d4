import { type Fault, type Result, type Shared, fail, ok } from '@yosomi/core/base';
import type { Brief } from '@yosomi/core/book';
import type { Asset } from '@yosomi/core/project';
import { type Composer, type TitleAsk, TitleMaker, type VolumesThere, volumesAmong } from '@yosomi/core/recipe';
import { type TitleRow, briefOf } from '@yosomi/core/title-table';
import { create } from 'zustand';
import { sayFault } from '../../messages/say';
import { saveAsset } from '../../persist/assets';
import { allCards } from '../../persist/cards';
import type { RowBeside } from '../../persist/title-rows';
import { houseWords } from '../../persist/keeps';
import { addTitle, editStored, loadBooks } from '../../persist/titles';
import { nowIso } from '../../platform/clock';
import { bytesOfFile, stemOf } from '../../platform/files';
import { freshId, freshUrn } from '../../platform/ids';
import { sketchLane, sketchLanes } from '../../work/sketches';
import { press } from '../../work/workers';
import type { Pictures } from './pictures';

/** A title that a row became, or changed. */
type Became = { readonly id: string; readonly line: number; readonly name: string };

/** What became of the rows of a table. */
export type Made = {
  /** Titles that are new on the Shelf, and those that were changed. */
  readonly made: readonly Became[];
  readonly changed: readonly Became[];
  /** The step that was made in those that were changed; null where none was. */
  readonly step: Shared | null;
  readonly failed: readonly { readonly line: number; readonly name: string; readonly fault: Fault }[];
  /** Rows that nothing was done with, for it was stopped, or there was no more room. */
  readonly left: readonly RowBeside[];
  readonly pictures: Pictures;
};

type Making = {
  readonly now: { readonly done: number; readonly of: number } | null;
  readonly last: Made | null;
};

/** How far the making of titles from a table is. It goes on wherever the person is. */
export const useMaking = create<Making>(() => ({ now: null, last: null }));

/** Where these happen to one, they would happen to all. */
const ENDING = new Set(['store-full', 'store-failed']);
const STEP = 'Changed by a table';
/** A picture file that is longer is not read. */
const MOST_MB = 300;

let stopping: AbortController | null = null;
export const stopMaking = (): void => stopping?.abort();
export const forgetMade = (): void => useMaking.setState({ last: null });
/** What was taken back is no longer told of. */
export const tookBack = (what: 'made' | 'changed'): void =>
  useMaking.setState(({ last }) => {
    const told = last && (what === 'made' ? { ...last, made: [] } : { ...last, changed: [], step: null });
    return { last: told && told.made.length + told.changed.length > 0 ? told : null };
  });

const nameOf = ({ row }: RowBeside): string => row.brief.title ?? '';

/** As many volumes are looked at for the colours that they have. */
const MOST_LOOKED = 24;

/** What is there of a series. */
async function volumesThere(series: string): Promise<VolumesThere | null> {
  const volumes = (await allCards())
    .filter((card) => card.series === series)
    .sort((a, b) => (a.number ?? Infinity) - (b.number ?? Infinity) || (a.id < b.id ? -1 : 1));
  const books = await loadBooks(volumes.slice(0, MOST_LOOKED).map(({ id }) => id));
  const among = volumesAmong(books, series);
  return among && { ...among, count: volumes.length };
}

/** The picture that a row names, stored. Faults: `file-large`, those of `takePicture` and `saveAsset`. */
async function pictureOf({ row }: RowBeside, pictures: Pictures): Promise<Result<Asset[]>> {
  const file = row.picture === null ? null : pictures.named(row.picture);
  if (!file) return ok([]);
  if (file.size > MOST_MB * 1048576) return fail('file-large', { mb: Math.round(file.size / 1048576), most: MOST_MB });
  const taken = await press().takePicture(await bytesOfFile(file), stemOf(file.name));
  if (!taken.ok) return taken;
  const saved = await saveAsset(taken.value.asset.id, taken.value.bytes);
  return saved.ok ? ok([taken.value.asset]) : saved;
}

/** Rows that go one after the other: those of one series, since each wears what the one before it wore. */
function families(rows: readonly RowBeside[]): RowBeside[][] {
  const found = new Map<string, RowBeside[]>();
  for (const one of rows) {
    const key = one.row.brief.seriesName?.trim() || `row ${one.row.line}`;
    const there = found.get(key);
    if (there) there.push(one);
    else found.set(key, [one]);
  }
  return [...found.values()];
}

async function run(rows: readonly RowBeside[], pictures: Pictures): Promise<void> {
  const stop = new AbortController();
  stopping = stop;
  const fresh = rows.filter(({ standing }) => standing.kind === 'new');
  const others = rows.filter(({ standing, changes }) => standing.kind === 'of' && Object.keys(changes).length > 0);
  const of = fresh.length + others.length;
  const made: Became[] = [];
  const changed: Became[] = [];
  const failed: Made['failed'][number][] = [];
  const through = new Set<RowBeside>();
  useMaking.setState({ now: { done: 0, of }, last: null });
  const step = (one: RowBeside, done: Result<unknown>): void => {
    through.add(one);
    if (!done.ok) {
      if (ENDING.has(done.fault.code)) stop.abort();
      failed.push({ line: one.row.line, name: nameOf(one), fault: done.fault });
    }
    useMaking.setState({ now: { done: through.size, of } });
  };

  // What a table has no column for the house says.
  const house = await houseWords();
  const briefFor = (row: TitleRow): Brief => ({
    ...briefOf(row),
    publisher: row.brief.publisher ?? house.publisher,
    website: row.brief.website ?? house.website,
  });
  const asks = new Map(
    fresh.map((one) => [
      one,
      {
        line: one.row.line,
        start: { id: freshId(), identifier: freshUrn(), now: nowIso(), brief: briefFor(one.row) },
        pictures: [],
      } satisfies TitleAsk,
    ]),
  );
  const makeOne = async (one: RowBeside, maker: TitleMaker): Promise<Result<void>> => {
    const given = await pictureOf(one, pictures);
    if (!given.ok) return given;
    const ask = asks.get(one)!;
    const composed = await maker.make({ ...ask, start: { ...ask.start, now: nowIso() }, pictures: given.value });
    if (!composed.ok) return composed;
    const { book } = composed.value;
    const added = await addTitle({ book, files: new Map() });
    if (added.ok) made.push({ id: book.id, line: one.row.line, name: nameOf(one) });
    return added;
  };
  const waiting = families(fresh);
  const lane = async (at: number): Promise<void> => {
    const by: Composer = {
      compose(ask, manner) {
        const { api, ask: answer } = sketchLane(at);
        return answer(api.title(ask, manner));
      },
      reading(from, design) {
        const { api, ask } = sketchLane(at);
        return ask(api.reading(from, design));
      },
    };
    const maker = new TitleMaker([...asks.values()], volumesThere, by);
    for (let family = waiting.shift(); family; family = waiting.shift())
      for (const one of family) {
        if (stop.signal.aborted) return;
        step(one, await makeOne(one, maker).catch((): Result<void> => fail('work-failed')));
      }
  };
  await Promise.all(Array.from({ length: sketchLanes() }, (_, at) => lane(at)));

  const shared = { id: freshId(), titles: others.map(({ standing }) => (standing.kind === 'of' ? standing.id : '')) };
  for (const one of others) {
    if (stop.signal.aborted) break;
    const done = await changeOne(one, shared).catch((): Result<void> => fail('work-failed'));
    if (done.ok && one.standing.kind === 'of')
      changed.push({ id: one.standing.id, line: one.row.line, name: nameOf(one) });
    step(one, done);
  }
  stopping = null;
  useMaking.setState({
    now: null,
    last: {
      made,
      changed,
      step: changed.length > 0 ? { ...shared, titles: changed.map(({ id }) => id) } : null,
      failed: failed.sort((a, b) => a.line - b.line),
      left: [...fresh, ...others].filter((one) => !through.has(one)),
      pictures,
    },
  });
}

const changeOne = ({ standing, changes }: RowBeside, shared: Shared): Promise<Result<void>> =>
  standing.kind === 'of'
    ? editStored(
        standing.id,
        STEP,
        (book) => void Object.assign(book.brief, changes satisfies Partial<Brief>),
        nowIso(),
        shared,
      )
    : Promise.resolve(ok(undefined));

/** Makes the titles of new rows, and puts what other rows say into the titles that they are of. Each is on the Shelf before the next; one that fails stops none. */
export function makeTitles(rows: readonly RowBeside[], pictures: Pictures): void {
  if (stopping) return;
  run(rows, pictures).catch(() => {
    stopping = null;
    useMaking.setState({ now: null });
    sayFault({ code: 'work-failed', data: {} });
  });
}

if (typeof window !== 'undefined') {
  window.addEventListener('beforeunload', (e) => {
    if (useMaking.getState().now) e.preventDefault();
  });
}
