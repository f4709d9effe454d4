import type { Scene } from '@yosomi/core/mockup';
import { useState } from 'react';
import { useBook } from '../../state/session';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Segmented } from '../../ui/segmented';
import { ScenePicture } from './scene-picture';

export type Comparable = { readonly id: string; readonly name: string; readonly scene: Scene };

/** The scene as it is beside a kept one, both with this title's cover and in the same light of day. */
export function CompareScenes(props: {
  open: boolean;
  onClose(): void;
  kept: readonly Comparable[];
  onUse(one: Comparable): void;
}) {
  const { open, onClose, kept, onUse } = props;
  const book = useBook();
  const [chosen, setChosen] = useState<string | null>(null);
  const other = kept.find((one) => one.id === chosen) ?? kept[0];
  const look = 'h-[316px] w-[316px] bg-[#e3e3e0] object-contain';
  return (
    <Dialog
      open={open}
      onClose={onClose}
      wide
      title="Compare two scenes"
      description="The scene on the table beside one that you have kept."
    >
      <div className="grid grid-cols-2 gap-4">
        <figure className="flex flex-col gap-2">
          <ScenePicture
            book={book}
            scene={book.scene}
            px={316}
            ready={open}
            label="The scene as it is"
            className={look}
          />
          <figcaption className="font-semibold">As it is now</figcaption>
        </figure>
        {other && (
          <figure className="flex flex-col gap-2">
            <ScenePicture book={book} scene={other.scene} px={316} ready={open} label={other.name} className={look} />
            <figcaption className="flex items-center justify-between gap-2">
              <b className="min-w-0 truncate">{other.name}</b>
              <Button
                onClick={() => {
                  onUse(other);
                  onClose();
                }}
              >
                Use this one
              </Button>
            </figcaption>
          </figure>
        )}
      </div>
      {kept.length > 1 && (
        <Segmented
          label="Compare with"
          value={other.id}
          onChange={setChosen}
          options={kept.map((one) => ({ value: one.id, label: one.name }))}
        />
      )}
    </Dialog>
  );
}
