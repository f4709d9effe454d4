import type { Finding } from '@yosomi/core/base';
import { type Edge, slivers } from '@yosomi/core/compose';
import { type Doc, type Look, type Mask, type PicturePart, coverSlivers, plainLook, setPart } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { alongSheet, withAsset } from '@yosomi/core/project';
import { useFrom, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { ColourField } from '../../ui/colour-field';
import { TextField } from '../../ui/field';
import { NumberField } from '../../ui/number-field';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { BorderField, ShadowField, Share, degrees, radians } from './fields';
import { RightsFields } from '../rights/rights-fields';
import { FindingList } from './finding-list';
import { MixGroup } from './mix-group';
import { LevelButton } from './picture-tools';
import { PlaceGroup } from './place-group';
import { SoftFields } from './soft-fields';
import { CutOutFields } from './cut-out-fields';
import { usePictureInput } from './use-picture-input';
import { type On, useSet } from './use-set';

const MASKS: readonly { value: Mask['kind'] | 'none'; label: string; make: Mask | null }[] = [
  { value: 'none', label: 'Not cut', make: null },
  { value: 'rectangle', label: 'Rounded corners', make: { kind: 'rectangle', radius: 0.08 } },
  { value: 'ellipse', label: 'Ellipse', make: { kind: 'ellipse' } },
  { value: 'polygon', label: 'Polygon', make: { kind: 'polygon', sides: 6 } },
  { value: 'arch', label: 'Arch', make: { kind: 'arch' } },
  { value: 'torn', label: 'Torn paper', make: { kind: 'torn', rough: 0.06, seed: 1 } },
  { value: 'brush', label: 'Brush strokes', make: { kind: 'brush', rough: 0.4, seed: 1 } },
  { value: 'letters', label: 'Letters', make: { kind: 'letters', text: 'A', cut: 'abril-fatface/400' } },
];

const signed = (v: number): string => `${v > 0 ? '+' : ''}${Math.round(v * 100)}`;

export function PictureInspector(props: {
  part: PicturePart;
  doc: Doc;
  on: On;
  frames: ReadonlyMap<string, Rect>;
  findings: readonly Finding[];
  swatches: readonly string[];
}) {
  const { part, doc, on, frames, swatches } = props;
  const assets = useFrom((b) => b.assets);
  const edit = useSession((s) => s.edit);
  const set = useSet(part, on);
  const asset = part.source.kind === 'asset' ? assets[part.source.asset] : undefined;
  const replace = usePictureInput((taken) =>
    edit(
      'Replace picture',
      alongSheet(withAsset(taken.asset, on(setPart(part.id, { source: { kind: 'asset', asset: taken.asset.id } })))),
    ),
  );
  const frame = frames.get(part.id);
  const enlarged = asset
    ? Math.max((part.area.width * doc.widthPx) / asset.widthPx, (part.area.height * doc.heightPx) / asset.heightPx) *
      part.zoom
    : 0;
  const fixSlivers = (): void => {
    if (!frame) return;
    const edges = slivers(part, frame, doc).map(({ edge }) => edge as Edge);
    edit('Cover the sliver', on(coverSlivers(part.id, edges)));
  };
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
        <FindingList
          findings={props.findings}
          renderFixes={(f) =>
            f.code === 'picture-sliver' && (
              <Button kind="link" onClick={fixSlivers}>
                Cover it
              </Button>
            )
          }
        />
      </Group>
      {asset && (
        <Group title="By which right it is used">
          <RightsFields asset={asset} />
        </Group>
      )}
      <Group title="How it fills its place">
        <Segmented
          label="Fit"
          value={part.fit}
          onChange={(fit) => set('Fit', { fit })}
          options={[
            { value: 'fill', label: 'Fills it' },
            { value: 'whole', label: 'Whole' },
            { value: 'tile', label: 'Tiled' },
          ]}
        />
        {part.fit === 'tile' ? (
          <>
            <Slider
              label="Tile"
              value={part.tileSize}
              least={0.02}
              most={1}
              step={0.01}
              onChange={(tileSize) => set('Tiles', { tileSize }, 'tile')}
              format={(v) => `${Math.round(v * doc.widthPx)}`}
            />
            <Share
              label="Gap"
              value={part.tileGap}
              most={0.5}
              onChange={(tileGap) => set('Tiles', { tileGap }, 'gap')}
            />
          </>
        ) : (
          <Slider
            label="Zoom"
            value={part.zoom}
            least={1}
            most={4}
            step={0.01}
            onChange={(zoom) => set('Zoom', { zoom }, 'zoom')}
            format={(v) => `${Math.round(v * 100)}`}
          />
        )}
        {part.fit === 'fill' && (
          <>
            <Share
              label="Across"
              value={part.focus.x}
              onChange={(x) => set('Crop', { focus: { ...part.focus, x } }, 'focus')}
            />
            <Share
              label="Down"
              value={part.focus.y}
              onChange={(y) => set('Crop', { focus: { ...part.focus, y } }, 'focus')}
            />
            <NumberField
              label="Turn inside"
              unit="°"
              value={degrees(part.innerTurnRad)}
              least={-180}
              most={180}
              onChange={(v, d) => set('Turn inside', { innerTurnRad: radians(v) }, d && 'inner')}
            />
            <LevelButton part={part} />
          </>
        )}
        <LeanFields lean={part.lean} onChange={(lean, merge) => set('Perspective', { lean }, merge)} />
        <div className="flex gap-4">
          <Check label="Flip across" checked={part.flipX} onChange={(flipX) => set('Flip', { flipX })} />
          <Check label="Flip down" checked={part.flipY} onChange={(flipY) => set('Flip', { flipY })} />
        </div>
        <Button
          onClick={() => set('Place', { area: { x: 0, y: 0, width: 1, height: 1 }, fit: 'fill', turnRad: 0 })}
          disabled={part.locked}
        >
          Fill the cover with it
        </Button>
      </Group>
      <Group title="How it is developed" folded>
        <LookFields
          look={part.look}
          swatches={swatches}
          onChange={(look, merge) => set('Development', { look }, merge)}
        />
      </Group>
      <Group title="What it is cut to" folded>
        <Menu
          label="Cut to"
          value={part.mask?.kind ?? 'none'}
          onChange={(value) => set('Cut', { mask: MASKS.find((m) => m.value === value)?.make ?? null })}
          groups={[{ title: 'Cut to', options: MASKS }]}
        />
        <MaskFields mask={part.mask} onChange={(mask, merge) => set('Cut', { mask }, merge)} />
        <CutOutFields part={part} on={on} />
        <SoftFields part={part} on={on} swatches={swatches} />
        <BorderField
          value={part.border}
          widthPx={doc.widthPx}
          swatches={swatches}
          onChange={(border, merge) => set('Border', { border }, merge)}
        />
        <ShadowField
          value={part.shadow}
          widthPx={doc.widthPx}
          swatches={swatches}
          onChange={(shadow, merge) => set('Shadow', { shadow }, merge)}
        />
      </Group>
      <PlaceGroup part={part} doc={doc} frame={frame} frames={frames} on={on} />
      <MixGroup part={part} doc={doc} frames={frames} on={on} />
    </>
  );
}

