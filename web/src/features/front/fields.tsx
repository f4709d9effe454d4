import { takeAsset } from '@yosomi/core/project';
import {
  type Border,
  type Fill,
  type GradientStop,
  MOTIFS,
  type Shadow,
  defaultShadow,
  evenStops,
  mainColour,
} from '@yosomi/core/cover';
import { BLENDS, type Blend } from '@yosomi/core/ink';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { ColourField } from '../../ui/colour-field';
import { NumberField } from '../../ui/number-field';
import { Menu } from '../../ui/menu';
import { Slider } from '../../ui/slider';
import { usePictureInput } from './use-picture-input';

const percent = (v: number): string => `${Math.round(v * 100)} %`;
export const degrees = (rad: number): number => Math.round((rad * 180) / Math.PI);
export const radians = (deg: number): number => (deg * Math.PI) / 180;

type Put<T> = (next: T, merge?: string | false) => void;

/** A share of the whole, 0 to 100 %. */
export function Share(props: {
  label: string;
  value: number;
  onChange(v: number): void;
  least?: number;
  most?: number;
}) {
  return (
    <Slider
      label={props.label}
      value={props.value}
      least={props.least ?? 0}
      most={props.most ?? 1}
      step={0.01}
      onChange={props.onChange}
      format={percent}
    />
  );
}

const blendName = (blend: Blend): string => blend.charAt(0).toUpperCase() + blend.slice(1).replace('-', ' ');

/** How a thing mixes with what is behind it. */
export function BlendField(props: { label: string; value: Blend; mixed?: boolean; onChange(blend: Blend): void }) {
  return (
    <div className="flex items-center justify-between gap-2">
      <span className="text-ink-2">{props.label.replace(' mode', '')}</span>
      <span className="w-36">
        <Menu
          label={props.label}
          value={props.value}
          mixed={props.mixed}
          onChange={(blend) => props.onChange(blend as Blend)}
          groups={[{ title: 'Blend modes', options: BLENDS.map((b) => ({ value: b, label: blendName(b) })) }]}
        />
      </span>
    </div>
  );
}

const KINDS: readonly { value: Fill['kind']; label: string }[] = [
  { value: 'flat', label: 'One colour' },
  { value: 'linear', label: 'Gradient in a direction' },
  { value: 'radial', label: 'Gradient outwards' },
  { value: 'picture', label: 'Picture' },
  { value: 'pattern', label: 'Pattern' },
];

