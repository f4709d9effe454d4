import type { KeyboardEvent, PointerEvent } from 'react';
import { arrowStep } from '../../ui/arrow-keys';

const R = 34;

/**
 * The light's direction as a point on a lit ball: across is where it comes from, down the ball is how low it stands.
 * Azimuth -pi/2..pi/2 (left to right), height 0.2..1.45 rad.
 */
export function LightBall(props: {
  label?: string;
  azimuthRad: number;
  heightRad: number;
  onChange(azimuthRad: number, heightRad: number): void;
}) {
  const { azimuthRad, heightRad, onChange } = props;
  const x = Math.sin(azimuthRad) * Math.cos(heightRad);
  const y = -Math.sin(heightRad) * Math.cos(azimuthRad * 0.5);
  const put = (az: number, h: number): void =>
    onChange(Math.min(1.5, Math.max(-1.5, az)), Math.min(1.45, Math.max(0.2, h)));
  const drag = (e: PointerEvent<HTMLDivElement>): void => {
    if (e.buttons === 0) return;
    const box = e.currentTarget.getBoundingClientRect();
    const px = (e.clientX - box.left - R) / R;
    const py = (e.clientY - box.top - R) / R;
    const h = Math.asin(Math.min(0.99, Math.max(0.2, -py)));
    put(Math.asin(Math.min(1, Math.max(-1, px / Math.max(0.2, Math.cos(h))))), h);
  };
  const keys = (e: KeyboardEvent): void => {
    const d = arrowStep(e, 0.05, 0.2);
    if (d) put(azimuthRad + d[0], heightRad - d[1]);
  };
  const degrees = (rad: number): number => Math.round((rad * 180) / Math.PI);
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={props.label ?? 'Where the light comes from'}
      aria-valuemin={-90}
      aria-valuemax={90}
      aria-valuenow={degrees(azimuthRad)}
      aria-valuetext={`${Math.abs(degrees(azimuthRad))} degrees from the ${azimuthRad < 0 ? 'left' : 'right'}, ${degrees(heightRad)} degrees high`}
      onKeyDown={keys}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        drag(e);
      }}
      onPointerMove={drag}
      className="relative shrink-0 touch-none rounded-full border border-edge"
      style={{
        width: R * 2,
        height: R * 2,
        background: `radial-gradient(circle at ${50 + x * 50}% ${50 + y * 50}%, #ffffff, #d6d7d5 55%, #8b8c8b)`,
      }}
    >
      <span
        className="absolute size-3 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-blue bg-card"
        style={{ left: R + x * R, top: R + y * R }}
      />
    </div>
  );
}
