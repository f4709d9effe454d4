import { type Others, allCredits, picturesAndRights } from '@yosomi/core/recipe';
import { useMemo, useState } from 'react';
import { say } from '../../messages/say';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { Origins } from './origins';
import { RightsDialog } from './rights-dialog';
import { Standing } from './standing';

/** The pictures of a title's files with their rights, and the credits that go along; the way to tell what is not told. */
export function RightsAndCredits({ others }: { others: Others }) {
  const book = useBook();
  const pictures = useMemo(() => picturesAndRights(book), [book]);
  const credits = useMemo(() => allCredits(book, others), [book, others]);
  const [told, setTold] = useState<string | null>(null);
  const copy = (): void => {
    const copied = navigator.clipboard?.writeText(credits.join('\n')) ?? Promise.reject(new Error('no clipboard'));
    copied.then(
      () => say('The credits are copied.'),
      () => say('The browser did not take them to the clipboard. Mark the lines and copy them.'),
    );
  };
  return (
    <section aria-label="Rights and credits" className="mt-8 flex flex-col gap-3 border-t border-line pt-5">
      <h2 className="text-base font-semibold">Rights and credits</h2>
      {pictures.length === 0 && credits.length === 0 && (
        <p className="text-ink-2">No pictures are used: the files show type and shapes of your own.</p>
      )}
      {pictures.length > 0 && (
        <ul aria-label="Pictures" className="flex flex-col">
          {pictures.map((one) => (
            <li key={one.id} className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-line py-2">
              <span className="min-w-0 flex-1 truncate" title={one.name}>
                {one.name}
                <span className="ml-2 text-xs text-ink-2">
                  {[one.rights.maker, one.rights.licence].filter((text) => text.trim()).join(', ')}
                </span>
              </span>
              <Standing rights={one.rights} />
              <Button onClick={() => setTold(one.id)} aria-label={`Rights of ${one.name}`}>
                Rights
              </Button>
            </li>
          ))}
        </ul>
      )}
      <Origins />
      {credits.length > 0 && (
        <div role="group" aria-label="Credits that are due" className="flex flex-col items-start gap-2">
          <p>
            These lines go with the files. The ebook has those of its text and its cover on the title page, the zip has
            all in its text. Show them too where you show the cover yourself.
          </p>
          <ul className="flex flex-col gap-1 border-l-3 border-edge pl-3">
            {credits.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          <Button onClick={copy}>Copy the credits</Button>
        </div>
      )}
      {told !== null && <RightsDialog id={told} onClose={() => setTold(null)} />}
    </section>
  );
}
