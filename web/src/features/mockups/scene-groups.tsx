import {
  type Scene,
  VIEWS,
  setGround,
  setReflection,
  setScene,
  setSecondLight,
  setThing,
  withSecondLight,
} from '@yosomi/core/mockup';
import { onScene, withAsset } from '@yosomi/core/project';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { ColourField } from '../../ui/colour-field';
import { NumberField } from '../../ui/number-field';
import { Group } from '../../ui/group';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { usePictureInput } from '../front/use-picture-input';
import { LightBall } from './light-ball';
import { useScene } from './use-scene';

const DEGREE = Math.PI / 180;
const VIEW_NAMES = [
  ['left', 'Spine side'],
  ['right', 'Edge side'],
  ['straight', 'Straight on'],
  ['isometric', 'Isometric'],
] as const;

const percent = (v: number): string => `${Math.round(v * 100)}`;

/** How the things stand and are seen; `chosen` is the thing that can be moved by itself. */
export function PoseGroup({ chosen }: { chosen: number }) {
  const { scene, set } = useScene();
  const { pose } = scene;
  const thing = scene.things[chosen];
  const several = scene.things.length > 1;
  return (
    <Group title="How it stands">
      <div className="grid grid-cols-2 gap-1.5" role="group" aria-label="Seen from">
        {VIEW_NAMES.map(([view, label]) => (
          <Button key={view} onClick={() => set(label, setScene('pose', VIEWS[view]))}>
            {label}
          </Button>
        ))}
      </div>
      <NumberField
        label="Turn"
        unit="°"
        value={Math.round(pose.turnRad / DEGREE)}
        least={-180}
        most={180}
        onChange={(v, d) => set('Turn', setScene('pose', { turnRad: v * DEGREE }), d ? 'turn' : null)}
      />
      <NumberField
        label="Seen from above"
        unit="°"
        value={Math.round(pose.tiltRad / DEGREE)}
        least={0}
        most={83}
        onChange={(v, d) => set('Tilt', setScene('pose', { tiltRad: v * DEGREE }), d ? 'tilt' : null)}
      />
      <NumberField
        label="Roll"
        unit="°"
        value={Math.round(pose.rollRad / DEGREE)}
        least={-45}
        most={45}
        onChange={(v, d) => set('Roll', setScene('pose', { rollRad: v * DEGREE }), d ? 'roll' : null)}
      />
      <Slider
        label="Lens"
        value={pose.lensMm}
        least={24}
        most={600}
        step={1}
        onChange={(v) => set('Lens', setScene('pose', { lensMm: v }), 'lens')}
        format={(v) => `${v}`}
      />
      <Slider
        label="Margin"
        value={pose.margin}
        least={0}
        most={0.35}
        step={0.01}
        onChange={(v) => set('Room round it', setScene('pose', { margin: v }), 'margin')}
        format={percent}
      />
      <Slider
        label="Blur out of focus"
        value={scene.focus.blur}
        least={0}
        most={1}
        step={0.01}
        onChange={(v) => set('Depth of field', setScene('focus', { blur: v }), 'blur')}
        format={percent}
      />
      {scene.focus.blur > 0 && (
        <Slider
          label="Focus, near to far"
          value={scene.focus.at}
          least={0}
          most={1}
          step={0.01}
          onChange={(v) => set('Focus', setScene('focus', { at: v }), 'focus')}
          format={percent}
        />
      )}
      {several && (
        <>
          <NumberField
            label={`Turn of ${chosen + 1} alone`}
            unit="°"
            value={Math.round(thing.turnRad / DEGREE)}
            least={-180}
            most={180}
            onChange={(v, d) => set('Turn one', setThing(chosen, { turnRad: v * DEGREE }), d ? `own-${chosen}` : null)}
          />
          <NumberField
            label="To the right"
            unit="mm"
            value={Math.round(thing.rightMm)}
            least={-900}
            most={900}
            onChange={(v, d) => set('Move one', setThing(chosen, { rightMm: v }), d ? `right-${chosen}` : null)}
          />
          <NumberField
            label="Nearer"
            unit="mm"
            value={Math.round(thing.nearerMm)}
            least={-900}
            most={900}
            onChange={(v, d) => set('Move one', setThing(chosen, { nearerMm: v }), d ? `near-${chosen}` : null)}
          />
        </>
      )}
    </Group>
  );
}

const SLIDERS = [
  ['softness', 'Soft', 1],
  ['strength', 'Strength', 2],
  ['fill', 'Fill', 2],
  ['shadow', 'Cast shadow', 1],
  ['contact', 'Contact shadow', 1],
] as const;

