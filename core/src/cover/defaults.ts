import type { Hex } from '../colour';
import { type Point, fitCurve } from '../plane';
import {
  type CurvePart,
  type Form,
  type GroundPart,
  type OverlayPart,
  type PicturePart,
  type ScrimPart,
  type ShapePart,
  type WordsPart,
  commonDefaults,
  plainLook,
} from './parts';

type New<P> = Omit<P, 'id' | 'order'>;

export const newWords = (
  more: Partial<New<WordsPart>> & Pick<WordsPart, 'role' | 'says' | 'area' | 'cut' | 'colour'>,
): New<WordsPart> => ({
  ...commonDefaults,
  kind: 'words',
  follows: null,
  wide: null,
  size: null,
  maxSize: 1,
  leastSize: null,
  tracking: 0,
  leading: 1.05,
  upper: false,
  smallCaps: false,
  alternates: false,
  figures: 'face',
  kerning: 'face',
  pairs: [],
  hyphens: false,
  initial: null,
  room: null,
  style: null,
  align: 'centre',
  alignY: 'middle',
  setting: 'across',
  justified: false,
  baseline: null,
  fill: null,
  outline: null,
  shadow: null,
  glow: null,
  plate: null,
  ruleAbove: null,
  ruleBelow: null,
  minor: null,
  accents: [],
  support: 'auto',
  ...more,
});

export const newPicture = (source: PicturePart['source'], more: Partial<New<PicturePart>> = {}): New<PicturePart> => ({
  ...commonDefaults,
  kind: 'picture',
  source,
  area: { x: 0, y: 0, width: 1, height: 1 },
  fit: 'fill',
  tileSize: 0.25,
  tileGap: 0,
  focus: { x: 0.5, y: 0.5 },
  zoom: 1,
  innerTurnRad: 0,
  flipX: false,
  flipY: false,
  mask: null,
  soft: null,
  cutOut: null,
  lean: { x: 0, y: 0 },
  look: plainLook,
  border: null,
  shadow: null,
  ...more,
});

export const newShape = (
  form: Form,
  more: Partial<New<ShapePart>> & Pick<ShapePart, 'area' | 'colour'>,
): New<ShapePart> => ({
  ...commonDefaults,
  kind: 'shape',
  role: 'ornament',
  form,
  fill: null,
  border: null,
  shadow: null,
  ...more,
});

export const newCurve = (
  nodes: CurvePart['nodes'],
  colour: Hex,
  more: Partial<New<CurvePart>> = {},
): New<CurvePart> => ({
  ...commonDefaults,
  kind: 'curve',
  nodes,
  closed: false,
  dash: 0,
  arrowStart: false,
  arrowEnd: false,
  width: 0.008,
  taperStart: 0,
  taperEnd: 0,
  colour,
  family: null,
  shadow: null,
  ...more,
});

export const newOverlay = (
  texture: OverlayPart['texture'],
  colour: Hex,
  more: Partial<New<OverlayPart>> = {},
): New<OverlayPart> => ({
  ...commonDefaults,
  kind: 'overlay',
  texture,
  seed: 1,
  scale: 1,
  amount: 0.5,
  angleRad: Math.PI / 2,
  colour,
  ...more,
});

export const newScrim = (more: Partial<New<ScrimPart>> & Pick<ScrimPart, 'from' | 'colour'>): New<ScrimPart> => ({
  ...commonDefaults,
  kind: 'scrim',
  hold: 0.2,
  reach: 0.5,
  ...more,
});

export const newGround = (colour: Hex, more: Partial<New<GroundPart>> = {}): New<GroundPart> => ({
  ...commonDefaults,
  kind: 'ground',
  paint: { kind: 'flat', colour },
  border: null,
  ...more,
});

/**
 * Points of a freehand stroke (px) as the few nodes of a smooth curve, never further than `tolerancePx` from it. null for
 * a stroke that is only a dot.
 */
export function nodesFrom(
  stroke: readonly Point[],
  doc: { readonly widthPx: number; readonly heightPx: number },
  tolerancePx: number,
): CurvePart['nodes'] | null {
  const cubics = fitCurve(stroke, tolerancePx);
  if (cubics.length === 0 || cubics.length >= 200) return null;
  const x = (p: Point): number => p.x / doc.widthPx;
  const y = (p: Point): number => p.y / doc.heightPx;
  const last = cubics[cubics.length - 1];
  return [...cubics, null].map((cubic, i) => {
    const at = cubic ? cubic.a : last.d;
    const before = i > 0 ? cubics[i - 1].c : at;
    const after = cubic ? cubic.b : at;
    return { x: x(at), y: y(at), inX: x(before), inY: y(before), outX: x(after), outY: y(after) };
  });
}
