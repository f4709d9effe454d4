import { Slider as Radix } from 'radix-ui';

export function Slider(props: {
  label: string;
  value: number;
  least: number;
  most: number;
  step: number;
  onChange(value: number): void;
  onCommit?(): void;
  format?(value: number): string;
}) {
  const { label, value, least, most, step, onChange, onCommit, format = String } = props;
  return (
    <div className="flex items-center gap-3">
      <span className="w-24 shrink-0 leading-4 text-ink-2">{label}</span>
      <Radix.Root
        value={[value]}
        min={least}
        max={most}
        step={step}
        onValueChange={([v]) => onChange(v)}
        onValueCommit={onCommit}
        className="relative flex h-5 flex-1 touch-none items-center select-none"
      >
        <Radix.Track className="relative h-px flex-1 bg-edge">
          <Radix.Range className="absolute h-full bg-ink" />
        </Radix.Track>
        <Radix.Thumb aria-label={label} aria-valuetext={format(value)} className="block size-3.5 rounded-full bg-ink" />
      </Radix.Root>
      <span className="w-10 text-right font-mono text-xs text-ink-2">{format(value)}</span>
    </div>
  );
}
