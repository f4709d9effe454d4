/** The little of WebAssembly that is used here; browsers, workers and Node share it, their type libraries do not. */
export type Memory = { readonly buffer: ArrayBuffer; grow(pages: number): number };
export type Module = { readonly kind: unknown };

type Wasm = {
  readonly Memory: new (size: { readonly initial: number }) => Memory;
  readonly Module: new (bytes: Uint8Array<ArrayBuffer>) => Module;
  readonly Instance: new (module: Module, imports: object) => { readonly exports: unknown };
  validate(bytes: Uint8Array<ArrayBuffer>): boolean;
};

export const wasm = (globalThis as unknown as { readonly WebAssembly: Wasm }).WebAssembly;
