/** A ruler along the top of the cover, in cover px. */
export function Ruler({ width, px, dark }: { width: number; px: number; dark: boolean }) {
  const colour = dark ? '#dcdddb' : '#17191c';
  return (
    <svg
      aria-hidden
      className="pointer-events-none absolute -top-[19px] left-0 overflow-visible"
      width={width}
      height={18}
    >
      {Array.from({ length: 17 }, (_, i) => (
        <line
          key={i}
          x1={(i / 16) * width}
          x2={(i / 16) * width}
          y1={i % 8 === 0 ? 7 : 12}
          y2={16}
          stroke={colour}
          strokeWidth={1}
          opacity={0.75}
        />
      ))}
      {[0, 0.5, 1].map((t) => (
        <text
          key={t}
          x={t * width + (t === 0 ? 4 : t === 1 ? -4 : 0)}
          y={7}
          fontSize={10.5}
          fontFamily="var(--font-mono)"
          fill={colour}
          textAnchor={t === 0 ? 'start' : t === 1 ? 'end' : 'middle'}
        >
          {Math.round(t * px)}
        </text>
      ))}
    </svg>
  );
}

/** A ruler down the left of the cover, in cover px. */
export function UprightRuler({ height, px, dark }: { height: number; px: number; dark: boolean }) {
  const colour = dark ? '#dcdddb' : '#17191c';
  return (
    <svg
      aria-hidden
      className="pointer-events-none absolute top-0 -left-[19px] overflow-visible"
      width={18}
      height={height}
    >
      {Array.from({ length: 17 }, (_, i) => (
        <line
          key={i}
          y1={(i / 16) * height}
          y2={(i / 16) * height}
          x1={i % 8 === 0 ? 7 : 12}
          x2={16}
          stroke={colour}
          strokeWidth={1}
          opacity={0.75}
        />
      ))}
      {[0.5, 1].map((t) => (
        <text
          key={t}
          transform={`translate(7 ${t * height + (t === 1 ? -4 : 0)}) rotate(-90)`}
          fontSize={10.5}
          fontFamily="var(--font-mono)"
          fill={colour}
          textAnchor={t === 1 ? 'start' : 'middle'}
        >
          {Math.round(t * px)}
        </text>
      ))}
    </svg>
  );
}
