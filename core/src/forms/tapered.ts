import { type Path, type Polyline, smoothPath } from '../plane';

/**
 * The outline of a drawn line: `width` px across in the middle, thinned towards its ends. A taper of 1 thins over half
 * the length to a hair, 0 keeps the full width.
 */
export function taperedLine(line: Polyline, width: number, taperStart: number, taperEnd: number): Path {
  const steps = Math.max(8, Math.min(200, Math.round(line.length / Math.max(2, width * 0.4))));
  const left: { x: number; y: number }[] = [];
  const right: { x: number; y: number }[] = [];
  const thin = (t: number, taper: number): number => {
    if (taper <= 0) return 1;
    const s = Math.min(1, t / (taper * 0.5));
    return Math.sin((s * Math.PI) / 2) ** 0.9;
  };
  for (let i = 0; i <= steps; i++) {
    const t = i / steps;
    const { point, angleRad } = line.at(t * line.length);
    const half = (width / 2) * Math.max(0.02, Math.min(thin(t, taperStart), thin(1 - t, taperEnd)));
    const [nx, ny] = [-Math.sin(angleRad) * half, Math.cos(angleRad) * half];
    left.push({ x: point.x + nx, y: point.y + ny });
    right.unshift({ x: point.x - nx, y: point.y - ny });
  }
  return smoothPath([...left, ...right]);
}
