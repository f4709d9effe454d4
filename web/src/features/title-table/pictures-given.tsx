import { useRef } from 'react';
import { Button } from '../../ui/button';
import { FileInput } from '../../ui/file-input';
import type { Pictures } from './pictures';

/** So many names are listed. */
const MOST = 5;

/** Which of the pictures that rows name are given, and a way to give them. */
export function PicturesGiven(props: {
  names: readonly string[];
  pictures: Pictures;
  onFiles(files: readonly File[]): void;
}) {
  const { names, pictures, onFiles } = props;
  const input = useRef<HTMLInputElement>(null);
  if (names.length === 0) return null;
  const lacking = names.filter((name) => !pictures.named(name));
  const listed = lacking.slice(0, MOST).join(', ');
  const more = lacking.length > MOST ? ` and ${lacking.length - MOST} more` : '';
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p role="status" className="min-w-0 flex-1">
        {names.length - lacking.length} of {names.length} pictures are given.
        {lacking.length > 0 ? ` Not yet: ${listed}${more}.` : ''}
      </p>
      <FileInput
        ref={input}
        accept="image/jpeg,image/png,image/webp,image/svg+xml"
        label="Pictures"
        onFile={(file) => onFiles([file])}
        onFiles={onFiles}
      />
      <Button onClick={() => input.current?.click()}>Choose the pictures</Button>
    </div>
  );
}
