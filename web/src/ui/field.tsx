import { type ReactNode, useId, useState } from 'react';

type Base = { label: string; hideLabel?: boolean; hint?: ReactNode; error?: string | null };

export const inputLook =
  'w-full rounded-sm border border-edge bg-card px-2.5 py-1.5 text-ink placeholder:text-ink-3 aria-[invalid=true]:border-fail';

function Frame({ id, label, hideLabel, hint, error, children }: Base & { id: string; children: ReactNode }) {
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'font-semibold'}>
        {label}
      </label>
      {children}
      {error ? (
        <p id={`${id}-note`} className="text-fail" role="alert">
          {error}
        </p>
      ) : hint ? (
        <p id={`${id}-note`} className="text-ink-2">
          {hint}
        </p>
      ) : null}
    </div>
  );
}

export function TextField(
  props: Base & {
    value: string;
    onChange(value: string): void;
    lines?: number;
    maxLength?: number;
    placeholder?: string;
    autoFocus?: boolean;
    inputMode?: 'numeric';
  },
) {
  const id = useId();
  const { label, hideLabel, hint, error, value, onChange, lines = 1, ...rest } = props;
  const shared = {
    id,
    value,
    'aria-invalid': Boolean(error),
    'aria-describedby': error || hint ? `${id}-note` : undefined,
    className: inputLook,
    ...rest,
  };
  return (
    <Frame id={id} label={label} hideLabel={hideLabel} hint={hint} error={error}>
      {lines > 1 ? (
        <textarea {...shared} rows={lines} onChange={(e) => onChange(e.target.value)} />
      ) : (
        <input {...shared} type="text" onChange={(e) => onChange(e.target.value)} />
      )}
    </Frame>
  );
}

/**
 * A number that can be typed, stepped with the arrow keys (ten steps with Shift) and dragged on its label.
 * It reports whole or decimal values as typed; what is out of range goes to the nearest end.
 */
export function NumberField(props: {
  label: string;
  value: number;
  onChange(value: number, dragging: boolean): void;
  unit?: string;
  least: number;
  most: number;
  step?: number;
  digits?: number;
  hideLabel?: boolean;
  disabled?: boolean;
}) {
  const { label, value, onChange, unit, least, most, step = 1, digits = 0, hideLabel, disabled } = props;
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const bounded = (n: number): number => Math.min(most, Math.max(least, n));
  const commit = (): void => {
    const n = typed === null ? NaN : Number(typed.replace(',', '.').replace(/[^\d.-]/g, ''));
    setTyped(null);
    if (Number.isFinite(n) && typed !== '') onChange(bounded(n), false);
  };
  const scrub = (down: React.PointerEvent<HTMLLabelElement>): void => {
    if (disabled) return;
    down.preventDefault();
    const target = down.currentTarget;
    target.setPointerCapture(down.pointerId);
    const from = down.clientX;
    const move = (e: PointerEvent): void => onChange(bounded(value + Math.round((e.clientX - from) / 2) * step), true);
    const up = (): void => {
      target.removeEventListener('pointermove', move);
      target.removeEventListener('pointerup', up);
    };
    target.addEventListener('pointermove', move);
    target.addEventListener('pointerup', up);
  };
  return (
    <div className={hideLabel ? 'contents' : 'flex items-center justify-between gap-2'}>
      <label htmlFor={id} data-scrub onPointerDown={scrub} className={hideLabel ? 'sr-only' : 'text-ink-2 select-none'}>
        {label}
      </label>
      <span className="relative block w-24">
        <input
          id={id}
          disabled={disabled}
          inputMode="decimal"
          className={`${inputLook} font-mono text-xs ${unit ? 'pr-8' : ''}`}
          value={typed ?? value.toFixed(digits)}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={commit}
          onKeyDown={(e) => {
            if (e.key === 'Enter') commit();
            if (e.key === 'Escape') setTyped(null);
            if (e.key !== 'ArrowUp' && e.key !== 'ArrowDown') return;
            e.preventDefault();
            setTyped(null);
            onChange(bounded(value + (e.key === 'ArrowUp' ? 1 : -1) * step * (e.shiftKey ? 10 : 1)), true);
          }}
        />
        {unit && (
          <span className="pointer-events-none absolute inset-y-0 right-2 flex items-center text-xs text-ink-3">
            {unit}
          </span>
        )}
      </span>
    </div>
  );
}
