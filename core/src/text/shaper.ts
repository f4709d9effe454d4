import type * as HarfBuzz from 'harfbuzzjs';
import { type Result, fail, ok } from '../base';
import { type Path, type Rect, PathBuilder, pathBounds, transformPath, translate } from '../plane';
import { type CutId, FALLBACK_CUT } from './font-book';
import { type PairSpace, gapsOf, pairAt } from './pairs';
import { type Flanks, flanksOf, opticalKern, whiteBetween } from './optical';

/** Shaped text of one font, in em, baseline at y = 0, y down. */
export type Run = {
  /** Pen advance without the tracking after the last letter. */
  readonly advance: number;
  readonly path: Path;
  /** Each drawn sign by itself, its own pen at 0; `at` is where its pen stands in the run. */
  readonly glyphs: readonly RunGlyph[];
  readonly ink: Rect;
  /** Letters the font lacks. */
  readonly missing: readonly string[];
};

export type RunGlyph = { readonly at: number; readonly advance: number; readonly path: Path };

/** A sign as it is drawn, em: how far it moves the pen, where it stands from the pen, and the letters that it stands for, if it is their first. */
export type Letter = {
  readonly glyph: number;
  readonly advance: number;
  readonly dx: number;
  readonly dy: number;
  readonly text: string;
};

/** Figures as the face has them, all as high as capitals, or with ascenders and descenders like small letters. */
export const FIGURES = ['face', 'lining', 'old-style'] as const;
export type Figures = (typeof FIGURES)[number];
const FIGURE_TAGS: Readonly<Record<Figures, readonly string[]>> = { face: [], lining: ['lnum'], 'old-style': ['onum'] };

/** Space between two letters as the face has it, or evened out by the white that is seen between them. */
export const KERNINGS = ['face', 'optical'] as const;
export type Kerning = (typeof KERNINGS)[number];

/** How text is drawn from a font, beyond what the font does by itself. */
export type Manner = {
  /** Added between letters, em. */
  readonly tracking: number;
  readonly smallCaps: boolean;
  readonly alternates: boolean;
  readonly figures: Figures;
  readonly kerning: Kerning;
  /** Space that two letters have of their own wherever they stand side by side. */
  readonly pairs: readonly PairSpace[];
  /** Percent of the family's own width, on its width axis; null leaves it. */
  readonly wide: number | null;
};

export const plainManner: Manner = {
  tracking: 0,
  smallCaps: false,
  alternates: false,
  figures: 'face',
  kerning: 'face',
  pairs: [],
  wide: null,
};

/** Heights above the baseline and depth below it, in em. */
export type FontMetrics = {
  readonly ascent: number;
  readonly descent: number;
  readonly capHeight: number;
  readonly xHeight: number;
};

type Loaded = {
  readonly face: HarfBuzz.Face;
  readonly bytes: Uint8Array;
  readonly unitsPerEm: number;
  readonly metrics: FontMetrics;
  readonly axes: Readonly<Record<string, number>>;
  /** The feature tags that the font has. */
  readonly features: ReadonlySet<string>;
  /** Fonts and their outlines by width. */
  readonly widths: Map<number | null, Drawn>;
};

/** A font at one width, with what was read of it. */
type Drawn = {
  readonly font: HarfBuzz.Font;
  readonly glyphs: Map<number, Path>;
  readonly flanks: Map<number, Flanks | null>;
  readonly whites: Map<string, number>;
};
const drawnFrom = (font: HarfBuzz.Font): Drawn => ({
  font,
  glyphs: new Map(),
  flanks: new Map(),
  whites: new Map(),
});

/** Letters whose spacing is the face's measure, for capitals and for small letters. */
const MEASURES = { upper: ['H', 'O'], lower: ['n', 'o'] } as const;
/** Scripts whose letters stand by themselves: only they are spaced by eye. */
const SEPARATE = /[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{Nd}\p{P}]/u;
const isLower = (letter: string): boolean => /\p{Ll}/u.test(letter);

/** A glyph of a font, and the letter that it stands for. */
type Sign = readonly [glyph: number, letter: string];

const MOST_WIDTHS = 200;
const RUN_CACHE = 4000;
const LETTERS_CACHE = 20_000;

