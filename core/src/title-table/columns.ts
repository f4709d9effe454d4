/** What a table may tell of a title. */
export const COLUMNS = [
  'title',
  'subtitle',
  'author',
  'series',
  'number',
  'strapline',
  'blurb',
  'website',
  'publisher',
  'pages',
  'language',
  'kind',
  'stores',
  'picture',
  'id',
] as const;
export type Column = (typeof COLUMNS)[number];

/** What each column of a table is; null is not read. */
export type Mapping = readonly (Column | null)[];

/** What people write over their columns, besides the column's own name. */
const SAID: Readonly<Record<Column, readonly string[]>> = {
  title: ['name', 'book', 'book title', 'main title', 'work'],
  subtitle: ['sub title', 'second title'],
  author: ['authors', 'writer', 'by', 'author name', 'contributor', 'pen name'],
  series: ['series name', 'series title', 'collection'],
  number: [
    'volume',
    'vol',
    'no',
    'nr',
    'series number',
    'volume number',
    'series no',
    'book number',
    'number in series',
  ],
  strapline: ['tagline', 'tag line', 'teaser'],
  blurb: ['description', 'back cover text', 'back text', 'summary', 'about', 'long description'],
  website: ['site', 'web', 'url', 'web site', 'homepage'],
  publisher: ['imprint', 'house', 'publishing house'],
  pages: ['page count', 'extent', 'number of pages', 'pp'],
  language: ['lang', 'language code'],
  kind: ['genre', 'genres', 'category', 'subject', 'kind of book'],
  stores: ['store', 'shops', 'shop', 'retailers', 'retailer', 'sold at'],
  picture: ['image', 'photo', 'photograph', 'picture file', 'image file', 'artwork', 'cover picture', 'cover image'],
  id: ['title id', 'yosomi id'],
};

const plain = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

const KNOWN = new Map(COLUMNS.flatMap((column) => [column, ...SAID[column]].map((name) => [name, column] as const)));

/** What the columns are by what stands over them: each is taken once, the first time that it is named. */
export function mappingOf(head: readonly string[]): Mapping {
  const taken = new Set<Column>();
  return head.map((name) => {
    const column = KNOWN.get(plain(name)) ?? null;
    if (column === null || taken.has(column)) return null;
    taken.add(column);
    return column;
  });
}

/** The mapping once column `at` is `column`: no other stays it. */
export const mappedAs = (mapping: Mapping, at: number, column: Column | null): Mapping =>
  mapping.map((one, i) => (i === at ? column : one !== null && one === column ? null : one));
