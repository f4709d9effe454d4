import { GLANCE_WIDTHS } from '@yosomi/core/glance';
import type { Book } from '@yosomi/core/project';
import type { CoverView } from '../../work/studio.worker';
import { Bitmap } from '../../ui/bitmap';
import { Verdict } from '../../ui/verdict';
import { glanceVerdict } from './verdicts';

/** The cover at the sizes shops show, always in view while it is worked on, each with its verdict. */
export function GlanceStrip({ book, view, ground }: { book: Book; view: CoverView | null; ground: string }) {
  const dark = ground === '#101112';
  return (
    <section
      aria-label="Glance"
      className={`flex w-[228px] shrink-0 flex-col gap-3 overflow-auto px-3.5 py-4 ${dark ? 'text-card' : 'text-ink'}`}
      style={{ background: ground }}
    >
      <h2 className="text-xs font-semibold">Glance</h2>
      {GLANCE_WIDTHS.map((width, i) => {
        const verdict = view && glanceVerdict(book, view, width);
        const height = Math.round((width * book.cover.heightPx) / book.cover.widthPx);
        return (
          <figure key={width} className="m-0 flex flex-col gap-1">
            <Bitmap bitmap={view?.thumbs[i] ?? null} label={`The cover at ${width} px`} style={{ width, height }} />
            <figcaption className="flex items-baseline justify-between gap-2">
              <span className="font-mono text-xs">{width} px</span>
              {verdict && (
                <span className="rounded-sm bg-card px-1.5 text-xs" data-verdict={width}>
                  <Verdict grade={verdict.grade}>{verdict.text}</Verdict>
                </span>
              )}
            </figcaption>
          </figure>
        );
      })}
    </section>
  );
}
