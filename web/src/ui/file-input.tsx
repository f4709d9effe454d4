import type { Ref } from 'react';

type Props = { ref: Ref<HTMLInputElement>; accept: string; label: string; onFile(file: File): void };

/** The browser's own way to choose a file, hidden; a button beside it clicks it. The same file can be chosen again. */
export function FileInput({ ref, accept, label, onFile }: Props) {
  return (
    <input
      ref={ref}
      type="file"
      accept={accept}
      aria-label={label}
      className="hidden"
      onChange={(e) => {
        const file = e.target.files?.[0];
        e.target.value = '';
        if (file) onFile(file);
      }}
    />
  );
}
