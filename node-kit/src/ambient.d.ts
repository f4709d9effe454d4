/** The part of WebAssembly that Node's own types leave out. */
declare namespace WebAssembly {
  type Module = object;
  function compile(bytes: Uint8Array): Promise<Module>;
}
