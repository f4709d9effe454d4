import type * as HarfBuzz from 'harfbuzzjs';
import { type Result, fail, ok } from '../base';
import { type Path, type Rect, PathBuilder, pathBounds } from '../plane';
import type { CutId } from './font-book';

/** Shaped text of one font, in em, baseline at y = 0, y down. */
export type Run = {
  /** Pen advance without the tracking after the last letter. */
  readonly advance: number;
  readonly path: Path;
  readonly ink: Rect;
  /** Letters the font lacks. */
  readonly missing: readonly string[];
};

/** Heights above the baseline and depth below it, in em. */
export type FontMetrics = {
  readonly ascent: number;
  readonly descent: number;
  readonly capHeight: number;
  readonly xHeight: number;
};

type Loaded = { font: HarfBuzz.Font; unitsPerEm: number; metrics: FontMetrics; glyphs: Map<number, Path> };

const RUN_CACHE = 4000;

/**
 * Holds fonts by cut and shapes text with HarfBuzz: kerning, ligatures and scripts as the font says.
 * Runs are cached; a run does not depend on size.
 */
export class Shaper {
  readonly #hb: typeof HarfBuzz;
  readonly #fonts = new Map<CutId, Loaded>();
  readonly #runs = new Map<string, Run>();

  /** The platform hands in the `harfbuzzjs` module: loading it starts its WebAssembly. */
  constructor(hb: typeof HarfBuzz) {
    this.#hb = hb;
  }

  has(cut: CutId): boolean {
    return this.#fonts.has(cut);
  }

  /** Faults: `font-damaged` when the bytes are not a font with outlines. */
  add(cut: CutId, bytes: Uint8Array): Result<void> {
    const face = new this.#hb.Face(new this.#hb.Blob(bytes.slice()));
    const font = new this.#hb.Font(face);
    const unitsPerEm = face.upem;
    const letter = (ch: number): Rect => {
      const glyph = font.glyph(ch);
      return glyph ? pathBounds(this.#outline(font, glyph, unitsPerEm)) : { x: 0, y: 0, width: 0, height: 0 };
    };
    if (face.collectUnicodes().length === 0 || !(unitsPerEm > 0)) return fail('font-damaged', { cut });
    const extents = font.hExtents();
    const cap = letter(72);
    const ex = letter(120);
    this.#fonts.set(cut, {
      font,
      unitsPerEm,
      glyphs: new Map(),
      metrics: {
        ascent: extents.ascender / unitsPerEm,
        descent: -extents.descender / unitsPerEm,
        capHeight: -cap.y || 0.7,
        xHeight: -ex.y || 0.48,
      },
    });
    return ok(undefined);
  }

  metrics(cut: CutId): FontMetrics {
    return this.#loaded(cut).metrics;
  }

  /** Width of a word space, in em. */
  space(cut: CutId, trackingEm: number): number {
    return this.shape(cut, ' ', 0).advance + trackingEm;
  }

  shape(cut: CutId, text: string, trackingEm: number): Run {
    const key = `${cut} ${trackingEm} ${text}`;
    const known = this.#runs.get(key);
    if (known) return known;
    if (this.#runs.size > RUN_CACHE) this.#runs.clear();
    const run = this.#shape(this.#loaded(cut), text, trackingEm);
    this.#runs.set(key, run);
    return run;
  }

  #loaded(cut: CutId): Loaded {
    const loaded = this.#fonts.get(cut);
    if (!loaded) throw new Error(`font not loaded: ${cut}`);
    return loaded;
  }

  #shape(loaded: Loaded, text: string, trackingEm: number): Run {
    const { font, unitsPerEm } = loaded;
    const buffer = new this.#hb.Buffer();
    buffer.addText(text);
    buffer.guessSegmentProperties();
    // Spread letters must not be joined into ligatures.
    const features = trackingEm > 0.02 ? [new this.#hb.Feature('liga', 0), new this.#hb.Feature('clig', 0)] : [];
    this.#hb.shape(font, buffer, features);
    const infos = buffer.getGlyphInfos();
    const positions = buffer.getGlyphPositions();
    const ops: number[] = [];
    const missing = new Set<string>();
    let pen = 0;
    infos.forEach((info, i) => {
      const place = positions[i];
      if (info.codepoint === 0) missing.add(String.fromCodePoint(text.codePointAt(info.cluster) ?? 0xfffd));
      let outline = loaded.glyphs.get(info.codepoint);
      if (!outline) loaded.glyphs.set(info.codepoint, (outline = this.#outline(font, info.codepoint, unitsPerEm)));
      const dx = pen + (place.xOffset ?? 0) / unitsPerEm;
      const dy = -(place.yOffset ?? 0) / unitsPerEm;
      for (let at = 0; at < outline.ops.length;) {
        const code = outline.ops[at++];
        ops.push(code);
        const coords = code === 4 ? 0 : code < 2 ? 2 : code === 2 ? 4 : 6;
        for (let k = 0; k < coords; k += 2) ops.push(outline.ops[at++] + dx, outline.ops[at++] + dy);
      }
      const advance = (place.xAdvance ?? 0) / unitsPerEm;
      pen += advance;
      // Combining marks keep their place over the letter.
      const last = i === infos.length - 1;
      if (!last && advance > 0) pen += trackingEm;
    });
    const path = { ops };
    return { advance: pen, path, ink: pathBounds(path), missing: [...missing] };
  }

  #outline(font: HarfBuzz.Font, glyph: number, unitsPerEm: number): Path {
    const b = new PathBuilder();
    const k = 1 / unitsPerEm;
    for (const { type, values: v } of font.glyphToJson(glyph)) {
      if (type === 'M') b.move(v[0] * k, -v[1] * k);
      else if (type === 'L') b.line(v[0] * k, -v[1] * k);
      else if (type === 'Q') b.quad(v[0] * k, -v[1] * k, v[2] * k, -v[3] * k);
      else if (type === 'C') b.cubic(v[0] * k, -v[1] * k, v[2] * k, -v[3] * k, v[4] * k, -v[5] * k);
      else b.close();
    }
    return b.done();
  }
}
