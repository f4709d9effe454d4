import { type ReactNode, useId } from 'react';

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
