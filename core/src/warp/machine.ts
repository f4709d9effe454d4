import { KERNEL } from './kernel-bytes';
import { type Memory, type Module, wasm } from './wasm';

/** What kernel.as.ts exports; places are bytes of its memory. */
export type Machine = {
  texels(from: number, count: number, to: number, tones: number): void;
  halve(from: number, stride: number, count: number, to: number): void;
  shade(
    s: number,
    x: number,
    y: number,
    count: number,
    whole: number,
    to: number,
    weights: number,
    block: number,
  ): void;
  encode(from: number, count: number, to: number, tones: number): void;
};

let compiled: Module | null | undefined;
const machines = new WeakMap<Memory, Machine>();

/** The kernel on a memory, compiled once; null where the platform has no SIMD. */
export function machineOn(memory: Memory): Machine | null {
  if (compiled === undefined) {
    const bytes = Uint8Array.from(atob(KERNEL), (c) => c.charCodeAt(0));
    compiled = wasm.validate(bytes) ? new wasm.Module(bytes) : null;
  }
  if (!compiled) return null;
  const known = machines.get(memory);
  if (known) return known;
  const made = new wasm.Instance(compiled, { env: { memory } }).exports as Machine;
  machines.set(memory, made);
  return made;
}
