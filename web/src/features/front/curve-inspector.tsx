import {
  type CurvePart,
  type Doc,
  SMOOTH_RAD,
  cornerNode,
  inOrder,
  piecesOf,
  reverseCurve,
  smoothNode,
  splitCurve,
  turnAt,
} from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { ColourField } from '../../ui/colour-field';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { NumberField } from '../../ui/number-field';
import { Segmented } from '../../ui/segmented';
import { useChosenNode } from './chosen-node';
import { ShadowField, Share } from './fields';
import { MixGroup } from './mix-group';
import { nameOf } from './part-names';
import { PlaceGroup } from './place-group';
import { type On, useSet } from './use-set';

type Props = {
  part: CurvePart;
  doc: Doc;
  on: On;
  frames: ReadonlyMap<string, Rect>;
  swatches: readonly string[];
};

/** What can be asked of a drawn curve: its line, its points, and the family it leads. */
export function CurveInspector(props: Props) {
  const { part, doc, on, swatches, frames } = props;
  const set = useSet(part, on);
  const tapered = part.taperStart > 0 || part.taperEnd > 0;
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
        <ColourField
          label="Colour"
          value={part.colour}
          swatches={swatches}
          onChange={(colour, d) => set('Colour', { colour }, d && 'colour')}
        />
        <Share
          label="Thin start"
          value={part.taperStart}
          onChange={(taperStart) => set('Taper', { taperStart }, 't1')}
        />
        <Share label="Thin end" value={part.taperEnd} onChange={(taperEnd) => set('Taper', { taperEnd }, 't2')} />
        {!tapered && (
          <NumberField
            label="Dashes"
            value={part.dash}
            least={0}
            most={20}
            step={0.5}
            digits={1}
            onChange={(dash, d) => set('Dashes', { dash }, d && 'dash')}
          />
        )}
        {!part.closed && (
          <>
            <Check
              label="Arrow at its start"
              checked={part.arrowStart}
              onChange={(arrowStart) => set('Arrow', { arrowStart })}
            />
            <Check
              label="Arrow at its end"
              checked={part.arrowEnd}
              onChange={(arrowEnd) => set('Arrow', { arrowEnd })}
            />
          </>
        )}
        <ShadowField
          value={part.shadow}
          widthPx={doc.widthPx}
          swatches={swatches}
          onChange={(shadow, merge) => set('Shadow', { shadow }, merge)}
        />
      </Group>
      <Points {...props} />
      <Family {...props} />
      <PlaceGroup part={part} doc={doc} frame={frames.get(part.id)} frames={frames} on={on} />
      <MixGroup part={part} doc={doc} frames={frames} on={on} />
    </>
  );
}

