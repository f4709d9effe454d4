import type { Edit } from '@yosomi/core/base';
import type { AddedScrim } from '@yosomi/core/compose';
import {
  type Doc,
  type GroundPart,
  type PicturePart,
  type ScrimPart,
  type ShapePart,
  setPart,
} from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';
import { useBook, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { ColourField } from '../../ui/colour-field';
import { NumberField } from '../../ui/field';
import { Group } from '../../ui/group';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { MixGroup } from './mix-group';
import { usePictureInput } from './use-picture-input';

type On = (edit: Edit<Doc>) => Edit<Book>;

export function PictureInspector({ part, doc, on }: { part: PicturePart; doc: Doc; on: On }) {
  const { assets } = useBook();
  const edit = useSession((s) => s.edit);
  const asset = part.source.kind === 'asset' ? assets[part.source.asset] : undefined;
  const set = (label: string, fields: Partial<PicturePart>, merge: string | null = null): void =>
    void edit(label, on(setPart(part.id, fields)), merge && `${merge}-${part.id}`);
  const replace = usePictureInput((taken) =>
    edit('Replace picture', (book) => {
      book.assets[taken.asset.id] = taken.asset;
      return on(setPart(part.id, { source: { kind: 'asset', asset: taken.asset.id } }))(book);
    }),
  );
  const enlarged = asset
    ? Math.max((part.area.width * doc.widthPx) / asset.widthPx, (part.area.height * doc.heightPx) / asset.heightPx) *
      part.zoom
    : 0;
  return (
    <>
      <Group title="What it shows">
        {asset && (
          <p>
            {asset.name}
            <span className="block font-mono text-xs text-ink-2">
              {asset.widthPx} x {asset.heightPx} px
            </span>
          </p>
        )}
        {!asset && part.source.kind === 'asset' && <p className="text-fail">The picture is missing. Replace it.</p>}
        {part.source.kind === 'asset' && (
          <>
            {replace.input}
            <Button onClick={replace.open} disabled={part.locked}>
              Replace the picture
            </Button>
          </>
        )}
        {enlarged > 1.5 && (
          <p className="border-l-3 border-may bg-may-wash px-3 py-2">
            The picture is enlarged {enlarged.toFixed(1)} times and may look soft. Use a larger one or zoom out.
          </p>
        )}
      </Group>
      {part.source.kind === 'asset' && (
        <Group title="Where it sits">
          <Segmented
            label="Fit"
            value={part.fit}
            onChange={(fit) => set('Fit of picture', { fit })}
            options={[
              { value: 'fill', label: 'Fills its place' },
              { value: 'whole', label: 'Whole' },
            ]}
          />
          <Slider
            label="Zoom"
            value={part.zoom}
            least={1}
            most={4}
            step={0.01}
            onChange={(zoom) => set('Zoom picture', { zoom }, 'zoom')}
            format={(v) => `${Math.round(v * 100)}`}
          />
          {part.fit === 'fill' && (
            <>
              <Slider
                label="Across"
                value={part.focus.x}
                least={0}
                most={1}
                step={0.01}
                onChange={(x) => set('Move picture', { focus: { ...part.focus, x } }, 'focus')}
                format={(v) => `${Math.round(v * 100)}`}
              />
              <Slider
                label="Down"
                value={part.focus.y}
                least={0}
                most={1}
                step={0.01}
                onChange={(y) => set('Move picture', { focus: { ...part.focus, y } }, 'focus')}
                format={(v) => `${Math.round(v * 100)}`}
              />
            </>
          )}
          <p className="text-ink-2">Drag it on the cover to move it, scroll over it to zoom.</p>
        </Group>
      )}
      <MixGroup part={part} on={on} />
    </>
  );
}

export function ShapeInspector({
  part,
  doc,
  on,
  swatches,
}: {
  part: ShapePart;
  doc: Doc;
  on: On;
  swatches: readonly string[];
}) {
  const edit = useSession((s) => s.edit);
  const set = (label: string, fields: Partial<ShapePart>, merge: string | null = null): void =>
    void edit(label, on(setPart(part.id, fields)), merge && `${merge}-${part.id}`);
  const side = (name: 'x' | 'y' | 'width' | 'height', label: string, whole: number) => (
    <NumberField
      label={label}
      unit="px"
      value={Math.round(part.area[name] * whole)}
      least={name === 'width' || name === 'height' ? 4 : -whole}
      most={whole * 2}
      onChange={(v, d) =>
        set('Place of shape', { area: { ...part.area, [name]: v / whole } }, d ? `area-${name}` : null)
      }
    />
  );
  return (
    <>
      <Group title="How it looks">
        <ColourField
          label="Colour"
          value={part.colour}
          swatches={swatches}
          onChange={(colour, d) => set('Colour of shape', { colour }, d ? 'colour' : null)}
        />
        <Slider
          label="Corners"
          value={part.radius}
          least={0}
          most={0.5}
          step={0.01}
          onChange={(radius) => set('Corners of shape', { radius }, 'radius')}
          format={(v) => `${Math.round(v * 200)}`}
        />
      </Group>
      <Group title="Where it sits">
        {side('x', 'Left', doc.widthPx)}
        {side('y', 'Top', doc.heightPx)}
        {side('width', 'Width', doc.widthPx)}
        {side('height', 'Height', doc.heightPx)}
      </Group>
      <MixGroup part={part} on={on} />
    </>
  );
}

export function ScrimInspector({ part, on, swatches }: { part: ScrimPart; on: On; swatches: readonly string[] }) {
  const edit = useSession((s) => s.edit);
  const set = (label: string, fields: Partial<ScrimPart>, merge: string | null = null): void =>
    void edit(label, on(setPart(part.id, fields)), merge && `${merge}-${part.id}`);
  return (
    <>
      <Group title="How it falls">
        <Segmented
          label="Edge"
          value={part.from}
          onChange={(from) => set('Edge of scrim', { from })}
          options={[
            { value: 'top', label: 'From the top' },
            { value: 'bottom', label: 'From the bottom' },
          ]}
        />
        <Slider
          label="Full to"
          value={part.hold}
          least={0}
          most={1}
          step={0.01}
          onChange={(hold) => set('Reach of scrim', { hold }, 'hold')}
          format={(v) => `${Math.round(v * 100)} %`}
        />
        <Slider
          label="Gone at"
          value={part.reach}
          least={0}
          most={1}
          step={0.01}
          onChange={(reach) => set('Reach of scrim', { reach }, 'reach')}
          format={(v) => `${Math.round(v * 100)} %`}
        />
        <ColourField
          label="Colour"
          value={part.colour}
          swatches={swatches}
          onChange={(colour, d) => set('Colour of scrim', { colour }, d ? 'colour' : null)}
        />
      </Group>
      <MixGroup part={part} on={on} />
    </>
  );
}

export function GroundInspector({ part, on, swatches }: { part: GroundPart; on: On; swatches: readonly string[] }) {
  const edit = useSession((s) => s.edit);
  const { paint } = part;
  const colours = paint.kind === 'flat' ? [paint.colour, paint.colour] : paint.colours;
  const put = (next: GroundPart['paint'], merge: string | null = null): void =>
    void edit('Ground', on(setPart(part.id, { paint: next })), merge);
  return (
    <Group title="What lies under it all">
      <Segmented
        label="Kind of ground"
        value={paint.kind}
        onChange={(kind) => {
          if (kind === 'flat') put({ kind, colour: colours[0] });
          else if (kind === 'linear') put({ kind, angleRad: Math.PI / 2, colours: [...colours] });
          else put({ kind, colours: [...colours] });
        }}
        options={[
          { value: 'flat', label: 'Colour' },
          { value: 'linear', label: 'Down' },
          { value: 'radial', label: 'Outwards' },
        ]}
      />
      {paint.kind === 'flat' ? (
        <ColourField
          label="Ground colour"
          value={paint.colour}
          swatches={swatches}
          onChange={(colour, d) => put({ kind: 'flat', colour }, d ? 'ground' : null)}
        />
      ) : (
        paint.colours.map((colour, i) => (
          <ColourField
            key={i}
            label={`Ground colour ${i + 1}`}
            value={colour}
            swatches={swatches}
            onChange={(hex, d) =>
              put({ ...paint, colours: paint.colours.map((c, j) => (j === i ? hex : c)) }, d ? `ground-${i}` : null)
            }
          />
        ))
      )}
    </Group>
  );
}

/** A scrim the engine has added: what it is for, and the way to do without. */
export function AddedScrimInspector({ scrim, on }: { scrim: AddedScrim; on: On }) {
  const edit = useSession((s) => s.edit);
  const select = useSession((s) => s.select);
  return (
    <Group title="Why it is here">
      <p>
        Words near the {scrim.from} did not reach a contrast of 4.5 : 1 against the picture behind them. This scrim of{' '}
        {Math.round(scrim.opacity * 100)} % is the weakest with which they do. It follows the words and the picture.
      </p>
      <Button
        onClick={() => {
          edit('Leave the scrim off', (book) => {
            for (const id of scrim.parts) {
              const refused = on(setPart(id, { support: 'none' }))(book);
              if (refused) return refused;
            }
          });
          select(null);
        }}
      >
        Leave it off
      </Button>
    </Group>
  );
}
