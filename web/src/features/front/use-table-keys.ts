import { type Doc, inOrder, moveParts, setPart } from '@yosomi/core/cover';
import type { Point, Rect } from '@yosomi/core/plane';
import { type KeyboardEvent, useEffect, useRef } from 'react';
import { useFrom, useSession } from '../../state/session';
import { arrowStep } from '../../ui/arrow-keys';
import { moveNode, panPicture } from './drags';
import { nameOf } from './part-names';
import type { useInside } from './use-inside';
import type { useHands } from './use-hands';
import type { On } from './use-set';
import type { useTableView } from './use-table-view';

/** Keys that work while the cover has the focus; the rest of the shortcuts work everywhere on the screen. */
export function useTableKeys(props: {
  doc: Doc;
  on: On;
  frames: ReadonlyMap<string, Rect>;
  hands: ReturnType<typeof useHands>;
  typing: string | null;
  setTyping(id: string | null): void;
  view: ReturnType<typeof useTableView>;
  drawing: boolean;
  onStroke(points: readonly Point[]): void;
  inside: ReturnType<typeof useInside>;
}) {
  const { doc, on, frames, hands, view } = props;
  const assets = useFrom((b) => b.assets);
  const edit = useSession((s) => s.edit);
  const select = useSession((s) => s.select);
  const space = useRef(false);
  useEffect(() => {
    const release = (e: globalThis.KeyboardEvent): void => {
      if (e.key === ' ') space.current = false;
    };
    window.addEventListener('keyup', release);
    return () => window.removeEventListener('keyup', release);
  }, []);

  const step = (by: 1 | -1): void => {
    const all = inOrder(doc).reverse();
    const at = all.findIndex((part) => part.id === useSession.getState().selection[0]);
    select(all[(at + by + all.length) % all.length]?.id ?? null);
  };

  const onKeyDown = (e: KeyboardEvent): void => {
    if (props.typing || e.ctrlKey || e.metaKey || e.altKey) return;
    const { selection } = useSession.getState();
    const part = selection.length === 1 ? doc.parts[selection[0]] : undefined;
    if (props.inside.key(e)) {
      e.preventDefault();
      e.stopPropagation();
      return;
    }
    if (props.drawing && e.key === 'Enter') {
      e.preventDefault();
      // A plain curve to shape by its points, for those who cannot draw one.
      const { widthPx: w, heightPx: h } = doc;
      const at = (x: number, y: number) => ({ x: x * w, y: y * h });
      return props.onStroke([at(0.15, 0.55), at(0.32, 0.5), at(0.5, 0.5), at(0.68, 0.5), at(0.85, 0.45)]);
    }
    if (e.key === ' ') {
      e.preventDefault();
      space.current = true;
      return;
    }
    if (e.key === 'PageDown' || e.key === 'PageUp') {
      e.preventDefault();
      return step(e.key === 'PageDown' ? 1 : -1);
    }
    if (e.key === '+' || e.key === '=') return view.zoomAt(1.25);
    if (e.key === '-') return view.zoomAt(1 / 1.25);
    if (e.key === '0') return view.toFit();
    if (e.key === '9') return view.toFull();
    if (e.key === 'Enter' && part?.kind === 'picture' && props.inside.enter(part.id)) return e.preventDefault();
    if (e.key === 'Enter' && part?.kind === 'words') {
      e.preventDefault();
      return props.setTyping(part.id);
    }
    if (e.key === 'Delete' && part?.kind === 'curve' && hands.chosenNode !== null && part.nodes.length > 2) {
      e.stopPropagation();
      const nodes = part.nodes.filter((_, i) => i !== hands.chosenNode);
      hands.setChosenNode(null);
      edit('Remove a point', on(setPart(part.id, { nodes })));
      return;
    }
    if (part?.kind === 'curve' && (e.key === 'n' || e.key === 'N')) {
      e.preventDefault();
      const by = e.shiftKey ? -1 : 1;
      const from = hands.chosenNode ?? (by > 0 ? -1 : 0);
      return hands.setChosenNode((from + by + part.nodes.length) % part.nodes.length);
    }
    const d = arrowStep(e, 1, 10);
    if (d && part?.kind === 'curve' && hands.chosenNode !== null && !part.locked) {
      const index = hands.chosenNode;
      const nodes = moveNode(part.nodes, index, 'point', d[0] / doc.widthPx, d[1] / doc.heightPx, doc);
      edit('Move a point', on(setPart(part.id, { nodes })), `node-${part.id}-${index}`);
      return;
    }
    if (!d || selection.length === 0) return;
    const asset = part?.kind === 'picture' && part.source.kind === 'asset' ? assets[part.source.asset] : undefined;
    const frame = part && frames.get(part.id);
    const whole =
      part?.kind === 'picture' && part.fit === 'fill' && part.area.width >= 0.95 && part.area.height >= 0.95;
    const change =
      whole && asset && frame
        ? panPicture(part, asset, frame, d[0], d[1])
        : moveParts(selection, frames, d[0] / doc.widthPx, d[1] / doc.heightPx);
    const name = part ? nameOf(part).toLowerCase() : 'parts';
    edit(`Nudge ${name}`, on(change), `nudge-${selection.join('-')}`);
  };
  return { onKeyDown, space };
}