/** Its points: more, fewer, smooth or sharp, and which way it runs. */
function Points({ part, doc, on }: Props) {
  const edit = useSession((s) => s.edit);
  const set = useSet(part, on);
  const chosen = useChosenNode((s) => (s.chosen?.part === part.id ? s.chosen.index : null));
  const choose = useChosenNode((s) => s.choose);
  const { nodes, closed } = part;
  const index = chosen !== null && chosen < nodes.length ? chosen : null;
  const turn = index === null ? null : turnAt(nodes, index, doc);
  const inner = index !== null && (closed || (index > 0 && index < nodes.length - 1));
  const add = (): void => {
    // After the chosen point, or on the longest piece.
    const pieces = piecesOf(nodes, closed);
    const length = (i: number): number => {
      const [p, q] = [nodes[i], nodes[(i + 1) % nodes.length]];
      return Math.hypot((q.x - p.x) * doc.widthPx, (q.y - p.y) * doc.heightPx);
    };
    const longest = Array.from({ length: pieces }, (_, i) => i).reduce((a, b) => (length(b) > length(a) ? b : a), 0);
    const piece = index === null ? longest : Math.min(index, pieces - 1);
    if (
      edit(
        'Add a point',
        on((now) => put(now, part.id, splitCurve(nodes, piece, 0.5))),
      )
    )
      choose({ part: part.id, index: piece + 1 });
  };
  return (
    <Group title="Its points">
      <p className="text-ink-2">
        {index === null
          ? `${nodes.length} points. Choose one on the cover, or press N there. A double click on the line adds one.`
          : `Point ${index + 1} of ${nodes.length}. Drag it and its handles, or move it with the arrow keys.`}
      </p>
      <div className="flex flex-wrap gap-1.5">
        <Button disabled={nodes.length >= 200} onClick={add}>
          Add a point
        </Button>
        {index !== null && (
          <>
            <Button
              disabled={!inner || (turn !== null && turn < SMOOTH_RAD)}
              onClick={() => set('Smooth point', { nodes: smoothNode(nodes, closed, index, doc) })}
            >
              Smooth
            </Button>
            <Button
              disabled={!inner || (turn !== null && turn >= SMOOTH_RAD)}
              onClick={() => set('Corner', { nodes: cornerNode(nodes, closed, index) })}
            >
              Corner
            </Button>
            <Button
              disabled={nodes.length < 3}
              onClick={() => {
                choose(null);
                set('Fewer points', { nodes: nodes.filter((_, i) => i !== index) });
              }}
            >
              Remove it
            </Button>
          </>
        )}
      </div>
      <Check
        label="Closed"
        hint="Runs from its last point back to its first."
        checked={closed}
        onChange={(next) => set('Closing', { closed: next })}
      />
      <Button className="self-start" onClick={() => void edit('Turn the curve round', on(reverseCurve(part.id)))}>
        Turn it round
      </Button>
    </Group>
  );
}

function put(doc: Doc, id: string, nodes: CurvePart['nodes']): void {
  const part = doc.parts[id];
  if (part?.kind === 'curve') part.nodes = nodes;
}

/** Lines beside it, or in steps to other curves. */
function Family({ part, doc, on }: Props) {
  const set = useSet(part, on);
  const { family } = part;
  const others = inOrder(doc)
    .reverse()
    .flatMap((p) => (p.kind === 'curve' && p.id !== part.id ? [p] : []));
  const between = family?.kind === 'between' ? family : null;
  const way = between ? [...between.via, between.part] : [];
  const reach = (ids: readonly string[]): void =>
    void (between && set('Family', { family: { ...between, via: ids.slice(0, -1), part: ids[ids.length - 1] } }));
  const options = others.map((one, i) => ({
    value: one.id,
    label: `${nameOf(one)}${others.filter((o) => nameOf(o) === nameOf(one)).length > 1 ? ` ${i + 1}` : ''}`,
  }));
  return (
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
                  ? { kind, count: 5, part: others[0].id, via: [], carry: true }
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
          label={way.length > 1 ? 'How many in each step' : 'How many'}
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
      {between && (
        <>
          {way.map((id, i) => (
            <div key={i} className="flex items-center gap-2">
              <span className="w-16 shrink-0 text-ink-2">{i === 0 ? 'To' : 'then to'}</span>
              <Menu
                label={i === 0 ? 'To which curve' : `Then to which curve, ${i + 1}`}
                value={id}
                groups={[{ title: 'Curves', options }]}
                onChange={(next) => reach(way.with(i, next))}
              />
              {way.length > 1 && (
                <Button
                  kind="link"
                  aria-label={`Leave out step ${i + 1}`}
                  onClick={() => reach(way.filter((_, k) => k !== i))}
                >
                  Leave out
                </Button>
              )}
            </div>
          ))}
          {others.length > way.length && way.length < 8 && (
            <Button
              kind="link"
              className="self-start"
              onClick={() => reach([...way, others.find((one) => !way.includes(one.id))?.id ?? others[0].id])}
            >
              And on to another
            </Button>
          )}
          <Check
            label="Take width, colour and opacity along"
            checked={between.carry}
            onChange={(carry) => set('Family', { family: { ...between, carry } })}
          />
        </>
      )}
    </Group>
  );
}
