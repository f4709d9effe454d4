import { spreadWith } from '@yosomi/core/booklet';
import { useBook } from '../../state/session';
import { NumberField } from '../../ui/number-field';
import { useBookletShape } from '../../work/booklets';

/** Which page of the booklet is shown; what lies open shows the one beside it too. */
export function PageField({
  at,
  open,
  onChange,
}: {
  at: number;
  open: boolean;
  onChange(at: number, dragging: boolean): void;
}) {
  const { shape } = useBookletShape(useBook());
  if (!shape) return <p className="text-xs text-ink-2">Counting the pages</p>;
  const count = shape.pages.length;
  const left = spreadWith(Math.min(at, count - 1));
  const beside = [left, left + 1].filter((one) => one >= 0 && one < count).map((one) => shape.pages[one].number);
  return (
    <>
      <NumberField
        label="Page"
        value={Math.min(count, Math.max(0, at) + 1)}
        least={1}
        most={count}
        onChange={(page, dragging) => onChange(Math.round(page) - 1, dragging)}
      />
      <p className="text-xs text-ink-2">
        {open && beside.length > 1 ? `Open at pages ${beside.join(' and ')} of ${count}.` : `Of ${count} pages.`}
      </p>
    </>
  );
}
