import { useLiveQuery } from 'dexie-react-hooks';
import { loadBook } from '../../persist/titles';
import { addCampaign, nextCampaignId } from '@yosomi/core/project';
import { type Campaign, MESSAGE_KINDS, type MessageKind, findLook, formatsOf, lookFor } from '@yosomi/core/promo';
import { useNavigate } from 'react-router';
import { useBook, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { useShelfCards } from '../mockups/use-others';
import { KIND_HINTS, KIND_NAMES } from './names';

/** Where there is no campaign yet, or another is begun: what do you want to say? */
export function FirstCampaign({ onBack, onBegun }: { onBack: (() => void) | null; onBegun(): void }) {
  const book = useBook();
  const edit = useSession((s) => s.edit);
  const navigate = useNavigate();
  const start = (name: string, from: MessageKind | Campaign): void => {
    const id = nextCampaignId(book);
    if (!edit('New campaign', addCampaign(name, from))) return;
    onBegun();
    void navigate(`/title/${book.id}/promos/${id}`);
  };
  return (
    <section aria-label="New campaign" className="mx-auto flex w-full max-w-2xl flex-col gap-5 p-10">
      <h2 className="text-lg font-semibold">What do you want to say?</h2>
      <p className="text-ink-2">
        Type the message once. Every format is composed from it and from the cover, and follows both.
      </p>
      <ul className="grid grid-cols-1 gap-3 min-[760px]:grid-cols-2">
        {MESSAGE_KINDS.map((kind) => (
          <li key={kind}>
            <button
              type="button"
              onClick={() => start(KIND_NAMES[kind], kind)}
              className="flex w-full flex-col rounded-sm border border-edge bg-card px-4 py-3 text-left hover:border-ink"
            >
              <span className="font-semibold">{KIND_NAMES[kind]}</span>
              <span className="text-ink-2">{KIND_HINTS[kind]}</span>
            </button>
          </li>
        ))}
      </ul>
      <FromOthers onBegin={start} />
      {onBack && (
        <Button className="self-start" onClick={onBack}>
          Back to the campaign
        </Button>
      )}
    </section>
  );
}

/** So many campaigns of other titles are offered. */
const OFFERED = 8;

/** Campaigns of other titles, whose look, formats and button this title can begin with. */
function FromOthers({ onBegin }: { onBegin(name: string, from: Campaign): void }) {
  const book = useBook();
  const shelf = useShelfCards();
  const ids = (shelf ?? [])
    .filter(({ id, campaigns }) => id !== book.id && campaigns > 0)
    .slice(0, OFFERED)
    .map(({ id }) => id);
  const read = useLiveQuery(() => Promise.all(ids.map(loadBook)), [ids.join(' ')]) ?? [];
  const offered = read
    .flatMap((one) => (one.ok ? [one.value] : []))
    .flatMap((one) => Object.values(one.promos).map((campaign) => ({ title: one.brief.title.trim(), campaign })))
    .slice(0, OFFERED);
  if (offered.length === 0) return null;
  return (
    <section aria-label="As for another title" className="flex flex-col gap-2">
      <h3 className="font-semibold">As for another title</h3>
      <p className="text-ink-2">With its look, its formats and its button. The words come from this title’s Brief.</p>
      <ul className="flex flex-col divide-y divide-line border-y border-line">
        {offered.map(({ title, campaign }, i) => (
          <li key={i} className="flex items-center justify-between gap-4 py-2">
            <span>
              <span className="font-semibold">{campaign.name || 'Promo'}</span> of {title || 'Untitled'}
              <span className="block text-xs text-ink-2">
                {KIND_NAMES[campaign.message.kind]}, {findLook(campaign.style.look)?.name ?? campaign.style.look},{' '}
                {formatsOf(campaign).length} formats
              </span>
            </span>
            <Button
              aria-label={`Begin as ${campaign.name || 'Promo'} of ${title || 'Untitled'}`}
              onClick={() =>
                onBegin(
                  campaign.name,
                  lookFor(campaign, { has: (id) => (book.assets[id] ?? book.faces[id]) !== undefined }),
                )
              }
            >
              Begin like this
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
