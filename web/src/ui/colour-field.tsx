import { Popover } from 'radix-ui';
import { Pipette } from 'lucide-react';
import { useContext, useState } from 'react';
import { HexColorPicker } from 'react-colorful';
import { inputLook } from './field';
import { PickContext } from './pick-context';

/** A colour: the book's own colours first, then any other. */
export function ColourField(props: {
  label: string;
  value: string;
  swatches: readonly string[];
  /** Several things have colours of their own. */
  mixed?: boolean;
  onChange(hex: string, dragging: boolean): void;
}) {
  const { label, value, swatches, mixed = false, onChange } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const picker = useContext(PickContext);
  return (
    <div className="flex flex-wrap items-center gap-1.5" role="group" aria-label={label}>
      {swatches.map((hex) => (
        <button
          key={hex}
          type="button"
          aria-label={`${label} ${hex}`}
          aria-pressed={!mixed && hex === value}
          title={hex}
          onClick={() => onChange(hex, false)}
          className="size-7 rounded-sm border border-edge aria-pressed:ring-2 aria-pressed:ring-ink aria-pressed:ring-offset-2 aria-pressed:ring-offset-paper"
          style={{ background: hex }}
        />
      ))}
      <Popover.Root onOpenChange={() => setTyped(null)}>
        <Popover.Trigger
          aria-label={`${label}: ${mixed ? 'mixed' : value}, choose another`}
          className="flex h-7 items-center gap-2 rounded-sm border border-edge bg-card px-1.5 font-mono text-xs hover:border-ink"
        >
          {!mixed && <span className="size-4 rounded-sm border border-line" style={{ background: value }} />}
          {mixed ? 'mixed' : value}
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            sideOffset={6}
            className="z-30 flex flex-col gap-2 rounded-sm border border-edge bg-card p-3"
            aria-label={label}
          >
            <HexColorPicker color={value} onChange={(hex) => onChange(hex.toLowerCase(), true)} />
            <input
              aria-label="Colour as #rrggbb"
              className={`${inputLook} font-mono`}
              value={typed ?? value}
              onChange={(e) => {
                setTyped(e.target.value);
                if (/^#[0-9a-f]{6}$/i.test(e.target.value)) onChange(e.target.value.toLowerCase(), false);
              }}
              onBlur={() => setTyped(null)}
            />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      {picker && (
        <button
          type="button"
          aria-label={`${label}: take it from the cover`}
          title="Take it from the cover"
          onClick={() => picker.pick((hex) => onChange(hex, false))}
          className="flex size-7 items-center justify-center rounded-sm text-ink-2 hover:bg-line/60 hover:text-ink"
        >
          <Pipette size={14} />
        </button>
      )}
    </div>
  );
}
