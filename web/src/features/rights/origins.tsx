import { MOST_ORIGINS, type Origin, noOrigin, originLine } from '@yosomi/core/book';
import { removeOrigin, setOrigin } from '@yosomi/core/project';
import { useState } from 'react';
import { useFrom, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { OriginDialog } from './origin-dialog';

/** Works of others that the text is made from, with the way to tell of one; `found` is what is known of the next, before anybody has told it. */
export function Origins({ found = noOrigin }: { found?: Origin }) {
  const origins = useFrom((book) => book.origins);
  const edit = useSession((s) => s.edit);
  const [told, setTold] = useState<number | null>(null);
  const add = (): void => {
    const at = origins.length;
    const known = originLine(found) !== '' && !origins.some(({ work }) => work === found.work);
    if (known) edit('A work it is made from', setOrigin(at, found));
    setTold(at);
  };
  return (
    <section aria-label="Texts of others" className="flex flex-col items-start gap-2">
      {origins.length > 0 && (
        <ul aria-label="Works it is made from" className="flex w-full flex-col">
          {origins.map((origin, at) => {
            const name = origin.work.trim() || originLine(origin) || 'A work without a name';
            return (
              <li key={at} className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-line py-2">
                <span className="min-w-0 flex-1 truncate" title={name}>
                  {name}
                  <span className="ml-2 text-xs text-ink-2">
                    {[origin.maker, origin.licence].filter((text) => text.trim()).join(', ')}
                  </span>
                </span>
                {!origin.licence.trim() && !origin.line.trim() && (
                  <span className="text-xs font-semibold text-may">Its licence is not told</span>
                )}
                <Button onClick={() => setTold(at)} aria-label={`Change ${name}`}>
                  Change
                </Button>
                <Button
                  kind="link"
                  onClick={() => void edit('Take out a work', removeOrigin(at))}
                  aria-label={`Take out ${name}`}
                >
                  Take out
                </Button>
              </li>
            );
          })}
        </ul>
      )}
      <p className="text-ink-2">
        {origins.length === 0
          ? 'Is the text, or a part of it, by somebody else? Say where it is from, and on what terms; its line then stands in the ebook and the booklet.'
          : 'Their lines stand in the ebook, on the page of credits of a new edition, and on the last page of the booklet.'}
      </p>
      <Button disabled={origins.length >= MOST_ORIGINS} onClick={add}>
        {origins.length === 0 ? 'Name the work it is from' : 'Name another work'}
      </Button>
      {told !== null && <OriginDialog at={told} onClose={() => setTold(null)} />}
    </section>
  );
}
