import type { CurveNode } from '@yosomi/core/cover';
import type { PointerEvent } from 'react';
import type { NodeHandle } from './drags';

/** The points of a drawn curve with their handles, to be dragged; the chosen one is filled. */
export function CurveHandles(props: {
  nodes: readonly CurveNode[];
  closed: boolean;
  width: number;
  height: number;
  chosen: number | null;
  onDown(index: number, handle: NodeHandle, e: PointerEvent): void;
}) {
  const { nodes, width: w, height: h, chosen } = props;
  const d = (props.closed ? [...nodes, nodes[0]] : nodes)
    .map((n, i) =>
      i === 0
        ? `M${n.x * w} ${n.y * h}`
        : `C${nodes[i - 1].outX * w} ${nodes[i - 1].outY * h} ${n.inX * w} ${n.inY * h} ${n.x * w} ${n.y * h}`,
    )
    .join('');
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden>
      <path d={d} fill="none" stroke="#a4dded" strokeWidth={1.25} />
      {nodes.map((n, i) => (
        <g key={i}>
          {chosen === i &&
            (['in', 'out'] as const).map((handle) => {
              const x = n[`${handle}X`] * w;
              const y = n[`${handle}Y`] * h;
              if (Math.hypot(x - n.x * w, y - n.y * h) < 1) return null;
              return (
                <g key={handle}>
                  <line x1={n.x * w} y1={n.y * h} x2={x} y2={y} stroke="#a4dded" />
                  <circle
                    data-node={`${i}-${handle}`}
                    cx={x}
                    cy={y}
                    r={4.5}
                    fill="#e9f4f8"
                    stroke="#2a7296"
                    className="pointer-events-auto cursor-move"
                    onPointerDown={(e) => props.onDown(i, handle, e)}
                  />
                </g>
              );
            })}
          <rect
            data-node={`${i}-point`}
            x={n.x * w - 4.5}
            y={n.y * h - 4.5}
            width={9}
            height={9}
            fill={chosen === i ? '#2a7296' : '#ffffff'}
            stroke="#2a7296"
            className="pointer-events-auto cursor-move"
            onPointerDown={(e) => props.onDown(i, 'point', e)}
          />
        </g>
      ))}
    </svg>
  );
}
