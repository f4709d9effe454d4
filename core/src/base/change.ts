import { applyPatches, enablePatches, produceWithPatches, type Draft, type Patch } from 'immer';
import { type Fault, type Result, ok } from './result';

enablePatches();

export type { Patch };

/** A step that can be taken and taken back: patches are plain JSON. */
export type Change<T> = { readonly before: T; readonly next: T; readonly forward: Patch[]; readonly back: Patch[] };

/** An edit writes into a draft, or refuses with a fault and then changes nothing. */
export type Edit<T> = (draft: T) => Fault | undefined | void;

/** Law: applying `back` to `next` gives the state again. */
export function change<T extends object>(state: T, edit: Edit<T>): Result<Change<T>> {
  let refused: Fault | undefined;
  const [next, forward, back] = produceWithPatches(state, (draft: Draft<T>) => {
    refused = edit(draft as T) ?? undefined;
  });
  if (refused) return { ok: false, fault: refused };
  return ok({ before: state, next: next as T, forward, back });
}

export function replay<T extends object>(state: T, patches: readonly Patch[]): T {
  return applyPatches(state, patches as Patch[]);
}
