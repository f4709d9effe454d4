import type { CSSProperties } from 'react';

/** Shows a picture at an address, decoded beside the page; nothing where there is none yet. */
export function Picture(props: { src: string | null; label: string; className?: string; style?: CSSProperties }) {
  const { src, label, className = '', style } = props;
  // Where there is no picture yet, its name is for those who hear it.
  return (
    <img
      src={src ?? undefined}
      alt={label}
      decoding="async"
      className={`${src ? '' : 'text-transparent'} ${className}`}
      style={style}
    />
  );
}
