import type { Arrangement, Kind, SURFACES } from '@yosomi/core/mockup';
import type { MenuGroup } from '../../ui/menu';

export const KIND_NAMES: Readonly<Record<Kind['kind'], string>> = {
  paperback: 'Paperback',
  hardcover: 'Hardcover',
  jacketed: 'Hardcover in a jacket',
  booklet: 'Booklet',
  magazine: 'Magazine',
  binder: 'Ring binder',
  ereader: 'E-reader',
  tablet: 'Tablet',
  phone: 'Phone',
  laptop: 'Laptop',
  disc: 'Disc',
  'disc-case': 'Disc case',
  carton: 'Carton',
  slipcase: 'Slipcase',
  'open-book': 'Open book',
};

const group = (title: string, kinds: readonly Kind['kind'][]): MenuGroup => ({
  title,
  options: kinds.map((value) => ({ value, label: KIND_NAMES[value] })),
});

export const KIND_MENU: readonly MenuGroup[] = [
  group('Bound', ['paperback', 'hardcover', 'jacketed', 'open-book']),
  group('Thin', ['booklet', 'magazine', 'binder']),
  group('On a screen', ['ereader', 'tablet', 'phone', 'laptop']),
  group('Boxed', ['carton', 'slipcase', 'disc-case', 'disc']),
];

export const ARRANGEMENT_NAMES: Readonly<Record<Arrangement, string>> = {
  standing: 'Standing',
  lying: 'Lying',
  leaning: 'Leaning back',
  floating: 'Floating',
  row: 'The series in a row',
  fan: 'A fan',
  stack: 'A stack',
  boxed: 'In a slipcase',
  beside: 'Book and phone',
  screens: 'Book and screens',
  open: 'Open, cover beside',
};

export const SURFACE_NAMES: Readonly<Record<(typeof SURFACES)[number], string>> = {
  matte: 'Matte',
  satin: 'Satin',
  gloss: 'Gloss',
  linen: 'Linen',
};
