import type { AddedScrim } from '@yosomi/core/compose';
import { type Doc, type GroundPart, type OverlayPart, type ScrimPart, TEXTURES, setPart } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { ColourField } from '../../ui/colour-field';
import { NumberField } from '../../ui/number-field';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { BorderField, FillField, Share, degrees, radians } from './fields';
import { MixGroup } from './mix-group';
import { OVERLAYS } from './part-names';
import { type On, useSet } from './use-set';

type Same<P> = {
  part: P;
  doc: Doc;
  on: On;
  frames: ReadonlyMap<string, Rect>;
  swatches: readonly string[];
};

export function OverlayInspector({ part, doc, frames, on, swatches }: Same<OverlayPart>) {
  const set = useSet(part, on);
  return (
    <>
      <Group title="What lies over it">
        <Menu
          label="Texture"
          value={part.texture}
          onChange={(texture) => set('Texture', { texture: texture as OverlayPart['texture'] })}
          groups={[{ title: 'Textures', options: TEXTURES.map((t) => ({ value: t, label: OVERLAYS[t] })) }]}
        />
        <Share label="How much" value={part.amount} onChange={(amount) => set('Amount', { amount }, 'amount')} />
        <Slider
          label="Scale"
          value={part.scale}
          least={0.25}
          most={4}
          step={0.05}
          onChange={(scale) => set('Scale', { scale }, 'scale')}
          format={(v) => `${Math.round(v * 100)} %`}
        />
        <NumberField
          label="Direction"
          unit="°"
          value={degrees(part.angleRad)}
          least={-360}
          most={360}
          step={5}
          onChange={(v, d) => set('Direction', { angleRad: radians(v) }, d && 'angle')}
        />
        <NumberField
          label="Seed"
          value={part.seed}
          least={0}
          most={9999}
          onChange={(v, d) => set('Seed', { seed: Math.round(v) }, d && 'seed')}
        />
        <ColourField
          label="Colour"
          value={part.colour}
          swatches={swatches}
          onChange={(colour, d) => set('Colour', { colour }, d && 'colour')}
        />
      </Group>
      <MixGroup part={part} doc={doc} frames={frames} on={on} />
    </>
  );
}

export function ScrimInspector({ part, doc, frames, on, swatches }: Same<ScrimPart>) {
  const set = useSet(part, on);
  return (
    <>
      <Group title="How it falls">
        <Segmented
          label="Edge"
          value={part.from}
          onChange={(from) => set('Edge', { from })}
          options={[
            { value: 'top', label: 'Top' },
            { value: 'bottom', label: 'Bottom' },
            { value: 'left', label: 'Left' },
            { value: 'right', label: 'Right' },
          ]}
        />
        <Share label="Full to" value={part.hold} onChange={(hold) => set('Reach', { hold }, 'hold')} />
        <Share label="Gone at" value={part.reach} onChange={(reach) => set('Reach', { reach }, 'reach')} />
        <ColourField
          label="Colour"
          value={part.colour}
          swatches={swatches}
          onChange={(colour, d) => set('Colour', { colour }, d && 'colour')}
        />
      </Group>
      <MixGroup part={part} doc={doc} frames={frames} on={on} />
    </>
  );
}

export function GroundInspector({ part, doc, on, swatches }: Same<GroundPart>) {
  const set = useSet(part, on);
  const { border } = part;
  return (
    <>
      <Group title="What lies under it all">
        <FillField
          label="Ground"
          value={part.paint}
          swatches={swatches}
          onChange={(paint, merge) => set('Fill', { paint }, merge)}
        />
      </Group>
      <Group title="Along the edge">
        <BorderField
          label="Border"
          value={border}
          widthPx={doc.widthPx}
          swatches={swatches}
          onChange={(next, merge) => set('Border', { border: next && { ...next, inset: border?.inset ?? 0 } }, merge)}
        />
        {border && (
          <NumberField
            label="From the edge"
            unit="px"
            value={Math.round(border.inset * doc.widthPx)}
            least={0}
            most={Math.round(doc.widthPx * 0.2)}
            onChange={(v, d) => set('Border', { border: { ...border, inset: v / doc.widthPx } }, d && 'inset')}
          />
        )}
      </Group>
    </>
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
