import { type Brief, emptyBrief } from '../book';
import { type Doc, docOf, evenStops, newGround, newOverlay, newPicture, newScrim, newShape, newWords } from '../cover';

/** The emblem of the series: a lantern with its flame. */
const LANTERN = {
  kind: 'drawn' as const,
  ratio: 0.6,
  paths: [
    {
      d:
        'M300 0C344 0 380 36 380 80C380 112 361 139 333 152L333 170L520 268L80 268L267 170L267 152C239 139 220 112 220 80C220 36 256 0 300 0Z' +
        'M300 38C277 38 258 57 258 80C258 103 277 122 300 122C323 122 342 103 342 80C342 57 323 38 300 38Z' +
        'M60 290L540 290L540 336L60 336Z' +
        'M104 356L496 356L456 866L144 866Z M168 412L196 810L404 810L432 412Z' +
        'M60 888L540 888L540 936L60 936Z M120 952L480 952L480 1000L120 1000Z',
      colour: null,
    },
    {
      d: 'M304 470C330 560 392 610 392 682C392 744 352 784 300 784C248 784 208 744 208 682C208 636 236 606 262 560C270 590 282 604 292 610C304 560 304 516 304 470Z',
      colour: null,
    },
  ],
};

export type Volume = {
  readonly number: number;
  readonly title: string;
  readonly strapline: string;
  readonly blurb: string;
  readonly pageCount: number;
  /** Light and dark end of the title's letters, the second colour, and the dark of band and edges. */
  readonly light: string;
  readonly deep: string;
  readonly second: string;
  readonly dark: string;
  /** How far the picture is moved up, so that its figure stands clear of the band. */
  readonly lift: number;
  /** Height at which the picture's figure stands, 0..1: a wider cover is cropped about it. */
  readonly figure: number;
  /** How much the sky behind the title is darkened. */
  readonly shade: number;
  /** Direction of the rays, and how much there is of them. */
  readonly rays: { readonly angleRad: number; readonly opacity: number } | null;
};

export const lamplighterBrief = (house: Partial<Brief>, volume: Volume): Brief => ({
  ...emptyBrief,
  kind: 'story',
  genres: ['fantasy'],
  moods: ['dark', 'grave'],
  ...house,
  title: volume.title,
  author: 'Caspian Durrow',
  seriesName: 'The Lamplighter Accounts',
  seriesNumber: volume.number,
  strapline: volume.strapline,
  blurb: volume.blurb,
  pageCount: volume.pageCount,
});

/** One design for the three volumes: frame, band, emblem and light are the same, the palette turns with the picture. */
export function lamplighterCover(volume: Volume, asset: string): Doc {
  const { light, deep, second, dark, rays } = volume;
  const bandTop = 0.888;
  const ring = { x: 0.44, width: 0.12, height: 0.075 };
  return docOf(1600, 2560, [
    { ...newGround(dark), id: 'ground' },
    {
      ...newPicture(
        { kind: 'asset', asset },
        { area: { x: 0, y: -volume.lift, width: 1, height: 1 }, focus: { x: 0.5, y: volume.figure } },
      ),
      id: 'picture',
    },
    ...(rays
      ? [
          newOverlay('rays', second, {
            blend: 'screen',
            opacity: rays.opacity,
            amount: 0.55,
            angleRad: rays.angleRad,
            seed: 7,
          }),
        ]
      : []),
    newScrim({ from: 'top', colour: dark, hold: 0.42, reach: 0.58, opacity: volume.shade }),
    newOverlay('vignette', dark, { blend: 'multiply', opacity: 0.62, amount: 0.55 }),
    newOverlay('grain', '#fff4dc', { blend: 'soft-light', opacity: 0.4, amount: 0.5, seed: 11 }),
    newShape(
      { kind: 'rectangle', radius: 0 },
      {
        role: 'band',
        area: { x: 0, y: bandTop, width: 1, height: 1 - bandTop },
        colour: dark,
        shadow: { dx: 0, dy: -0.004, blur: 0.02, colour: '#000000', opacity: 0.5 },
      },
    ),
    newShape(
      { kind: 'rectangle', radius: 0 },
      { role: 'rule', area: { x: 0, y: bandTop, width: 1, height: 0.002 }, colour: second, opacity: 0.9 },
    ),
    newShape(
      { kind: 'frame', thick: 0.0042, corner: 'scooped', size: 0.055, double: true },
      { area: { x: 0.034, y: 0.02125, width: 0.932, height: 0.9575 }, colour: second, opacity: 0.85 },
    ),
    newShape(
      { kind: 'ellipse' },
      { area: { ...ring, y: bandTop - ring.height / 2 }, colour: dark, border: { width: 0.0026, colour: second } },
    ),
    newShape(LANTERN, {
      role: 'mark',
      area: { x: ring.x + 0.034, y: bandTop - 0.0275, width: ring.width - 0.068, height: 0.055 },
      colour: second,
    }),
    {
      ...newWords({
        role: 'series',
        says: { kind: 'brief', field: 'series' },
        area: { x: 0.12, y: 0.062, width: 0.76, height: 0.026 },
        cut: 'cormorant-garamond/600',
        colour: second,
        upper: true,
        tracking: 0.14,
        maxSize: 0.036,
      }),
      id: 'series',
    },
    {
      ...newWords({
        role: 'title',
        says: { kind: 'brief', field: 'title' },
        area: { x: 0.1, y: 0.122, width: 0.8, height: 0.31 },
        alignY: 'top',
        cut: 'cormorant-garamond/700',
        colour: light,
        fill: { kind: 'linear', angleRad: Math.PI / 2, stops: evenStops([light, deep]) },
        leading: 0.88,
        maxSize: 0.25,
        shadow: { dx: 0, dy: 0.004, blur: 0.018, colour: dark, opacity: 0.75 },
        minor: { cut: 'cormorant-garamond/500-italic', scale: 0.72, colour: second },
      }),
      id: 'title',
    },
    {
      ...newWords({
        role: 'strapline',
        says: { kind: 'brief', field: 'strapline' },
        area: { x: 0.14, y: 0.46, width: 0.72, height: 0.03 },
        follows: { part: 'title', gap: 0.024 },
        cut: 'cormorant-garamond/500-italic',
        colour: light,
        maxSize: 0.042,
      }),
      id: 'strapline',
    },
    {
      ...newWords({
        role: 'byline',
        says: { kind: 'brief', field: 'author' },
        area: { x: 0.14, y: 0.929, width: 0.72, height: 0.032 },
        cut: 'cormorant-garamond/600',
        colour: light,
        upper: true,
        tracking: 0.16,
        maxSize: 0.06,
      }),
      id: 'byline',
    },
  ]);
}
