import type { Ref } from 'react';

type Props = {
  ref: Ref<HTMLInputElement>;
  accept: string;
  label: string;
  onFile(file: File): void;
  /** Where it is there, several can be chosen; it hears of more than one. */
  onFiles?(files: readonly File[]): void;
};

/** The browser's own way to choose a file, hidden; a button beside it clicks it. The same file can be chosen again. */
export function FileInput({ ref, accept, label, onFile, onFiles }: Props) {
  return (
    <input
      ref={ref}
      type="file"
      accept={accept}
      multiple={onFiles !== undefined}
      aria-label={label}
      className="hidden"
      onChange={(e) => {
        const files = [...(e.target.files ?? [])];
        e.target.value = '';
        if (files.length > 1 && onFiles) onFiles(files);
        else if (files.length > 0) onFile(files[0]);
      }}
    />
  );
}
