import type { Fault } from '@yosomi/core/base';
import type { PinFace, PinScene } from '@yosomi/core/pin';
import { useBook, useSession } from '../../state/session';

export type SetPin = (
  label: string,
  change: (pin: PinScene) => Fault | undefined | void,
  merge?: string | null,
) => void;
export type SetFace = (label: string, change: (face: PinFace) => void, merge?: string | null) => void;

/** The open title's pinned photograph and a way to change it. */
export function usePin(): { readonly pin: PinScene | null; readonly set: SetPin } {
  const { pin } = useBook();
  const edit = useSession((s) => s.edit);
  return {
    pin,
    set: (label, change, merge = null) => void edit(label, (b) => (b.pin ? change(b.pin) : undefined), merge),
  };
}
