import { DIVIDERS, type Doc, FRAME_CORNERS, type Form, type ShapePart } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { Button } from '../../ui/button';
import { ColourField } from '../../ui/colour-field';
import { NumberField } from '../../ui/number-field';
import { Check } from '../../ui/check';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { BorderField, FillField, ShadowField, Share } from './fields';
import { MixGroup } from './mix-group';
import { PlaceGroup } from './place-group';
import { type On, useSet } from './use-set';

const title = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

export function ShapeInspector(props: {
  part: ShapePart;
  doc: Doc;
  on: On;
  frames: ReadonlyMap<string, Rect>;
  swatches: readonly string[];
}) {
  const { part, doc, on, frames, swatches } = props;
  const set = useSet(part, on);
  const drawn = part.form.kind === 'drawn' ? part.form : null;
  /** What a drawing has without colours of its own takes the part's. */
  const ownColour = !drawn || drawn.paths.some(({ colour }) => colour === null);
  const lined = part.form.kind === 'line' || part.form.kind === 'frame';
  return (
    <>
      <Group title="How it is shaped">
        {drawn?.credit && (
          <p className="text-xs text-ink-2">
            Credit due: {drawn.credit}. It goes into the ebook and the credits sheet by itself.
          </p>
        )}
        <FormFields form={part.form} onChange={(form, merge) => set('Shape', { form }, merge)} />
      </Group>
      <Group title="How it looks">
        {drawn && (
          <DrawnColours form={drawn} swatches={swatches} onChange={(form, merge) => set('Colour', { form }, merge)} />
        )}
        {drawn && !ownColour ? null : lined ? (
          <ColourField
            label="Colour"
            value={part.colour}
            swatches={swatches}
            onChange={(colour, d) => set('Colour', { colour }, d && 'colour')}
          />
        ) : (
          <FillField
            label="Covered with"
            value={part.fill ?? { kind: 'flat', colour: part.colour }}
            swatches={swatches}
            onChange={(fill, merge) =>
              fill.kind === 'flat'
                ? set('Colour', { fill: null, colour: fill.colour }, merge)
                : set('Fill', { fill }, merge)
            }
          />
        )}
        {!lined && part.form.kind !== 'drawn' && part.form.kind !== 'ribbon' && (
          <BorderField
            value={part.border}
            widthPx={doc.widthPx}
            swatches={swatches}
            onChange={(border, merge) => set('Border', { border }, merge)}
          />
        )}
        <ShadowField
          value={part.shadow}
          widthPx={doc.widthPx}
          swatches={swatches}
          onChange={(shadow, merge) => set('Shadow', { shadow }, merge)}
        />
      </Group>
      <PlaceGroup part={part} doc={doc} frame={frames.get(part.id)} frames={frames} on={on} />
      <MixGroup part={part} doc={doc} frames={frames} on={on} />
    </>
  );
}

type Drawn = Extract<Form, { kind: 'drawn' }>;

/** The colours that a drawing brought along, each to be changed everywhere it is used in it; or all of it in the part's one. */
function DrawnColours(props: {
  form: Drawn;
  swatches: readonly string[];
  onChange(form: Form, merge?: string | false): void;
}) {
  const { form, swatches, onChange } = props;
  const colours = [...new Set(form.paths.flatMap(({ colour }) => colour ?? []))];
  if (colours.length === 0) return null;
  const turned = (from: string | null, to: string | null): Drawn => ({
    ...form,
    paths: form.paths.map((path) => (from === null || path.colour === from ? { ...path, colour: to } : path)),
  });
  return (
    <>
      {colours.map((hex, i) => (
        <ColourField
          key={i}
          label={colours.length > 1 ? `Colour ${i + 1} of the drawing` : 'Colour of the drawing'}
          value={hex}
          swatches={swatches.slice(0, 5)}
          onChange={(to, d) => onChange(turned(hex, to), d && `drawn-${i}`)}
        />
      ))}
      <Button kind="link" className="self-start" onClick={() => onChange(turned(null, null))}>
        All of it in one colour
      </Button>
    </>
  );
}

function FormFields({ form, onChange }: { form: Form; onChange(form: Form, merge?: string | false): void }) {
  const whole = (label: string, value: number, least: number, most: number, put: (v: number) => Form) => (
    <NumberField
      label={label}
      value={value}
      least={least}
      most={most}
      onChange={(v, d) => onChange(put(Math.round(v)), d && 'form')}
    />
  );
  const share = (label: string, value: number, most: number, put: (v: number) => Form, least = 0) => (
    <Share label={label} value={value} least={least} most={most} onChange={(v) => onChange(put(v), `form-${label}`)} />
  );
  switch (form.kind) {
    case 'rectangle':
      return share('Corners', form.radius, 0.5, (radius) => ({ ...form, radius }));
    case 'polygon':
      return whole('Sides', form.sides, 3, 24, (sides) => ({ ...form, sides }));
    case 'burst':
      return (
        <>
          {whole('Rays', form.points, 5, 60, (points) => ({ ...form, points }))}
          {share('Depth', form.depth, 0.8, (depth) => ({ ...form, depth }), 0.02)}
        </>
      );
    case 'badge':
      return (
        <>
          {whole('Scallops', form.scallops, 6, 60, (scallops) => ({ ...form, scallops }))}
          <Check label="A ring near the edge" checked={form.ring} onChange={(ring) => onChange({ ...form, ring })} />
        </>
      );
    case 'ribbon':
      return (
        <>
          {share('Fold', form.fold, 0.6, (fold) => ({ ...form, fold }))}
          {share('Notch', form.notch, 0.9, (notch) => ({ ...form, notch }))}
        </>
      );
    case 'line':
      return (
        <>
          <NumberField
            label="Dashes"
            value={form.dash}
            least={0}
            most={20}
            step={0.5}
            digits={1}
            onChange={(dash, d) => onChange({ ...form, dash }, d && 'dash')}
          />
          <Check label="Round ends" checked={form.round} onChange={(round) => onChange({ ...form, round })} />
        </>
      );
    case 'frame':
      return (
        <>
          <Menu
            label="Corners"
            value={form.corner}
            onChange={(corner) => onChange({ ...form, corner: corner as (typeof FRAME_CORNERS)[number] })}
            groups={[{ title: 'Corners', options: FRAME_CORNERS.map((c) => ({ value: c, label: title(c) })) }]}
          />
          <Share
            label="Weight"
            value={form.thick * 10}
            onChange={(v) => onChange({ ...form, thick: Math.max(0.001, v / 10) }, 'thick')}
          />
          {share('Corner', form.size, 0.4, (size) => ({ ...form, size }))}
          <Check label="Two lines" checked={form.double} onChange={(double) => onChange({ ...form, double })} />
        </>
      );
    case 'divider':
      return (
        <Menu
          label="Ornament"
          value={form.ornament}
          onChange={(ornament) => onChange({ ...form, ornament: ornament as (typeof DIVIDERS)[number] })}
          groups={[{ title: 'Ornaments', options: DIVIDERS.map((d) => ({ value: d, label: title(d) })) }]}
        />
      );
    case 'ellipse':
      return <p className="text-ink-2">Drag its handles to shape it.</p>;
    case 'drawn':
      return (
        <p className="text-ink-2">
          A drawing of {form.paths.length} {form.paths.length === 1 ? 'outline' : 'outlines'}. It keeps its ratio.
        </p>
      );
  }
}
