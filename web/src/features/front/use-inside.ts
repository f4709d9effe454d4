import type { Doc, PicturePart } from '@yosomi/core/cover';
import { type Point, type Rect, contains } from '@yosomi/core/plane';
import { useState } from 'react';
import { useFrom, useSession } from '../../state/session';
import { panPicture, zoomPicture } from './drags';
import type { On } from './use-set';

/** What can be entered: a stored picture that fills its frame and is not locked. */
const enterable = (part: Doc['parts'][string] | undefined): part is PicturePart =>
  part?.kind === 'picture' && part.fit === 'fill' && part.source.kind === 'asset' && !part.locked;

/** Steps of the keys: px of the cover, and how much larger. */
const STEP = { pan: 8, far: 40, zoom: 1.08 } as const;

/**
 * Work inside a picture's frame: a double click or Enter enters it, dragging and arrow keys move the picture, the wheel, + and -
 * enlarge it, Escape leaves.
 */
export function useInside(props: { doc: Doc; on: On; frames: ReadonlyMap<string, Rect> }) {
  const { doc, on, frames } = props;
  const assets = useFrom((b) => b.assets);
  const edit = useSession((s) => s.edit);
  const selected = useSession((s) => (s.selection.length === 1 ? s.selection[0] : null));
  const [entered, setEntered] = useState<string | null>(null);
  const part = entered !== null && entered === selected ? doc.parts[entered] : undefined;
  const frame = part && frames.get(part.id);
  const own = enterable(part) && part.source.kind === 'asset' ? assets[part.source.asset] : undefined;
  const at = enterable(part) && frame && own ? { part, frame, asset: own } : null;
  return {
    /** The picture that is being worked inside, with its frame in px; null where none is. */
    at,
    enter(id: string): boolean {
      if (!enterable(doc.parts[id])) return false;
      setEntered(id);
      return true;
    },
    leave: () => setEntered(null),
    /** Whether a point of the cover, px, is in it. */
    holds: (p: Point): boolean => at !== null && contains(at.frame, p),
    zoom(factor: number, p: Point): void {
      if (!at) return;
      const change = zoomPicture(at.part, at.asset, at.frame, factor, p);
      edit('Zoom inside picture', on(change), `zoom-inside-${at.part.id}`);
    },
    /** Answers whether the key was for it. */
    key(e: { key: string; shiftKey: boolean }): boolean {
      if (!at) return false;
      const { x, y, width, height } = at.frame;
      const step = e.shiftKey ? STEP.far : STEP.pan;
      const pan = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[e.key];
      if (pan) {
        const change = panPicture(at.part, at.asset, at.frame, pan[0], pan[1]);
        edit('Move inside picture', on(change), `inside-${at.part.id}`);
        return true;
      }
      if (e.key === 'Escape') setEntered(null);
      else if (e.key === '+' || e.key === '=') this.zoom(STEP.zoom, { x: x + width / 2, y: y + height / 2 });
      else if (e.key === '-') this.zoom(1 / STEP.zoom, { x: x + width / 2, y: y + height / 2 });
      else return false;
      return true;
    },
  };
}