/** What covers a surface. `onPicture` keeps a chosen picture with the title and answers its id. */
export function FillField(props: { label: string; value: Fill; swatches: readonly string[]; onChange: Put<Fill> }) {
  const { value, swatches, onChange } = props;
  const edit = useSession((s) => s.edit);
  const picture = usePictureInput(({ asset }) => {
    edit('Keep a picture', (book) => {
      takeAsset(book, asset);
    });
    onChange({ kind: 'picture', asset: asset.id, focus: { x: 0.5, y: 0.5 }, zoom: 1 });
  });
  const change = (kind: string): void => {
    const base = mainColour(value);
    const stops =
      'stops' in value ? few(value.stops) : evenStops([base, swatches.find((s) => s !== base) ?? '#101112']);
    if (kind === 'flat') onChange({ kind, colour: base });
    else if (kind === 'linear') onChange({ kind, angleRad: Math.PI / 2, stops });
    else if (kind === 'radial') onChange({ kind, centre: { x: 0.5, y: 0.5 }, reach: 1, stops });
    else if (kind === 'picture') picture.open();
    else if (kind === 'pattern')
      onChange({ kind, motif: 'leaves', colour: stops[1].colour, back: base, size: 0.06, angleRad: 0 });
  };
  return (
    <div className="flex flex-col gap-2.5" role="group" aria-label={props.label}>
      {picture.input}
      <Menu
        label={props.label}
        value={value.kind}
        onChange={change}
        groups={[{ title: props.label, options: KINDS }]}
      />
      {value.kind === 'flat' && (
        <ColourField
          label="Colour"
          value={value.colour}
          swatches={swatches}
          onChange={(colour, d) => onChange({ kind: 'flat', colour }, d && 'fill')}
        />
      )}
      {(value.kind === 'linear' || value.kind === 'radial') && (
        <StopsField stops={value.stops} swatches={swatches} onChange={(stops, m) => onChange({ ...value, stops }, m)} />
      )}
      {(value.kind === 'linear' || value.kind === 'pattern') && (
        <NumberField
          label="Direction"
          unit="°"
          value={degrees(value.angleRad)}
          least={-360}
          most={360}
          step={5}
          onChange={(v, d) => onChange({ ...value, angleRad: radians(v) }, d && 'direction')}
        />
      )}
      {value.kind === 'radial' && (
        <>
          <Share
            label="Across"
            value={value.centre.x}
            onChange={(x) => onChange({ ...value, centre: { ...value.centre, x } }, 'centre')}
          />
          <Share
            label="Down"
            value={value.centre.y}
            onChange={(y) => onChange({ ...value, centre: { ...value.centre, y } }, 'centre')}
          />
          <Share
            label="Reach"
            value={value.reach}
            least={0.1}
            most={2}
            onChange={(reach) => onChange({ ...value, reach }, 'reach')}
          />
        </>
      )}
      {value.kind === 'picture' && (
        <>
          <Button onClick={picture.open}>Choose another picture</Button>
          <Slider
            label="Zoom"
            value={value.zoom}
            least={1}
            most={4}
            step={0.01}
            format={percent}
            onChange={(zoom) => onChange({ ...value, zoom }, 'zoom')}
          />
          <Share
            label="Across"
            value={value.focus.x}
            onChange={(x) => onChange({ ...value, focus: { ...value.focus, x } }, 'focus')}
          />
          <Share
            label="Down"
            value={value.focus.y}
            onChange={(y) => onChange({ ...value, focus: { ...value.focus, y } }, 'focus')}
          />
        </>
      )}
      {value.kind === 'pattern' && (
        <>
          <Menu
            label="Motif"
            value={value.motif}
            onChange={(motif) => onChange({ ...value, motif: motif as (typeof MOTIFS)[number] })}
            groups={[
              {
                title: 'Motifs',
                options: MOTIFS.map((m) => ({ value: m, label: m.charAt(0).toUpperCase() + m.slice(1) })),
              },
            ]}
          />
          <ColourField
            label="Motif colour"
            value={value.colour}
            swatches={swatches}
            onChange={(colour, d) => onChange({ ...value, colour }, d && 'motif')}
          />
          <ColourField
            label="Back colour"
            value={value.back}
            swatches={swatches}
            onChange={(back, d) => onChange({ ...value, back }, d && 'back')}
          />
          <Slider
            label="Size"
            value={value.size}
            least={0.01}
            most={0.3}
            step={0.005}
            format={percent}
            onChange={(size) => onChange({ ...value, size }, 'motif-size')}
          />
        </>
      )}
    </div>
  );
}

/** Colours of a gradient that a person makes by hand. */
const FEW_STOPS = 5;

/** Three colours of a gradient that has many. */
const few = (stops: readonly GradientStop[]): GradientStop[] =>
  stops.length <= FEW_STOPS ? [...stops] : [stops[0], stops[stops.length >> 1], stops[stops.length - 1]];

