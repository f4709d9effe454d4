import { type Doc, docOf, newGround, newOverlay, newPicture, newShape, newWords } from '../cover';
import { FERN } from './house';

const PAPER = '#f4eddb';
const LEAF = '#1f3d22';
const CLAY = '#a5452c';

/** A practical cover led by its picture: an arch like a balcony door, a ribbon across it, a seal on its edge. */
export function mossCover(asset: string): Doc {
  const across = { says: { kind: 'brief' as const, field: 'subtitle' as const } };
  return docOf(1600, 2560, [
    { ...newGround(PAPER), id: 'ground' },
    {
      ...newPicture(
        { kind: 'asset', asset },
        {
          area: { x: 0.085, y: 0.34, width: 0.83, height: 0.56 },
          focus: { x: 0.5, y: 1 },
          mask: { kind: 'arch' },
          look: { brightness: 0.02, contrast: 0.1, saturation: 0.12, hueRad: 0, tint: null, blur: 0, grain: 0.12 },
          border: { width: 0.0055, colour: LEAF },
        },
      ),
      id: 'picture',
    },
    newOverlay('paper', '#7a6a48', { blend: 'multiply', opacity: 0.5, amount: 0.5, seed: 4 }),
    newShape(
      { kind: 'frame', thick: 0.0045, corner: 'stepped', size: 0.03, double: false },
      { area: { x: 0.035, y: 0.0219, width: 0.93, height: 0.9563 }, colour: LEAF, opacity: 0.9 },
    ),
    newShape(
      { kind: 'ribbon', fold: 0.34, notch: 0.5 },
      {
        area: { x: 0.055, y: 0.79, width: 0.89, height: 0.074 },
        colour: CLAY,
        shadow: { dx: 0, dy: 0.004, blur: 0.012, colour: '#1a140c', opacity: 0.45 },
      },
    ),
    newShape(
      { kind: 'badge', scallops: 22, ring: true },
      {
        area: { x: 0.69, y: 0.366, width: 0.225, height: 0.140625 },
        colour: '#d9a441',
        turnRad: 0.16,
        shadow: { dx: 0, dy: 0.003, blur: 0.01, colour: '#1a140c', opacity: 0.4 },
      },
    ),
    newShape(FERN, {
      role: 'mark',
      area: { x: 0.47, y: 0.04, width: 0.06, height: 0.036 },
      colour: CLAY,
    }),
    {
      ...newWords({
        role: 'title',
        says: { kind: 'brief', field: 'title' },
        area: { x: 0.085, y: 0.1, width: 0.83, height: 0.222 },
        cut: 'fraunces/800',
        colour: LEAF,
        leading: 0.92,
        tracking: -0.012,
        maxSize: 0.25,
        minor: { cut: 'fraunces/500-italic', scale: 0.72, colour: CLAY },
      }),
      id: 'title',
    },
    {
      ...newWords({
        role: 'subtitle',
        ...across,
        area: { x: 0.17, y: 0.797, width: 0.66, height: 0.052 },
        cut: 'jost/600',
        colour: '#fff8ea',
        leading: 1.18,
        maxSize: 0.05,
      }),
      id: 'subtitle',
    },
    {
      ...newWords({
        role: 'strapline',
        says: { kind: 'brief', field: 'strapline' },
        area: { x: 0.722, y: 0.398, width: 0.161, height: 0.077 },
        cut: 'fraunces/500-italic',
        colour: '#2a1c06',
        leading: 1.12,
        maxSize: 0.036,
        turnRad: 0.16,
      }),
      id: 'strapline',
    },
    {
      ...newWords({
        role: 'byline',
        says: { kind: 'brief', field: 'author' },
        area: { x: 0.14, y: 0.917, width: 0.72, height: 0.032 },
        cut: 'jost/600',
        colour: LEAF,
        upper: true,
        tracking: 0.18,
        maxSize: 0.055,
      }),
      id: 'byline',
    },
  ]);
}
