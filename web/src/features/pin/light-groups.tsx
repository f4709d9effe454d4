import {
  MOST_RADIUS,
  type Mark,
  type Marked,
  type PinFace,
  type PinLayer,
  type PinScene,
  addMark,
} from '@yosomi/core/pin';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { ColourField } from '../../ui/colour-field';
import { Group } from '../../ui/group';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { useCoverColours } from '../../work/queries';
import { type Brush, LABELS } from './use-brush';
import type { SetFace, SetPin } from './use-pin';

const percent = (v: number): string => `${Math.round(v * 100)}`;

const LAYERS: readonly (readonly [layer: Exclude<PinLayer, 'painted' | 'front'>, label: string])[] = [
  ['smooth', 'Soft shading'],
  ['creases', 'Folds, shadows'],
  ['gleam', 'Gleam'],
];

const hide = (layer: PinLayer, hidden: boolean) => (p: PinScene) =>
  void (p.hidden = [...p.hidden.filter((one) => one !== layer), ...(hidden ? [layer] : [])]);

/** How much of the photograph's own light, noise and softness the art takes. */
export function OwnLightGroup({
  pin,
  face,
  set,
  setFace,
}: {
  pin: PinScene;
  face: PinFace;
  set: SetPin;
  setFace: SetFace;
}) {
  return (
    <Group title="Light of the photograph">
      {LAYERS.map(([layer, label]) => (
        <Slider
          key={layer}
          label={label}
          value={face.light[layer]}
          least={0}
          most={1.5}
          step={0.01}
          onChange={(v) => setFace(label, (f) => void (f.light[layer] = v), `light-${layer}`)}
          format={percent}
        />
      ))}
      <Slider
        label="Its brightness and colour"
        value={face.light.tone}
        least={0}
        most={1.5}
        step={0.01}
        onChange={(v) => setFace('Brightness and colour', (f) => void (f.light.tone = v), 'light-tone')}
        format={percent}
      />
      <Slider
        label="Its noise and softness"
        value={face.grain}
        least={0}
        most={1}
        step={0.01}
        onChange={(v) => setFace('Noise and softness', (f) => void (f.grain = v), 'grain')}
        format={percent}
      />
      <fieldset className="flex flex-col gap-1.5">
        <legend className="pb-1 text-xs font-semibold text-ink-2">Layers that are seen</legend>
        {LAYERS.map(([layer, label]) => (
          <Check
            key={layer}
            label={label}
            checked={!pin.hidden.includes(layer)}
            onChange={(on) => set(`${label}: ${on ? 'seen' : 'hidden'}`, hide(layer, !on))}
          />
        ))}
        <Check
          label="Painted light"
          checked={!pin.hidden.includes('painted')}
          onChange={(on) => set(`Painted light: ${on ? 'seen' : 'hidden'}`, hide('painted', !on))}
        />
        <Check
          label="What is in front"
          checked={!pin.hidden.includes('front')}
          onChange={(on) => set(`What is in front: ${on ? 'seen' : 'hidden'}`, hide('front', !on))}
        />
      </fieldset>
    </Group>
  );
}

/** The last mark of a mask, when it was taken by colour: it can still be widened. */
const lastRange = (pin: PinScene, on: Marked): Extract<Mark, { kind: 'range' }> | null => {
  const last = pin.marks.filter((mark) => mark.on === on).at(-1);
  return last?.kind === 'range' ? last : null;
};

