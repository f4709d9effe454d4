import type { Part, PicturePart } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { useEffect } from 'react';
import { Button } from '../../ui/button';
import { useBrush, useLevel } from './brush';
import { BrushLayer } from './brush-layer';
import { LevelLayer } from './level-layer';
import type { On } from './use-set';

/** What lies over the cover while a picture is painted away or levelled by a line; nothing else while neither is. */
export function PictureTools(props: {
  part: Part | undefined;
  frame: Rect | undefined;
  k: number;
  on: On;
  onEnd(): void;
}) {
  const { part, frame, ...rest } = props;
  const brushed = useBrush((s) => s.part);
  const levelled = useLevel((s) => s.part);
  if (part?.kind !== 'picture' || part.hidden || !frame) return null;
  if (brushed === part.id) return <BrushLayer part={part} frame={frame} {...rest} />;
  return levelled === part.id ? <LevelLayer part={part} {...rest} /> : null;
}

export function LevelButton({ part }: { part: PicturePart }) {
  const { part: levelled, set } = useLevel();
  const on = levelled === part.id;
  // It is laid aside with the picture.
  useEffect(() => () => set(null), [set]);
  return (
    <Button className="self-start" aria-pressed={on} disabled={part.locked} onClick={() => set(on ? null : part.id)}>
      {on ? 'Draw along the horizon' : 'Level it by a line'}
    </Button>
  );
}
