/** The few globals that browsers, workers and Node share and that the core may use. */
declare class TextEncoder {
  encode(text?: string): Uint8Array<ArrayBuffer>;
}
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean });
  decode(bytes?: Uint8Array): string;
}
declare function atob(text: string): string;
