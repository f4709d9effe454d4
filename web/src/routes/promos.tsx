import { FIELDS, LOOKS, favourLook, findLook, formatsOf, fromBrief, setStyle, showWording } from '@yosomi/core/promo';
import { noOthers } from '@yosomi/core/recipe';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useReadOthers } from '../features/mockups/use-others';
import { CampaignBar } from '../features/promos/campaign-bar';
import { CampaignPanel } from '../features/promos/campaign-panel';
import { ContactSheet, rowsOf, useWidth } from '../features/promos/contact-sheet';
import { FirstCampaign } from '../features/promos/first-campaign';
import { ChoiceSheet } from '../features/promos/choice-sheet';
import { LooksBar } from '../features/promos/looks-bar';
import { MessagePanel } from '../features/promos/message-panel';
import { type Choice, type LooksShown, keptSheet, looksSheet, wordingsSheet } from '../features/promos/sheets';
import { useCampaignEdit } from '../features/promos/use-campaign';
import { usePromoTiles } from '../features/promos/use-promo-tiles';
import { useSeen } from '../features/promos/use-seen';
import { useActions } from '../state/actions';
import { useBook } from '../state/session';
import { Segmented } from '../ui/segmented';
import { Side, Sides } from '../ui/sides';
import { SkipLink } from '../ui/skip-link';
import { useCoverColours } from '../work/queries';
import type { PromoAsk } from '../work/promos';

type View = 'formats' | 'wordings' | 'looks' | 'kept';
const VIEWS: readonly { readonly value: View; readonly label: string }[] = [
  { value: 'formats', label: 'Formats' },
  { value: 'wordings', label: 'Wordings' },
  { value: 'looks', label: 'Looks' },
  { value: 'kept', label: 'Favourites' },
];
const ALL_LOOKS: LooksShown = { family: null, like: null };

/** Height of a row of the contact sheet, and width of a tile among the looks, CSS px. */
const ROW = 214;
const LOOK_PX = 230;

const density = (): number => Math.min(2, window.devicePixelRatio || 1);

/** Campaigns of a title: one message in all its formats and looks. */
export function PromosPage() {
  const book = useBook();
  const { campaign: wanted } = useParams();
  const campaign = book.promos[wanted ?? ''] ?? Object.values(book.promos)[0];
  const [fresh, setFresh] = useState(false);
  return (
    <main className="flex min-h-0 flex-1">
      <h1 className="sr-only">Promos</h1>
      {campaign && !fresh ? (
        <CampaignPage key={campaign.id} id={campaign.id} onNew={() => setFresh(true)} />
      ) : (
        <div className="min-h-0 flex-1 overflow-auto">
          <FirstCampaign
            key={wanted}
            onBack={campaign ? () => setFresh(false) : null}
            onBegun={() => setFresh(false)}
          />
        </div>
      )}
    </main>
  );
}

