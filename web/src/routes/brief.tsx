import { type Brief, thicknessMm } from '@yosomi/core/book';
import { Brief as BriefSchema } from '@yosomi/core/book';
import { allProfiles } from '@yosomi/core/stores';
import { type ReactNode, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { seriesPath } from '../features/series/odd-numbers';
import { KindFields } from '../features/sketch/kind-fields';
import { useWishes } from '../features/deliver/use-wishes';
import { sentenceOf } from '../messages/sentences';
import { useBook, useSession } from '../state/session';
import { Bitmap } from '../ui/bitmap';
import { lengthText, useLengths } from '../ui/lengths';
import { TextField } from '../ui/field';
import { useCoverBitmap } from '../work/queries';
import { warmSketches } from '../work/sketches';

type TextName =
  'title' | 'subtitle' | 'author' | 'seriesName' | 'strapline' | 'blurb' | 'website' | 'publisher' | 'language';

export function BriefPage() {
  const book = useBook();
  const { brief } = book;
  const edit = useSession((s) => s.edit);
  const { wishes } = useWishes();
  const { unit: lengths } = useLengths();
  const pictures = book.sheet.pictures;
  useEffect(() => warmSketches(pictures), [pictures]);
  const { data: bitmap } = useCoverBitmap(book, 240 * Math.min(2, Math.ceil(window.devicePixelRatio)));
  /** What is typed but cannot be kept as it is, by field. */
  const [typed, setTyped] = useState<Partial<Record<keyof Brief, { text: string; error: string }>>>({});

  const write = (name: keyof Brief, value: unknown, text: string, error: string): void => {
    if (!BriefSchema.shape[name].safeParse(value).success)
      return setTyped((now) => ({ ...now, [name]: { text, error } }));
    setTyped((now) => ({ ...now, [name]: undefined }));
    edit(`Brief: ${name}`, (b) => void Object.assign(b.brief, { [name]: value }), `brief-${name}`);
  };
  const text = (name: TextName, label: string, limit: number, more: { hint?: ReactNode; lines?: number } = {}) => (
    <TextField
      label={label}
      value={typed[name]?.text ?? brief[name]}
      error={
        typed[name]?.error ??
        (name === 'title' && !brief.title.trim()
          ? sentenceOf({ code: 'title-missing', data: {} }).replace(
              ' Type one in the Brief.',
              ' Type one here: files need it.',
            )
          : null)
      }
      onChange={(v) =>
        write(
          name,
          v,
          v,
          name === 'language'
            ? 'Use a short language code such as en or de-AT.'
            : `This has ${v.length} letters. Up to ${limit} can be used.`,
        )
      }
      {...more}
    />
  );
  const number = (name: 'seriesNumber' | 'pageCount', label: string, most: number, hint: string) => (
    <TextField
      label={label}
      inputMode="numeric"
      value={typed[name]?.text ?? (brief[name] === null ? '' : String(brief[name]))}
      error={typed[name]?.error}
      hint={hint}
      onChange={(v) => write(name, v.trim() === '' ? null : Number(v), v, `Use a whole number from 1 to ${most}.`)}
    />
  );
  return (
    <main className="flex min-h-0 flex-1 overflow-auto">
      <h1 className="sr-only">Brief</h1>
      <form className="flex flex-1 flex-col gap-8 px-12 py-9" onSubmit={(e) => e.preventDefault()}>
        <section className="grid max-w-[720px] grid-cols-2 gap-x-6 gap-y-5" aria-label="Words">
          <h2 className="col-span-2 text-base font-semibold">What stands on it</h2>
          <div className="col-span-2">{text('title', 'Title', 300)}</div>
          <div className="col-span-2">{text('subtitle', 'Subtitle', 300)}</div>
          {text('author', 'Author', 200)}
          {text('strapline', 'Strapline', 200, { hint: 'One line that sells it. It heads the promo.' })}
          {text('seriesName', 'Series', 120, { hint: seriesLink(brief.seriesName.trim()) })}
          {number('seriesNumber', 'Number in the series', 999, 'Leave it empty for a single book.')}
        </section>
        <section
          className="grid max-w-[720px] grid-cols-2 gap-x-6 gap-y-5 border-t border-line pt-6"
          aria-label="What sort of book"
        >
          <h2 className="col-span-2 text-base font-semibold">What sort of book it is</h2>
          <KindFields />
        </section>
        <section
          className="grid max-w-[720px] grid-cols-2 gap-x-6 gap-y-5 border-t border-line pt-6"
          aria-label="Facts"
        >
          <h2 className="col-span-2 text-base font-semibold">What else is known</h2>
          <div className="col-span-2">
            {text('blurb', 'Text of the back', 4000, {
              hint: 'What the book is about. It stands on the back and in ebook files.',
              lines: 4,
            })}
          </div>
          {number(
            'pageCount',
            'Pages',
            3000,
            `Makes the book ${lengthText(thicknessMm(brief.pageCount), lengths)} thick.`,
          )}
          {text('website', 'Website', 120)}
          {text('publisher', 'Publisher', 120)}
          {text('language', 'Language of the book', 20, { hint: 'A short code: en, de, fr.' })}
        </section>
        <fieldset className="max-w-[720px] border-t border-line pt-6">
          <legend className="contents">
            <span className="block pb-3 text-base font-semibold">Where it is sold</span>
          </legend>
          <div className="grid grid-cols-2 gap-x-6 gap-y-2">
            {allProfiles(wishes.stores).map((store) => (
              <label key={store.id} className="flex items-center gap-2.5 py-0.5">
                <input
                  type="checkbox"
                  className="size-4 accent-ink"
                  checked={brief.stores.includes(store.id)}
                  onChange={(e) =>
                    edit(e.target.checked ? `Sell at ${store.name}` : `Not at ${store.name}`, (b) => {
                      const others = b.brief.stores.filter((id) => id !== store.id);
                      b.brief.stores = e.target.checked ? [...others, store.id] : others;
                    })
                  }
                />
                <span className="flex-1">{store.name}</span>
                <span className="font-mono text-xs text-ink-2">
                  {store.ideal.widthPx} x {store.ideal.heightPx}
                </span>
              </label>
            ))}
          </div>
        </fieldset>
      </form>
      <aside className="flex w-80 shrink-0 flex-col items-center gap-3 bg-table px-8 py-9" aria-label="The cover">
        <Bitmap
          bitmap={bitmap ?? null}
          label={`Cover of ${brief.title || 'this book'}`}
          className="w-60 shadow-cover"
        />
        <p className="text-center text-ink">
          Words typed here are used on the cover, the spine, the promo and in the files.
        </p>
      </aside>
    </main>
  );
}
const seriesLink = (name: string): ReactNode =>
  name !== '' && (
    <Link to={seriesPath(name)} className="underline underline-offset-2 hover:no-underline">
      See the whole series
    </Link>
  );
