import type { ContentRule, Demand, Profile } from '@yosomi/core/stores';

export const DEMAND_NAMES: Readonly<Record<Demand, string>> = {
  pixels: 'Pixels',
  ratio: 'Height to width',
  format: 'Formats',
  bytes: 'Bytes',
  colour: 'Colours',
  density: 'Per inch',
  baseline: 'How it loads',
  edge: 'Pale edges',
  thumb: 'In lists',
  content: 'What it says',
  ebook: 'In the ebook',
};

export const CONTENT_NAMES: Readonly<Record<ContentRule, string>> = {
  'no-address': 'no address',
  'no-price': 'no price',
  'no-phone': 'no phone number',
  'no-rank': 'no rank',
  'no-object': 'no object',
  'words-match': 'words as in the Brief',
  'no-empty-border': 'no empty border',
};

const FORMAT_NAMES = { jpeg: 'JPEG', png: 'PNG', webp: 'WebP', avif: 'AVIF', tiff: 'TIFF' } as const;

const round = (n: number): number => Math.round(n * 100) / 100;

export const bytesText = (bytes: number): string =>
  bytes >= 1024 * 1024 ? `${round(bytes / 1024 / 1024)} MB` : `${Math.round(bytes / 1024)} KB`;

/** What a store wants, in a few words. */
export function demandText(profile: Profile, demand: Demand): string {
  const { ideal, exact, least, leastShortSidePx, ratio, thumb } = profile;
  switch (demand) {
    case 'pixels': {
      const size = `${ideal.widthPx} x ${ideal.heightPx}`;
      if (exact) return `exactly ${size}`;
      if (least) return `${size}, from ${least.widthPx} x ${least.heightPx}`;
      return leastShortSidePx ? `${size}, from ${leastShortSidePx} wide` : size;
    }
    case 'ratio':
      if (!ratio) return '';
      return `${ratio.low === ratio.high ? round(ratio.low) : `${round(ratio.low)} to ${round(ratio.high)}`}${ratio.must ? '' : ', better so'}`;
    case 'format':
      return profile.formats.map((f) => FORMAT_NAMES[f]).join(', ');
    case 'bytes':
      return `up to ${bytesText(profile.mostBytes)}`;
    case 'colour':
      return 'sRGB, not see-through, no camera notes';
    case 'density':
      return `${profile.ppi}`;
    case 'baseline':
      return 'not progressive';
    case 'edge':
      return 'a grey line';
    case 'thumb':
      return thumb ? `the title reads at ${thumb.widthPx} px${thumb.greys ? `, ${thumb.greys} greys` : ''}` : '';
    case 'content':
      return profile.content.map((rule) => CONTENT_NAMES[rule]).join(', ');
    case 'ebook':
      return `up to ${round((profile.epubPixels ?? 0) / 1e6)} million px`;
  }
}
