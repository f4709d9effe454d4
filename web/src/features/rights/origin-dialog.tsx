import { type Origin, noOrigin, originLine } from '@yosomi/core/book';
import { setOrigin } from '@yosomi/core/project';
import { useId } from 'react';
import { useFrom, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';

const LICENCES = [
  'Public domain',
  'CC0 1.0',
  'CC BY 4.0',
  'CC BY-SA 4.0',
  'Resale rights bought',
  'By leave of its author',
];

/** A work that the text is made from: the one at this place, or a new one behind the others. */
export function OriginDialog({ at, onClose }: { at: number; onClose(): void }) {
  const origin = useFrom((book) => book.origins[at]) ?? noOrigin;
  const edit = useSession((s) => s.edit);
  const licences = useId();
  const tell = (told: Partial<Origin>): void =>
    void edit('A work it is made from', setOrigin(at, { ...origin, ...told }), `origin-${at}-${Object.keys(told)[0]}`);
  const text = (name: keyof Origin, label: string, more: { hint?: string; lines?: number; maxLength: number }) => (
    <TextField label={label} value={origin[name]} onChange={(value) => tell({ [name]: value })} {...more} />
  );
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title="A work it is made from"
      description="Whose text this is, or is made from, and on what terms. Its line stands in the ebook and the booklet."
    >
      <div className="grid gap-x-5 gap-y-4 sm:grid-cols-2">
        {text('work', 'The work', { maxLength: 300 })}
        {text('maker', 'Its author', { maxLength: 120 })}
      </div>
      {text('from', 'Where it was found', { hint: 'An address, or where you bought it.', maxLength: 300 })}
      <div className="flex flex-col gap-1.5">
        {text('licence', 'Its licence', { maxLength: 120 })}
        <div role="group" aria-labelledby={licences} className="flex flex-wrap gap-1.5">
          <span id={licences} className="sr-only">
            Usual licences
          </span>
          {LICENCES.map((licence) => (
            <button
              key={licence}
              type="button"
              aria-pressed={origin.licence === licence}
              onClick={() => tell({ licence })}
              className="rounded-sm border border-edge bg-card px-2 py-0.5 text-xs hover:border-ink aria-pressed:border-blue aria-pressed:bg-blue-wash aria-pressed:font-semibold"
            >
              {licence}
            </button>
          ))}
        </div>
      </div>
      {text('changed', 'What you changed', {
        hint: 'Such as title, cover and author. Many licences ask for it.',
        lines: 2,
        maxLength: 600,
      })}
      <TextField
        label="The line that stands in the book"
        value={originLine(origin)}
        lines={2}
        maxLength={900}
        onChange={(line) => tell({ line: line === originLine({ ...origin, line: '' }) ? '' : line })}
      />
      <div className="flex items-center justify-between gap-4">
        {origin.line ? (
          <Button kind="link" onClick={() => tell({ line: '' })}>
            Make the line from the rest again
          </Button>
        ) : (
          <span className="text-ink-2">Made from what is told above.</span>
        )}
        <Button kind="ink" onClick={onClose}>
          Done
        </Button>
      </div>
    </Dialog>
  );
}