/** The brush that marks what is in front or away, or paints light. */
export function BrushGroup(props: {
  pin: PinScene;
  on: Marked;
  brush: Brush;
  set: SetPin;
  onBrush(brush: Brush): void;
  onPaint?(on: Marked): void;
}) {
  const { pin, on, brush, set, onBrush, onPaint } = props;
  const most = Math.min(MOST_RADIUS, Math.max(pin.photo.widthPx, pin.photo.heightPx) / 5);
  const count = pin.marks.filter((mark) => mark.on === on).length;
  const light = on === 'shade' || on === 'light';
  const range = lastRange(pin, on);
  const widen = (tolerance: number): void => {
    onBrush({ ...brush, tolerance });
    if (!range) return;
    set(
      'How alike',
      (p) => {
        const last = lastRange(p, on);
        if (last) last.tolerance = tolerance;
      },
      'tolerance',
    );
  };
  return (
    <Group title={light ? 'Painted light' : on === 'front' ? 'What is in front' : 'Background'}>
      {light && onPaint && (
        <Segmented<Marked>
          label="What is painted"
          value={on}
          onChange={onPaint}
          options={[
            { value: 'shade', label: 'Shade' },
            { value: 'light', label: 'Light' },
          ]}
        />
      )}
      <Segmented<Brush['tool']>
        label="Tool"
        value={brush.tool}
        onChange={(tool) => onBrush({ ...brush, tool })}
        options={[
          { value: 'paint', label: 'Brush' },
          { value: 'erase', label: 'Take away' },
          ...(light ? [] : [{ value: 'colour' as const, label: 'By colour' }]),
        ]}
      />
      {brush.tool === 'colour' ? (
        <>
          <p className="text-xs text-ink-2">Click a colour in the photograph: what is like it is marked.</p>
          <Slider
            label="How alike"
            value={range?.tolerance ?? brush.tolerance}
            least={0.01}
            most={0.3}
            step={0.005}
            onChange={widen}
            format={(v) => `${Math.round(v * 1000)}`}
          />
          <Check
            label="Only what hangs together"
            checked={brush.joined}
            onChange={(joined) => onBrush({ ...brush, joined })}
          />
        </>
      ) : (
        <>
          <Slider
            label="Size"
            value={brush.radius}
            least={2}
            most={most}
            step={1}
            onChange={(radius) => onBrush({ ...brush, radius })}
            format={(v) => `${Math.round(v)}`}
          />
          <Slider
            label="Soft edge"
            value={brush.soft}
            least={0}
            most={1}
            step={0.05}
            onChange={(soft) => onBrush({ ...brush, soft })}
            format={percent}
          />
        </>
      )}
      <Button
        disabled={count === 0}
        onClick={() => set(`${LABELS[on]}: none`, (p) => void (p.marks = p.marks.filter((mark) => mark.on !== on)))}
      >
        Clear these marks
      </Button>
    </Group>
  );
}

/** What stands where the background was marked. */
export function GroundGroup({ pin, set }: { pin: PinScene; set: SetPin }) {
  const { data: colours } = useCoverColours(useBook());
  const { ground } = pin;
  const marked = pin.marks.some((mark) => mark.on === 'away');
  const choose = (kind: PinScene['ground']['kind']): void =>
    set(
      'Background',
      (p) => void (p.ground = kind === 'colour' ? { kind, colour: colours?.[0] ?? '#e8e4da' } : { kind }),
    );
  return (
    <Group title="Where the background was">
      <Segmented<PinScene['ground']['kind']>
        label="Background"
        value={ground.kind}
        onChange={choose}
        options={[
          { value: 'photo', label: 'As it is' },
          { value: 'clear', label: 'Clear' },
          { value: 'colour', label: 'A colour' },
        ]}
      />
      {ground.kind === 'colour' && (
        <ColourField
          label="Colour behind"
          value={ground.colour}
          swatches={colours ?? []}
          onChange={(hex, d) =>
            set('Colour behind', (p) => void (p.ground = { kind: 'colour', colour: hex }), d ? 'ground' : null)
          }
        />
      )}
      <Button
        onClick={() => set('Mark all but the faces', (p) => addMark(p, { kind: 'outside', on: 'away', add: true }))}
      >
        Mark all but the faces
      </Button>
      {ground.kind !== 'photo' && !marked && (
        <p className="text-xs text-may">Nothing is marked yet, so the background stays.</p>
      )}
    </Group>
  );
}
