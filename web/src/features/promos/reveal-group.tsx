import { WRAPPINGS } from '@yosomi/core/cover';
import { type Campaign, type Reveal, setReveal } from '@yosomi/core/promo';
import type { Others } from '@yosomi/core/recipe';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { Chip, Chips } from '../../ui/chip';
import { NumberField } from '../../ui/number-field';
import { Group } from '../../ui/group';
import { Slider } from '../../ui/slider';
import { Working } from '../../ui/working';
import type { PromoTile } from '../../work/promo-art';
import { WRAPPING_NAMES } from './names';
import { saveStills } from './save-campaign';
import type { SetCampaign } from './use-campaign';
import { useWork } from './use-work';

/** So many shapes come one after the other before they begin again. */
const SHAPES = 24;

const percent = (n: number): string => `${n} %`;

/** How the cover is shown little by little: in what, how much, where, and as a series of stills. */
export function RevealGroup(props: {
  campaign: Campaign;
  set: SetCampaign;
  others: Others;
  format: string;
  /** Where the product has torn it. */
  hole: PromoTile['hole'];
}) {
  const { campaign, set, others, format } = props;
  const { reveal } = campaign;
  const book = useBook();
  const work = useWork();
  const change = (fields: Partial<Reveal>, dragging = false): void =>
    void set('Reveal', setReveal(fields), dragging ? 'reveal' : undefined);
  const placed = reveal.wrapping !== 'envelope';
  const at = reveal.at ?? props.hole ?? { x: 0.5, y: 0.6 };
  const save = (): void =>
    work.run((signal, onProgress) => saveStills({ book, campaign, others, format, signal, onProgress }));
  return (
    <Group title="How it is shown">
      <Chips label="Wrapping">
        {WRAPPINGS.map((kind) => (
          <Chip key={kind} taken={reveal.wrapping === kind} onTake={() => change({ wrapping: kind })}>
            {WRAPPING_NAMES[kind]}
          </Chip>
        ))}
      </Chips>
      <Slider
        label="How much is shown"
        value={Math.round(reveal.share * 100)}
        least={0}
        most={100}
        step={1}
        format={percent}
        onChange={(share) => change({ share: share / 100 }, true)}
      />
      {placed && (
        <>
          <Slider
            label="From the left"
            value={Math.round(at.x * 100)}
            least={0}
            most={100}
            step={1}
            format={percent}
            onChange={(x) => change({ at: { ...at, x: x / 100 } }, true)}
          />
          <Slider
            label="From the top"
            value={Math.round(at.y * 100)}
            least={0}
            most={100}
            step={1}
            format={percent}
            onChange={(y) => change({ at: { ...at, y: y / 100 } }, true)}
          />
          <Button kind="link" className="self-start" onClick={() => change({ shape: (reveal.shape + 1) % SHAPES })}>
            Another shape
          </Button>
          {reveal.at && (
            <Button kind="link" className="self-start" onClick={() => change({ at: null })}>
              Where the cover tells most
            </Button>
          )}
        </>
      )}
      <NumberField
        label="Stills in a series"
        value={reveal.stills}
        least={2}
        most={14}
        onChange={(stills, dragging) => change({ stills: Math.round(stills) }, dragging)}
      />
      {work.done === null ? (
        <Button onClick={save}>Save the series</Button>
      ) : (
        <Working label="Making the stills" done={work.done} onStop={work.stop} />
      )}
    </Group>
  );
}