function StopsField(props: {
  stops: readonly GradientStop[];
  swatches: readonly string[];
  onChange: Put<GradientStop[]>;
}) {
  const { stops, swatches, onChange } = props;
  if (stops.length > FEW_STOPS)
    return (
      <p className="text-xs text-ink-2">
        It goes on with the {stops.length} colours of the front’s edge. Choose another kind to paint it yourself.
      </p>
    );
  const put = (i: number, next: Partial<GradientStop>, merge: string | false): void =>
    onChange(
      stops.map((s, k) => (k === i ? { ...s, ...next } : s)),
      merge,
    );
  const css = [...stops]
    .sort((a, b) => a.at - b.at)
    .map((s) => `${s.colour} ${s.at * 100}%`)
    .join(', ');
  return (
    <>
      <span
        aria-hidden
        className="block h-4 rounded-sm border border-edge"
        style={{ background: `linear-gradient(90deg, ${css})` }}
      />
      {stops.map((stop, i) => (
        <div key={i} className="flex flex-col gap-1.5">
          <ColourField
            label={`Colour ${i + 1}`}
            value={stop.colour}
            swatches={swatches.slice(0, 5)}
            onChange={(colour, d) => put(i, { colour }, d && `stop-${i}`)}
          />
          <div className="flex items-center gap-2">
            <span className="flex-1">
              <Share label="At" value={stop.at} onChange={(at) => put(i, { at }, `at-${i}`)} />
            </span>
            {stops.length > 2 && (
              <Button
                kind="link"
                aria-label={`Remove colour ${i + 1}`}
                onClick={() => onChange(stops.filter((_, k) => k !== i))}
              >
                Remove
              </Button>
            )}
          </div>
        </div>
      ))}
      {stops.length < FEW_STOPS && (
        <Button
          kind="link"
          className="self-start"
          onClick={() =>
            onChange(
              [...stops, { at: 1, colour: stops[stops.length - 1].colour }].map((s, i, all) => ({
                ...s,
                at: i / (all.length - 1),
              })),
            )
          }
        >
          Add a colour
        </Button>
      )}
    </>
  );
}

/** Lengths are shown in px of the cover. */
export function ShadowField(props: {
  value: Shadow | null;
  mixed?: boolean;
  widthPx: number;
  swatches: readonly string[];
  onChange: Put<Shadow | null>;
}) {
  const { value, widthPx: w, swatches, onChange } = props;
  const px = (label: string, name: 'dx' | 'dy' | 'blur') =>
    value && (
      <NumberField
        label={label}
        unit="px"
        value={Math.round(value[name] * w)}
        least={name === 'blur' ? 0 : -Math.round(w / 2)}
        most={Math.round(name === 'blur' ? w * 0.2 : w / 2)}
        onChange={(v, d) => onChange({ ...value, [name]: v / w }, d && `shadow-${name}`)}
      />
    );
  return (
    <Check
      label="Drop shadow"
      checked={value !== null}
      mixed={props.mixed}
      onChange={(on) => onChange(on ? (value ?? defaultShadow) : null)}
    >
      {px('Right', 'dx')}
      {px('Down', 'dy')}
      {px('Softness', 'blur')}
      {value && (
        <>
          <Share
            label="Strength"
            value={value.opacity}
            onChange={(opacity) => onChange({ ...value, opacity }, 'shadow-o')}
          />
          <ColourField
            label="Shadow colour"
            value={value.colour}
            swatches={swatches.slice(0, 5)}
            onChange={(colour, d) => onChange({ ...value, colour }, d && 'shadow-c')}
          />
        </>
      )}
    </Check>
  );
}

export function BorderField(props: {
  label?: string;
  value: Border | null;
  mixed?: boolean;
  widthPx: number;
  swatches: readonly string[];
  onChange: Put<Border | null>;
}) {
  const { label = 'Border', value, widthPx: w, swatches, onChange } = props;
  return (
    <Check
      label={label}
      checked={value !== null}
      mixed={props.mixed}
      onChange={(on) => onChange(on ? (value ?? { width: 0.006, colour: swatches[0] ?? '#101112' }) : null)}
    >
      {value && (
        <>
          <NumberField
            label="Width"
            unit="px"
            value={Math.max(1, Math.round(value.width * w))}
            least={1}
            most={Math.round(w * 0.2)}
            onChange={(v, d) => onChange({ ...value, width: v / w }, d && 'border-w')}
          />
          <ColourField
            label="Border colour"
            value={value.colour}
            swatches={swatches.slice(0, 5)}
            onChange={(colour, d) => onChange({ ...value, colour }, d && 'border-c')}
          />
        </>
      )}
    </Check>
  );
}
