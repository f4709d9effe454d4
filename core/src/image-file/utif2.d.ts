declare module 'utif2' {
  type Page = { width: number; height: number };
  const UTIF: {
    decodeImage(bytes: Uint8Array, page: Page): void;
    toRGBA8(page: Page): Uint8Array;
  };
  export default UTIF;
}
