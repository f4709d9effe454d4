import type { Book } from '@yosomi/core/project';
import { nameOfCard, nearSeries } from '@yosomi/core/shelf';
import { Suspense, lazy, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { NewVolume } from '../features/series/new-volume';
import { oddNumbers, seriesPath } from '../features/series/odd-numbers';
import { putInSeries } from '../features/series/rename-series';
import { Volumes } from '../features/series/series-dialog';
import { SharedTable } from '../features/series/shared-table';
import { SpinesRow } from '../features/series/spines-row';
import { useSeries } from '../features/series/use-series';
import { VolumesRow } from '../features/series/volumes-row';
import { Making } from '../features/title-table/making-now';
import { saveTitlesTable } from '../features/title-table/save-table';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Mark } from '../ui/mark';
import { Menu } from '../ui/menu';
import { NameDialog } from '../ui/name-dialog';
import { Verdict } from '../ui/verdict';

const BatchDialog = lazy(() => import('../features/deliver/batch-dialog').then((m) => ({ default: m.BatchDialog })));

const heading = 'text-base font-semibold';

/** A series as one thing: its volumes, their spines, what they share, and what is done with all of them. */
export function SeriesPage() {
  const name = useParams().name ?? '';
  const series = useSeries(name);
  const navigate = useNavigate();
  const [asks, setAsks] = useState<'new' | 'rename' | 'deliver' | null>(null);
  const [lead, setLead] = useState<string | null>(null);
  /** The volume whose front is carried, as it was when that was asked for. */
  const [carried, setCarried] = useState<Book | null>(null);
  if (!series) return <main aria-label={name} />;
  const { volumes, cards, books } = series;
  const odd = oddNumbers(volumes);
  const near = nearSeries(cards, name);
  const nearCards = cards.filter((card) => near.includes(card.series));
  const ids = volumes.map(({ id }) => id);
  const fronts = books?.filter(({ cover }) => !cover.finished) ?? [];
  const leader = fronts.find(({ id }) => id === lead) ?? fronts[0] ?? null;
  const close = (): void => setAsks(null);
  return (
    <main className="flex min-h-full flex-col gap-8 px-4 pt-8 pb-12 min-[1000px]:px-10">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-3">
        <Link to="/" aria-label="Back to the Shelf">
          <Mark className="text-ink" size={30} />
        </Link>
        <h1 className="min-w-0 text-lg font-semibold wrap-anywhere">{name}</h1>
        <p role="status" className="text-ink-2">
          {volumes.length === 1 ? 'One volume' : `${volumes.length} volumes`}
        </p>
        {volumes.length > 0 && (
          <div className="ml-auto flex flex-wrap gap-2">
            <Button onClick={() => setAsks('deliver')}>Deliver them</Button>
            <Button onClick={() => void saveTitlesTable(ids)}>Save as a table</Button>
            <Button onClick={() => setAsks('rename')}>Rename the series</Button>
          </div>
        )}
      </header>
      <div className="flex flex-col gap-3 empty:hidden">
        {odd && <Verdict grade="may">{odd}</Verdict>}
        {near.length > 0 && (
          <div className="flex flex-wrap items-center gap-3">
            <Verdict grade="may">
              {nearCards.length === 1 ? 'One title is' : `${nearCards.length} titles are`} in{' '}
              {near.map((one) => `“${one}”`).join(', ')}, which may be the same series.
            </Verdict>
            <Button
              onClick={() =>
                void putInSeries(
                  nearCards.map(({ id }) => id),
                  name,
                )
              }
            >
              {nearCards.length === 1 ? 'Put it in this one' : 'Put them in this one'}
            </Button>
          </div>
        )}
        <Making />
      </div>
      {volumes.length === 0 ? (
        <p className="text-ink-2">
          No title on the Shelf is in this series.{' '}
          <Link to="/" className="underline underline-offset-2 hover:no-underline">
            Back to the Shelf
          </Link>
        </p>
      ) : (
        <>
          <section aria-label="Volumes">
            <VolumesRow volumes={volumes} onNew={() => setAsks('new')} />
          </section>
          <section className="flex flex-col gap-3">
            <h2 className={heading}>Spines side by side</h2>
            {books && <SpinesRow books={books} />}
          </section>
          <section aria-label="The design" className="flex flex-col gap-3">
            <h2 className={heading}>The design</h2>
            <p className="max-w-[70ch] text-ink-2">
              Change one volume on its Front, then carry that front to the others. You see every volume before anything
              is taken, and one Undo takes it back from all.
            </p>
            {leader && volumes.length > 1 ? (
              <div className="flex flex-wrap items-center gap-3">
                <div className="w-72">
                  <Menu
                    label="The volume whose front is carried"
                    value={leader.id}
                    groups={[
                      {
                        title: 'The front of',
                        options: fronts.map(({ id, brief }) => ({
                          value: id,
                          label: brief.title.trim() || 'Untitled',
                        })),
                      },
                    ]}
                    onChange={setLead}
                  />
                </div>
                <Button kind="ink" onClick={() => setCarried(leader)}>
                  Carry its front to the others
                </Button>
              </div>
            ) : (
              books && (
                <p>{volumes.length === 1 ? 'There is no other volume yet.' : 'All fronts are finished files.'}</p>
              )
            )}
          </section>
          <section className="flex flex-col gap-3">
            <h2 className={heading}>What they share</h2>
            {books ? <SharedTable books={books} /> : <p role="status">Reading the volumes</p>}
          </section>
        </>
      )}
      <Suspense fallback={null}>
        {asks === 'deliver' && <BatchDialog cards={volumes} onClose={close} />}
        {asks === 'new' && books?.[0] && <NewVolume name={name} volumes={volumes} like={books[0]} onClose={close} />}
        {asks === 'rename' && (
          <NameDialog
            title="Rename the series"
            description={`All ${volumes.length} volumes follow, on their covers too.`}
            label="Name"
            usual={name}
            onClose={close}
            onKeep={(next) => {
              close();
              if (next === name) return;
              void putInSeries(ids, next).then((all) => all && navigate(seriesPath(next), { replace: true }));
            }}
          />
        )}
        {carried && (
          <Dialog
            open
            wide
            onClose={() => setCarried(null)}
            title="One design for the series"
            description={`Each volume in the front of “${nameOfCard({ title: carried.brief.title.trim() })}”, in its own words and pictures. The cover it had is kept as a version.`}
          >
            <Volumes book={carried} series={ids.filter((id) => id !== carried.id)} onClose={() => setCarried(null)} />
          </Dialog>
        )}
      </Suspense>
    </main>
  );
}
