/** What HarfBuzz's subsetter, a WebAssembly module without imports, lends. */
type Exports = {
  readonly memory: { readonly buffer: ArrayBuffer };
  malloc(bytes: number): number;
  free(at: number): void;
  hb_blob_create(data: number, length: number, mode: number, user: number, destroy: number): number;
  hb_blob_destroy(blob: number): void;
  hb_blob_get_length(blob: number): number;
  hb_blob_get_data(blob: number, length: number): number;
  hb_face_create(blob: number, index: number): number;
  hb_face_destroy(face: number): void;
  hb_face_get_empty(): number;
  hb_face_reference_blob(face: number): number;
  hb_set_add(set: number, value: number): void;
  hb_set_clear(set: number): void;
  hb_set_invert(set: number): void;
  hb_subset_input_create_or_fail(): number;
  hb_subset_input_destroy(input: number): void;
  hb_subset_input_glyph_set(input: number): number;
  hb_subset_input_set(input: number, type: number): number;
  hb_subset_input_set_flags(input: number, flags: number): void;
  hb_subset_input_pin_all_axes_to_default(input: number, face: number): number;
  hb_subset_input_pin_axis_location(input: number, face: number, tag: number, value: number): number;
  hb_subset_or_fail(face: number, input: number): number;
};

export type FontSubsetter = (
  bytes: Uint8Array,
  glyphs: readonly number[],
  axes: Readonly<Record<string, number>>,
) => Uint8Array<ArrayBuffer> | null;

/** From hb-subset.h: without hints, glyph numbers as they are, and the outline of the missing glyph kept. */
const FLAGS = 0x1 | 0x2 | 0x40;
/** HB_SUBSET_SETS_LAYOUT_FEATURE_TAG: letters come already shaped, so that no feature is needed. */
const FEATURES = 6;
/** HB_SUBSET_SETS_DROP_TABLE_TAG. */
const DROPPED = 3;
const tag = (name: string): number => [...name].reduce((sum, ch) => sum * 256 + ch.charCodeAt(0), 0) | 0;
const UNNEEDED = ['GSUB', 'GPOS', 'GDEF', 'BASE', 'JSTF', 'DSIG', 'STAT', 'MATH', 'HVAR', 'MVAR'].map(tag);

/**
 * A font cut down to some of its glyphs, which keep their numbers; axes are fixed where they are given. Null where the bytes
 * are not a font.
 */
export function fontSubsetter(wasm: { readonly exports: unknown }): FontSubsetter {
  const hb = wasm.exports as Exports;
  // A module of its own begins by its constructors.
  (wasm.exports as Record<string, (() => void) | undefined>)['_initialize']?.();
  return (bytes, glyphs, axes) => {
    const at = hb.malloc(bytes.length);
    new Uint8Array(hb.memory.buffer).set(bytes, at);
    const blob = hb.hb_blob_create(at, bytes.length, 2, 0, 0);
    const face = hb.hb_face_create(blob, 0);
    hb.hb_blob_destroy(blob);
    const input = hb.hb_subset_input_create_or_fail();
    try {
      if (input === 0) return null;
      hb.hb_subset_input_set_flags(input, FLAGS);
      hb.hb_set_clear(hb.hb_subset_input_set(input, FEATURES));
      const dropped = hb.hb_subset_input_set(input, DROPPED);
      for (const name of UNNEEDED) hb.hb_set_add(dropped, name);
      const set = hb.hb_subset_input_glyph_set(input);
      for (const glyph of [0, ...glyphs]) hb.hb_set_add(set, glyph);
      hb.hb_subset_input_pin_all_axes_to_default(input, face);
      for (const [name, value] of Object.entries(axes))
        hb.hb_subset_input_pin_axis_location(input, face, tag(name), value);
      const small = hb.hb_subset_or_fail(face, input);
      if (small === 0 || small === hb.hb_face_get_empty()) return null;
      const made = hb.hb_face_reference_blob(small);
      const [from, length] = [hb.hb_blob_get_data(made, 0), hb.hb_blob_get_length(made)];
      const copy = new Uint8Array(hb.memory.buffer).slice(from, from + length);
      hb.hb_blob_destroy(made);
      hb.hb_face_destroy(small);
      return length > 0 ? copy : null;
    } finally {
      if (input !== 0) hb.hb_subset_input_destroy(input);
      hb.hb_face_destroy(face);
      hb.free(at);
    }
  };
}