export function LightGroup() {
  const { scene, set } = useScene();
  const { light, second } = scene;
  return (
    <Group title="How it is lit">
      <div className="flex items-center gap-4">
        <LightBall
          azimuthRad={light.azimuthRad}
          heightRad={light.heightRad}
          onChange={(az, h) => set('Move the light', setScene('light', { azimuthRad: az, heightRad: h }), 'light')}
        />
        <p className="text-xs text-ink-2">Drag the point to where the light should come from.</p>
      </div>
      {SLIDERS.map(([name, label, most]) => (
        <Slider
          key={name}
          label={label}
          value={light[name]}
          least={0}
          most={most}
          step={0.01}
          onChange={(v) => set(label, setScene('light', { [name]: v }), `light-${name}`)}
          format={percent}
        />
      ))}
      <Slider
        label="Cool to warm"
        value={light.warmth}
        least={-1}
        most={1}
        step={0.01}
        onChange={(v) => set('Warmth', setScene('light', { warmth: v }), 'light-warmth')}
        format={percent}
      />
      <Check
        label="A second light"
        checked={second !== null}
        onChange={(on) => set(on ? 'Add a second light' : 'Take out the second light', withSecondLight(on))}
      >
        {second && (
          <>
            <LightBall
              label="Where the second light comes from"
              azimuthRad={second.azimuthRad}
              heightRad={second.heightRad}
              onChange={(az, h) =>
                set('Move the second light', setSecondLight({ azimuthRad: az, heightRad: h }), 'second')
              }
            />
            {(['softness', 'strength'] as const).map((name) => (
              <Slider
                key={name}
                label={name === 'softness' ? 'Soft ' : 'Strength '}
                value={second[name]}
                least={0}
                most={name === 'strength' ? 2 : 1}
                step={0.01}
                onChange={(v) => set('Second light', setSecondLight({ [name]: v }), `second-${name}`)}
                format={percent}
              />
            ))}
          </>
        )}
      </Check>
      <Slider
        label="Exposure"
        value={scene.look.exposure}
        least={-2}
        most={2}
        step={0.05}
        onChange={(v) => set('Exposure', setScene('look', { exposure: v }), 'exposure')}
        format={(v) => v.toFixed(2)}
      />
      <Slider
        label="Contrast"
        value={scene.look.contrast}
        least={-1}
        most={1}
        step={0.01}
        onChange={(v) => set('Contrast', setScene('look', { contrast: v }), 'contrast')}
        format={percent}
      />
    </Group>
  );
}

const PLAIN = '#dadbd8';

const TABLES = { wood: '#a87850', stone: '#cfccc6', cloth: '#8f8a80', plain: '#e4e1da' } as const;

export function GroundGroup({ swatches }: { swatches: readonly string[] }) {
  const { scene, set } = useScene();
  const edit = useSession((s) => s.edit);
  const { ground } = scene;
  const picture = usePictureInput(
    ({ asset }) =>
      void edit('Picture behind it', withAsset(asset, onScene(setGround({ kind: 'picture', asset: asset.id })))),
  );
  const change = (kind: Scene['ground']['kind']): void => {
    if (kind === 'picture') return picture.open();
    if (kind === 'clear') set('Ground', setGround({ kind }));
    else if (kind === 'table')
      set('Ground', setGround({ kind, material: 'wood', colour: TABLES.wood, wall: '#d8d4cb' }));
    else if (kind === 'colour') set('Ground', setGround({ kind, colour: swatches[1] ?? PLAIN }));
    else set('Ground', setGround({ kind, top: '#f2f2ef', foot: swatches[1] ?? '#c9cac8' }));
  };
  const shown = swatches.slice(0, 6);
  return (
    <Group title="What it stands on">
      <Segmented
        label="Ground"
        value={ground.kind}
        onChange={change}
        options={[
          { value: 'clear', label: 'Clear' },
          { value: 'colour', label: 'Colour' },
          { value: 'gradient', label: 'Fade' },
          { value: 'table', label: 'Table' },
          { value: 'picture', label: 'Picture' },
        ]}
      />
      {picture.input}
      {ground.kind === 'colour' && (
        <ColourField
          label="Ground colour"
          value={ground.colour}
          swatches={shown}
          onChange={(colour, d) => set('Ground colour', setGround({ kind: 'colour', colour }), d ? 'ground' : null)}
        />
      )}
      {ground.kind === 'gradient' &&
        (['top', 'foot'] as const).map((end) => (
          <div key={end} className="flex flex-col gap-1">
            <span className="text-xs text-ink-2">{end === 'top' ? 'At the top' : 'At the foot'}</span>
            <ColourField
              label={end === 'top' ? 'Colour at the top' : 'Colour at the foot'}
              value={ground[end]}
              swatches={shown}
              onChange={(colour, d) =>
                set('Ground colour', setGround({ ...ground, [end]: colour }), d ? `ground-${end}` : null)
              }
            />
          </div>
        ))}
      {ground.kind === 'table' && (
        <>
          <Segmented
            label="Made of"
            value={ground.material}
            onChange={(material) => set('Table', setGround({ ...ground, material, colour: TABLES[material] }))}
            options={[
              { value: 'wood', label: 'Wood' },
              { value: 'stone', label: 'Stone' },
              { value: 'cloth', label: 'Cloth' },
              { value: 'plain', label: 'Plain' },
            ]}
          />
          {(['colour', 'wall'] as const).map((which) => (
            <div key={which} className="flex flex-col gap-1">
              <span className="text-xs text-ink-2">{which === 'colour' ? 'Of the table' : 'Of the wall behind'}</span>
              <ColourField
                label={which === 'colour' ? 'Colour of the table' : 'Colour of the wall'}
                value={ground[which]}
                swatches={shown}
                onChange={(colour, d) =>
                  set('Table colour', setGround({ ...ground, [which]: colour }), d ? `table-${which}` : null)
                }
              />
            </div>
          ))}
        </>
      )}
      {ground.kind === 'picture' && (
        <Button className="self-start" onClick={picture.open}>
          Another picture
        </Button>
      )}
      <Slider
        label="Reflection"
        value={scene.reflection}
        least={0}
        most={1}
        step={0.01}
        onChange={(v) => set('Reflection', setReflection(v), 'reflection')}
        format={percent}
      />
    </Group>
  );
}
