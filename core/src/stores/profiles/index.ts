import { PROFILE_SCHEMA, type Profile } from '../profile';

const MB = 1024 * 1024;
/** What a store that asks for nothing more asks. */
export const OPEN = {
  schema: PROFILE_SCHEMA,
  exact: false,
  least: null,
  most: null,
  leastShortSidePx: null,
  mostSidePx: null,
  ratio: null,
  baseline: false,
  ppi: null,
  edgeLine: false,
  epubPixels: null,
  thumb: null,
  content: [],
} satisfies Partial<Profile>;

/** The stand-in stores that ship with the product. */
export const PROFILES: readonly Profile[] = [
  {
    ...OPEN,
    id: 'longreach',
    name: 'Longreach Reader Store',
    ideal: { widthPx: 1600, heightPx: 2560 },
    least: { widthPx: 625, heightPx: 1000 },
    mostSidePx: 10_000,
    ratio: { low: 1.59, high: 1.61, must: false },
    formats: ['jpeg', 'tiff'],
    mostBytes: 50 * MB,
    ppi: 300,
    edgeLine: true,
    thumb: { widthPx: 120, greys: null },
  },
  {
    ...OPEN,
    id: 'pommel',
    name: 'Pommel Books',
    ideal: { widthPx: 1600, heightPx: 2560 },
    leastShortSidePx: 1400,
    ratio: { low: 1.3, high: 1.7, must: true },
    formats: ['jpeg', 'png'],
    mostBytes: 20 * MB,
    epubPixels: 5_600_000,
  },
  {
    ...OPEN,
    id: 'fennel',
    name: 'Fennel Road',
    ideal: { widthPx: 1800, heightPx: 2400 },
    leastShortSidePx: 1200,
    ratio: { low: (4 / 3) * 0.99, high: (4 / 3) * 1.01, must: true },
    formats: ['jpeg', 'png'],
    mostBytes: 5 * MB,
  },
  {
    ...OPEN,
    id: 'bindery',
    name: 'Bindery Row',
    ideal: { widthPx: 1600, heightPx: 2400 },
    leastShortSidePx: 1400,
    ratio: { low: 1.5 * 0.98, high: 1.5 * 1.02, must: true },
    formats: ['jpeg'],
    mostBytes: 10 * MB,
    content: ['no-address', 'no-price', 'no-phone', 'no-object', 'no-rank', 'words-match', 'no-empty-border'],
  },
  {
    ...OPEN,
    id: 'cartwheel',
    name: 'Cartwheel Lending',
    ideal: { widthPx: 1200, heightPx: 1800 },
    least: { widthPx: 800, heightPx: 1200 },
    most: { widthPx: 2400, heightPx: 3600 },
    ratio: { low: 1.5 * 0.95, high: 1.5 * 1.05, must: true },
    formats: ['jpeg'],
    mostBytes: 2 * MB,
    baseline: true,
  },
  {
    ...OPEN,
    id: 'earshot',
    name: 'Earshot Audio',
    ideal: { widthPx: 2400, heightPx: 2400 },
    least: { widthPx: 2400, heightPx: 2400 },
    most: { widthPx: 3000, heightPx: 3000 },
    ratio: { low: 1, high: 1, must: true },
    formats: ['jpeg', 'png'],
    mostBytes: 10 * MB,
  },
  {
    ...OPEN,
    id: 'pocketreel',
    name: 'Pocketreel',
    ideal: { widthPx: 400, heightPx: 600 },
    exact: true,
    ratio: { low: 1.5, high: 1.5, must: true },
    formats: ['jpeg'],
    mostBytes: 127 * 1024,
    thumb: { widthPx: 90, greys: 16 },
  },
  {
    ...OPEN,
    id: 'ownsite',
    name: 'Your own site',
    ideal: { widthPx: 1000, heightPx: 1600 },
    formats: ['jpeg', 'png', 'webp', 'avif'],
    mostBytes: 500 * 1024,
  },
];

/** A store by its id: a person's own before one that ships with the product, so that this can be changed. */
export const findProfile = (id: string, own: readonly Profile[] = []): Profile | undefined =>
  own.find((profile) => profile.id === id) ?? PROFILES.find((profile) => profile.id === id);

/** All stores: those that ship, each as a person has changed it, and then their own. */
export const allProfiles = (own: readonly Profile[]): Profile[] => [
  ...PROFILES.map((one) => own.find((mine) => mine.id === one.id) ?? one),
  ...own.filter((mine) => !PROFILES.some((one) => one.id === mine.id)),
];
