import type { Book } from '@yosomi/core/project';
import { NAME_FIELDS, PAGE_SIZES, type PageWish, type Wishes, deliverables, patternFault } from '@yosomi/core/recipe';
import { useRef, useState } from 'react';
import { say } from '../../messages/say';
import { sentenceOf } from '../../messages/sentences';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { lengthText, useLengths } from '../../ui/lengths';
import { Segmented } from '../../ui/segmented';

const SIZES: readonly { value: PageWish['size']; label: string }[] = [
  { value: 'cover', label: 'The cover' },
  { value: 'letter', label: 'Letter' },
  { value: 'a4', label: 'A4' },
  { value: '6x9', label: '6 x 9 in' },
];

const USUAL = '{title}-{store}-{width}x{height}';

/** How files are named, and the sheet that the PDF is made for. */
export function FileOptions(props: {
  book: Book;
  wishes: Wishes;
  onWish(wishes: Partial<Wishes>): void;
  onClose(): void;
}) {
  // What is chosen shows at once; that it is stored follows.
  const [wishes, setWishes] = useState(props.wishes);
  const onWish = (more: Partial<Wishes>): void => {
    setWishes((now) => ({ ...now, ...more }));
    props.onWish(more);
  };
  const [pattern, setPattern] = useState(wishes.pattern ?? USUAL);
  const wrong = patternFault(pattern);
  const own = wishes.pattern !== null;
  const field = useRef<HTMLDivElement>(null);
  const names = deliverables(props.book, undefined, { ...wishes, pattern: own && !wrong ? pattern : null });
  /** A pattern that names nothing is not kept; that is not left unsaid. */
  const leave = (): void => {
    if (own && wrong) say('The pattern was not kept: files are named as before.');
    props.onClose();
  };
  const done = (): void => {
    if (!own || !wrong) return props.onClose();
    field.current?.querySelector('input')?.focus();
  };
  const page = (change: Partial<PageWish>): void => onWish({ page: { ...wishes.page, ...change } });
  const { unit: lengths } = useLengths();
  const sheet = PAGE_SIZES[wishes.page.size];
  return (
    <Dialog open onClose={leave} title="Names and sheets" description="The same for all titles.">
      <Check
        label="Name files by a pattern of my own"
        checked={own}
        onChange={(yes) => {
          const usable = wrong ? USUAL : pattern;
          setPattern(usable);
          onWish({ pattern: yes ? usable : null });
        }}
      >
        <div ref={field}>
          <TextField
            label="Pattern"
            value={pattern}
            maxLength={120}
            error={wrong && sentenceOf(wrong)}
            hint={`Between braces: ${NAME_FIELDS.join(', ')}.`}
            onChange={(next) => {
              setPattern(next);
              if (!patternFault(next)) onWish({ pattern: next });
            }}
          />
        </div>
      </Check>
      {!(own && wrong) && (
        <div className="flex flex-col gap-1">
          <p className="text-ink-2">So files of this title are called:</p>
          <ul aria-label="Names of this title" className="font-mono text-xs break-all">
            {names.slice(0, 3).map(({ id, fileName }) => (
              <li key={id}>{fileName}</li>
            ))}
          </ul>
        </div>
      )}
      <div className="flex flex-col gap-2">
        <p className="font-semibold">Sheet of the PDF</p>
        <Segmented label="Sheet" value={wishes.page.size} options={SIZES} onChange={(size) => page({ size })} />
        <p className="text-ink-2">
          {sheet
            ? `${lengthText(sheet.widthMm, lengths)} x ${lengthText(sheet.heightMm, lengths)}. The cover is composed anew for it.`
            : 'As large as the cover is at 300 pixels to the inch.'}
        </p>
        {sheet && (
          <Segmented
            label="Pixels to the inch"
            value={String(wishes.page.ppi) as '150' | '300'}
            options={[
              { value: '150', label: '150 to the inch' },
              { value: '300', label: '300 to the inch' },
            ]}
            onChange={(ppi) => page({ ppi: ppi === '150' ? 150 : 300 })}
          />
        )}
        <Check
          label={`${lengthText(3, lengths)} bleed on each side, for print`}
          checked={wishes.page.bleedMm === 3}
          onChange={(bleed) => page({ bleedMm: bleed ? 3 : 0 })}
        />
      </div>
      <Button kind="ink" className="self-end" onClick={done}>
        Done
      </Button>
    </Dialog>
  );
}
