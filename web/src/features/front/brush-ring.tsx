/** Where a brush is and how wide, seen on light and on dark. */
export const BrushRing = ({ x, y, r, thick }: { x: number; y: number; r: number; thick: number }) => (
  <>
    <circle cx={x} cy={y} r={r} fill="none" stroke="#101112" strokeWidth={thick * 2} />
    <circle cx={x} cy={y} r={r} fill="none" stroke="#ffffff" strokeWidth={thick} />
  </>
);
