import { emptyBrief } from '../book';
import { docOf, newGround } from '../cover';
import { blurred } from '../darkroom';
import { type Scene, defaultScene, plainThing } from '../mockup';
import { withNoise } from '../pin';
import type { Raster } from '../pixels';
import { type Book, newBook } from '../project';
import { type Studio, scenePicture } from '../recipe';
import { type Thumb, drawThumb } from './thumb';

/** A photograph of a blank thing that nobody has ever taken: rendered, out of focus, with a thumb and with noise. */
export type DemoPhotograph = {
  readonly name: string;
  readonly title: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly scene: Scene;
  readonly thumb: Thumb | null;
  /** Softness of the lens, px, and noise, sRGB codes. */
  readonly softPx: number;
  readonly noise: number;
};

const light = (more: Partial<Scene['light']>): Scene['light'] => ({ ...defaultScene.light, ...more });

export const DEMO_PHOTOGRAPHS: readonly DemoPhotograph[] = [
  {
    name: 'window',
    title: 'Paperback by a window',
    widthPx: 2000,
    heightPx: 1600,
    scene: {
      ...defaultScene,
      things: [plainThing({ kind: 'paperback', thicknessMm: 24 })],
      pose: { turnRad: 0.62, tiltRad: 0.24, rollRad: 0, lensMm: 60, margin: 0.09 },
      light: light({ azimuthRad: -0.9, heightRad: 0.62, softness: 0.75, warmth: 0.35, shadow: 0.85, fill: 0.8 }),
      ground: { kind: 'table', material: 'wood', colour: '#a97f54', wall: '#b9b3a4' },
      focus: { blur: 0.42, at: 0.18 },
      reflection: 0,
    },
    thumb: null,
    softPx: 0.7,
    noise: 2.6,
  },
  {
    name: 'held',
    title: 'Hardcover under a thumb',
    widthPx: 1600,
    heightPx: 2000,
    scene: {
      ...defaultScene,
      arrangement: 'lying',
      things: [{ ...plainThing({ kind: 'hardcover', thicknessMm: 20 }), surface: 'linen' }],
      pose: { turnRad: 0.2, tiltRad: 1.15, rollRad: 0.05, lensMm: 50, margin: 0.07 },
      light: light({ azimuthRad: -0.75, heightRad: 0.7, softness: 0.5, warmth: 0.15, shadow: 0.9 }),
      ground: { kind: 'table', material: 'cloth', colour: '#5d6f73', wall: '#8d989a' },
      focus: { blur: 0, at: 0.3 },
    },
    thumb: {
      tip: { x: 985, y: 1300 },
      knuckle: { x: 1075, y: 1440 },
      root: { x: 1520, y: 2110 },
      radius: 84,
      light: { x: -0.75, y: -0.66 },
      tone: [0.52, 0.3, 0.21],
    },
    softPx: 0.8,
    noise: 3.4,
  },
  {
    name: 'tablet',
    title: 'Tablet on stone',
    widthPx: 2000,
    heightPx: 1600,
    scene: {
      ...defaultScene,
      arrangement: 'leaning',
      things: [plainThing({ kind: 'tablet' })],
      pose: { turnRad: -0.45, tiltRad: 0.42, rollRad: 0, lensMm: 70, margin: 0.06 },
      light: light({ azimuthRad: 0.7, heightRad: 0.9, softness: 0.6, warmth: -0.1, shadow: 0.8 }),
      ground: { kind: 'table', material: 'stone', colour: '#8b8780', wall: '#c9c7c0' },
      focus: { blur: 0.2, at: 0.2 },
      reflection: 0.25,
    },
    thumb: null,
    softPx: 0.7,
    noise: 2.2,
  },
];

/** A title without words or pictures: white paper. */
function blank(): Book {
  const doc = docOf(1600, 2400, [{ ...newGround('#f1efea'), id: 'ground' }], true);
  const made = newBook('blank-paper', 'urn:yosomi:blank-paper', '2026-11-01T09:00:00.000Z', doc);
  return { ...made, brief: emptyBrief };
}

/** The photograph at its full size, or `k` times that. */
export async function demoPhotograph(one: DemoPhotograph, studio: Studio, k = 1): Promise<Raster> {
  const book = blank();
  const [width, height] = [one.widthPx, one.heightPx].map((v) => Math.round(v * k));
  const scene = { ...one.scene, frame: { widthPx: width, heightPx: height } };
  const sharp = await scenePicture(book, scene, { widthPx: width, heightPx: height }, studio);
  const seen = blurred(sharp, one.softPx * k);
  if (one.thumb) {
    const at = (p: { x: number; y: number }) => ({ x: p.x * k, y: p.y * k });
    const { tip, knuckle, root, radius } = one.thumb;
    const thumb = { ...one.thumb, tip: at(tip), knuckle: at(knuckle), root: at(root), radius: radius * k };
    drawThumb(seen, thumb, Math.max(0.8, 1.3 * k));
  }
  return withNoise(seen, one.noise, 11);
}
