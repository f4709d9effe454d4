import { type Edit } from '@yosomi/core/base';
import { framesNow } from '@yosomi/core/compose';
import { type Doc, addPart, moveParts, newCurve, nodesFrom } from '@yosomi/core/cover';
import type { Point } from '@yosomi/core/plane';
import { asSide, coverKey, onSibling, onSide, shownSide, siblingDoc } from '@yosomi/core/recipe';
import { useQuery } from '@tanstack/react-query';
import { useLocation, useNavigate, useSearchParams } from 'react-router';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { AddPart } from '../features/front/add-part';
import { useBrush } from '../features/front/brush';
import { ColoursGroup, SCHEME_STEP } from '../features/front/colours-group';
import { evenMargins } from '../features/front/equal-margins';
import { GuidesDialog } from '../features/front/guides-dialog';
import { FindingList } from '../features/front/finding-list';
import { HouseDialog } from '../features/front/house-dialog';
import { HistoryDialog } from '../features/front/history-dialog';
import { Inspector } from '../features/front/inspector';
import { PartsPanel } from '../features/front/parts-panel';
import { ShownBook } from '../features/front/shown-book';
import { TOOLS, useTool, useToolActions } from '../features/front/tool';
import type { Picking } from '../features/front/use-pick';
import { SizesDialog } from '../features/front/sizes-dialog';
import { SizeSwitch } from '../features/front/size-switch';
import { GROUNDS, Table } from '../features/front/table';
import { useFrontActions } from '../features/front/use-front-actions';
import { SizeDialog } from '../features/front/size-dialog';
import { FRONT_DIALOGS, type FrontDialog, askedDialog } from '../features/front/front-dialogs';
import { SeriesDialog } from '../features/series/series-dialog';
import { SavePicture } from '../features/front/save-picture';
import { VersionsDialog } from '../features/front/versions-dialog';
import { GlanceStrip } from '../features/glance/glance-strip';
import { sayFault } from '../messages/say';
import { freshId } from '../platform/ids';
import type { Action } from '../state/actions';
import { onCover, SIDES, shownBy } from '@yosomi/core/project';
import { RightsNotes } from '../features/rights/rights-notes';
import { onBookChange, useBook, useSession } from '../state/session';
import { Button } from '../ui/button';
import { Beside } from '../state/beside';
import { useCalm } from '../ui/calm';
import { Group } from '../ui/group';
import { Side, Sides } from '../ui/sides';
import { PickContext } from '../ui/pick-context';
import { useCoverColours, useFrontEdge, usePartPictures } from '../work/queries';
import { useCoverView } from '../work/use-cover-view';
import { useRested } from '../ui/use-rested';
import { studio } from '../work/workers';

const NONE = new Map<string, never>();

