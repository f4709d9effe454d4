import { type Result, ok } from '@yosomi/core/base';
import { type Scene, readScene } from '@yosomi/core/mockup';
import { z } from 'zod';
import type { Kept } from './keep-row';
import { keptList, readable } from './kept-list';

const list = keptList('scenes', z.object({ id: z.string().max(40), name: z.string().max(80), scene: z.unknown() }), 60);

export type KeptScene = { readonly id: string; readonly name: string; readonly scene: Scene };

export const SceneLists = list.kind;

/** Scenes kept for every title of this browser. */
export async function loadScenes(): Promise<Kept<KeptScene[]>> {
  return readable(await list.read(), ({ id, name, scene }) => {
    const read = readScene(scene);
    return read.ok ? ok({ id, name, scene: read.value }) : read;
  });
}

export const keepScene = (kept: KeptScene): Promise<Result<void>> => list.keep(kept);

export const dropScene = (id: string): Promise<Result<void>> => list.drop(id);
