import { hashText } from '../base';
import { type Brief, seriesLine } from '../book';
import { type Hex, accentOf, contrast, hexOf, labOf, palette, rgbOf, withLightness } from '../colour';
import { type Doc, type PartSeed, docOf, newGround, newPicture, newWords } from '../cover';
import type { Raster } from '../pixels';
import { italicOf } from '../text';
import { bandColour, busyBand, busyness } from './quiet';

type Faces = { title: string; other: string };

/** Practical books get a sturdy face, stories a fine one. */
const facesFor = (brief: Brief): Faces =>
  brief.subtitle.trim()
    ? { title: 'fraunces/800', other: 'jost/600' }
    : { title: 'cormorant-garamond/700', other: 'cormorant-garamond/600' };

/** A colour of the given hue that reads on `ground` at 4.5:1 or better, as near to its own lightness as that allows. */
function readable(hex: Hex, ground: Hex, towardsLight: boolean): Hex {
  const [lightness] = labOf(rgbOf(hex));
  for (let step = 0; step <= 20; step++) {
    const l = towardsLight ? Math.max(lightness, 0.7) + step * 0.015 : Math.min(lightness, 0.5) - step * 0.02;
    const candidate = withLightness(hex, Math.min(0.985, Math.max(0.08, l)));
    if (contrast(candidate, ground) >= 4.5) return candidate;
  }
  return towardsLight ? '#fbf8ee' : '#14171a';
}

/**
 * A cover composed from the words and one picture: the title goes to the calmer of the two ends, the byline to the
 * other, light or dark as the picture asks, with an accent from the picture's own colours.
 * `sample` is the picture (any size, also small), cropped by the cover's frame when it is drawn.
 */
export function firstCover(
  brief: Brief,
  picture: { asset: string; sample: Raster },
  widthPx = 1600,
  heightPx = 2560,
): Doc {
  const map = busyness(picture.sample);
  const atTop = busyBand(map, 0.04, 0.42) <= busyBand(map, 0.56, 0.94) * 1.15;
  const zone = bandColour(picture.sample, atTop ? 0.08 : 0.6, atTop ? 0.4 : 0.92);
  const light = zone.luminance < 0.26;
  const swatches = palette(picture.sample);
  const accent = accentOf(swatches)?.hex ?? (light ? '#e9dcae' : '#5d3a1f');
  const ground = hexOf(zone.rgb);
  const main = readable(withLightness(accent, light ? 0.955 : 0.2, light ? 0.28 : 0.5), ground, light);
  const second = readable(accent, ground, light);
  // The small words at the foot stand on a part of the picture of their own and take their colour from it.
  const foot = bandColour(picture.sample, 0.86, 0.96);
  const lightFoot = foot.luminance < 0.26;
  const footColour = readable(
    withLightness(accent, lightFoot ? 0.955 : 0.2, lightFoot ? 0.28 : 0.5),
    hexOf(foot.rgb),
    lightFoot,
  );
  const faces = facesFor(brief);
  const small = (role: 'series' | 'byline' | 'strapline', y: number, height: number, maxSize: number): PartSeed => ({
    ...newWords({
      role,
      says: { kind: 'brief', field: role === 'byline' ? 'author' : role },
      area: { x: 0.1, y, width: 0.8, height },
      cut: faces.other,
      colour: y > 0.8 ? footColour : second,
      upper: role !== 'strapline',
      tracking: role === 'strapline' ? 0.01 : 0.14,
      maxSize,
    }),
    id: role,
  });
  const title = newWords({
    role: 'title',
    says: { kind: 'brief', field: 'title' },
    area: { x: 0.09, y: atTop ? 0.105 : 0.5, width: 0.82, height: 0.31 },
    cut: faces.title,
    colour: main,
    leading: 0.95,
    tracking: -0.005,
    maxSize: 0.28,
    alignY: atTop ? 'top' : 'bottom',
    minor: { cut: italicOf(faces.title), scale: 0.62, colour: second },
  });
  const subtitle = newWords({
    role: 'subtitle',
    says: { kind: 'brief', field: 'subtitle' },
    area: { x: 0.12, y: 0.4, width: 0.76, height: 0.075 },
    follows: { part: 'title', gap: 0.022 },
    cut: faces.other,
    colour: second,
    leading: 1.25,
    maxSize: 0.042,
  });
  return docOf(widthPx, heightPx, [
    { ...newGround(hexOf(bandColour(picture.sample, 0, 1).rgb)), id: 'ground' },
    { ...newPicture({ kind: 'asset', asset: picture.asset }), id: 'picture' },
    small('series', 0.052, 0.03, 0.034),
    small('strapline', atTop ? 0.868 : 0.09, 0.03, 0.036),
    small('byline', 0.912, 0.042, 0.062),
    { ...title, id: 'title' },
    { ...subtitle, id: 'subtitle' },
  ]);
}