/** Lines of the picture that run together, set upright and level. */
function LeanFields(props: {
  lean: PicturePart['lean'];
  onChange(lean: PicturePart['lean'], merge?: string | false): void;
}) {
  const { lean, onChange } = props;
  const line = (label: string, axis: 'x' | 'y') => (
    <Slider
      label={label}
      value={lean[axis]}
      least={-1}
      most={1}
      step={0.01}
      onChange={(v) => onChange({ ...lean, [axis]: v }, `lean-${axis}`)}
      format={signed}
    />
  );
  return (
    <>
      {line('Upright', 'y')}
      {line('Level', 'x')}
      <p className="text-xs text-ink-2">
        Sets lines upright that run together at the top (+) or the foot (−), and level those that do so at the left or
        right.
      </p>
    </>
  );
}

function LookFields(props: {
  look: Look;
  swatches: readonly string[];
  onChange(look: Look, merge?: string | false): void;
}) {
  const { look, swatches, onChange } = props;
  const line = (label: string, name: 'brightness' | 'contrast' | 'saturation') => (
    <Slider
      label={label}
      value={look[name]}
      least={-1}
      most={1}
      step={0.01}
      onChange={(v) => onChange({ ...look, [name]: v }, name)}
      format={signed}
    />
  );
  const { tint } = look;
  return (
    <>
      {line('Light', 'brightness')}
      {line('Contrast', 'contrast')}
      {line('Colour', 'saturation')}
      <Slider
        label="Hue"
        value={look.hueRad}
        least={-3.14}
        most={3.14}
        step={0.02}
        onChange={(hueRad) => onChange({ ...look, hueRad }, 'hue')}
        format={(v) => `${degrees(v)}°`}
      />
      <Slider
        label="Blur"
        value={look.blur}
        least={0}
        most={0.03}
        step={0.0005}
        onChange={(blur) => onChange({ ...look, blur }, 'blur')}
        format={(v) => (v * 100).toFixed(1)}
      />
      <Share label="Grain" value={look.grain} onChange={(grain) => onChange({ ...look, grain }, 'grain')} />
      <Check
        label="In two colours"
        checked={tint !== null}
        onChange={(yes) =>
          onChange({ ...look, tint: yes ? { dark: '#1c2430', light: '#f2e6cf', amount: 1 } : null }, false)
        }
      >
        {tint && (
          <>
            <ColourField
              label="Dark"
              value={tint.dark}
              swatches={swatches.slice(0, 5)}
              onChange={(dark, d) => onChange({ ...look, tint: { ...tint, dark } }, d && 'tint-d')}
            />
            <ColourField
              label="Light"
              value={tint.light}
              swatches={swatches.slice(0, 5)}
              onChange={(light, d) => onChange({ ...look, tint: { ...tint, light } }, d && 'tint-l')}
            />
            <Share
              label="How much"
              value={tint.amount}
              onChange={(amount) => onChange({ ...look, tint: { ...tint, amount } }, 'tint-a')}
            />
          </>
        )}
      </Check>
      <Button kind="link" className="self-start" onClick={() => onChange(plainLook)}>
        As it was taken
      </Button>
    </>
  );
}

