import type { AddedScrim } from '@yosomi/core/compose';
import {
  type CurvePart,
  type Doc,
  type GroundPart,
  type OverlayPart,
  type ScrimPart,
  TEXTURES,
  setPart,
} from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { ColourField } from '../../ui/colour-field';
import { NumberField } from '../../ui/number-field';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { BorderField, FillField, ShadowField, Share, degrees, radians } from './fields';
import { MixGroup } from './mix-group';
import { OVERLAYS } from './part-names';
import { PlaceGroup } from './place-group';
import { type On, useSet } from './use-set';

type Same<P> = {
  part: P;
  doc: Doc;
  on: On;
  frames: ReadonlyMap<string, Rect>;
  swatches: readonly string[];
};

export function CurveInspector(props: Same<CurvePart>) {
  const { part, doc, on, swatches, frames } = props;
  const set = useSet(part, on);
  const { family } = part;
  const others = Object.values(doc.parts).filter((p) => p.kind === 'curve' && p.id !== part.id);
  return (
    <>
      <Group title="How it is drawn">
        <NumberField
          label="Width"
          unit="px"
          value={Math.max(1, Math.round(part.width * doc.widthPx))}
          least={1}
          most={Math.round(doc.widthPx * 0.3)}
          onChange={(v, d) => set('Width', { width: v / doc.widthPx }, d && 'width')}
        />
        <Share
          label="Thin start"
          value={part.taperStart}
          onChange={(taperStart) => set('Taper', { taperStart }, 't1')}
        />
        <Share label="Thin end" value={part.taperEnd} onChange={(taperEnd) => set('Taper', { taperEnd }, 't2')} />
        <ColourField
          label="Colour"
          value={part.colour}
          swatches={swatches}
          onChange={(colour, d) => set('Colour', { colour }, d && 'colour')}
        />
        <ShadowField
          value={part.shadow}
          widthPx={doc.widthPx}
          swatches={swatches}
          onChange={(shadow, merge) => set('Shadow', { shadow }, merge)}
        />
        <p className="text-ink-2">Drag its points and handles on the cover. Delete removes the chosen point.</p>
      </Group>
      <Group title="A family of it">
        <Segmented
          label="Family"
          value={family?.kind ?? 'none'}
          onChange={(kind) =>
            set('Family', {
              family:
                kind === 'offset'
                  ? { kind, count: 5, gap: 0.02 }
                  : kind === 'between' && others[0]
                    ? { kind, count: 5, part: others[0].id }
                    : null,
            })
          }
          options={[
            { value: 'none', label: 'Alone' },
            { value: 'offset', label: 'Beside it' },
            ...(others.length > 0 ? [{ value: 'between' as const, label: 'To another' }] : []),
          ]}
        />
        {family && (
          <NumberField
            label="How many"
            value={family.count}
            least={1}
            most={40}
            onChange={(v, d) => set('Family', { family: { ...family, count: Math.round(v) } }, d && 'family-n')}
          />
        )}
        {family?.kind === 'offset' && (
          <NumberField
            label="Distance"
            unit="px"
            value={Math.round(family.gap * doc.widthPx)}
            least={-400}
            most={400}
            onChange={(v, d) => set('Family', { family: { ...family, gap: v / doc.widthPx } }, d && 'family-g')}
          />
        )}
      </Group>
      <PlaceGroup part={part} doc={doc} frame={frames.get(part.id)} frames={frames} on={on} />
      <MixGroup part={part} doc={doc} frames={frames} on={on} />
    </>
  );
}

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
