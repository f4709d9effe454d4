import { never } from '@yosomi/core/base';
import { type Brief } from '@yosomi/core/book';
import { textOf } from '@yosomi/core/compose';
import type { Form, OverlayPart, Part, PicturePart } from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';
import { ROLES } from '../../messages/role-names';

export { ROLES };

export const FORMS: Record<Form['kind'], string> = {
  rectangle: 'Rectangle',
  ellipse: 'Ellipse',
  polygon: 'Polygon',
  line: 'Line',
  ribbon: 'Ribbon',
  burst: 'Burst',
  badge: 'Badge',
  frame: 'Frame',
  divider: 'Divider',
  drawn: 'Drawing',
};

export const OVERLAYS: Record<OverlayPart['texture'], string> = {
  grain: 'Grain',
  worn: 'Worn edges',
  paper: 'Paper',
  rays: 'Light rays',
  vignette: 'Vignette',
  halftone: 'Halftone',
  fog: 'Fog',
  wash: 'Ink wash',
  strokes: 'Brush strokes',
};

function pictureName(source: PicturePart['source']): string {
  switch (source.kind) {
    case 'asset':
      return 'Picture';
    case 'mockup':
      return 'The book in 3D';
    case 'shot':
      return source.set ? 'The book where it stands' : 'The book in 3D';
    case 'cover':
      return source.bare ? 'The cover’s picture' : 'The flat cover';
    case 'reveal':
      return 'The cover in its wrapping';
    case 'pinned':
      return 'The photograph';
  }
}

/** What a part is called: as a person named it, else by its role. */
export function nameOf(part: Part): string {
  if (part.name) return part.name;
  switch (part.kind) {
    case 'words':
      return ROLES[part.role];
    case 'picture':
      return pictureName(part.source);
    case 'shape':
      return part.role === 'ornament'
        ? FORMS[part.form.kind]
        : { plate: 'Plate', band: 'Band', rule: 'Rule', mark: 'Mark' }[part.role];
    case 'curve':
      return part.family ? 'Family of curves' : 'Drawn curve';
    case 'overlay':
      return OVERLAYS[part.texture];
    case 'scrim':
      return `Scrim, from the ${part.from}`;
    case 'ground':
      return 'Ground';
    default:
      return never(part);
  }
}

/** A second line that tells it from its like. */
export function detailOf(part: Part, brief: Brief, assets: Book['assets']): string {
  // What was named says its role here.
  if (part.name) return nameOf({ ...part, name: '' });
  const mixed = part.blend === 'normal' ? '' : part.blend.replace('-', ' ');
  switch (part.kind) {
    case 'words':
      return textOf(part, brief).trim() || 'empty';
    case 'picture':
      return part.source.kind === 'asset' ? (assets[part.source.asset]?.name ?? 'missing') : 'made from the cover';
    case 'shape':
      return part.fill ? part.fill.kind : part.colour;
    case 'curve':
      return `${part.nodes.length} points`;
    case 'overlay':
      return [mixed, `seed ${part.seed}`].filter(Boolean).join(' · ');
    case 'scrim':
      return `${Math.round(part.opacity * 100)} %`;
    case 'ground':
      return part.paint.kind === 'flat'
        ? part.paint.colour
        : part.paint.kind === 'pattern'
          ? part.paint.motif
          : part.paint.kind === 'picture'
            ? 'picture'
            : 'gradient';
    default:
      return never(part);
  }
}
