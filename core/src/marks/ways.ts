import type { CutId } from '../text';
import type { Drawn, FrameName } from './frames';
import type { Finish, Setting } from './letters';
import type { SymbolName } from './symbols';

/** What stands round the letters. */
export type Round =
  | { readonly kind: 'none' }
  | { readonly kind: 'frame'; readonly frame: FrameName; readonly drawn: Drawn; readonly symbol?: 'above' | 'below' }
  /** One letter on each page of an open book. */
  | { readonly kind: 'pages' }
  | { readonly kind: 'branches' | 'rays' | 'bars' | 'brackets' }
  | { readonly kind: 'symbol'; readonly place: 'above' | 'below' }
  /** The whole name, small. */
  | { readonly kind: 'name'; readonly rules: boolean }
  | { readonly kind: 'ring'; readonly full: boolean };

/** One way to draw a mark from letters. */
export type Way = {
  readonly id: string;
  readonly name: string;
  readonly group: 'letters' | 'form' | 'name' | 'symbol';
  readonly cut: CutId;
  readonly set: Setting;
  readonly finish: Finish;
  readonly round: Round;
  /** How many letters it serves. */
  readonly least: number;
  readonly most: number;
  /** Where the person chose none. */
  readonly symbol: SymbolName;
};

const row = (gap: number, between?: Extract<Setting, { kind: 'row' }>['between']): Setting =>
  between ? { kind: 'row', gap, between } : { kind: 'row', gap };
const woven = (over: number, drop = 0): Setting => ({ kind: 'woven', over, drop });
const frame = (name: FrameName, drawn: Drawn, symbol?: 'above' | 'below'): Round =>
  symbol ? { kind: 'frame', frame: name, drawn, symbol } : { kind: 'frame', frame: name, drawn };
const none: Round = { kind: 'none' };

type Wants = { least?: number; most?: number; finish?: Finish; symbol?: SymbolName };
function way(
  group: Way['group'],
  id: string,
  name: string,
  cut: CutId,
  set: Setting,
  round: Round,
  wants: Wants = {},
): Way {
  const { least = 1, most = 4, finish = 'plain', symbol = 'star' } = wants;
  return { id, group, name, cut, set, round, finish, least, most, symbol };
}

