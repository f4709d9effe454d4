import type { Finding } from '@yosomi/core/base';
import type { MotionKind } from '@yosomi/core/motion';
import {
  type Campaign,
  FORMATS,
  TONES,
  addOwnFormat,
  findFormat,
  findLook,
  setStyle,
  wantFormat,
} from '@yosomi/core/promo';
import type { Others } from '@yosomi/core/recipe';
import { useState } from 'react';
import { sayFault } from '../../messages/say';
import { sentenceOf } from '../../messages/sentences';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Chip, Chips } from '../../ui/chip';
import { ColourField } from '../../ui/colour-field';
import { inputLook } from '../../ui/field';
import { Group } from '../../ui/group';
import { readSize } from '../../ui/measure';
import { useHouse } from '../front/use-house';
import { usePictureInput } from '../front/use-picture-input';
import { onCampaign, takeAsset } from '@yosomi/core/project';
import type { PromoTile } from '../../work/promo-art';
import { TONE_NAMES } from './names';
import { FacesGroup } from './faces-group';
import { MotionGroup } from './motion-group';
import { RevealGroup } from './reveal-group';
import { SaveGroup } from './save-group';
import { SceneMenu } from './scene-menu';
import type { SetCampaign } from './use-campaign';

/** What was found in one format. */
export type Seen = { readonly format: string; readonly findings: readonly Finding[] };

/** How the campaign looks, in which formats, and what is to be looked at in them. */
export function CampaignPanel(props: {
  campaign: Campaign;
  set: SetCampaign;
  others: Others;
  /** The same; null until they are read. */
  read: Others | null;
  colours: readonly string[];
  seen: readonly Seen[];
  /** The format that a series of stills, or a film, is made in. */
  format: string;
  /** Where its wrapping is torn; null where it has none. */
  hole: PromoTile['hole'];
  /** What of that format can move; null while it is not known. */
  motions: readonly MotionKind[] | null;
  onLooks(): void;
}) {
  const { campaign, set, seen } = props;
  return (
    <aside aria-label="The campaign" className="flex h-full w-[264px] shrink-0 flex-col border-l border-line">
      <div className="min-h-0 flex-1 overflow-auto">
        <Group title="How it looks">
          <p className="flex items-baseline justify-between gap-2">
            <span className="font-semibold">{findLook(campaign.style.look)?.name ?? campaign.style.look}</span>
            <Button kind="link" onClick={props.onLooks}>
              See all looks
            </Button>
          </p>
          <SceneMenu campaign={campaign} others={props.read} />
        </Group>
        {campaign.message.kind === 'reveal' && <RevealGroup {...props} />}
        <MotionGroup {...props} />
        <Behind campaign={campaign} set={set} colours={props.colours} />
        <FacesGroup campaign={campaign} set={set} />
        <Formats campaign={campaign} set={set} />
        {seen.length > 0 && (
          <Group title="What to look at">
            <ul className="flex flex-col gap-2">
              {seen.flatMap(({ format, findings }) =>
                findings.map((one, i) => (
                  <li
                    key={`${format}-${one.code}-${i}`}
                    className={`border-l-3 px-3 py-2 ${one.severity === 'note' ? 'border-blue bg-blue-wash' : 'border-may bg-may-wash'}`}
                  >
                    <strong>{findFormat(format, campaign.own)?.name ?? format}:</strong> {sentenceOf(one)}
                  </li>
                )),
              )}
            </ul>
          </Group>
        )}
      </div>
      <div className="border-t border-line">
        <SaveGroup campaign={campaign} others={props.others} format={null} />
      </div>
    </aside>
  );
}

function Behind({ campaign, set, colours }: { campaign: Campaign; set: SetCampaign; colours: readonly string[] }) {
  const { style } = campaign;
  const { house } = useHouse();
  const edit = useSession((s) => s.edit);
  const picture = usePictureInput((taken) => {
    edit('Picture behind the promos', (book) => {
      takeAsset(book, taken.asset);
      return onCampaign(campaign.id, setStyle({ backing: { kind: 'picture', asset: taken.asset.id } }))(book);
    });
  });
  const back = (kind: 'cover' | 'look'): void =>
    void set('Ground', setStyle({ backing: { kind: style.backing.kind === kind ? 'look' : kind } }));
  const look = style.backing.kind === 'look' && style.tone === null && style.colour === null;
  return (
    <Group title="What stands behind it">
      <Chips label="What stands behind it">
        <Chip
          taken={look}
          onTake={() => set('Ground', setStyle({ tone: null, colour: null, backing: { kind: 'look' } }))}
        >
          The look’s own
        </Chip>
        {TONES.map((tone) => (
          <Chip
            key={tone}
            taken={style.tone === tone && style.colour === null}
            onTake={() => set('Ground', setStyle({ tone, colour: null }))}
          >
            {TONE_NAMES[tone]}
          </Chip>
        ))}
        <Chip taken={style.backing.kind === 'cover'} onTake={() => back('cover')}>
          The cover’s picture
        </Chip>
        <Chip
          taken={style.backing.kind === 'picture'}
          onTake={() => (style.backing.kind === 'picture' ? back('look') : picture.open())}
        >
          A picture of my own
        </Chip>
        {picture.input}
      </Chips>
      <ColourField
        label="A colour of my own"
        value={style.colour ?? '#2f5d50'}
        swatches={[...new Set([...house.colours, ...colours])].slice(0, 10)}
        onChange={(colour, dragging) => set('Ground', setStyle({ colour }), dragging ? 'ground-colour' : undefined)}
      />
    </Group>
  );
}

function Formats({ campaign, set }: { campaign: Campaign; set: SetCampaign }) {
  const [typed, setTyped] = useState('');
  const all = [...FORMATS, ...campaign.own];
  const add = (): void => {
    const size = readSize(typed);
    if (!size) return sayFault({ code: 'format-size', data: {} });
    if (set('Own size', addOwnFormat(size.widthPx, size.heightPx))) setTyped('');
  };
  return (
    <Group title="Formats" folded>
      {all.map((format) => (
        <Check
          key={format.id}
          label={`${format.name} ${format.widthPx} x ${format.heightPx}`}
          checked={campaign.formats.includes(format.id)}
          onChange={(on) => void set('Formats', wantFormat(format.id, on))}
        />
      ))}
      <form
        className="flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          add();
        }}
      >
        <input
          aria-label="Own size, width by height"
          className={inputLook}
          placeholder="1200 x 300"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
        <Button type="submit">Add</Button>
      </form>
    </Group>
  );
}
