import type { Doc } from '@yosomi/core/cover';
import { type Campaign, type Format, SLOTS, giveBack, ownOf, setAlt, setOwnWords } from '@yosomi/core/promo';
import { promoAlt, promoFollowing } from '@yosomi/core/recipe';
import { useBook, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { TextField } from '../../ui/field';
import { Group } from '../../ui/group';
import { OWN_NAMES, SLOT_NAMES } from './names';
import { useCampaignEdit } from './use-campaign';

/** What one format has of its own, and how it is given back; its text for whoever cannot see it. `doc` is the promo as it is shown. */
export function OwnGroup({ campaign, format, doc }: { campaign: Campaign; format: Format; doc: Doc }) {
  const book = useBook();
  const set = useCampaignEdit(campaign.id);
  const edit = useSession((s) => s.edit);
  const made = campaign.made[format.id];
  const own = ownOf(campaign, format.id);
  const words = made?.kind === 'ruled' ? made.words : {};
  return (
    <>
      <Group title="What is its own">
        {own === 'rule' ? (
          <p>
            It follows the message and the look. Change a part and this format keeps the change; type on its words and
            it keeps those.
          </p>
        ) : (
          <>
            <p className="first-letter:uppercase">{OWN_NAMES[own]}.</p>
            {SLOTS.filter((slot) => words[slot] !== undefined).map((slot) => (
              <p key={slot} className="flex items-baseline justify-between gap-2">
                <span className="min-w-0 truncate">“{words[slot]}”</span>
                <Button
                  kind="link"
                  aria-label={`Give back ${SLOT_NAMES[slot]}`}
                  onClick={() => set('Give words back', setOwnWords(format.id, slot, null))}
                >
                  Give back
                </Button>
              </p>
            ))}
            <Button onClick={() => set('Give back to the rule', giveBack(format.id))}>
              Give all back to the message and look
            </Button>
          </>
        )}
        {made?.kind === 'drawn' && (
          <Check
            label="Colours follow the cover"
            checked={made.follows}
            onChange={(follows) =>
              void edit(
                follows ? 'Colours follow the cover' : 'Colours stay',
                promoFollowing(campaign.id, format.id, doc, follows),
              )
            }
          />
        )}
      </Group>
      <Group title="Alt text">
        <TextField
          label="For whoever cannot see it"
          hideLabel
          lines={4}
          maxLength={500}
          value={promoAlt(book, { campaign, format })}
          onChange={(text) => set('Alt text', setAlt(format.id, text), 'alt')}
        />
        {campaign.alt[format.id] !== undefined && (
          <Button kind="link" className="self-start" onClick={() => set('Alt text', setAlt(format.id, null))}>
            Draft it from the message
          </Button>
        )}
      </Group>
    </>
  );
}
