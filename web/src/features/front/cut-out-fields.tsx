import { type PicturePart, setPart } from '@yosomi/core/cover';
import { useState } from 'react';
import { useFrom, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Slider } from '../../ui/slider';
import { CutOutDialog } from './cut-out-dialog';
import type { On } from './use-set';

const percent = (v: number): string => `${(v * 100).toFixed(1)} %`;

/** The thing in a picture without what is round it: found, helped by strokes, softened, taken back. */
export function CutOutFields({ part, on }: { part: PicturePart; on: On }) {
  const asset = useFrom((b) => (part.source.kind === 'asset' ? b.assets[part.source.asset] : undefined));
  const edit = useSession((s) => s.edit);
  const [open, setOpen] = useState(false);
  if (!asset) return null;
  const { cutOut } = part;
  const cut = cutOut !== null && cutOut.of === asset.id;
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <Button disabled={part.locked} onClick={() => setOpen(true)}>
          {cut ? 'Change what is cut out' : 'Cut out the subject'}
        </Button>
        {cut && (
          <Button kind="link" onClick={() => edit('Whole picture again', on(setPart(part.id, { cutOut: null })))}>
            Show all of it
          </Button>
        )}
      </div>
      {cut && (
        <Slider
          label="Soft edge"
          value={cutOut.feather}
          least={0}
          most={0.03}
          step={0.001}
          format={percent}
          onChange={(feather) =>
            edit('Soft edge', on(setPart(part.id, { cutOut: { ...cutOut, feather } })), `feather-${part.id}`)
          }
        />
      )}
      {open && <CutOutDialog part={part} asset={asset} on={on} onClose={() => setOpen(false)} />}
    </>
  );
}
