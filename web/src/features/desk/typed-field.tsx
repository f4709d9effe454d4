import { useState } from 'react';
import { TextField } from '../../ui/field';

/** A text that is kept when one is done with it: with Enter, or by leaving the field. Escape puts it back. */
export function TypedField(props: {
  label: string;
  hint?: string;
  value: string;
  maxLength: number;
  onKeep(value: string): void;
}) {
  const { label, hint, value, maxLength } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const keep = (): void => {
    if (typed !== null && typed !== value) props.onKeep(typed);
    setTyped(null);
  };
  return (
    <div
      data-typing={typed !== null || undefined}
      onBlur={keep}
      onKeyDown={(e) => {
        if (e.key === 'Enter') keep();
        else if (e.key === 'Escape') setTyped(null);
      }}
    >
      <TextField label={label} hint={hint} value={typed ?? value} maxLength={maxLength} onChange={setTyped} />
    </div>
  );
}