function MaskFields({ mask, onChange }: { mask: Mask | null; onChange(mask: Mask, merge?: string | false): void }) {
  if (mask?.kind === 'rectangle')
    return (
      <Share
        label="Corners"
        value={mask.radius}
        most={0.5}
        onChange={(radius) => onChange({ ...mask, radius }, 'mask')}
      />
    );
  if (mask?.kind === 'polygon')
    return (
      <NumberField
        label="Sides"
        value={mask.sides}
        least={3}
        most={24}
        onChange={(v, d) => onChange({ ...mask, sides: Math.round(v) }, d && 'mask')}
      />
    );
  if (mask?.kind === 'torn' || mask?.kind === 'brush')
    return (
      <>
        <Share
          label="Rough"
          value={mask.rough}
          least={0.02}
          most={mask.kind === 'torn' ? 0.3 : 1}
          onChange={(rough) => onChange({ ...mask, rough }, 'mask')}
        />
        <NumberField
          label="Seed"
          value={mask.seed}
          least={0}
          most={9999}
          onChange={(v, d) => onChange({ ...mask, seed: Math.round(v) }, d && 'mask-seed')}
        />
      </>
    );
  if (mask?.kind === 'letters')
    return (
      <TextField
        label="Letters"
        value={mask.text}
        maxLength={60}
        onChange={(text) => text && onChange({ ...mask, text }, 'mask-text')}
      />
    );
  return null;
}
