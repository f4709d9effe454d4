import { type PointerEvent as PointerDown, useId, useState } from 'react';
import { inputLook } from './field';
import { type LengthUnit, useLengths } from './lengths';
import { PRINT_PPI, type Unit, across, readMeasure, unitsFor } from './measure';

const EXAMPLES: Readonly<Partial<Record<Unit, string>>> = {
  mm: 'such as 18, 1.25 in or 3 cm',
  px: 'such as 320 or 1.25 in',
  KB: 'such as 500 or 2 MB',
  '°': 'such as 25',
  '%': 'such as 50',
};

/** What is said of a text: a note holds for the value that was taken of it. */
type Said = { readonly kind: 'note' | 'wrong'; readonly text: string };

/** What was understood of the text, and what of it is said. `value` null is left as it was. */
function understood(
  text: string,
  unit: Unit | undefined,
  shown: Unit | undefined,
  { whole, least, most, write }: { whole: boolean; least: number; most: number; write(value: number): string },
): { value: number | null; said: Said | null } {
  const read = readMeasure(text, unit, shown, whole);
  const wrong = (text: string) => ({ value: null, said: { kind: 'wrong' as const, text } });
  if (read.kind === 'no-number') return wrong(`Type a number${unit ? `, ${EXAMPLES[unit] ?? `in ${unit}`}` : ''}.`);
  if (read.kind === 'no-unit')
    return wrong(
      unit ? `“${read.word}” is not measured here. Type it in ${list(unitsFor(unit))}.` : 'Type the number alone.',
    );
  const { value, typed } = read;
  const note = (text: string) => ({ kind: 'note' as const, text });
  if (value > most) return { value: most, said: note(`The most is ${write(most)}.`) };
  if (value < least) return { value: least, said: note(`The least is ${write(least)}.`) };
  if (typed === null || typed === shown) return { value, said: null };
  const by = unit === 'px' ? `, at ${PRINT_PPI} to the inch` : '';
  return { value, said: note(`${text.trim()} is ${write(value)}${by}.`) };
}

const list = (units: readonly Unit[]): string =>
  units.length < 2 ? units.join('') : `${units.slice(0, -1).join(', ')} or ${units[units.length - 1]}`;

/** Steps of the arrow keys where inches are shown, by those in millimetres. */
const INCH_STEP = 0.05;

/**
 * A number that can be typed in any unit of its kind, stepped with the arrow keys (ten steps with Shift) and dragged on its label. It
 * says what it understood where that is not what was typed: another unit, an end of the range, or nothing.
 */
