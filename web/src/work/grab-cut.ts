import { DROP, KEEP, UNSAID } from '@yosomi/core/darkroom';
import type { Raster } from '@yosomi/core/pixels';
import type CvModule from '@techstark/opencv-js';

export type Cv = typeof CvModule;

/** Share of the picture along each side that is taken for ground where nothing else is said. */
const MARGIN = 0.04;
const ROUNDS = 3;
const SEED = 7;
/** How like a stroke's colour another one is that is learned from it: distance in 8-bit RGB. */
const ALIKE = 34;
/** Most colours that are learned of one kind of stroke. */
const SAMPLES = 96;

/**
 * What of a picture is the thing in it: 1 kept, 0 not, row by row. Without a word the middle is taken for it and the rim for
 * ground. Strokes (`KEEP`, `DROP`) are believed, and what is like them goes with them; `first` is what was found without a word. The
 * same each time (Rother, Kolmogorov and Blake, "GrabCut", 2004). null where nothing or everything would be kept.
 */
export function grabCut(cv: Cv, picture: Raster, said: Uint8Array, first: Uint8Array | null = null): Uint8Array | null {
  const told = said.some((v) => v !== UNSAID);
  if (!told) return cut(cv, picture, silentMarks(cv, picture));
  const before = first ?? cut(cv, picture, silentMarks(cv, picture));
  return cut(cv, picture, toldMarks(cv, picture, said, before));
}

function silentMarks(cv: Cv, { width, height }: Raster): Uint8Array {
  const [mx, my] = [Math.max(1, Math.round(width * MARGIN)), Math.max(1, Math.round(height * MARGIN))];
  return Uint8Array.from({ length: width * height }, (_, i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    return x < mx || y < my || x >= width - mx || y >= height - my ? cv.GC_BGD : cv.GC_PR_FGD;
  });
}

/** Colours under one kind of stroke, evenly taken. */
function coloursUnder({ data }: Raster, said: Uint8Array, kind: number): (readonly [number, number, number])[] {
  const at = Array.from(said.keys()).filter((i) => said[i] === kind);
  const step = Math.max(1, Math.floor(at.length / SAMPLES));
  return at.filter((_, k) => k % step === 0).map((i) => [data[i * 4], data[i * 4 + 1], data[i * 4 + 2]] as const);
}

function toldMarks(cv: Cv, picture: Raster, said: Uint8Array, before: Uint8Array | null): Uint8Array {
  const { data } = picture;
  const [keep, drop] = [coloursUnder(picture, said, KEEP), coloursUnder(picture, said, DROP)];
  const nearest = (i: number, colours: typeof keep): number => {
    let least = Infinity;
    for (const [r, g, b] of colours)
      least = Math.min(least, (data[i * 4] - r) ** 2 + (data[i * 4 + 1] - g) ** 2 + (data[i * 4 + 2] - b) ** 2);
    return least;
  };
  return said.map((kind, i) => {
    if (kind === KEEP) return cv.GC_FGD;
    if (kind === DROP) return cv.GC_BGD;
    const [near, far] = [nearest(i, keep), nearest(i, drop)];
    if (near < far && near < ALIKE ** 2) return cv.GC_PR_FGD;
    if (far < near && far < ALIKE ** 2) return cv.GC_PR_BGD;
    return before?.[i] ? cv.GC_PR_FGD : cv.GC_PR_BGD;
  });
}

function cut(cv: Cv, picture: Raster, marks: Uint8Array): Uint8Array | null {
  const { width, height } = picture;
  // It must have something of both to learn from.
  if (!marks.some((v) => v === cv.GC_FGD || v === cv.GC_PR_FGD)) return null;
  if (!marks.some((v) => v === cv.GC_BGD || v === cv.GC_PR_BGD)) return null;
  const rgba = cv.matFromImageData(picture as unknown as ImageData);
  const rgb = new cv.Mat();
  const mask = new cv.Mat(height, width, cv.CV_8UC1);
  const [ground, thing] = [new cv.Mat(), new cv.Mat()];
  try {
    cv.cvtColor(rgba, rgb, cv.COLOR_RGBA2RGB);
    mask.data.set(marks);
    cv.setRNGSeed(SEED);
    cv.grabCut(rgb, mask, new cv.Rect(0, 0, 1, 1), ground, thing, ROUNDS, cv.GC_INIT_WITH_MASK);
    const kept = Uint8Array.from(mask.data, (v: number) => (v === cv.GC_FGD || v === cv.GC_PR_FGD ? 1 : 0));
    const sum = kept.reduce((a, b) => a + b, 0);
    return sum === 0 || sum === kept.length ? null : kept;
  } finally {
    for (const mat of [rgba, rgb, mask, ground, thing]) mat.delete();
  }
}