/** Every way, each with the face it was drawn for. A mark is added by one line here. */
export const WAYS: readonly Way[] = [
  way('letters', 'plain', 'Side by side', 'montserrat/800', row(-0.06), none),
  way('letters', 'fine', 'Between two rules', 'josefin-sans/400', row(0.22), { kind: 'bars' }),
  way('letters', 'starred', 'With a small star between', 'cormorant-garamond/600', row(0.2, 'dot'), none, { least: 2 }),
  way('letters', 'divided', 'With a rule between', 'marcellus/400', row(0.2, 'line'), none, { least: 2 }),
  way('letters', 'slashed', 'With a slash between', 'jost/400', row(0.1, 'slash'), none, { least: 2 }),
  way('letters', 'and', 'With an ampersand', 'playfair-display/500', row(0.1, 'and'), none, { least: 2, most: 2 }),
  way('letters', 'shared-carved', 'Sharing a stem, carved', 'cinzel/700', { kind: 'shared' }, none, {
    least: 2,
    most: 3,
  }),
  way('letters', 'shared-narrow', 'Sharing a stem, narrow', 'league-gothic/400', { kind: 'shared' }, none, {
    least: 2,
    most: 3,
  }),
  way('letters', 'woven-stately', 'Woven, stately', 'bodoni-moda/500', woven(0.42), none, { least: 2, most: 3 }),
  way('letters', 'woven-plain', 'Woven, plain', 'jost/400', woven(0.36), none, { least: 2, most: 3 }),
  way('letters', 'stepped', 'Stepping down', 'playfair-display/800', woven(0.3, 0.3), none, { least: 2, most: 3 }),
  way('letters', 'stacked', 'One over the other', 'oswald/600', { kind: 'stacked', rule: false }, none, { least: 2 }),
  way(
    'letters',
    'stacked-ruled',
    'One over the other, ruled',
    'gilda-display/400',
    { kind: 'stacked', rule: true },
    none,
    { least: 2 },
  ),
  way('letters', 'middle', 'Large in the middle', 'cormorant-garamond/600', { kind: 'middle' }, none, {
    least: 3,
    most: 3,
  }),
  way('letters', 'first', 'The first one large', 'dm-serif-display/400', { kind: 'first' }, none, {
    least: 2,
    most: 3,
  }),
  way('letters', 'cipher', 'Back to back', 'cinzel/500', { kind: 'cipher' }, none, { most: 1 }),
  way('letters', 'slit', 'Slit', 'abril-fatface/400', row(-0.02), none, { finish: 'slit' }),
  way('letters', 'hollow', 'Hollow', 'alfa-slab-one/400', row(0.06), none, { finish: 'hollow' }),
  way('letters', 'inline', 'With a line inside', 'anton/400', row(0.05), none, { finish: 'inline' }),
  way('letters', 'shadow', 'With a deep shadow', 'bebas-neue/400', row(0.08), none, { finish: 'shadow' }),
  way('letters', 'four', 'In four fields', 'josefin-sans/600', { kind: 'four' }, none, { least: 2 }),
  way('letters', 'brackets', 'In corners', 'courier-prime/700', row(0.04), { kind: 'brackets' }),
  way('letters', 'written', 'Written', 'pinyon-script/400', woven(0.3, 0.12), none, { most: 2 }),

  way('form', 'disc-full', 'Full disc', 'work-sans/700', row(-0.05), frame('disc', 'full')),
  way('form', 'disc-woven', 'Woven in a full disc', 'playfair-display/500', woven(0.34), frame('disc', 'full-lined'), {
    most: 3,
  }),
  way('form', 'disc-line', 'Two circles', 'spectral/400', row(0.06), frame('disc', 'two-lines')),
  way('form', 'disc-split', 'Disc of two halves', 'montserrat/800', row(0), frame('disc', 'split')),
  way('form', 'square-full', 'Full square', 'archivo/800', { kind: 'stacked', rule: false }, frame('square', 'full')),
  way('form', 'square-line', 'Two squares', 'poiret-one/400', row(0.08), frame('square', 'two-lines')),
  way('form', 'soft-square', 'Soft square', 'jost/600', row(-0.02), frame('soft-square', 'full')),
  way('form', 'lozenge-full', 'Full lozenge', 'cinzel/700', row(0.04), frame('lozenge', 'full-lined')),
  way(
    'form',
    'lozenge-line',
    'Two lozenges',
    'cormorant-garamond/600',
    { kind: 'middle' },
    frame('lozenge', 'two-lines'),
    {
      least: 3,
      most: 3,
    },
  ),
  way('form', 'hexagon', 'Hexagon', 'josefin-sans/600', row(0.04), frame('hexagon', 'line')),
  way('form', 'octagon', 'Full octagon', 'limelight/400', row(0.02), frame('octagon', 'full-lined')),
  way('form', 'shield-full', 'Full shield', 'crimson-pro/700', row(0.02), frame('shield', 'full-lined')),
  way('form', 'shield-split', 'Shield of two halves', 'bodoni-moda/800', row(0.02), frame('shield', 'split')),
  way('form', 'shield-line', 'Shield with a symbol', 'forum/400', row(0.06), frame('shield', 'two-lines', 'below')),
  way('form', 'arch-full', 'Full arch', 'uncial-antiqua/400', { kind: 'stacked', rule: false }, frame('arch', 'full')),
  way('form', 'arch-line', 'Arch with a symbol', 'marcellus/400', row(0.05), frame('arch', 'two-lines', 'above'), {
    symbol: 'moon',
  }),
  way('form', 'oval', 'Two ovals', 'gilda-display/400', row(0.08), frame('oval', 'two-lines')),
  way('form', 'seal', 'Seal', 'abril-fatface/400', row(0), frame('seal', 'full-lined')),
  way('form', 'stamp', 'Stamp with a symbol', 'oswald/400', row(0.04), frame('stamp', 'line', 'above'), {
    symbol: 'wave',
  }),
  way('form', 'plaque', 'Full plaque', 'libre-baskerville/700', row(0.08), frame('plaque', 'full-lined')),
  way('form', 'plaque-line', 'Plaque of two lines', 'cinzel/500', row(0.14, 'dot'), frame('plaque', 'two-lines'), {
    least: 2,
  }),
  way('form', 'book', 'Open book', 'eb-garamond/600', row(0), { kind: 'pages' }, { least: 2, most: 2 }),
  way('form', 'pennant', 'Pennant', 'oswald/600', row(0), frame('pennant', 'full')),

  way(
    'name',
    'name-below',
    'Woven over the name',
    'bodoni-moda/500',
    woven(0.36),
    { kind: 'name', rules: false },
    { most: 3 },
  ),
  way('name', 'name-ruled', 'Over a rule and the name', 'cormorant-garamond/500', row(0.1), {
    kind: 'name',
    rules: true,
  }),
  way(
    'name',
    'name-stacked',
    'Sharing a stem over the name',
    'archivo/800',
    { kind: 'shared' },
    { kind: 'name', rules: false },
    { most: 3 },
  ),
  way('name', 'ring-line', 'Name round two circles', 'spectral/700', row(0.03), { kind: 'ring', full: false }),
  way(
    'name',
    'ring-full',
    'Name round a full disc',
    'josefin-sans/600',
    row(0.02),
    { kind: 'ring', full: true },
    { symbol: 'leaf' },
  ),
  way(
    'name',
    'ring-woven',
    'Woven, name round it',
    'playfair-display/500',
    woven(0.34),
    { kind: 'ring', full: false },
    { most: 3 },
  ),

  way(
    'symbol',
    'above-moon',
    'Under a symbol, storied',
    'cormorant-garamond/600',
    row(0.12),
    { kind: 'symbol', place: 'above' },
    { symbol: 'moon' },
  ),
  way(
    'symbol',
    'above-hill',
    'Under a symbol, plain',
    'montserrat/800',
    row(0.02),
    { kind: 'symbol', place: 'above' },
    { symbol: 'hill' },
  ),
  way(
    'symbol',
    'below-wave',
    'Over a symbol',
    'jost/400',
    row(0.16),
    { kind: 'symbol', place: 'below' },
    { symbol: 'wave' },
  ),
  way('symbol', 'between', 'A symbol between, carved', 'forum/400', row(0.1, 'symbol'), none, {
    least: 2,
    symbol: 'leaf',
  }),
  way('symbol', 'between-lantern', 'A symbol between, narrow', 'oswald/600', row(0.1, 'symbol'), none, {
    least: 2,
    symbol: 'lantern',
  }),
  way('symbol', 'branches', 'Between branches', 'gilda-display/400', woven(0.3), { kind: 'branches' }),
  way('symbol', 'rays', 'Before a rising sun', 'limelight/400', row(0.04), { kind: 'rays' }),
  way('symbol', 'disc-above', 'Disc with a symbol', 'work-sans/700', row(0.02), frame('disc', 'full', 'above'), {
    symbol: 'flame',
  }),
  way(
    'symbol',
    'shield-above',
    'Full shield with a symbol',
    'eb-garamond/600',
    row(0.04),
    frame('shield', 'full', 'above'),
    { symbol: 'key' },
  ),
  way(
    'symbol',
    'hexagon-below',
    'Hexagon with a symbol',
    'josefin-sans/400',
    row(0.1),
    frame('hexagon', 'two-lines', 'below'),
    {
      symbol: 'shell',
    },
  ),
];

export const findWay = (id: string): Way | undefined => WAYS.find((one) => one.id === id);
