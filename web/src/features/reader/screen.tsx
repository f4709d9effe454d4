import type { CSSProperties, ReactNode } from 'react';

/** A device: its screen in its own pixels, shown smaller. */
export type Device = {
  readonly name: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly shownPx: number;
};

export const PHONE: Device = { name: 'Phone', widthPx: 360, heightPx: 640, shownPx: 190 };
export const TABLET: Device = { name: 'Tablet', widthPx: 768, heightPx: 1024, shownPx: 262 };
export const PAPER: Device = { name: 'Electronic paper', widthPx: 600, heightPx: 800, shownPx: 250 };

/** The case of a device round what it shows. */
export function Screen({ device, title, children }: { device: Device; title?: string; children: ReactNode }) {
  const { name, widthPx, heightPx, shownPx } = device;
  const k = shownPx / widthPx;
  return (
    <figure className="flex flex-col gap-2.5">
      <div className="w-fit rounded-[10px] bg-ink p-[9px] shadow-cover">
        <div
          className="relative overflow-hidden rounded-[2px] bg-white"
          style={{ width: shownPx, height: Math.round(heightPx * k) }}
        >
          {children}
        </div>
      </div>
      <figcaption className="text-xs">
        <span className="font-semibold">{title ?? name}</span> {widthPx} x {heightPx}
      </figcaption>
    </figure>
  );
}

/**
 * A page of a book in a frame that can do nothing: no scripts, no forms, no addresses. `grey` shows it without colour.
 */
export function BookPage({
  device,
  html,
  label,
  grey,
}: {
  device: Device;
  html: string;
  label: string;
  grey?: boolean;
}) {
  const { widthPx, heightPx, shownPx } = device;
  const style: CSSProperties = {
    width: widthPx,
    height: heightPx,
    transform: `scale(${shownPx / widthPx})`,
    transformOrigin: '0 0',
    filter: grey ? 'grayscale(1)' : undefined,
  };
  return (
    <iframe
      title={label}
      sandbox=""
      srcDoc={html}
      tabIndex={-1}
      className="absolute top-0 left-0 border-0 bg-white"
      style={style}
    />
  );
}
