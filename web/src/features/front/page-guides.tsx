import { type Doc, addGuide, bandsOf, dropOff, guideLines, moveGuide } from '@yosomi/core/cover';
import { type PointerEvent, useState } from 'react';
import { useSession } from '../../state/session';
import { UprightRuler } from './ruler';
import type { On } from './use-set';

type Axis = 'x' | 'y';
const LINE = '#2f7fa6';

/** The lines that the page is worked by, as they lie on it; those of one's own can be moved by hand, and off the page are gone. */
export function PageGuides({ doc, on, k }: { doc: Doc; on: On; k: number }) {
  const edit = useSession((s) => s.edit);
  const [held, setHeld] = useState<{ readonly index: number; readonly key: string } | null>(null);
  const letGo = (): void => {
    const off = doc.guides?.lines.some(({ at }) => at < 0 || at > 1);
    if (held && off) edit('Take a guide away', on(dropOff), held.key);
    setHeld(null);
  };
  const { guides, widthPx, heightPx } = doc;
  if (!guides) return null;
  const columns = bandsOf(doc, 'x');
  const rows = bandsOf(doc, 'y');
  const own = guides.lines.length;
  return (
    <>
      <svg
        className="pointer-events-none absolute inset-0 h-full w-full overflow-visible"
        aria-hidden
        data-guides={guideLines(doc).length}
      >
        {columns.map(({ from, to }) => (
          <rect key={from} x={from * k} y={0} width={(to - from) * k} height={heightPx * k} fill={LINE} opacity={0.1} />
        ))}
        {rows.map(({ from, to }) => (
          <rect key={from} x={0} y={from * k} width={widthPx * k} height={(to - from) * k} fill={LINE} opacity={0.1} />
        ))}
        {guideLines(doc).map(({ axis, at }, i) => {
          const [x, y] = axis === 'x' ? [at * k, null] : [null, at * k];
          const line = { x1: x ?? 0, x2: x ?? widthPx * k, y1: y ?? 0, y2: y ?? heightPx * k };
          return (
            <g key={i}>
              <line {...line} stroke="#ffffff" strokeWidth={1.6} opacity={0.55} />
              <line {...line} stroke={LINE} strokeWidth={1} strokeDasharray={i < own ? undefined : '2 3'} />
            </g>
          );
        })}
      </svg>
      {guides.lines.map(({ axis, at }, i) => {
        const px = at * (axis === 'x' ? widthPx : heightPx) * k;
        return (
          <span
            key={i}
            aria-hidden
            data-guide={axis}
            className={`absolute touch-none ${axis === 'x' ? 'inset-y-0 w-1.5 -translate-x-1/2 cursor-ew-resize' : 'inset-x-0 h-1.5 -translate-y-1/2 cursor-ns-resize'}`}
            style={axis === 'x' ? { left: px } : { top: px }}
            onPointerDown={(e) => {
              e.stopPropagation();
              e.currentTarget.setPointerCapture(e.pointerId);
              setHeld({ index: i, key: `guide-hand-${e.timeStamp}` });
            }}
            onPointerMove={(e) => {
              e.stopPropagation();
              if (held?.index !== i) return;
              edit('Move a guide', on(moveGuide(i, onPage(e, axis, doc, k))), held.key);
            }}
            onPointerUp={letGo}
            onPointerCancel={letGo}
          />
        );
      })}
    </>
  );
}

/** Where the hand is on the page, px of it: the handle's own parent is the page. */
function onPage(e: PointerEvent, axis: Axis, doc: Doc, k: number): number {
  const page = e.currentTarget.parentElement!.getBoundingClientRect();
  return axis === 'x' ? (e.clientX - page.x) / k : (e.clientY - page.y) / k;
}

/** The strips of the rulers: a line is pulled out of them onto the page. */
export function PullGuides({ doc, on, k, dark }: { doc: Doc; on: On; k: number; dark: boolean }) {
  const edit = useSession((s) => s.edit);
  const [pulled, setPulled] = useState<{ axis: Axis; at: number } | null>(null);
  const strip = (axis: Axis) => (
    <span
      aria-hidden
      data-pull={axis}
      className={`absolute touch-none ${axis === 'y' ? '-top-[19px] right-0 left-0 h-[18px] cursor-ns-resize' : 'top-0 bottom-0 -left-[19px] w-[18px] cursor-ew-resize'}`}
      onPointerDown={(e) => {
        e.stopPropagation();
        e.currentTarget.setPointerCapture(e.pointerId);
        setPulled({ axis, at: onPage(e, axis, doc, k) });
      }}
      onPointerMove={(e) => {
        e.stopPropagation();
        if (pulled) setPulled({ axis, at: onPage(e, axis, doc, k) });
      }}
      onPointerUp={() => {
        const most = axis === 'x' ? doc.widthPx : doc.heightPx;
        if (pulled && pulled.at >= 0 && pulled.at <= most) edit('Add a guide', on(addGuide(axis, pulled.at)));
        setPulled(null);
      }}
      onPointerCancel={() => setPulled(null)}
    />
  );
  return (
    <>
      <UprightRuler height={doc.heightPx * k} px={doc.heightPx} dark={dark} />
      {strip('y')}
      {strip('x')}
      {pulled && (
        <span
          aria-hidden
          className={`pointer-events-none absolute bg-blue ${pulled.axis === 'x' ? 'inset-y-0 w-px' : 'inset-x-0 h-px'}`}
          style={pulled.axis === 'x' ? { left: pulled.at * k } : { top: pulled.at * k }}
        />
      )}
    </>
  );
}
