import {
  type Doc,
  type Part,
  type PicturePart,
  type ShapePart,
  type WordsPart,
  alignWords,
  duplicateParts,
  groupParts,
  joinCurves,
  removePart,
  setParts,
  sharedField,
} from '@yosomi/core/cover';
import { textOf } from '@yosomi/core/compose';
import type { Rect } from '@yosomi/core/plane';
import { freshId } from '../../platform/ids';
import { useFrom, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { ColourField } from '../../ui/colour-field';
import { Group } from '../../ui/group';
import { NumberField } from '../../ui/number-field';
import { Segmented } from '../../ui/segmented';
import { DepthGroup } from './depth-group';
import { FaceMenu } from './face-menu';
import { BlendField, BorderField, ShadowField } from './fields';
import { ManyPlace } from './many-place';
import { nameOf } from './part-names';
import { SettingFields } from './setting-fields';
import type { On } from './use-set';
import { ManyStyles } from './words-style';

type Many = {
  ids: readonly string[];
  doc: Doc;
  on: On;
  frames: ReadonlyMap<string, Rect>;
  swatches: readonly string[];
  styles: boolean;
};

/** Writes into all parts of the selection; `merge` joins a run of such changes into one step. */
function useSetAll({ ids, on }: Pick<Many, 'ids' | 'on'>) {
  const edit = useSession((s) => s.edit);
  return (what: string, of: object | ((part: Part) => object), merge: string | false = false): void =>
    void edit(
      `${what} of ${ids.length} parts`,
      on(setParts(ids, typeof of === 'function' ? (of as (part: Part) => object) : () => of)),
      merge ? `${merge}-${ids.join()}` : null,
    );
}

/** What can be asked of several parts at once: all that each of them has. */
export function ManyInspector(props: Many) {
  const { ids, doc, on, frames } = props;
  const parts = ids.flatMap((id) => (doc.parts[id] ? [doc.parts[id]] : []));
  const words = parts.filter((part) => part.kind === 'words');
  return (
    <>
      <h2 className="px-4 pt-4 text-base font-semibold">{parts.length} parts</h2>
      <Group title="Which">
        <p>{parts.map(nameOf).join(', ')}</p>
      </Group>
      {words.length === parts.length && <ManyWords {...props} parts={words} />}
      <ManyLooks {...props} parts={parts} />
      <ManyPlace ids={ids} doc={doc} on={on} frames={frames} />
      <DepthGroup ids={ids} doc={doc} frames={frames} on={on} />
      <ManyActions parts={parts} on={on} />
    </>
  );
}

/** How several lines of words are set. */
function ManyWords(props: Many & { parts: readonly WordsPart[] }) {
  const { ids, doc, on, frames, parts } = props;
  const brief = useFrom((b) => b.brief);
  const edit = useSession((s) => s.edit);
  const set = useSetAll(props);
  const size = sharedField(parts, 'size')!;
  const tracking = sharedField(parts, 'tracking')!;
  const leading = sharedField(parts, 'leading')!;
  const upper = sharedField(parts, 'upper')!;
  const align = sharedField(parts, 'align')!;
  return (
    <Group title="How they are set">
      {props.styles && <ManyStyles parts={parts} doc={doc} on={on} />}
      <FaceMenu parts={parts} on={on} sample={textOf(parts[0], brief)} />
      <NumberField
        label="Size"
        unit="px"
        mixed={size.mixed ? 'mixed' : size.value === null && 'as fits'}
        value={Math.round((size.value ?? 0.04) * doc.widthPx)}
        least={8}
        most={doc.widthPx}
        onChange={(px, d) => set('Size', { size: px / doc.widthPx }, d && 'size')}
      />
      <SettingFields tracking={tracking} leading={leading} set={set} />
      <Segmented
        label="Set to"
        value={align.mixed ? null : align.value}
        onChange={(to) =>
          void edit('Alignment', (book) => {
            for (const id of ids) {
              const ink = frames.get(id) ?? { x: 0, y: 0, width: 0, height: 0 };
              const refused = !doc.parts[id].locked && on(alignWords(id, to, ink))(book);
              if (refused) return refused;
            }
          })
        }
        options={[
          { value: 'left', label: 'Left' },
          { value: 'centre', label: 'Centre' },
          { value: 'right', label: 'Right' },
        ]}
      />
      <Check
        label="All capitals"
        checked={upper.value}
        mixed={upper.mixed}
        onChange={(on) => set('Capitals', { upper: on })}
      />
    </Group>
  );
}

/** Colours, lines, shadows and how they mix, as far as all parts have them. */
function ManyLooks(props: Many & { parts: readonly Part[] }) {
  const { parts, doc, swatches } = props;
  const set = useSetAll(props);
  const colour = sharedField(parts, 'colour');
  const width = parts.every((part) => part.kind === 'curve') ? sharedField(parts, 'width') : null;
  const outline = sharedField(parts, 'outline');
  const bordered = parts.every((part) => part.kind === 'picture' || part.kind === 'shape');
  const border = bordered ? sharedField(parts as readonly (PicturePart | ShapePart)[], 'border') : null;
  const shadow = sharedField(parts, 'shadow');
  const blend = sharedField(parts, 'blend')!;
  const opacity = sharedField(parts, 'opacity')!;
  const filled = parts.some((part) => 'fill' in part && part.fill !== null);
  return (
    <>
      {(colour || width || outline || border || shadow) && (
        <Group title="How they look">
          {colour && (
            <ColourField
              label="Colour"
              value={colour.value}
              mixed={colour.mixed || filled}
              swatches={swatches}
              onChange={(hex, d) =>
                set('Colour', (part) => ('fill' in part ? { colour: hex, fill: null } : { colour: hex }), d && 'colour')
              }
            />
          )}
          {width && (
            <NumberField
              label="Width"
              unit="px"
              mixed={width.mixed && 'mixed'}
              value={Math.max(1, Math.round(width.value * doc.widthPx))}
              least={1}
              most={Math.round(doc.widthPx * 0.3)}
              onChange={(v, d) => set('Width', { width: v / doc.widthPx }, d && 'width')}
            />
          )}
          {outline && (
            <Check
              label="Outline"
              checked={outline.value !== null}
              mixed={outline.mixed}
              onChange={(yes) =>
                set('Outline', {
                  outline: yes ? (outline.value ?? { width: 0.03, colour: '#101112', side: 'outside' }) : null,
                })
              }
            >
              {outline.value && (
                <>
                  <NumberField
                    label="Width, em"
                    value={outline.value.width}
                    least={0.004}
                    most={0.4}
                    step={0.005}
                    digits={3}
                    onChange={(v, d) => set('Outline', { outline: { ...outline.value, width: v } }, d && 'outline')}
                  />
                  <ColourField
                    label="Outline colour"
                    value={outline.value.colour}
                    swatches={swatches.slice(0, 5)}
                    onChange={(hex, d) => set('Outline', { outline: { ...outline.value, colour: hex } }, d && 'line')}
                  />
                </>
              )}
            </Check>
          )}
          {border && (
            <BorderField
              value={border.value as PicturePart['border']}
              mixed={border.mixed}
              widthPx={doc.widthPx}
              swatches={swatches}
              onChange={(next, merge) => set('Border', { border: next }, merge)}
            />
          )}
          {shadow && (
            <ShadowField
              value={shadow.value}
              mixed={shadow.mixed}
              widthPx={doc.widthPx}
              swatches={swatches}
              onChange={(next, merge) => set('Shadow', { shadow: next }, merge)}
            />
          )}
        </Group>
      )}
      <Group title="How they mix">
        <BlendField
          label="Blend mode"
          value={blend.value}
          mixed={blend.mixed}
          onChange={(next) => set('Blend', { blend: next })}
        />
        <NumberField
          label="Opacity"
          unit="%"
          mixed={opacity.mixed && 'mixed'}
          value={Math.round(opacity.value * 100)}
          least={0}
          most={100}
          onChange={(v, d) => set('Opacity', { opacity: v / 100 }, d && 'opacity')}
        />
      </Group>
    </>
  );
}

function ManyActions({ parts, on }: { parts: readonly Part[]; on: On }) {
  const edit = useSession((s) => s.edit);
  const selectMany = useSession((s) => s.selectMany);
  const ids = parts.map(({ id }) => id);
  const grouped = parts.some((part) => part.group !== null);
  const oneGroup = grouped && parts.every((part) => part.group === parts[0].group);
  return (
    <Group title="What to do with them">
      <div className="flex flex-wrap gap-1.5">
        <Button disabled={oneGroup} onClick={() => void edit('Group parts', on(groupParts(ids, freshId())))}>
          Group
        </Button>
        <Button disabled={!grouped} onClick={() => void edit('Ungroup parts', on(groupParts(ids, null)))}>
          Ungroup
        </Button>
        {parts.length === 2 && parts.every((part) => part.kind === 'curve') && (
          <Button
            onClick={() => {
              if (edit('Join curves', on(joinCurves(ids[0], ids[1])))) selectMany([ids[0]]);
            }}
          >
            Join into one curve
          </Button>
        )}
        <Button
          onClick={() => {
            const from = parts.filter((p) => p.kind !== 'ground').map((p) => p.id);
            const fresh = from.map(() => freshId());
            if (edit('Duplicate parts', on(duplicateParts(from, fresh)))) selectMany(fresh);
          }}
        >
          Duplicate
        </Button>
        <Button
          className="text-fail"
          onClick={() => {
            const done = edit('Remove parts', (book) => {
              for (const part of parts) {
                if (part.kind === 'ground' || part.locked) continue;
                const refused = on(removePart(part.id))(book);
                if (refused) return refused;
              }
            });
            if (done) selectMany([]);
          }}
        >
          Remove
        </Button>
      </div>
    </Group>
  );
}
