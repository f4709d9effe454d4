import { type ReactNode, useId } from 'react';

/** A thing that is there or not; with children, they are shown while it is. */
export function Check(props: {
  label: string;
  checked: boolean;
  onChange(checked: boolean): void;
  disabled?: boolean;
  /** There for some of several things. */
  mixed?: boolean;
  /** What it does, in a sentence. */
  hint?: string;
  children?: ReactNode;
}) {
  const id = useId();
  const input = (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-ink"
        ref={(input) => {
          if (input) input.indeterminate = props.mixed ?? false;
        }}
        checked={props.checked && !props.mixed}
        disabled={props.disabled}
        aria-describedby={props.hint ? id : undefined}
        onChange={(e) => props.onChange(e.target.checked)}
      />
      {props.label}
      {props.mixed && <span className="text-ink-2">mixed</span>}
    </label>
  );
  const box = props.hint ? (
    <div>
      {input}
      <p id={id} className="pl-6 text-xs text-ink-2">
        {props.hint}
      </p>
    </div>
  ) : (
    input
  );
  if (!props.children) return box;
  return (
    <div className="flex flex-col gap-2.5" role="group" aria-label={props.label}>
      {box}
      {props.checked && !props.mixed && (
        <div className="flex flex-col gap-2.5 border-l border-line pl-3">{props.children}</div>
      )}
    </div>
  );
}
