import { type Scheme, readColours, schemesOf } from '@yosomi/core/colour';
import { useRef, useState } from 'react';
import { sayFault } from '../../messages/say';
import { bytesOfFile } from '../../platform/files';
import { Button } from '../../ui/button';
import { TextField } from '../../ui/field';
import { Group } from '../../ui/group';
import { studio } from '../../work/workers';

/** Schemes of colours that somebody brings: pasted in any list, or read from a picture that is not kept. */
export function BroughtSchemes({ onTake }: { onTake(scheme: Scheme): void }) {
  const [pasted, setPasted] = useState('');
  const input = useRef<HTMLInputElement>(null);
  const brought = readColours(pasted);
  const read = async (file: File): Promise<void> => {
    const found = await studio.paletteOf(await bytesOfFile(file));
    if (found.ok) setPasted(found.value.join(' '));
    else sayFault(found.fault);
  };
  return (
    <Group title="Schemes of colours you bring" folded>
      <TextField
        label="Colours"
        value={pasted}
        lines={2}
        placeholder="#1f3a4d #f2c14e #f7f3e8"
        hint={
          pasted.trim() && brought.length < 2
            ? 'Two colours or more make a scheme. Write them as #rrggbb.'
            : 'Paste them in any list. Each takes its turn as the ground.'
        }
        onChange={setPasted}
      />
      <input
        ref={input}
        type="file"
        aria-label="Picture to read colours from"
        accept="image/jpeg,image/png,image/webp"
        className="hidden"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) void read(file).catch(() => sayFault({ code: 'work-failed', data: {} }));
        }}
      />
      <Button className="self-start" onClick={() => input.current?.click()}>
        Read them from a picture
      </Button>
      {brought.length > 1 && <Schemes schemes={schemesOf(brought)} onTake={onTake} />}
    </Group>
  );
}

/** Schemes as rows of their colours. */
export function Schemes(props: { schemes: readonly Scheme[]; onTake(scheme: Scheme): void }) {
  return props.schemes.map((scheme) => (
    <button
      key={scheme.name}
      type="button"
      onClick={() => props.onTake(scheme)}
      className="flex items-center gap-2 rounded-sm border border-line bg-card p-1.5 text-left hover:border-ink"
    >
      <span aria-hidden className="flex overflow-hidden rounded-sm border border-line">
        {[scheme.ground, scheme.words, scheme.second, scheme.accent].map((hex, i) => (
          <span key={i} className="size-6" style={{ background: hex }} />
        ))}
      </span>
      {scheme.name}
    </button>
  ));
}
