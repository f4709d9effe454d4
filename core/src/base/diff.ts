import type { Patch } from './change';

type Path = readonly (string | number)[];
type Branch = Readonly<Record<string, unknown>>;

const isBranch = (value: unknown): value is Branch => typeof value === 'object' && value !== null;

/**
 * The patches that lead from one document to another, both plain JSON: `replay(from, diff(from, to))` equals `to`. What
 * is the same object in both is not looked into, so that the cost is that of what was changed.
 */
export function diff(from: unknown, to: unknown): Patch[] {
  const patches: Patch[] = [];
  walk(from, to, [], patches);
  return patches;
}

function walk(from: unknown, to: unknown, path: Path, patches: Patch[]): void {
  if (Object.is(from, to)) return;
  if (!isBranch(from) || !isBranch(to) || Array.isArray(from) !== Array.isArray(to)) {
    patches.push({ op: 'replace', path: [...path], value: to });
  } else if (Array.isArray(from) && Array.isArray(to)) lists(from, to, path, patches);
  else records(from, to, path, patches);
}

function records(from: Branch, to: Branch, path: Path, patches: Patch[]): void {
  for (const key of Object.keys(to)) {
    if (!Object.hasOwn(from, key)) patches.push({ op: 'add', path: [...path, key], value: to[key] });
    else walk(from[key], to[key], [...path, key], patches);
  }
  for (const key of Object.keys(from))
    if (!Object.hasOwn(to, key)) patches.push({ op: 'remove', path: [...path, key] });
}

/** Lists are compared place by place: an item that was put in among others moves all that follow. */
function lists(from: readonly unknown[], to: readonly unknown[], path: Path, patches: Patch[]): void {
  for (let i = 0; i < Math.min(from.length, to.length); i++) walk(from[i], to[i], [...path, i], patches);
  for (let i = from.length; i < to.length; i++) patches.push({ op: 'add', path: [...path, i], value: to[i] });
  if (to.length < from.length) patches.push({ op: 'replace', path: [...path, 'length'], value: to.length });
}
