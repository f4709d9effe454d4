import { WRAPPINGS } from '@yosomi/core/cover';
import { type Campaign, type Reveal, setReveal } from '@yosomi/core/promo';
import type { Others } from '@yosomi/core/recipe';
import { useEffect, useRef, useState } from 'react';
import { sayFault } from '../../messages/say';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { NumberField } from '../../ui/field';
import { Group } from '../../ui/group';
import { Slider } from '../../ui/slider';
import { Working } from '../../ui/working';
import { WRAPPING_NAMES } from './names';
import { saveStills } from './save-campaign';
import type { SetCampaign } from './use-campaign';

const percent = (n: number): string => `${n} %`;

/** How the cover is shown little by little: in what, how much, where, and as a series of stills. */
export function RevealGroup(props: { campaign: Campaign; set: SetCampaign; others: Others; format: string }) {
  const { campaign, set, others, format } = props;
  const { reveal } = campaign;
  const book = useBook();
  const [done, setDone] = useState<number | null>(null);
  const abort = useRef<AbortController | null>(null);
  useEffect(() => () => abort.current?.abort(), []);
  const change = (fields: Partial<Reveal>, dragging = false): void =>
    void set('Reveal', setReveal(fields), dragging ? 'reveal' : undefined);
  const placed = reveal.wrapping !== 'envelope';
  const at = reveal.at ?? { x: 0.5, y: 0.6 };
  const save = async (): Promise<void> => {
    const { signal } = (abort.current = new AbortController());
    setDone(0);
    try {
      await saveStills({ book, campaign, others, format, signal, onProgress: setDone });
    } catch {
      if (!signal.aborted) sayFault({ code: 'work-failed', data: {} });
    } finally {
      setDone(null);
    }
  };
  return (
    <Group title="How it is shown">
      <div role="group" aria-label="Wrapping" className="flex flex-wrap gap-1.5">
        {WRAPPINGS.map((kind) => (
          <button
            key={kind}
            type="button"
            aria-pressed={reveal.wrapping === kind}
            onClick={() => change({ wrapping: kind })}
            className="rounded-sm border border-edge bg-card px-2 py-1 hover:border-ink aria-pressed:bg-ink aria-pressed:font-semibold aria-pressed:text-card"
          >
            {WRAPPING_NAMES[kind]}
          </button>
        ))}
      </div>
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
      {done === null ? (
        <Button onClick={() => void save()}>Save the series</Button>
      ) : (
        <Working label="Making the stills" done={done} onStop={() => abort.current?.abort()} />
      )}
    </Group>
  );
}
