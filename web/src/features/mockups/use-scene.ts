import type { Edit } from '@yosomi/core/base';
import type { Scene, Thing } from '@yosomi/core/mockup';
import { onScene } from '@yosomi/core/project';
import { useBook, useSession } from '../../state/session';

export type SetScene = (label: string, change: Edit<Scene>, merge?: string | null) => void;
export type SetThing = (label: string, fields: Partial<Thing>, merge?: string | null) => void;

/** The open title's scene and a way to change it: one step of the history for each label, or for each merge key in a row. */
export function useScene(): { readonly scene: Scene; readonly set: SetScene } {
  const { scene } = useBook();
  const edit = useSession((s) => s.edit);
  return { scene, set: (label, change, merge = null) => void edit(label, onScene(change), merge) };
}
