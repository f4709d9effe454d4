import type { Doc, WordRule, WordsPart } from '@yosomi/core/cover';
import { Check } from '../../ui/check';
import { ColourField } from '../../ui/colour-field';
import { Group } from '../../ui/group';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { BlendField, FillField, ShadowField, Share } from './fields';

const em = (v: number): string => v.toFixed(2);
const opposite = (hex: string): string => (parseInt(hex.slice(1, 3), 16) > 127 ? '#101112' : '#ffffff');

/** What the letters are made of, and what stands round and behind them. */
export function WordsEffects(props: {
  part: WordsPart;
  doc: Doc;
  set(what: string, fields: Partial<WordsPart>, merge?: string | false): void;
  swatches: readonly string[];
}) {
  const { part, doc, set, swatches } = props;
  const few = swatches.slice(0, 5);
  const rule = (label: string, name: 'ruleAbove' | 'ruleBelow') => {
    const value = part[name];
    const put = (next: WordRule | null, merge: string | false = false): void =>
      set('Rule', { [name]: next } as Partial<WordsPart>, merge);
    return (
      <Check
        label={label}
        checked={value !== null}
        onChange={(yes) => put(yes ? { length: 1, thick: 0.04, gap: 0.35, colour: part.colour } : null)}
      >
        {value && (
          <>
            <Slider
              label="Length"
              value={value.length}
              least={0.1}
              most={2}
              step={0.05}
              format={em}
              onChange={(length) => put({ ...value, length }, `${name}-l`)}
            />
            <Slider
              label="Weight"
              value={value.thick}
              least={0.01}
              most={0.3}
              step={0.01}
              format={em}
              onChange={(thick) => put({ ...value, thick }, `${name}-t`)}
            />
            <Slider
              label="Distance"
              value={value.gap}
              least={0}
              most={1.5}
              step={0.05}
              format={em}
              onChange={(gap) => put({ ...value, gap }, `${name}-g`)}
            />
            <ColourField
              label="Rule colour"
              value={value.colour}
              swatches={few}
              onChange={(colour, d) => put({ ...value, colour }, d && `${name}-c`)}
            />
          </>
        )}
      </Check>
    );
  };
  const { outline, glow, plate } = part;
  return (
    <>
      <Group title="What shows in the letters" folded>
        <FillField
          label="Letters filled with"
          value={part.fill ?? { kind: 'flat', colour: part.colour }}
          swatches={swatches}
          onChange={(fill, merge) =>
            fill.kind === 'flat'
              ? set('Colour', { fill: null, colour: fill.colour }, merge)
              : set('Filling', { fill }, merge)
          }
        />
      </Group>
      <Group title="Round the letters" folded>
        <Check
          label="Outline"
          checked={outline !== null}
          onChange={(yes) =>
            set('Outline', { outline: yes ? { width: 0.04, colour: opposite(part.colour), side: 'outside' } : null })
          }
        >
          {outline && (
            <>
              <Segmented
                label="Outline lies"
                value={outline.side}
                onChange={(side) => set('Outline', { outline: { ...outline, side } })}
                options={[
                  { value: 'inside', label: 'Inside' },
                  { value: 'centre', label: 'Centred' },
                  { value: 'outside', label: 'Outside' },
                ]}
              />
              <Slider
                label="Width"
                value={outline.width}
                least={0.005}
                most={0.2}
                step={0.005}
                format={(v) => v.toFixed(3)}
                onChange={(width) => set('Outline', { outline: { ...outline, width } }, 'outline-w')}
              />
              <ColourField
                label="Outline colour"
                value={outline.colour}
                swatches={few}
                onChange={(colour, d) => set('Outline', { outline: { ...outline, colour } }, d && 'outline-c')}
              />
            </>
          )}
        </Check>
        <ShadowField
          value={part.shadow}
          widthPx={doc.widthPx}
          swatches={swatches}
          onChange={(shadow, merge) => set('Shadow', { shadow }, merge)}
        />
        <Check
          label="Glow"
          checked={glow !== null}
          onChange={(yes) =>
            set('Glow', { glow: yes ? { blur: 0.015, colour: opposite(part.colour), opacity: 0.7 } : null })
          }
        >
          {glow && (
            <>
              <Slider
                label="Reach"
                value={glow.blur}
                least={0.002}
                most={0.08}
                step={0.001}
                format={(v) => `${Math.round(v * doc.widthPx)} px`}
                onChange={(blur) => set('Glow', { glow: { ...glow, blur } }, 'glow-b')}
              />
              <Share
                label="Strength"
                value={glow.opacity}
                onChange={(opacity) => set('Glow', { glow: { ...glow, opacity } }, 'glow-o')}
              />
              <ColourField
                label="Glow colour"
                value={glow.colour}
                swatches={few}
                onChange={(colour, d) => set('Glow', { glow: { ...glow, colour } }, d && 'glow-c')}
              />
            </>
          )}
        </Check>
      </Group>
      <Group title="Behind and beside the words" folded>
        <Check
          label="Plate"
          checked={plate !== null}
          onChange={(yes) =>
            set('Plate', {
              plate: yes
                ? { padX: 0.35, padY: 0.25, radius: 0, colour: opposite(part.colour), opacity: 0.8, blend: 'normal' }
                : null,
            })
          }
        >
          {plate && (
            <>
              <Slider
                label="Sides"
                value={plate.padX}
                least={0}
                most={2}
                step={0.05}
                format={em}
                onChange={(padX) => set('Plate', { plate: { ...plate, padX } }, 'plate-x')}
              />
              <Slider
                label="Above"
                value={plate.padY}
                least={0}
                most={2}
                step={0.05}
                format={em}
                onChange={(padY) => set('Plate', { plate: { ...plate, padY } }, 'plate-y')}
              />
              <Share
                label="Corners"
                value={plate.radius}
                most={0.5}
                onChange={(radius) => set('Plate', { plate: { ...plate, radius } }, 'plate-r')}
              />
              <Share
                label="Opacity"
                value={plate.opacity}
                onChange={(opacity) => set('Plate', { plate: { ...plate, opacity } }, 'plate-o')}
              />
              <BlendField
                label="Plate blend"
                value={plate.blend}
                onChange={(blend) => set('Plate', { plate: { ...plate, blend } })}
              />
              <ColourField
                label="Plate colour"
                value={plate.colour}
                swatches={few}
                onChange={(colour, d) => set('Plate', { plate: { ...plate, colour } }, d && 'plate-c')}
              />
            </>
          )}
        </Check>
        {rule('Rule above', 'ruleAbove')}
        {rule('Rule below', 'ruleBelow')}
      </Group>
    </>
  );
}
