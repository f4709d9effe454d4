import type { Result } from '@yosomi/core/base';
import { type Scene, readScene } from '@yosomi/core/mockup';
import { z } from 'zod';
import { keptList } from './kept-list';

const list = keptList('scenes', z.object({ id: z.string().max(40), name: z.string().max(80), scene: z.unknown() }), 60);

export type KeptScene = { readonly id: string; readonly name: string; readonly scene: Scene };

/** Scenes kept for every title of this browser; what cannot be read is left out, and stays stored. */
export async function loadScenes(): Promise<KeptScene[]> {
  return ((await list.read()) ?? []).flatMap(({ id, name, scene }) => {
    const read = readScene(scene);
    return read.ok ? [{ id, name, scene: read.value }] : [];
  });
}

export const keepScene = (kept: KeptScene): Promise<Result<void>> => list.keep(kept);

export const dropScene = (id: string): Promise<Result<void>> => list.drop(id);
