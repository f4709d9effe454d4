import { useState } from 'react';
import { Check } from '../../ui/check';
import { NumberField } from '../../ui/number-field';

type Size = { readonly widthPx: number; readonly heightPx: number };

/** Width and height in pixels; the ratio is kept until a person lets go of it. `ratio` is height over width. */
export function SizeFields(props: {
  size: Size;
  least: number;
  most: number;
  ratio: number;
  onChange(size: Size): void;
}) {
  const { size, least, most, ratio, onChange } = props;
  const [kept, setKept] = useState(true);
  const within = (n: number): number => Math.min(most, Math.max(least, Math.round(n)));
  return (
    <div className="flex flex-col gap-2.5">
      <div className="flex gap-3">
        <NumberField
          label="Width"
          unit="px"
          value={size.widthPx}
          least={least}
          most={most}
          onChange={(widthPx) => onChange({ widthPx, heightPx: kept ? within(widthPx * ratio) : size.heightPx })}
        />
        <NumberField
          label="Height"
          unit="px"
          value={size.heightPx}
          least={least}
          most={most}
          onChange={(heightPx) => onChange({ heightPx, widthPx: kept ? within(heightPx / ratio) : size.widthPx })}
        />
      </div>
      <Check label="Keep the ratio" checked={kept} onChange={setKept} />
    </div>
  );
}
