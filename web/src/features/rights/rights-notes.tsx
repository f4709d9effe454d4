import { isMatte } from '@yosomi/core/project';
import { useState } from 'react';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { RightsDialog } from './rights-dialog';

/** Those of some pictures whose rights are not known or that may not be sold, each with the question; it can wait. */
export function RightsNotes({ pictures }: { pictures: readonly string[] }) {
  const book = useBook();
  const [told, setTold] = useState<string | null>(null);
  const open = [...new Set(pictures)].flatMap((id) => {
    const asset = isMatte(book, id) ? undefined : book.assets[id];
    return asset && (asset.rights.use === 'unknown' || asset.rights.use === 'none') ? [asset] : [];
  });
  return (
    <>
      {open.length > 0 && (
        <ul aria-label="Rights" className="flex flex-col gap-2">
          {open.map(({ id, name, rights }) => (
            <li key={id} className="border-l-3 border-may bg-may-wash px-3 py-2 wrap-anywhere">
              {rights.use === 'none'
                ? `The picture “${name}” may not be sold.`
                : `It is not told whether the picture “${name}” may be sold.`}{' '}
              <Button kind="link" aria-label={`Rights of ${name}`} onClick={() => setTold(id)}>
                {rights.use === 'none' ? 'Change it' : 'Tell it'}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {told !== null && <RightsDialog id={told} onClose={() => setTold(null)} />}
    </>
  );
}
