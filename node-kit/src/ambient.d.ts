/** The part of WebAssembly that Node's own types leave out. */
declare namespace WebAssembly {
  type Module = object;
  const Module: new (bytes: Uint8Array) => Module;
  const Instance: new (module: Module, imports: object) => { readonly exports: object };
  function compile(bytes: Uint8Array): Promise<Module>;
}
