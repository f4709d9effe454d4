declare module 'gifenc' {
  type FrameOptions = {
    readonly palette?: readonly (readonly [number, number, number])[];
    /** ms; kept in hundredths of a second. */
    readonly delay?: number;
    /** -1 plays once, 0 for ever. */
    readonly repeat?: number;
    readonly transparent?: boolean;
    readonly transparentIndex?: number;
    readonly dispose?: number;
  };
  export function GIFEncoder(): {
    writeFrame(index: Uint8Array, width: number, height: number, options?: FrameOptions): void;
    finish(): void;
    bytes(): Uint8Array<ArrayBuffer>;
    bytesView(): Uint8Array;
  };
}