const GROUNDS: readonly { ground: Hex; main: Hex; second: Hex }[] = [
  { ground: '#1d3a3a', main: '#f3ead2', second: '#e2b55a' },
  { ground: '#efe7d6', main: '#23201c', second: '#a3402a' },
  { ground: '#3b2440', main: '#f6e9e4', second: '#e59a7b' },
  { ground: '#dfe6e1', main: '#1f2f2b', second: '#3f6f4f' },
  { ground: '#7a2a22', main: '#fbeedb', second: '#f0c27a' },
];

/** A cover from words alone: the title large and ranged left on one of five grounds, chosen by the title itself. */
export function wordsCover(brief: Brief, widthPx = 1600, heightPx = 2560): Doc {
  const choice = GROUNDS[parseInt(hashText(brief.title || seriesLine(brief)).slice(-3), 36) % GROUNDS.length];
  const faces = facesFor(brief);
  const left = { align: 'left', cut: faces.other } as const;
  return docOf(widthPx, heightPx, [
    { ...newGround(choice.ground), id: 'ground' },
    {
      ...newWords({
        ...left,
        role: 'series',
        says: { kind: 'brief', field: 'series' },
        area: { x: 0.1, y: 0.065, width: 0.8, height: 0.028 },
        colour: choice.second,
        upper: true,
        tracking: 0.12,
        maxSize: 0.034,
      }),
      id: 'series',
    },
    {
      ...newWords({
        ...left,
        role: 'title',
        says: { kind: 'brief', field: 'title' },
        area: { x: 0.1, y: 0.13, width: 0.8, height: 0.5 },
        cut: faces.title,
        colour: choice.main,
        leading: 0.98,
        maxSize: 0.24,
        alignY: 'top',
        minor: { cut: italicOf(faces.title), scale: 0.8, colour: choice.second },
      }),
      id: 'title',
    },
    {
      ...newWords({
        ...left,
        role: 'subtitle',
        says: { kind: 'brief', field: 'subtitle' },
        area: { x: 0.1, y: 0.66, width: 0.74, height: 0.1 },
        follows: { part: 'title', gap: 0.035 },
        colour: choice.second,
        leading: 1.25,
        maxSize: 0.046,
      }),
      id: 'subtitle',
    },
    {
      ...newWords({
        ...left,
        role: 'strapline',
        says: { kind: 'brief', field: 'strapline' },
        area: { x: 0.1, y: 0.86, width: 0.8, height: 0.03 },
        colour: choice.main,
        maxSize: 0.036,
      }),
      id: 'strapline',
    },
    {
      ...newWords({
        ...left,
        role: 'byline',
        says: { kind: 'brief', field: 'author' },
        area: { x: 0.1, y: 0.905, width: 0.8, height: 0.04 },
        colour: choice.main,
        upper: true,
        tracking: 0.12,
        maxSize: 0.056,
      }),
      id: 'byline',
    },
  ]);
}

/** A finished cover file is the front as it is: its own pixels, nothing over them. */
export function finishedCover(asset: string, widthPx: number, heightPx: number): Doc {
  return docOf(
    widthPx,
    heightPx,
    [
      { ...newGround('#ffffff'), id: 'ground' },
      { ...newPicture({ kind: 'asset', asset }), id: 'picture', locked: true },
    ],
    true,
  );
}
