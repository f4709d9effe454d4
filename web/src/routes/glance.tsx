import { GLANCE_WIDTHS } from '@yosomi/core/glance';
import { GROUNDS } from '../features/front/table';
import { nameOf } from '../features/front/part-names';
import { glanceVerdict } from '../features/glance/verdicts';
import { useBook } from '../state/session';
import { Bitmap } from '../ui/bitmap';
import { Verdict } from '../ui/verdict';
import { useCoverView } from '../work/use-cover-view';

/** The cover where buyers see it: every shop size on every kind of page, and from which width each line reads. */
export function GlancePage() {
  const book = useBook();
  const { view } = useCoverView(book, 480, false, 'elsewhere');
  const ratio = book.cover.heightPx / book.cover.widthPx;
  return (
    <main className="min-h-0 flex-1 overflow-auto focus-visible:-outline-offset-2" tabIndex={0}>
      <h1 className="sr-only">Glance</h1>
      <div className="grid grid-cols-4">
        {GROUNDS.map((ground) => (
          <section
            key={ground.name}
            aria-label={`On ${ground.name.toLowerCase()}`}
            style={{ background: ground.colour }}
            className="flex flex-col items-center gap-6 px-4 pt-5 pb-8"
          >
            <h2 className={`text-xs font-semibold ${ground.colour === '#101112' ? 'text-card' : 'text-ink'}`}>
              {ground.name}
            </h2>
            {GLANCE_WIDTHS.map((width, i) => (
              <Bitmap
                key={width}
                bitmap={view?.thumbs[i] ?? null}
                label={`The cover at ${width} px on ${ground.name.toLowerCase()}`}
                style={{ width, height: Math.round(width * ratio) }}
              />
            ))}
          </section>
        ))}
      </div>
      <section aria-label="What reads" className="flex gap-16 px-10 py-8">
        <table className="border-collapse text-left">
          <caption className="pb-2 text-left text-base font-semibold">From which width each line reads</caption>
          <thead className="text-xs text-ink-2">
            <tr>
              <th className="py-1 pr-8">Line</th>
              <th className="pr-8">Reads from</th>
              <th className="pr-8">Contrast</th>
              <th>Worst tenth</th>
            </tr>
          </thead>
          <tbody>
            {[...(view?.reports.values() ?? [])].map((r) => {
              const part = book.cover.parts[r.part];
              return (
                <tr key={r.part} className="border-t border-line">
                  <td className="py-1.5 pr-8 font-semibold">{part ? nameOf(part) : ''}</td>
                  <td className="pr-8 font-mono text-xs">{r.readsFromPx === null ? 'never' : `${r.readsFromPx} px`}</td>
                  <td className="pr-8 font-mono text-xs">{r.typical.toFixed(1)} : 1</td>
                  <td className="font-mono text-xs">{r.worstTenth.toFixed(1)} : 1</td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <ul className="flex flex-col gap-2">
          <li className="pb-1 text-base font-semibold">At the shops' sizes</li>
          {view &&
            GLANCE_WIDTHS.map((width) => {
              const verdict = glanceVerdict(book, view, width);
              return (
                <li key={width} className="flex gap-4">
                  <span className="w-16 font-mono text-xs">{width} px</span>
                  <Verdict grade={verdict.grade}>{verdict.text}</Verdict>
                </li>
              );
            })}
        </ul>
      </section>
    </main>
  );
}
