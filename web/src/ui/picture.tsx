import type { CSSProperties } from 'react';

/** Shows a picture at an address, decoded beside the page; its empty place where there is none yet. */
export function Picture(props: { src: string | null; label: string; className?: string; style?: CSSProperties }) {
  const { src, label, ...look } = props;
  if (!src) return <div role="img" aria-label={label} {...look} />;
  return <img src={src} alt={label} decoding="async" {...look} />;
}
