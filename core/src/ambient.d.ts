/** The few globals that browsers, workers and Node share and that the core may use. */
declare class TextEncoder {
  encode(text?: string): Uint8Array<ArrayBuffer>;
}
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean });
  decode(bytes?: Uint8Array): string;
}
declare function atob(text: string): string;
/** A file or a part of one, read when asked. */
interface Blob {
  readonly size: number;
  readonly type: string;
  slice(start?: number, end?: number, type?: string): Blob;
  arrayBuffer(): Promise<ArrayBuffer>;
}
declare var Blob: {
  prototype: Blob;
  new (parts?: readonly (ArrayBuffer | Uint8Array<ArrayBuffer> | Blob | string)[], options?: { type?: string }): Blob;
};
interface WritableStream<W = unknown> {
  readonly locked: boolean;
}
declare var WritableStream: {
  prototype: WritableStream;
  new <W = unknown>(sink: { write(part: W): void }): WritableStream<W>;
};
declare function btoa(text: string): string;
