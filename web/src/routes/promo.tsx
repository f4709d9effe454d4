import { findFormat } from '@yosomi/core/promo';
import { onPromo, promoAt, promoKey } from '@yosomi/core/recipe';
import { supersedingSlot } from '@yosomi/core/jobs';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { AddPart } from '../features/front/add-part';
import { Inspector } from '../features/front/inspector';
import { PartsPanel } from '../features/front/parts-panel';
import { Table } from '../features/front/table';
import { useFrontActions } from '../features/front/use-front-actions';
import { useAllOthers } from '../features/mockups/use-others';
import { MotionGroup } from '../features/promos/motion-group';
import { OwnGroup } from '../features/promos/own-group';
import { SaveGroup } from '../features/promos/save-group';
import { useCampaignEdit } from '../features/promos/use-campaign';
import { useBook } from '../state/session';
import { Side, Sides } from '../ui/sides';
import { useComeBack } from '../work/come-back';
import type { PromoView } from '../work/promo-art';
import { promoTiles } from '../work/promos';
import { useCoverColours } from '../work/queries';
import { studio } from '../work/workers';

const NONE = new Map<string, never>();
const NO_MORE = [] as const;

/** One format of a campaign, open to be changed like a cover. */
export function PromoPage() {
  const book = useBook();
  const { campaign = '', format = '' } = useParams();
  const at = promoAt(book, campaign, format);
  if (!at) {
    return (
      <main className="flex flex-col items-start gap-4 p-12">
        <p role="alert">This campaign or format is not there any more.</p>
        <Link className="underline" to={`/title/${book.id}/promos`}>
          To the promos
        </Link>
      </main>
    );
  }
  return <OpenPromo key={`${campaign}/${format}`} campaignId={campaign} formatId={format} />;
}

function usePromoView(campaignId: string, formatId: string, widthPx: number) {
  const book = useBook();
  const others = useAllOthers(book);
  const [view, setView] = useState<PromoView | null>(null);
  const [shown, setShown] = useState('');
  const [failed, setFailed] = useState(false);
  const at = promoAt(book, campaignId, formatId);
  const back = useComeBack();
  const key = at ? `${promoKey(book, at, others)} ${widthPx} ${back}` : '';
  const [slot] = useState(() =>
    supersedingSlot(
      async (job: { book: typeof book; others: typeof others; at: NonNullable<typeof at>; widthPx: number }) => {
        const abort = new AbortController();
        // The tile is not shown: it sees to it that the pictures are there.
        const keys = await promoTiles(job.book, job.others, [{ id: 'one', at: job.at, widthPx: job.widthPx }], {
          signal: abort.signal,
          onTile: (_, tile) => tile.bitmap.close(),
        });
        return studio.promoView(job.book, [...job.others.values()], job.at, job.widthPx, keys);
      },
    ),
  );
  const latest = useRef({ book, others, at, widthPx });
  useEffect(() => {
    latest.current = { book, others, at, widthPx };
  });
  useEffect(() => {
    const now = latest.current;
    if (!now.at) return;
    let current = true;
    slot({ book: now.book, others: now.others, at: now.at, widthPx: now.widthPx })
      .then((next) => {
        if (!current || !next) return;
        setView(next);
        setShown(key);
        setFailed(false);
      })
      .catch(() => current && setFailed(true));
    return () => {
      current = false;
    };
  }, [key, slot]);
  return { view, fresh: shown === key, failed, others };
}

function OpenPromo({ campaignId, formatId }: { campaignId: string; formatId: string }) {
  const book = useBook();
  const campaign = book.promos[campaignId];
  const set = useCampaignEdit(campaignId);
  const format = findFormat(formatId, campaign.own)!;
  const [width, setWidth] = useState(540);
  const [ground, setGround] = useState(0);
  const { view, fresh, failed, others } = usePromoView(campaignId, formatId, width);
  const { data: colours } = useCoverColours(book);
  const empty = useMemo(
    () => ({
      widthPx: format.widthPx,
      heightPx: format.heightPx,
      finished: false,
      parts: {},
      styles: {},
      groups: {},
      guides: null,
    }),
    [format.widthPx, format.heightPx],
  );
  const doc = view?.doc ?? empty;
  const ruled = view?.ruled ?? null;
  const on = useMemo(() => onPromo(campaignId, formatId, doc, ruled), [campaignId, formatId, doc, ruled]);
  useFrontActions({ doc, on, frames: view?.frames ?? NONE, extra: NO_MORE });
  return (
    <main className="flex min-h-0 flex-1" data-fresh={fresh}>
      <h1 className="sr-only">
        {campaign.name}, {format.name}
      </h1>
      <Sides names={['Parts', 'Inspector']}>
        <Side name="Parts">
          <div className="flex h-full min-h-0 flex-col">
            <Link
              to={`/title/${book.id}/promos/${campaignId}`}
              className="border-r border-b border-line px-4 py-2.5 font-semibold underline underline-offset-2"
            >
              All formats
            </Link>
            <div className="min-h-0 flex-1">
              <PartsPanel doc={doc} on={on} pictures={view?.pictures} reports={NONE} added={[]}>
                <AddPart doc={doc} on={on} colour={colours?.[0] ?? '#16181b'} swatches={colours ?? []} />
              </PartsPanel>
            </div>
          </div>
        </Side>
        <Table
          doc={doc}
          on={on}
          bitmap={view?.bitmap ?? null}
          pictures={view?.pictures}
          frames={view?.frames ?? NONE}
          label={`${format.name} promo for ${book.brief.title.trim() || 'this book'}`}
          onWidth={setWidth}
          onDragging={() => {}}
          ground={ground}
          onGround={setGround}
          guides={false}
          footer={
            <span className="text-xs" role="status">
              {failed ? 'The promo could not be made. Undo the last step or reload.' : fresh ? '' : 'Painting'}
            </span>
          }
        />
        <Side name="Inspector">
          <div className="flex w-[288px] shrink-0 flex-col">
            <div className="min-h-0 flex-1">
              <Inspector
                doc={doc}
                on={on}
                frames={view?.frames ?? NONE}
                reports={NONE}
                findings={view?.findings ?? []}
                added={[]}
                colours={colours ?? []}
                empty={
                  <>
                    <h2 className="px-4 pt-4 text-base font-semibold">
                      {format.name}{' '}
                      <span className="font-mono text-xs font-normal text-ink-2">
                        {format.widthPx} x {format.heightPx}
                      </span>
                    </h2>
                    <OwnGroup campaign={campaign} format={format} doc={doc} />
                  </>
                }
              />
            </div>
            <div className="max-h-[60%] overflow-auto border-t border-l border-line">
              <MotionGroup
                campaign={campaign}
                set={set}
                others={others}
                format={formatId}
                motions={view?.motions ?? null}
              />
              <SaveGroup campaign={campaign} others={others} format={formatId} />
            </div>
          </div>
        </Side>
      </Sides>
    </main>
  );
}
