import { type Loose, isLoose, tellAll } from './everywhere';

/** What words say since then: how their letters are spaced and divided, a first letter, a room, a style; pictures what of them is seen by degrees; documents hold styles and guides. */
function told(value: Loose): Loose {
  if (value.kind === 'words' && typeof value.id === 'string' && typeof value.order === 'string')
    return { kerning: 'face', hyphens: false, initial: null, room: null, style: null, ...value };
  if (value.kind === 'picture' && typeof value.id === 'string' && typeof value.order === 'string')
    return { soft: null, ...value };
  const doc = typeof value.widthPx === 'number' && typeof value.finished === 'boolean' && isLoose(value.parts);
  return doc ? { ...value, styles: value.styles ?? {}, guides: value.guides ?? null } : value;
}

/** Words and pictures have more to say, and looks have names: until now they were as they are without. */
export const { title: to13, patch: patchTo13 } = tellAll(13, told);
