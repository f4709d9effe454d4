import { useState } from 'react';
import { Link } from 'react-router';
import { useBook } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import { Mark } from '../../ui/mark';
import { useSpineBitmap } from '../../work/queries';

const WIDTH = 52;

/** The book's own spine down the left edge; it leads back to the Shelf. */
export function TitleSpine() {
  const book = useBook();
  const ratio = Math.min(2, Math.ceil(window.devicePixelRatio));
  const [height] = useState(() => window.innerHeight);
  const { data: bitmap } = useSpineBitmap(book, WIDTH * ratio, height * ratio, 64 / height);
  return (
    <nav aria-label="Shelf" className="flex shrink-0">
      <Link
        to="/"
        aria-label="Back to the Shelf"
        className="relative flex w-[52px] shrink-0 flex-col items-center overflow-hidden bg-ink focus-visible:outline-offset-[-4px]"
      >
        <span className="absolute inset-0" aria-hidden>
          <Bitmap bitmap={bitmap ?? null} label="" className="h-full w-full" />
          <span className="absolute inset-0 bg-[linear-gradient(90deg,rgb(0_0_0/.45),rgb(255_255_255/.1)_38%,rgb(0_0_0/.1)_70%,rgb(0_0_0/.5))]" />
        </span>
        <span className="relative mt-1.5 flex size-9 items-center justify-center rounded-full bg-ink/70 text-card">
          <Mark size={24} />
        </span>
      </Link>
    </nav>
  );
}
