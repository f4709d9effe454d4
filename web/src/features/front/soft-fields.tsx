import { type PicturePart, type SoftMask, setSoft, wholeSoft } from '@yosomi/core/cover';
import { useEffect } from 'react';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { ColourField } from '../../ui/colour-field';
import { Menu } from '../../ui/menu';
import { NumberField } from '../../ui/number-field';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { useBrush } from './brush';
import { Share, degrees, radians } from './fields';
import type { On } from './use-set';

const QUARTER = Math.PI / 2;
/** Ways to fade out, with their angles: 0 to the right, a quarter turn to the foot. */
const WAYS = [
  { value: 'foot', label: 'To the foot', angleRad: QUARTER },
  { value: 'top', label: 'To the top', angleRad: -QUARTER },
  { value: 'left', label: 'To the left', angleRad: Math.PI },
  { value: 'right', label: 'To the right', angleRad: 0 },
] as const;

const percent = (v: number): string => `${Math.round(v * 100)} %`;

/** What of a picture is seen by degrees: faded out, painted away by hand, one colour taken out. */
export function SoftFields(props: { part: PicturePart; on: On; swatches: readonly string[] }) {
  const { part, on, swatches } = props;
  const edit = useSession((s) => s.edit);
  const brush = useBrush();
  const brushing = brush.part === part.id;
  const { fade, strokes, clear } = part.soft ?? wholeSoft;
  const set = (what: string, fields: Partial<SoftMask>, merge: string | false = false): void =>
    void edit(what, on(setSoft(part.id, fields)), merge ? `${merge}-${part.id}` : null);
  // The brush is laid down with the picture.
  const { set: setBrush } = brush;
  useEffect(() => () => setBrush({ part: null }), [setBrush]);
  const way =
    fade === null
      ? 'none'
      : fade.kind === 'round'
        ? 'round'
        : (WAYS.find(({ angleRad }) => Math.abs(angleRad - fade.angleRad) < 0.01)?.value ?? 'angle');
  return (
    <>
      <div className="flex flex-col gap-1">
        <p className="font-semibold">Fades out</p>
        <Menu
          label="Fades out"
          value={way}
          groups={[
            {
              title: 'Fades out',
              options: [
                { value: 'none', label: 'Nowhere' },
                ...WAYS.map(({ value, label }) => ({ value, label })),
                ...(way === 'angle' ? [{ value: 'angle', label: 'At an angle' }] : []),
                { value: 'round', label: 'All round' },
              ],
            },
          ]}
          onChange={(value) => {
            const side = WAYS.find((one) => one.value === value);
            if (side) set('Fade', { fade: { kind: 'side', angleRad: side.angleRad, from: 0.4, to: 0.95 } });
            else if (value === 'round') set('Fade', { fade: { kind: 'round', from: 0.5, to: 1 } });
            else if (value === 'none') set('Fade', { fade: null });
          }}
        />
      </div>
      {fade && (
        <>
          <Slider
            label="Begins at"
            value={fade.from}
            least={0}
            most={fade.kind === 'round' ? 1.4 : 1}
            step={0.01}
            format={percent}
            onChange={(from) => set('Fade', { fade: { ...fade, from, to: Math.max(fade.to, from) } }, 'fade-from')}
          />
          <Slider
            label="Gone at"
            value={fade.to}
            least={0}
            most={fade.kind === 'round' ? 1.5 : 1}
            step={0.01}
            format={percent}
            onChange={(to) => set('Fade', { fade: { ...fade, to, from: Math.min(fade.from, to) } }, 'fade-to')}
          />
        </>
      )}
      {fade?.kind === 'side' && (
        <NumberField
          label="Direction"
          unit="°"
          value={degrees(fade.angleRad)}
          least={-180}
          most={180}
          onChange={(v, d) => set('Fade', { fade: { ...fade, angleRad: radians(v) } }, d && 'fade-turn')}
        />
      )}
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <Button
          aria-pressed={brushing}
          disabled={part.locked}
          onClick={() => brush.set({ part: brushing ? null : part.id })}
        >
          {brushing ? 'Done painting' : 'Paint parts away'}
        </Button>
        {strokes.length > 0 && (
          <Button kind="link" onClick={() => set('Remove all strokes', { strokes: [] })}>
            {strokes.length === 1 ? 'Remove the stroke' : `Remove all ${strokes.length} strokes`}
          </Button>
        )}
      </div>
      {brushing && (
        <div className="flex flex-col gap-2.5 border-l border-line pl-3" role="group" aria-label="Brush">
          <Segmented
            label="The brush"
            value={brush.show ? 'show' : 'hide'}
            onChange={(value) => brush.set({ show: value === 'show' })}
            options={[
              { value: 'hide', label: 'Takes away' },
              { value: 'show', label: 'Brings back' },
            ]}
          />
          <NumberField
            label="Width of the brush"
            unit="px"
            value={brush.widthPx}
            least={8}
            most={1200}
            onChange={(widthPx) => brush.set({ widthPx: Math.round(widthPx) })}
          />
          <Share label="Softness" value={brush.soft} onChange={(soft) => brush.set({ soft })} />
        </div>
      )}
      <Check
        label="Take out a colour"
        hint="Such as a plain wall or sky. Its share at edges goes too."
        checked={clear !== null}
        onChange={(yes) =>
          set('Colour taken out', { clear: yes ? { colour: '#ffffff', reach: 0.1, soft: 0.08 } : null })
        }
      >
        {clear && (
          <>
            <ColourField
              label="Colour that goes"
              value={clear.colour}
              swatches={swatches.slice(0, 5)}
              onChange={(colour, d) => set('Colour taken out', { clear: { ...clear, colour } }, d && 'clear-colour')}
            />
            <Slider
              label="How near"
              value={clear.reach}
              least={0}
              most={0.5}
              step={0.005}
              format={percent}
              onChange={(reach) => set('Colour taken out', { clear: { ...clear, reach } }, 'clear-reach')}
            />
            <Slider
              label="Softness"
              value={clear.soft}
              least={0.005}
              most={0.4}
              step={0.005}
              format={percent}
              onChange={(soft) => set('Colour taken out', { clear: { ...clear, soft } }, 'clear-soft')}
            />
          </>
        )}
      </Check>
    </>
  );
}
