import { ToggleGroup } from 'radix-ui';

/** One choice of a few, all in view. */
export function Segmented<T extends string>(props: {
  label: string;
  /** Shows the label over it, where the options do not say what they are of. */
  named?: boolean;
  /** null where several things have their own. */
  value: T | null;
  options: readonly { value: T; label: string }[];
  onChange(value: T): void;
}) {
  const choices = (
    <ToggleGroup.Root
      type="single"
      aria-label={props.label}
      value={props.value ?? ''}
      onValueChange={(v) => v && props.onChange(v as T)}
      className="flex w-full rounded-sm border border-edge bg-card"
    >
      {props.options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className="flex-1 px-2 py-1.5 text-ink-2 not-first:border-l not-first:border-line hover:text-ink data-[state=on]:bg-ink data-[state=on]:font-semibold data-[state=on]:text-card"
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
  if (!props.named) return choices;
  return (
    <div className="flex flex-col gap-1">
      <p className="font-semibold">{props.label}</p>
      {choices}
    </div>
  );
}
