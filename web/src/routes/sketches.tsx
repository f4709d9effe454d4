import type { Mood } from '@yosomi/core/book';
import { MOODS } from '@yosomi/core/book';
import type { SeriesDesign } from '@yosomi/core/recipe';
import { GROUPS, type Group, type Kept, type Sketch, findStructure, moodsOfSketch } from '@yosomi/core/sketch';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { AmongView } from '../features/sketch/among-view';
import { CompareView } from '../features/sketch/compare-view';
import { CoverGrid } from '../features/sketch/cover-grid';
import { CoverPanel } from '../features/sketch/cover-panel';
import { GROUP_NAMES, MOOD_NAMES } from '../features/sketch/names';
import { SeriesDialog } from '../features/series/series-dialog';
import { SheetAsks } from '../features/sketch/sheet-asks';
import { useKeptBitmaps } from '../features/sketch/use-kept-bitmaps';
import { MOST_COMPARED, type Pick, usePicks } from '../features/sketch/use-picks';
import { sketchId, useSheet } from '../features/sketch/use-sheet';
import { sentenceOf } from '../messages/sentences';
import { useActions } from '../state/actions';
import { useBook } from '../state/session';
import { Button } from '../ui/button';
import { Side, Sides } from '../ui/sides';
import { SkipLink } from '../ui/skip-link';
import { Menu } from '../ui/menu';
import { Segmented } from '../ui/segmented';
import { Working } from '../ui/working';

type View = 'sheet' | 'kept' | 'compare' | 'among';
type Shown = Pick & { readonly bitmap: ImageBitmap | null; readonly titleFromPx: number | null | undefined };

/** What of another title's cover the sheet is like. */
const likePart = ({ tones, faces }: Kept): string => (tones && faces ? 'cover' : tones ? 'colours' : 'faces');

