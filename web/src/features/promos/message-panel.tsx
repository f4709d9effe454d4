import {
  type Campaign,
  FIELDS,
  MESSAGE_KINDS,
  MOST_WORDINGS,
  type MessageField,
  addWording,
  fromBrief,
  readPrice,
  removeWording,
  setField,
  setKind,
  showWording,
} from '@yosomi/core/promo';
import { useId } from 'react';
import { useFrom } from '../../state/session';
import { Button } from '../../ui/button';
import { Chip, Chips } from '../../ui/chip';
import { TextField, inputLook } from '../../ui/field';
import { KIND_NAMES, FIELD_NAMES, dateName } from './names';
import type { SetCampaign } from './use-campaign';

const LONG: Partial<Record<MessageField, number>> = { headline: 2, line: 2, quotation: 4 };
const MOST: Partial<Record<MessageField, number>> = { headline: 300, line: 300, quotation: 400, call: 60, badge: 40 };

/** What the campaign says: typed once, shown in every format. What is left empty follows the Brief, or is left out. */
export function MessagePanel({ campaign, set }: { campaign: Campaign; set: SetCampaign }) {
  const { message } = campaign;
  return (
    <aside
      aria-label="The message"
      className="flex h-full w-[236px] shrink-0 flex-col gap-3 overflow-auto border-r border-line p-4"
    >
      <h2 className="text-base font-semibold">The message</h2>
      <Chips label="Kind of message">
        {MESSAGE_KINDS.map((kind) => (
          <Chip key={kind} taken={message.kind === kind} onTake={() => set('Kind of message', setKind(kind))}>
            {KIND_NAMES[kind]}
          </Chip>
        ))}
      </Chips>
      {FIELDS[message.kind].map((field) => (
        <Field key={field} field={field} campaign={campaign} set={set} />
      ))}
      <Wordings campaign={campaign} set={set} />
    </aside>
  );
}

function Field({ field, campaign, set }: { field: MessageField; campaign: Campaign; set: SetCampaign }) {
  const { message } = campaign;
  const id = useId();
  const brief = useFrom((b) => b.brief);
  const label = field === 'date' ? dateName(message.kind) : FIELD_NAMES[field];
  const change = (value: Parameters<typeof setField>[1]): void =>
    void set(label, setField(field, value), `message-${field}`);
  switch (field) {
    case 'free':
      return (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-ink"
            checked={message.free}
            onChange={(e) => change(e.target.checked)}
          />
          {label}
        </label>
      );
    case 'price':
      return message.free ? null : <Price campaign={campaign} onChange={change} />;
    case 'date':
    case 'time':
      return (
        <div className="flex flex-col gap-1">
          <label htmlFor={id} className="font-semibold">
            {label}
          </label>
          <input
            id={id}
            type={field}
            className={inputLook}
            value={message[field] ?? ''}
            onChange={(e) => change(e.target.value || null)}
          />
        </div>
      );
    case 'days':
      return (
        <TextField
          label={label}
          inputMode="numeric"
          placeholder="Leave empty for none"
          maxLength={3}
          value={message.days === null ? '' : String(message.days)}
          onChange={(text) => {
            const days = Number.parseInt(text.replace(/\D/g, ''), 10);
            change(Number.isNaN(days) ? null : days);
          }}
        />
      );
    default: {
      const own = field === 'headline' || field === 'line' ? message.wordings[message.shown]?.[field] : message[field];
      const usual = fromBrief(message.kind, field, brief);
      return (
        <div className="flex flex-col gap-1">
          <TextField
            label={label}
            lines={LONG[field] ?? 1}
            maxLength={MOST[field] ?? 120}
            value={own ?? usual}
            placeholder="Leave empty for none"
            onChange={change}
          />
          {own === null || own === undefined
            ? usual && <p className="text-xs text-ink-2">From the Brief</p>
            : usual &&
              usual !== own && (
                <Button kind="link" className="self-start text-xs" onClick={() => change(null)}>
                  Take it from the Brief
                </Button>
              )}
        </div>
      );
    }
  }
}

function Price({ campaign, onChange }: { campaign: Campaign; onChange(price: Campaign['message']['price']): void }) {
  const id = useId();
  const { price } = campaign.message;
  const shown = price ? `${price.amount} ${price.currency}` : '';
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-semibold">
        {FIELD_NAMES.price}
      </label>
      <input
        // What was typed stands until it is left; then it stands as it was understood.
        key={shown}
        id={id}
        className={inputLook}
        defaultValue={shown}
        placeholder="0.99 USD"
        onBlur={(e) => onChange(e.target.value.trim() ? readPrice(e.target.value, price?.currency ?? 'USD') : null)}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
    </div>
  );
}

function Wordings({ campaign, set }: { campaign: Campaign; set: SetCampaign }) {
  const { wordings, shown } = campaign.message;
  const brief = useFrom((b) => b.brief);
  if (!FIELDS[campaign.message.kind].includes('headline')) return null;
  return (
    <section aria-label="Wordings" className="flex flex-col gap-2 border-t border-line pt-3">
      {wordings.length > 1 && (
        <ul className="flex flex-col gap-1">
          {wordings.map((one, i) => (
            <li key={i} className="flex items-center gap-1">
              <button
                type="button"
                aria-pressed={i === shown}
                onClick={() => set('Wording', showWording(i))}
                className="min-w-0 flex-1 truncate rounded-sm px-2 py-1 text-left hover:bg-line/60 aria-pressed:bg-blue-wash aria-pressed:font-semibold"
              >
                {one.headline ?? (fromBrief(campaign.message.kind, 'headline', brief) || 'No headline')}
              </button>
              <Button
                kind="quiet"
                aria-label={`Remove wording ${i + 1}`}
                onClick={() => set('Remove a wording', removeWording(i))}
              >
                Remove
              </Button>
            </li>
          ))}
        </ul>
      )}
      {wordings.length < MOST_WORDINGS && (
        <Button kind="link" className="self-start" onClick={() => set('Another wording', addWording)}>
          Another wording
        </Button>
      )}
    </section>
  );
}
