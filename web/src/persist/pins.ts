import { type Result, ok } from '@yosomi/core/base';
import { type PinScene, readPinScene } from '@yosomi/core/pin';
import { Asset, assetsTo16 } from '@yosomi/core/project';
import { z } from 'zod';
import type { Kept } from './keep-row';
import { keptList, readable } from './kept-list';

const list = keptList(
  'pins',
  z.object({
    id: z.string().max(40),
    name: z.string().max(80),
    pin: z.unknown(),
    assets: z.record(z.string(), Asset),
  }),
  40,
  [(old) => ({ ...assetsTo16(old), schema: 2 })],
);

/** A pinned photograph kept for every title of this browser, with the pictures it needs. */
export type KeptPin = {
  readonly id: string;
  readonly name: string;
  readonly pin: PinScene;
  readonly assets: Readonly<Record<string, Asset>>;
};

export const PinLists = list.kind;

export async function loadPins(): Promise<Kept<KeptPin[]>> {
  return readable(await list.read(), ({ id, name, pin, assets }) => {
    const read = readPinScene(pin);
    return read.ok ? ok({ id, name, pin: read.value, assets }) : read;
  });
}

export const keepPin = (kept: KeptPin): Promise<Result<void>> => list.keep({ ...kept, assets: { ...kept.assets } });

export const dropPin = (id: string): Promise<Result<void>> => list.drop(id);