/** Dozens of whole covers from the book's own words and pictures; one of them goes to the Front. */
export function SketchesPage() {
  const book = useBook();
  const navigate = useNavigate();
  const [like, setLike] = useState<{ readonly kept: Kept; readonly what: string } | null>(null);
  const { sheet, again, stop } = useSheet(like?.kept ?? null);
  const { take, keep, compare, compared } = usePicks(() => void navigate(`/title/${book.id}/front`));
  const [view, setView] = useState<View>('sheet');
  const [chosen, setChosen] = useState<string | null>(null);
  const [group, setGroup] = useState<Group | 'all'>('all');
  const [mood, setMood] = useState<Mood | 'all'>('all');
  const [series, setSeries] = useState<SeriesDesign | null>(null);
  const { favourites } = book.sheet;
  const keptBitmaps = useKeptBitmaps(book);

  const made = useMemo(
    (): Shown[] =>
      (sheet?.covers ?? []).map((c) => ({
        id: sketchId(c.sketch),
        sketch: c.sketch,
        doc: c.doc,
        bitmap: c.bitmap,
        titleFromPx: c.titleFromPx,
      })),
    [sheet?.covers],
  );
  const kept = useMemo(
    (): Shown[] =>
      favourites.map((f, i) => ({
        id: sketchId(f.sketch),
        sketch: f.sketch,
        doc: f.cover,
        bitmap: keptBitmaps[i] ?? null,
        titleFromPx: undefined,
      })),
    [favourites, keptBitmaps],
  );
  const filtered = made.filter(
    ({ sketch }) =>
      (group === 'all' || findStructure(sketch.structure)?.group === group) &&
      (mood === 'all' || moodsOfSketch(sketch).includes(mood)),
  );
  const shown = view === 'kept' ? kept : filtered;
  const known = useMemo(() => new Map([...kept, ...made].map((one) => [one.id, one])), [kept, made]);
  const picked = (chosen && known.get(chosen)) || null;
  const isKept = useCallback((id: string) => kept.some((one) => one.id === id), [kept]);

  const doWith = useCallback(
    (id: string, act: (pick: Pick) => void): void => {
      const one = known.get(id) ?? compared.find((c) => c.id === id);
      if (one) act(one);
    },
    [known, compared],
  );

  const offer = useActions((s) => s.offer);
  const withdraw = useActions((s) => s.withdraw);
  useEffect(() => {
    const withChosen = (act: (pick: Pick) => void) => () => chosen && doWith(chosen, act);
    offer('sketches', [
      { id: 'sketch-take', label: 'Take the chosen cover to the Front', group: 'Sketches', run: withChosen(take) },
      { id: 'sketch-keep', label: 'Keep the chosen cover', group: 'Sketches', run: withChosen(keep) },
      { id: 'sketch-compare', label: 'Compare the chosen cover', group: 'Sketches', run: withChosen(compare) },
      { id: 'sketch-sheet', label: 'Show the sheet', group: 'Sketches', run: () => setView('sheet') },
      { id: 'sketch-among', label: 'Show the covers among others', group: 'Sketches', run: () => setView('among') },
    ]);
    return () => withdraw('sketches');
  }, [offer, withdraw, chosen, doWith, take, keep, compare]);

  const more = (kept: Kept, what: string): void => {
    setLike({ kept, what });
    setView('sheet');
    setGroup('all');
    setMood('all');
  };
  const name = (sketch: Sketch): string => findStructure(sketch.structure)?.name ?? sketch.structure;
  const inSeries = book.brief.seriesName.trim() !== '';

  return (
    <main className="flex min-h-0 flex-1">
      <h1 className="sr-only">Sketches</h1>
      <SkipLink to="ul[aria-label='Covers of the sheet'] button[tabindex='0']">To the covers</SkipLink>
      <Sides names={['What it asks', 'The chosen cover']}>
        <Side name="What it asks">
          <SheetAsks onLike={(kept, title) => more(kept, `the ${likePart(kept)} of “${title}”`)} />
        </Side>
        <section aria-label="The sheet" className="flex min-w-0 flex-1 flex-col">
          <div className="flex flex-wrap items-center gap-2.5 border-b border-line px-4 py-2.5">
            <div className="w-[410px]">
              <Segmented<View>
                label="What is shown"
                value={view}
                onChange={setView}
                options={[
                  { value: 'sheet', label: `Sheet ${made.length}` },
                  { value: 'kept', label: `Favourites ${kept.length}` },
                  { value: 'compare', label: `Compare ${compared.length}` },
                  { value: 'among', label: 'In company' },
                ]}
              />
            </div>
            {view === 'sheet' && (
              <>
                <div className="w-34">
                  <Menu
                    label="Structures shown"
                    value={group}
                    onChange={(v) => setGroup(v as Group | 'all')}
                    groups={[
                      {
                        title: 'Structures',
                        options: [
                          { value: 'all', label: 'All structures' },
                          ...GROUPS.map((g) => ({ value: g, label: GROUP_NAMES[g] })),
                        ],
                      },
                    ]}
                  />
                </div>
                <div className="w-28">
                  <Menu
                    label="Moods shown"
                    value={mood}
                    onChange={(v) => setMood(v as Mood | 'all')}
                    groups={[
                      {
                        title: 'Moods',
                        options: [
                          { value: 'all', label: 'All moods' },
                          ...MOODS.map((m) => ({ value: m, label: MOOD_NAMES[m] })),
                        ],
                      },
                    ]}
                  />
                </div>
              </>
            )}
          </div>
          {like && view === 'sheet' && (
            <p className="flex items-center gap-3 border-b border-line bg-blue-wash px-4 py-2">
              More like {like.what}.
              <Button kind="link" onClick={() => setLike(null)}>
                Back to the whole sheet
              </Button>
            </p>
          )}
          {sheet && sheet.lost > 0 && (
            <p role="alert" className="border-b border-line bg-may-wash px-4 py-2 text-may">
              {sheet.lost === 1 ? 'A picture of this sheet is' : `${sheet.lost} pictures of this sheet are`} missing.
              Take it off, or add it again.
            </p>
          )}
          {sheet && !sheet.symbols && (
            <p role="status" className="flex items-center gap-3 border-b border-line bg-may-wash px-4 py-2 text-may">
              The symbols could not be read, so no cover shows one. <Button onClick={again}>Try again</Button>
            </p>
          )}
          <div
            // What has nothing in it to focus is scrolled by itself.
            tabIndex={view === 'among' ? 0 : undefined}
            className="flex min-h-0 flex-1 flex-col overflow-y-auto bg-table focus-visible:-outline-offset-2"
          >
            {(view === 'sheet' || view === 'kept') && shown.length > 0 && (
              <CoverGrid
                label={view === 'sheet' ? 'Covers of the sheet' : 'Favourites'}
                covers={shown.map((one) => ({
                  id: one.id,
                  bitmap: one.bitmap,
                  structure: one.sketch.structure,
                  kept: isKept(one.id),
                  compared: compared.some((c) => c.id === one.id),
                }))}
                chosen={chosen}
                onChoose={setChosen}
                onKeep={(id) => doWith(id, keep)}
                onCompare={(id) => doWith(id, compare)}
              />
            )}
            {view === 'kept' && kept.length === 0 && (
              <p className="p-8 text-ink">No favourites yet. Choose a cover on the sheet and press Keep.</p>
            )}
            {view === 'sheet' && sheet?.state === 'failed' && (
              <div role="alert" className="flex flex-col items-start gap-3 p-8 text-ink">
                <p className="text-base">{sheet.fault ? sentenceOf(sheet.fault) : ''}</p>
                {sheet.fault?.code === 'title-missing' ? (
                  <Button onClick={() => void navigate(`/title/${book.id}/brief`)}>Go to the Brief</Button>
                ) : (
                  <Button onClick={again}>Try again</Button>
                )}
              </div>
            )}
            {view === 'sheet' && made.length > 0 && filtered.length === 0 && (
              <p className="p-8 text-ink">
                No cover of this sheet is like that. Show all structures and moods, or press Other covers.
              </p>
            )}
            {view === 'sheet' && made.length === 0 && sheet?.state === 'making' && (
              <p className="p-8 text-ink">Composing the first covers</p>
            )}
            {view === 'compare' && (
              <CompareView
                covers={compared.map((one) => ({ id: one.id, name: name(one.sketch), doc: one.doc }))}
                onTake={(id) => doWith(id, take)}
                onDrop={(id) => doWith(id, compare)}
              />
            )}
            {view === 'among' && (
              <AmongView
                own={(kept.length > 0 ? kept : made)
                  .slice(0, 4)
                  .map((one) => ({ id: one.id, bitmap: one.bitmap, name: name(one.sketch) }))}
              />
            )}
          </div>
          {sheet?.state === 'making' && (
            <div className="border-t border-line px-4 py-2">
              <Working label={`Covers: ${made.length}`} done={sheet.share} onStop={stop} />
            </div>
          )}
          {sheet?.state === 'stopped' && (
            <p className="flex items-center gap-3 border-t border-line px-4 py-2">
              Stopped after {made.length}. <Button onClick={again}>Make the rest</Button>
            </p>
          )}
        </section>
        <Side name="The chosen cover">
          <CoverPanel
            picked={picked}
            kept={picked !== null && isKept(picked.id)}
            compared={compared.some((c) => c.id === chosen)}
            compareFull={compared.length >= MOST_COMPARED}
            inSeries={inSeries}
            onTake={() => picked && take(picked)}
            onKeep={() => picked && keep(picked)}
            onCompare={() => picked && compare(picked)}
            onMore={(what) => picked && more({ of: picked.sketch, ...what }, `“${name(picked.sketch)}”`)}
            onSeries={() => picked && setSeries({ kind: 'sketch', sketch: picked.sketch })}
          />
        </Side>
      </Sides>
      {series && <SeriesDialog design={series} onClose={() => setSeries(null)} />}
    </main>
  );
}