export function FrontPage() {
  const stored = useBook();
  const edit = useSession((s) => s.edit);
  const select = useSession((s) => s.select);
  const [width, setWidth] = useState<number | null>(null);
  const [dragging, setDragging] = useState(false);
  const [ground, setGround] = useState(0);
  const [params, setParams] = useSearchParams();
  const size = params.get('show');
  const setSize = useCallback((id: string | null) => setParams(id ? { show: id } : {}, { replace: true }), [setParams]);
  const [drawing, setDrawing] = useState(false);
  const [guides, setGuides] = useState(true);
  const [showQuiet, setShowQuiet] = useState(false);
  const [picking, setPicking] = useState<Picking | null>(null);
  const navigate = useNavigate();
  const asked = askedDialog(useLocation().state);
  const [dialog, setDialog] = useState<FrontDialog | null>(asked);
  // Asked once: a reload does not ask again.
  useEffect(() => {
    if (asked) void navigate('.', { replace: true, state: null });
  }, [asked, navigate]);

  const sibling = size ? stored.siblings[size] : undefined;
  const sideName = SIDES.find((name) => name === size && stored.sides[name]);
  const side = sideName ? stored.sides[sideName] : null;
  const { data: edge } = useFrontEdge(stored, side !== null);
  // The title as this screen shows it: at the sibling's ratio, or one of its sides, where one is open.
  const book = useMemo(() => {
    if (side) return asSide(stored, edge ? shownSide(side, edge) : side.doc);
    return sibling ? { ...stored, cover: siblingDoc(stored.cover, sibling) } : stored;
  }, [stored, sibling, side, edge]);
  const on = useMemo(() => {
    if (sideName) return (change: Edit<Doc>) => onSide(sideName, change);
    return size && sibling ? (change: Edit<Doc>) => onSibling(size, change) : onCover;
  }, [size, sibling, sideName]);
  const as = side ? 'side' : sibling ? 'elsewhere' : 'front';
  const shown = useCoverView(book, width, dragging, as, onBookChange);
  const { view: last, doc: viewed, failed, fresh, painted } = shown;
  // A picture of another shape, of the side or sibling that was here before, is not this one: its place is shown until it comes.
  const fits =
    viewed !== null &&
    Math.abs((viewed.heightPx * book.cover.widthPx) / (viewed.widthPx * book.cover.heightPx) - 1) < 0.004;
  const view = fits ? last : null;
  // What only goes with the cover comes after it.
  const { data: colours } = useCoverColours(book, painted);
  const { data: pictures } = usePartPictures(book, painted);
  const calm = useCalm(book, dragging);
  const frames = useMemo(
    () => (view && viewed ? framesNow(view.frames, viewed, book.cover) : NONE),
    [view, viewed, book.cover],
  );
  const findings = view?.findings ?? [];
  const title = book.brief.title.trim() || 'this book';
  const look = { staleTime: Infinity, gcTime: 60_000 };
  const rested = useRested(book);
  const key = coverKey(rested);
  const quiet = useQuery({
    queryKey: ['quiet', key],
    queryFn: () => studio.quietMap(rested),
    enabled: showQuiet,
    ...look,
  });
  const selection = useSession((s) => s.selection);
  const brushing = useBrush((s) => s.part !== null);
  const tool = useTool((s) => s.tool);
  // While schemes are tried one after another they stay what they are, so that any can be chosen again.
  const dressed = useSession((s) => s.history.past.at(-1)?.label.startsWith(SCHEME_STEP) ?? false);
  const [undressed, setUndressed] = useState(rested);
  if (!dressed && undressed !== rested) setUndressed(rested);
  const schemes = useQuery({
    queryKey: ['schemes', coverKey(undressed)],
    queryFn: () => studio.schemes(undressed),
    enabled: view !== null && selection.length === 0 && !book.cover.finished,
    ...look,
  });

  const draw = useCallback(() => {
    select(null);
    setDrawing(true);
  }, [select]);
  const stroked = (points: readonly Point[]): void => {
    setDrawing(false);
    const nodes = nodesFrom(points, book.cover, 6);
    if (!nodes) return;
    const id = freshId();
    const xs = nodes.map(({ x }) => x);
    const ys = nodes.map(({ y }) => y);
    const [x, y] = [Math.min(...xs), Math.min(...ys)];
    // In a colour that is seen on what it was drawn over.
    const area = { x, y, width: Math.max(0.02, Math.max(...xs) - x), height: Math.max(0.02, Math.max(...ys) - y) };
    void studio
      .seenOn(book, area)
      .then((colour) => edit('Draw a curve', on(addPart(id, newCurve(nodes, colour)))) && select(id))
      .catch(() => sayFault({ code: 'work-failed', data: {} }));
  };
  const latest = useRef({ book, frames, on });
  useEffect(() => {
    latest.current = { book, frames, on };
  }, [book, frames, on]);
  const centre = useCallback(async (): Promise<void> => {
    const { book, frames, on } = latest.current;
    const [id] = useSession.getState().selection;
    const frame = id ? frames.get(id) : undefined;
    const mass = id ? await studio.massOf(book, id) : null;
    if (!id || !frame || !mass) return;
    const { widthPx } = book.cover;
    edit('Centre by eye', on(moveParts([id], frames, (widthPx / 2 - mass.x) / widthPx, 0)));
  }, [edit]);
  const picker = useMemo(
    () => ({
      pick: (take: (hex: string) => void) =>
        setPicking({
          take: (hex) => {
            take(hex);
            setPicking(null);
          },
          end: () => setPicking(null),
        }),
    }),
    [],
  );
  const tools = useToolActions(latest, picker.pick);
  const extra = useMemo<Action[]>(
    () => [
      { id: 'draw', label: 'Draw a curve', also: 'pen line pencil freehand', group: 'Cover', combos: ['d'], run: draw },
      {
        id: 'quiet',
        label: 'Show the calm places',
        also: 'calm busy space heat map',
        group: 'Cover',
        combos: ['q'],
        run: () => setShowQuiet((v) => !v),
      },
      {
        id: 'guides',
        label: 'Show the safe area and guides',
        also: 'safe area margin lines rulers hide',
        group: 'Cover',
        combos: ['g'],
        run: () => setGuides((v) => !v),
      },
      {
        id: 'centre',
        label: 'Centre by eye',
        also: 'middle optical',
        group: 'Parts',
        combos: ['c'],
        run: () => void centre().catch(() => sayFault({ code: 'work-failed', data: {} })),
      },
      ...tools,
      ...FRONT_DIALOGS.map((one) => ({ ...one, group: 'Cover', run: () => setDialog(one.id) })),
      ...GROUNDS.map((one, i) => ({
        id: `ground-${i}`,
        label: `Look at it on ${one.name.toLowerCase()}`,
        also: `background table ${one.also}`,
        group: 'Cover',
        run: () => setGround(i),
      })),
    ],
    [draw, centre, tools],
  );
  useFrontActions({ doc: book.cover, on, frames, extra });

  return (
    <main className="group/measured flex min-h-0 flex-1" data-fresh={fresh} aria-busy={!fresh}>
      <h1 className="sr-only">Front</h1>
      <PickContext.Provider value={picker}>
        <ShownBook.Provider value={calm}>
          <Sides names={side ? ['Parts', 'Inspector'] : ['Parts', 'Glance', 'Inspector']}>
            <Side name="Parts">
              <Beside busy={dragging}>
                <PartsPanel
                  doc={book.cover}
                  on={on}
                  pictures={pictures}
                  reports={view?.reports ?? NONE}
                  added={view?.measure.added ?? []}
                >
                  {!book.cover.finished && (
                    <AddPart
                      doc={book.cover}
                      on={on}
                      colour={colours?.[0] ?? '#16181b'}
                      swatches={colours ?? []}
                      front={!side}
                      onDraw={draw}
                    />
                  )}
                </PartsPanel>
              </Beside>
            </Side>
            <Table
              doc={book.cover}
              on={on}
              bitmap={view?.bitmap ?? null}
              pictures={pictures}
              live={shown.onPicture}
              frames={frames}
              label={`${sideName ? { spine: 'Spine', back: 'Back' }[sideName] : 'Cover'} of ${title}`}
              onWidth={setWidth}
              onDragging={setDragging}
              ground={ground}
              onGround={setGround}
              guides={guides}
              quiet={showQuiet ? (quiet.data ?? null) : null}
              drawing={drawing}
              onStroke={stroked}
              picking={picking}
              footer={
                <>
                  <SizeSwitch
                    book={stored}
                    shown={sibling || side ? size : null}
                    onShow={setSize}
                    onAll={() => setDialog('sizes')}
                  />
                  <span className="absolute bottom-full left-4 pb-1 text-xs" role="status">
                    {view === null && !failed
                      ? 'Painting it'
                      : failed
                        ? 'The cover could not be painted. Undo the last step.'
                        : drawing
                          ? 'Draw a line on the cover, or press Enter for a plain one'
                          : brushing
                            ? 'Paint on the picture. X changes what the brush does, Esc ends.'
                            : picking
                              ? 'Click a colour on the cover, or move by arrow keys and press Enter. Esc ends.'
                              : showQuiet
                                ? 'Pale is calm'
                                : TOOLS.find((one) => one.id === tool)?.says}
                  </span>
                </>
              }
            />
            <Beside busy={dragging}>
              {!side && (
                <Side name="Glance">
                  <GlanceStrip book={book} view={view} ground={ground === 0 ? '#ffffff' : GROUNDS[ground].colour} />
                </Side>
              )}
              <Side name="Inspector">
                <Inspector
                  doc={book.cover}
                  on={on}
                  frames={frames}
                  reports={view?.reports ?? NONE}
                  findings={findings}
                  added={view?.measure.added ?? []}
                  colours={colours ?? []}
                  styles={!sibling}
                  empty={
                    <>
                      <h2 className="px-4 pt-4 text-base font-semibold">
                        {sideName
                          ? { spine: 'The spine', back: 'The back' }[sideName]
                          : book.cover.finished
                            ? 'A finished cover'
                            : sibling
                              ? sibling.name
                              : 'The cover'}
                      </h2>
                      <Group title="What to do">
                        <p>
                          {book.cover.finished
                            ? 'This file is the front as it is. Unlock the picture in the parts list to replace it.'
                            : side
                              ? side.follows
                                ? 'Its ground goes on with the front’s edge until you paint it. The words follow the Brief. It is on every object in 3D.'
                                : 'The words follow the Brief. It is on every object in 3D.'
                              : sibling
                                ? 'It follows the front. Move things here and they move only here; words and colours change in both.'
                                : 'Choose a part on the cover or in the list. Double-click words to type on the cover.'}
                        </p>
                        <div className="flex flex-wrap gap-1.5">
                          <Button onClick={() => setDialog('save')}>Save picture</Button>
                          {!side && <Button onClick={() => setDialog('versions')}>Versions</Button>}
                          <Button onClick={() => setDialog('history')}>History</Button>
                          {!side && book.brief.seriesName.trim() !== '' && (
                            <Button onClick={() => setDialog('series')}>Carry to the series</Button>
                          )}
                          <Button onClick={() => setDialog('house')}>House style</Button>
                          {!book.cover.finished && (
                            <>
                              <Button aria-pressed={showQuiet} onClick={() => setShowQuiet(!showQuiet)}>
                                Calm places
                              </Button>
                              <Button onClick={() => evenMargins(book.cover, frames, on)}>Equal margins</Button>
                              <Button onClick={() => setDialog('guides')}>Guides</Button>
                            </>
                          )}
                        </div>
                      </Group>
                      <Group title="What to look at">
                        {findings.every((f) => f.severity === 'note') && fresh && view?.reports.size ? (
                          <p>Every word reaches a contrast of 4.5 : 1.</p>
                        ) : null}
                        {findings.length === 0 && !view?.reports.size ? (
                          <p className="text-ink-2">Nothing yet.</p>
                        ) : null}
                        <RightsNotes pictures={shownBy(book.cover)} />
                        <FindingList
                          findings={findings}
                          renderFixes={(f) =>
                            f.part && (
                              <Button kind="link" onClick={() => select(f.part)}>
                                Show it
                              </Button>
                            )
                          }
                        />
                      </Group>
                      {!book.cover.finished && (
                        <ColoursGroup
                          doc={book.cover}
                          on={on}
                          frames={frames}
                          schemes={schemes.data ?? []}
                          swatches={colours ?? []}
                        />
                      )}
                    </>
                  }
                />
              </Side>
            </Beside>
          </Sides>
        </ShownBook.Provider>
      </PickContext.Provider>
      {dialog === 'guides' && <GuidesDialog doc={book.cover} on={on} onClose={() => setDialog(null)} />}
      {dialog === 'sizes' && <SizesDialog book={stored} onShow={setSize} onClose={() => setDialog(null)} />}
      {dialog === 'size' && <SizeDialog book={stored} onClose={() => setDialog(null)} />}
      {dialog === 'save' && <SavePicture book={book} onClose={() => setDialog(null)} />}
      {dialog === 'series' && <SeriesDialog onClose={() => setDialog(null)} />}
      <HistoryDialog open={dialog === 'history'} onClose={() => setDialog(null)} />
      <HouseDialog open={dialog === 'house'} onClose={() => setDialog(null)} />
      <VersionsDialog open={dialog === 'versions'} onClose={() => setDialog(null)} />
    </main>
  );
}
