import { type Doc, gapsRound } from '@yosomi/core/cover';
import { type Rect, union } from '@yosomi/core/plane';
import { Measure } from './handles';

/** The room round what is chosen, to its neighbours or the edges, in px of the cover. */
export function GapLines(props: {
  doc: Doc;
  frames: ReadonlyMap<string, Rect>;
  chosen: readonly string[];
  scale: number;
}) {
  const { doc, frames, chosen, scale: k } = props;
  const of = (ids: readonly string[]): Rect[] => ids.flatMap((id) => frames.get(id) ?? []);
  const own = of(chosen);
  if (own.length === 0) return null;
  const page = { width: doc.widthPx, height: doc.heightPx };
  // What spans the cover is behind everything, and no neighbour.
  const others = Object.values(doc.parts)
    .filter(
      ({ id, hidden, kind }) =>
        !hidden && !chosen.includes(id) && kind !== 'ground' && kind !== 'scrim' && kind !== 'overlay',
    )
    .flatMap(({ id }) => of([id]))
    .filter((r) => r.width > 0 && !(r.width >= page.width * 0.95 && r.height >= page.height * 0.5));
  const gaps = gapsRound(union(own), others, page);
  return (
    <svg
      className="pointer-events-none absolute inset-0 h-full w-full overflow-visible"
      role="img"
      aria-label={`Gaps: ${gaps.map(({ side, px }) => `${side} ${Math.round(px)} px`).join(', ')}`}
      data-gaps
    >
      {gaps.map(({ side, px, from, to }) => (
        <g key={side}>
          <line x1={from.x * k} y1={from.y * k} x2={to.x * k} y2={to.y * k} stroke="#2f7fa6" strokeWidth={1.5} />
          <Measure
            x={((from.x + to.x) / 2) * k}
            y={((from.y + to.y) / 2) * k}
            text={`${Math.round(px)}`}
            anchor="middle"
          />
        </g>
      ))}
    </svg>
  );
}
