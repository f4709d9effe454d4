import { addCampaign, nextCampaignId } from '@yosomi/core/project';
import { MESSAGE_KINDS, type MessageKind } from '@yosomi/core/promo';
import { useNavigate } from 'react-router';
import { useBook, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { KIND_HINTS, KIND_NAMES } from './names';

/** Where there is no campaign yet, or another is begun: what do you want to say? */
export function FirstCampaign({ onBack, onBegun }: { onBack: (() => void) | null; onBegun(): void }) {
  const book = useBook();
  const edit = useSession((s) => s.edit);
  const navigate = useNavigate();
  const begin = (kind: MessageKind): void => {
    const id = nextCampaignId(book);
    if (!edit('New campaign', addCampaign(KIND_NAMES[kind], kind))) return;
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
              onClick={() => begin(kind)}
              className="flex w-full flex-col rounded-sm border border-edge bg-card px-4 py-3 text-left hover:border-ink"
            >
              <span className="font-semibold">{KIND_NAMES[kind]}</span>
              <span className="text-ink-2">{KIND_HINTS[kind]}</span>
            </button>
          </li>
        ))}
      </ul>
      {onBack && (
        <Button className="self-start" onClick={onBack}>
          Back to the campaign
        </Button>
      )}
    </section>
  );
}
