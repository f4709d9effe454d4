import { type Brief } from '@yosomi/core/book';
import { textOf } from '@yosomi/core/compose';
import type { Doc, Part, WordRole } from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';

const ROLES: Record<WordRole, string> = {
  title: 'Title',
  subtitle: 'Subtitle',
  byline: 'Byline',
  series: 'Series line',
  strapline: 'Strapline',
  website: 'Website',
  headline: 'Headline',
  call: 'Call to action',
  free: 'Words',
};

/** What a part is called: by its role. */
export function nameOf(part: Part): string {
  switch (part.kind) {
    case 'words':
      return ROLES[part.role];
    case 'picture':
      return part.source.kind === 'mockup' ? 'The book in 3D' : 'Picture';
    case 'shape':
      return { plate: 'Plate', band: 'Band', rule: 'Rule' }[part.role];
    case 'scrim':
      return `Scrim, from the ${part.from}`;
    case 'ground':
      return 'Ground';
  }
}

/** A second line that tells it from its like. */
export function detailOf(part: Part, brief: Brief, assets: Book['assets']): string {
  switch (part.kind) {
    case 'words':
      return textOf(part, brief).trim() || 'empty';
    case 'picture':
      return part.source.kind === 'asset' ? (assets[part.source.asset]?.name ?? 'missing') : 'made from the cover';
    case 'shape':
      return part.colour;
    case 'scrim':
      return `${Math.round(part.opacity * 100)} %`;
    case 'ground':
      return part.paint.kind === 'flat' ? part.paint.colour : 'gradient';
  }
}

export type PartGroup = { readonly title: string; readonly kinds: readonly Part['kind'][] };
export const PART_GROUPS: readonly PartGroup[] = [
  { title: 'Words', kinds: ['words'] },
  { title: 'Pictures', kinds: ['picture'] },
  { title: 'Shapes and overlays', kinds: ['shape', 'scrim'] },
  { title: 'Ground', kinds: ['ground'] },
];

/** Parts of a group as a person reads the cover: from the top down. */
export function partsOf(doc: Doc, group: PartGroup, top: (part: Part) => number): Part[] {
  return Object.values(doc.parts)
    .filter((part) => group.kinds.includes(part.kind))
    .sort((a, b) => top(a) - top(b));
}