export function NumberField(props: {
  label: string;
  value: number;
  onChange(value: number, dragging: boolean): void;
  unit?: Unit;
  least: number;
  most: number;
  step?: number;
  digits?: number;
  hideLabel?: boolean;
  disabled?: boolean;
  /** Said instead of the value where several things have their own. */
  mixed?: string | false;
  /** The value stays 0: every change is by so much. */
  relative?: boolean;
}) {
  const { label, value, onChange, unit, least, most, hideLabel, disabled } = props;
  const id = useId();
  const lengths = useLengths();
  const inches = unit === 'mm' && lengths.unit === 'in';
  const shown = inches ? 'in' : unit;
  const digits = inches ? 2 : (props.digits ?? 0);
  const step = inches ? across(INCH_STEP, 'in', 'mm')! : (props.step ?? 1);
  const [typed, setTyped] = useState<string | null>(null);
  const [last, setLast] = useState<{ readonly said: Said; readonly value: number | null } | null>(null);
  const bounded = (n: number): number => Math.min(most, Math.max(least, n));
  const inShown = (n: number): string => (unit && shown ? across(n, unit, shown)! : n).toFixed(digits);
  const whole = digits === 0 && unit !== 'mm';
  const write = (n: number): string => `${Number(inShown(n))}${shown === '°' ? '' : ' '}${shown ?? ''}`.trim();
  // What was said of another value is not true of this one.
  const said = last && (last.value === null || inShown(last.value) === inShown(value)) ? last.said : null;
  const commit = (): void => {
    if (typed === null) return;
    if (typed.trim() === '') return rest();
    const read = understood(typed, unit, shown, { whole, least, most, write });
    setLast(read.said && { said: read.said, value: read.value });
    if (read.value === null) return;
    setTyped(null);
    onChange(read.value, false);
  };
  const rest = (): void => {
    setTyped(null);
    setLast(null);
  };
  const scrub = (down: PointerDown<HTMLLabelElement>): void => {
    if (disabled) return;
    down.preventDefault();
    rest();
    const target = down.currentTarget;
    target.setPointerCapture(down.pointerId);
    const from = down.clientX;
    let last = value;
    const move = (e: PointerEvent): void => {
      const now = bounded(value + Math.round((e.clientX - from) / 2) * step);
      if (now !== last) onChange(props.relative ? now - last : now, true);
      last = now;
    };
    const up = (): void => {
      target.removeEventListener('pointermove', move);
      target.removeEventListener('pointerup', up);
    };
    target.addEventListener('pointermove', move);
    target.addEventListener('pointerup', up);
  };
  const note = said && (
    <span
      id={`${id}-said`}
      role={said.kind === 'wrong' ? 'alert' : 'status'}
      className={`block w-full text-xs ${said.kind === 'wrong' ? 'text-fail' : 'text-ink-2'}`}
    >
      {said.text}
    </span>
  );
  return (
    <div className={hideLabel ? 'contents' : 'flex flex-wrap items-center justify-between gap-x-2 gap-y-1'}>
      <label htmlFor={id} data-scrub onPointerDown={scrub} className={hideLabel ? 'sr-only' : 'text-ink-2 select-none'}>
        {label}
      </label>
      <span className="block w-24">
        <span className="relative block">
          <input
            id={id}
            disabled={disabled}
            inputMode={unit === 'mm' || unit === 'px' ? 'text' : 'decimal'}
            aria-invalid={said?.kind === 'wrong'}
            aria-describedby={said ? `${id}-said` : undefined}
            className={`${inputLook} font-mono text-xs ${unit ? 'pr-8' : ''}`}
            value={typed ?? (props.mixed ? '' : inShown(value))}
            placeholder={props.mixed || undefined}
            onChange={(e) => {
              setTyped(e.target.value);
              setLast(null);
            }}
            onBlur={commit}
            onKeyDown={(e) => {
              if (e.key === 'Enter') commit();
              if (e.key === 'Escape') rest();
              if (e.key !== 'ArrowUp' && e.key !== 'ArrowDown') return;
              e.preventDefault();
              rest();
              onChange(bounded(value + (e.key === 'ArrowUp' ? 1 : -1) * step * (e.shiftKey ? 10 : 1)), true);
            }}
          />
          {shown && unit === 'mm' ? (
            <UnitSwitch shown={inches ? 'in' : 'mm'} onSet={lengths.set} />
          ) : (
            unit && (
              <span className="pointer-events-none absolute inset-y-0 right-2 flex items-center text-xs text-ink-3">
                {unit}
              </span>
            )
          )}
        </span>
        {hideLabel && note}
      </span>
      {!hideLabel && note}
    </div>
  );
}

/** The unit behind a length: a press shows all lengths in the other one. Keys reach the same by its command. */
function UnitSwitch({ shown, onSet }: { shown: LengthUnit; onSet(unit: LengthUnit): void }) {
  const other = shown === 'mm' ? 'in' : 'mm';
  return (
    <button
      type="button"
      tabIndex={-1}
      title={other === 'in' ? 'Show inches' : 'Show millimetres'}
      aria-label={other === 'in' ? 'Show lengths in inches' : 'Show lengths in millimetres'}
      onClick={() => onSet(other)}
      className="absolute inset-y-0 right-1.5 flex items-center px-0.5 text-xs text-ink-3 hover:text-ink hover:underline"
    >
      {shown}
    </button>
  );
}
