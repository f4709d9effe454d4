import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import { FileInput } from './file-input';

/** A place to drop a file on, or to choose one with the keyboard. */
export function DropPlace(props: {
  title: string;
  hint: string;
  accept: string;
  label: string;
  onFile(file: File): void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  return (
    <div
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        e.preventDefault();
        setOver(false);
        const file = e.dataTransfer.files[0];
        if (file) props.onFile(file);
      }}
    >
      <FileInput ref={input} accept={props.accept} label={props.label} onFile={props.onFile} />
      <button
        type="button"
        onClick={() => input.current?.click()}
        className={`flex w-full items-center gap-4 rounded-sm border border-dashed px-5 py-5 text-left ${over ? 'border-blue bg-blue-wash' : 'border-edge bg-card hover:border-ink'}`}
      >
        <FileUp size={22} className="shrink-0 text-blue" aria-hidden />
        <span>
          <span className="block font-semibold">{props.title}</span>
          <span className="text-ink-2">{props.hint}</span>
        </span>
      </button>
    </div>
  );
}
