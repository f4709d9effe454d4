import { NAME_FIELDS, PAGE_SIZES, type PageWish, type Wishes, unknownFields } from '@yosomi/core/recipe';
import { useState } from 'react';
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
export function FileOptions(props: { wishes: Wishes; onWish(wishes: Partial<Wishes>): void; onClose(): void }) {
  // What is chosen shows at once; that it is stored follows.
  const [wishes, setWishes] = useState(props.wishes);
  const onWish = (more: Partial<Wishes>): void => {
    setWishes((now) => ({ ...now, ...more }));
    props.onWish(more);
  };
  const [pattern, setPattern] = useState(wishes.pattern ?? USUAL);
  const unknown = unknownFields(pattern);
  const page = (change: Partial<PageWish>): void => onWish({ page: { ...wishes.page, ...change } });
  const { unit: lengths } = useLengths();
  const sheet = PAGE_SIZES[wishes.page.size];
  return (
    <Dialog open onClose={props.onClose} title="Names and sheets" description="The same for all titles.">
      <Check
        label="Name files by a pattern of my own"
        checked={wishes.pattern !== null}
        onChange={(own) => onWish({ pattern: own && unknown.length === 0 ? pattern : null })}
      >
        <TextField
          label="Pattern"
          value={pattern}
          maxLength={120}
          error={
            unknown.length > 0
              ? `There is nothing called {${unknown[0]}}. Use ${NAME_FIELDS.map((f) => `{${f}}`).join(' ')}.`
              : null
          }
          hint={`Between braces: ${NAME_FIELDS.join(', ')}.`}
          onChange={(next) => {
            setPattern(next);
            if (unknownFields(next).length === 0) onWish({ pattern: next });
          }}
        />
      </Check>
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
      <Button kind="ink" className="self-end" onClick={props.onClose}>
        Done
      </Button>
    </Dialog>
  );
}
