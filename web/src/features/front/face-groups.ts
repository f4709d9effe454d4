import type { OwnFace } from '@yosomi/core/project';
import { FAMILIES, type FaceGroup, OWN_FACE } from '@yosomi/core/text';
import { bytesOf } from '../../persist/assets';
import { faceStyle, showFace, showFaceBytes } from '../../platform/face-preview';
import type { MenuGroup } from '../../ui/menu';

const GROUPS: Record<FaceGroup, string> = {
  storied: 'For stories and poems',
  stately: 'Stately, for big words',
  carved: 'Carved, mostly capitals',
  plain: 'Plain and clear',
  loud: 'Loud and narrow',
  written: 'Written by hand',
  antique: 'Old and typed',
  scripts: 'For many scripts',
};

/** All faces for a menu, each in a sample of words: a person's own, by "own/<id>", and the families that ship, by their ids. */
export const faceGroups = (own: readonly OwnFace[], sample: string): MenuGroup[] => [
  ...(own.length > 0
    ? [
        {
          title: 'Your own',
          options: own.map(({ id, name }) => ({
            value: `${OWN_FACE}${id}`,
            label: name,
            sample,
            style: faceStyle(`${OWN_FACE}${id}`),
          })),
        },
      ]
    : []),
  ...(Object.keys(GROUPS) as FaceGroup[]).map((group) => ({
    title: GROUPS[group],
    options: FAMILIES.filter((f) => f.group === group).map((f) => ({
      value: f.id,
      label: f.name,
      sample,
      style: faceStyle(f.cuts[0].id),
    })),
  })),
];

/** Loads all faces, for a menu that is opened. */
export function showFaces(own: readonly OwnFace[]): void {
  FAMILIES.forEach((f) => showFace(f.cuts[0].id));
  void showOwnFaces(own.map((f) => f.id));
}

async function showOwnFaces(ids: readonly string[]): Promise<void> {
  for (const [id, bytes] of await bytesOf(ids)) showFaceBytes(`${OWN_FACE}${id}`, bytes);
}