/** Feature tags of other letter shapes: swashes, stylistic alternates and the first stylistic set. */
const ALTERNATES = ['swsh', 'salt', 'ss01'];

/**
 * Holds fonts by cut and shapes text with HarfBuzz: kerning, ligatures and scripts as the font says.
 * Runs are cached; a run does not depend on size.
 */
export class Shaper {
  readonly #hb: typeof HarfBuzz;
  readonly #fonts = new Map<CutId, Loaded>();
  readonly #runs = new Map<string, Run>();
  readonly #letters = new Map<string, readonly Letter[]>();

  /** The platform hands in the `harfbuzzjs` module: loading it starts its WebAssembly. */
  constructor(hb: typeof HarfBuzz) {
    this.#hb = hb;
  }

  /** How many fonts are there: more may set a text otherwise. */
  get count(): number {
    return this.#fonts.size;
  }

  has(cut: CutId): boolean {
    return this.#fonts.has(cut);
  }

  /** A cut that can be set: the same, or the fallback where it is not there. */
  standIn(cut: CutId): CutId {
    return this.has(cut) ? cut : FALLBACK_CUT;
  }

  /** Faults: `font-damaged` when the bytes are not a font with outlines. */
  add(cut: CutId, bytes: Uint8Array, axes: Readonly<Record<string, number>> = {}): Result<void> {
    const face = new this.#hb.Face(new this.#hb.Blob(bytes.slice()));
    const unitsPerEm = face.upem;
    if (face.collectUnicodes().length === 0 || !(unitsPerEm > 0)) return fail('font-damaged', { cut });
    const font = this.#fontOf(face, axes);
    const letter = (ch: number): Rect => {
      const glyph = font.glyph(ch);
      return glyph ? pathBounds(this.#outline(font, glyph, unitsPerEm)) : { x: 0, y: 0, width: 0, height: 0 };
    };
    const extents = font.hExtents();
    const cap = letter(72);
    const ex = letter(120);
    this.#fonts.set(cut, {
      face,
      bytes,
      unitsPerEm,
      axes,
      features: new Set(face.getTableFeatureTags('GSUB')),
      widths: new Map([[null, drawnFrom(font)]]),
      metrics: {
        ascent: extents.ascender / unitsPerEm,
        descent: -extents.descender / unitsPerEm,
        capHeight: -cap.y || 0.7,
        xHeight: -ex.y || 0.48,
      },
    });
    return ok(undefined);
  }

  /** Takes a font that another shaper holds: both set it from the same memory. Throws where that one does not hold it. */
  share(cut: CutId, from: Shaper): void {
    this.#fonts.set(cut, from.#loaded(cut));
  }

  /** The bytes of a font that is held; null where it is not. */
  bytesOf(cut: CutId): Uint8Array | null {
    return this.#fonts.get(cut)?.bytes ?? null;
  }

  /** Whether a font can set small capitals, whether it has other shapes for some letters, and other figures. */
  offers(cut: CutId): { smallCaps: boolean; alternates: boolean; figures: boolean } {
    const { features } = this.#loaded(cut);
    return {
      smallCaps: features.has('smcp'),
      alternates: ALTERNATES.some((tag) => features.has(tag)),
      figures: features.has('lnum') || features.has('onum'),
    };
  }

  /** Letters of a text that a font lacks, each once. */
  lacks(cut: CutId, text: string): string[] {
    const { font } = this.#width(this.#loaded(cut), null);
    const letters = new Set([...text].filter((ch) => !/\s/.test(ch)));
    return [...letters].filter((ch) => !font.glyph(ch.codePointAt(0) ?? 0));
  }

  #fontOf(face: HarfBuzz.Face, axes: Readonly<Record<string, number>>): HarfBuzz.Font {
    const font = new this.#hb.Font(face);
    const settings = Object.entries(axes);
    if (settings.length > 0) font.setVariations(settings.map(([tag, value]) => new this.#hb.Variation(tag, value)));
    return font;
  }

  #width(loaded: Loaded, wide: number | null): Drawn {
    const known = loaded.widths.get(wide);
    if (known) return known;
    // Its own width is always there; of all others as many are kept as a few covers show.
    if (loaded.widths.size > MOST_WIDTHS)
      for (const one of loaded.widths.keys()) if (one !== null) loaded.widths.delete(one);
    const font = this.#fontOf(loaded.face, { ...loaded.axes, wdth: wide ?? 100 });
    const made = drawnFrom(font);
    loaded.widths.set(wide, made);
    return made;
  }

  metrics(cut: CutId): FontMetrics {
    return this.#loaded(cut).metrics;
  }

  /** Width of a word space, in em. */
  space(cut: CutId, manner: Manner): number {
    return this.shape(cut, ' ', { ...manner, tracking: 0 }).advance + manner.tracking;
  }

  shape(cut: CutId, text: string, manner: Manner): Run {
    const pairs = manner.pairs.map(({ pair, by }) => `${pair}${by}`).join();
    const key = `${cut} ${manner.tracking} ${manner.smallCaps} ${manner.alternates} ${manner.figures} ${manner.kerning} ${pairs} ${manner.wide} ${text}`;
    const known = this.#runs.get(key);
    if (known) return known;
    if (this.#runs.size > RUN_CACHE) this.#runs.clear();
    const run = this.#shape(this.#loaded(cut), text, manner);
    this.#runs.set(key, run);
    return run;
  }

  /** Signs of a text as the font sets it, in the order in which they are drawn; figures and features are the font's own. */
  letters(cut: CutId, text: string): readonly Letter[] {
    const key = `${cut} ${text}`;
    const known = this.#letters.get(key);
    if (known) return known;
    if (this.#letters.size > LETTERS_CACHE) this.#letters.clear();
    const loaded = this.#loaded(cut);
    const { unitsPerEm } = loaded;
    const buffer = new this.#hb.Buffer();
    buffer.addText(text);
    buffer.guessSegmentProperties();
    this.#hb.shape(this.#width(loaded, null).font, buffer, []);
    const infos = buffer.getGlyphInfos();
    const positions = buffer.getGlyphPositions();
    const starts = [...new Set(infos.map(({ cluster }) => cluster))].sort((a, b) => a - b);
    const told = new Set<number>();
    const made = infos.map(({ codepoint, cluster }, i): Letter => {
      const first = !told.has(cluster);
      told.add(cluster);
      return {
        glyph: codepoint,
        advance: (positions[i].xAdvance ?? 0) / unitsPerEm,
        dx: (positions[i].xOffset ?? 0) / unitsPerEm,
        dy: -(positions[i].yOffset ?? 0) / unitsPerEm,
        text: first
          ? text.slice(
              cluster,
              starts.find((start) => start > cluster),
            )
          : '',
      };
    });
    this.#letters.set(key, made);
    return made;
  }

  /** The outline of one sign of a font, em. */
  outline(cut: CutId, glyph: number): Path {
    const loaded = this.#loaded(cut);
    const { font, glyphs } = this.#width(loaded, null);
    let known = glyphs.get(glyph);
    if (!known) glyphs.set(glyph, (known = this.#outline(font, glyph, loaded.unitsPerEm)));
    return known;
  }

  /** How far a sign alone moves the pen, em: what a font file says of it. */
  advanceOf(cut: CutId, glyph: number): number {
    const loaded = this.#loaded(cut);
    return this.#width(loaded, null).font.glyphHAdvance(glyph) / loaded.unitsPerEm;
  }

  /** The file that a cut was read from, and where its axes are set. */
  fileOf(cut: CutId): { readonly bytes: Uint8Array; readonly axes: Readonly<Record<string, number>> } {
    const { bytes, axes } = this.#loaded(cut);
    return { bytes, axes };
  }

  #loaded(cut: CutId): Loaded {
    const loaded = this.#fonts.get(cut);
    if (!loaded) throw new Error(`font not loaded: ${cut}`);
    return loaded;
  }

  #shape(loaded: Loaded, text: string, manner: Manner): Run {
    const { tracking, smallCaps, alternates, figures, kerning, pairs, wide } = manner;
    const { unitsPerEm } = loaded;
    const drawn = this.#width(loaded, wide);
    const { font, glyphs: outlines } = drawn;
    const optical = kerning === 'optical' && [...text].every((letter) => SEPARATE.test(letter));
    const buffer = new this.#hb.Buffer();
    buffer.addText(text);
    buffer.guessSegmentProperties();
    const on = (tags: readonly string[], value: number): HarfBuzz.Feature[] =>
      tags.map((tag) => new this.#hb.Feature(tag, value));
    const features = [
      // Spread letters must not be joined into ligatures.
      ...(tracking > 0.02 ? on(['liga', 'clig'], 0) : []),
      ...(smallCaps ? on(['smcp'], 1) : []),
      ...(alternates ? on(ALTERNATES, 1) : []),
      ...on(FIGURE_TAGS[figures], 1),
      ...(optical ? on(['kern'], 0) : []),
      // Nor those whose space is their own.
      ...gapsOf(text, pairs).flatMap(([from, to]) =>
        ['liga', 'clig', 'dlig'].map((tag) => new this.#hb.Feature(tag, 0, from, to)),
      ),
    ];
    this.#hb.shape(font, buffer, features);
    const infos = buffer.getGlyphInfos();
    const positions = buffer.getGlyphPositions();
    const ops: number[] = [];
    const glyphs: RunGlyph[] = [];
    const missing = new Set<string>();
    let pen = 0;
    infos.forEach((info, i) => {
      const place = positions[i];
      if (info.codepoint === 0) missing.add(String.fromCodePoint(text.codePointAt(info.cluster) ?? 0xfffd));
      let outline = outlines.get(info.codepoint);
      if (!outline) outlines.set(info.codepoint, (outline = this.#outline(font, info.codepoint, unitsPerEm)));
      const drawing = transformPath(
        outline,
        translate((place.xOffset ?? 0) / unitsPerEm, -(place.yOffset ?? 0) / unitsPerEm),
      );
      const next = infos[i + 1];
      const kern =
        optical && next
          ? this.#kern(drawn, unitsPerEm, [info.codepoint, text[info.cluster]], [next.codepoint, text[next.cluster]])
          : 0;
      const own = next ? pairAt(text, info.cluster, next.cluster, pairs) : 0;
      const advance = (place.xAdvance ?? 0) / unitsPerEm + kern + own;
      if (drawing.ops.length > 0) glyphs.push({ at: pen, advance, path: drawing });
      for (const n of transformPath(drawing, translate(pen, 0)).ops) ops.push(n);
      pen += advance;
      // Combining marks keep their place over the letter.
      const last = i === infos.length - 1;
      if (!last && advance > 0) pen += tracking;
    });
    const path = { ops };
    return { advance: pen, path, glyphs, ink: pathBounds(path), missing: [...missing] };
  }

  #flanks(drawn: Drawn, unitsPerEm: number, glyph: number): Flanks | null {
    const known = drawn.flanks.get(glyph);
    if (known !== undefined) return known;
    const advance = drawn.font.glyphHAdvance(glyph) / unitsPerEm;
    const made = advance > 0 ? flanksOf(this.#outline(drawn.font, glyph, unitsPerEm), advance) : null;
    drawn.flanks.set(glyph, made);
    return made;
  }

  /** What the next letter moves by, em, so that the white before it is that between the measures of the face. */
  #kern(drawn: Drawn, unitsPerEm: number, [left, a]: Sign, [right, b]: Sign): number {
    const flanks = (glyph: number): Flanks | null => this.#flanks(drawn, unitsPerEm, glyph);
    const [one, two] = [flanks(left), flanks(right)];
    if (!one || !two) return 0;
    const kinds = [isLower(a) ? 'lower' : 'upper', isLower(b) ? 'lower' : 'upper'] as const;
    const key = kinds.join(' ');
    let wanted = drawn.whites.get(key);
    if (wanted === undefined) {
      const [firsts, seconds] = kinds.map((kind) =>
        MEASURES[kind].map((letter) => flanks(drawn.font.glyph(letter.codePointAt(0) ?? 0) ?? 0)),
      );
      const whites = firsts.flatMap((f) => seconds.flatMap((g) => (f && g ? (whiteBetween(f, g)?.white ?? []) : [])));
      wanted = whites.length > 0 ? whites.reduce((sum, white) => sum + white, 0) / whites.length : NaN;
      drawn.whites.set(key, wanted);
    }
    return Number.isNaN(wanted) ? 0 : opticalKern(one, two, wanted);
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
