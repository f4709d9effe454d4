import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useRef } from 'react';

/** Any number of rows of one height, in px, in a box that scrolls; only those near what is seen are there. */
export function LongList(props: {
  count: number;
  high: number;
  /** How tall the box is; a few rows where nothing is said. */
  tall?: string;
  label?: string;
  children(at: number): ReactNode;
}) {
  const box = useRef<HTMLDivElement>(null);
  const { count, high, tall = 'max-h-52' } = props;
  const virtual = useVirtualizer({
    count,
    getScrollElement: () => box.current,
    estimateSize: () => high,
    overscan: 6,
    initialRect: { width: 400, height: 208 },
  });
  return (
    <div ref={box} className={`${tall} overflow-auto`}>
      <ul aria-label={props.label} className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start }) => (
          <li
            key={index}
            aria-setsize={count}
            aria-posinset={index + 1}
            className="absolute left-0 w-full"
            style={{ top: start, height: high }}
          >
            {props.children(index)}
          </li>
        ))}
      </ul>
    </div>
  );
}