function CampaignPage({ id, onNew }: { id: string; onNew(): void }) {
  const book = useBook();
  const campaign = book.promos[id];
  const read = useReadOthers(book);
  const others = read ?? noOthers;
  // Before the other volumes are read, nothing is composed that would be made anew at once.
  const ready = read !== null;
  const navigate = useNavigate();
  const set = useCampaignEdit(id);
  const { data: colours } = useCoverColours(book);
  const [wanted, setView] = useState<View>('formats');
  const worded = FIELDS[campaign.message.kind].includes('headline');
  const view = wanted === 'wordings' && !worded ? 'formats' : wanted;
  const [shown, setShown] = useState(ALL_LOOKS);
  const [chosen, setChosen] = useState<string | null>(null);
  const [room, width] = useWidth<HTMLDivElement>();

  const formats = useMemo(() => formatsOf(campaign), [campaign]);
  const rows = useMemo(
    () =>
      width > 0 && ready
        ? rowsOf(
            formats.map(({ id, widthPx, heightPx }) => ({ id, ratio: widthPx / heightPx })),
            width,
            ROW,
          )
        : [],
    [formats, width, ready],
  );
  const byId = useMemo(() => new Map(formats.map((one) => [one.id, one])), [formats]);
  const formatAsks = useMemo(
    (): PromoAsk[] =>
      rows.flat().flatMap((place) => {
        const format = byId.get(place.id);
        const at = format && { campaign, format };
        return at ? [{ id: place.id, at, widthPx: Math.max(16, Math.round(place.width * density())) }] : [];
      }),
    [rows, byId, campaign],
  );
  const first = (chosen && byId.get(chosen)) || formats[0];
  const sections = useMemo(() => {
    const made = first && { campaign, format: first, widthPx: Math.round(LOOK_PX * density()) };
    if (!made || view === 'formats') return [];
    if (view === 'looks') return looksSheet(made, shown);
    if (view === 'kept') return keptSheet(made, formats);
    const names = campaign.message.wordings.map(
      ({ headline }) => headline ?? (fromBrief(campaign.message.kind, 'headline', book.brief) || 'No headline'),
    );
    return wordingsSheet(made, names);
  }, [view, shown, campaign, first, formats, book.brief]);
  const choiceAsks = useMemo(() => sections.flatMap(({ choices }) => choices.map(({ ask }) => ask)), [sections]);
  const quick = view === 'looks' || view === 'kept';
  const sheet = usePromoTiles(book, others, view === 'formats' ? formatAsks : choiceAsks, quick);
  const tile = view === 'formats' && first ? sheet.tiles.get(first.id) : undefined;
  const ats = useMemo(() => formatAsks.map(({ at }) => at), [formatAsks]);
  const seen = useSeen(book, others, ats, sheet.keys, view === 'formats' && sheet.fresh && formatAsks.length > 0);
  const take = ({ name, take }: Choice): void =>
    'wording' in take
      ? void set('Wording', showWording(take.wording))
      : void set(`Look: ${findLook(take.style.look ?? '')?.name ?? name}`, setStyle(take.style));
  const open = (format: string): void => void navigate(`/title/${book.id}/promos/${id}/${format}`);

  const offer = useActions((s) => s.offer);
  const withdraw = useActions((s) => s.withdraw);
  useEffect(() => {
    offer('promos', [
      { id: 'promo-formats', label: 'Show all formats', group: 'Promos', run: () => setView('formats') },
      { id: 'promo-looks', label: 'Show all looks', group: 'Promos', run: () => setView('looks') },
      { id: 'promo-new', label: 'New campaign', group: 'Promos', run: onNew },
      ...LOOKS.map((look) => ({
        id: `promo-look-${look.id}`,
        label: `Look: ${look.name}`,
        group: 'Promos',
        run: () => void set('Look', setStyle({ look: look.id })),
      })),
    ]);
    return () => withdraw('promos');
  }, [offer, withdraw, onNew, set]);

  return (
    <div className="contents" data-fresh={sheet.fresh && rows.length > 0}>
      <SkipLink to="button[data-tile][tabindex='0']">To the promos</SkipLink>
      <Sides names={['The message', 'The campaign']}>
        <Side name="The message">
          <MessagePanel campaign={campaign} set={set} />
        </Side>
        <section aria-label="The sheet" className="flex min-w-0 flex-1 flex-col">
          <div className="flex flex-wrap items-center gap-2.5 border-b border-line px-4 py-2">
            <CampaignBar book={book} campaign={campaign} onNew={onNew} />
            <div className="w-96 max-w-full">
              <Segmented<View>
                label="What is shown"
                value={view}
                options={worded ? VIEWS : VIEWS.filter(({ value }) => value !== 'wordings')}
                onChange={setView}
              />
            </div>
            <span role="status" className="text-xs text-ink-2">
              {sheet.failed
                ? 'The promos could not be made. Undo the last step or reload.'
                : sheet.fresh
                  ? ''
                  : 'Composing'}
            </span>
          </div>
          <div className="min-h-0 flex-1 overflow-y-auto bg-table p-4.5">
            <div ref={room}>
              {view === 'formats' && (
                <ContactSheet
                  campaign={campaign}
                  rows={rows}
                  formats={byId}
                  tiles={sheet.tiles}
                  chosen={chosen}
                  onChoose={setChosen}
                  onOpen={open}
                />
              )}
              {view === 'looks' && <LooksBar shown={shown} onShow={setShown} />}
              {sections.length > 0 && (
                <ChoiceSheet
                  sections={sections}
                  tiles={sheet.tiles}
                  favourites={campaign.favourites}
                  looks={view === 'looks'}
                  onTake={take}
                  onKeep={(look) => set('Favourite look', favourLook(look, !campaign.favourites.includes(look)))}
                  onMore={(like) => setShown({ family: null, like })}
                />
              )}
              {view === 'kept' && sections.length === 0 && (
                <p className="p-6 text-ink">
                  No favourites yet. Press the star of a look, or K, and compare them here in several formats.
                </p>
              )}
            </div>
          </div>
        </section>
        <Side name="The campaign">
          <CampaignPanel
            campaign={campaign}
            set={set}
            others={others}
            read={read}
            colours={colours ?? []}
            seen={view === 'formats' ? seen : []}
            format={first?.id ?? ''}
            hole={tile?.hole ?? null}
            motions={tile?.motions ?? null}
            onLooks={() => setView('looks')}
          />
        </Side>
      </Sides>
    </div>
  );
}
