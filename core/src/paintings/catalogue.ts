import type { HandName } from './hands';
import type { MotifName } from './motifs';
import type { PaintingSpec } from './painting';
import type { PigmentName } from './pigments';

/** What hangs in the desk: a motif, then hand/pigments/seed, and w for one that is wider than tall, q for a square. */
const TABLE = `
  ridges photographic/dawn/3 gouache/plum/5 cut-paper/dawn/1 risograph/coral/4 engraving/mist/2/w
  dunes photographic/desert/4 gouache/desert/2 flat/rust/6 risograph/coral/3 pastel/plum/5/w
  fields gouache/spring/2 flat/spring/4 engraving/moss/3 cut-paper/lemon/5 pastel/moss/1/w
  lake photographic/dawn/2 photographic/snow/6 ink/mist/3 flat/teal/4 pastel/violet/1
  snowfield photographic/snow/3 gouache/blue/2 ink/slate/4 cut-paper/snow/5 engraving/snow/1
  road photographic/rust/3 flat/coral/2 engraving/bone/4 photographic/slate/1/w
  stars photographic/night/3 photographic/violet/5 gouache/blue/2 pastel/teal/4 risograph/violet/1
  moon photographic/blue/3 engraving/bone/2 cut-paper/violet/4 ink/slate/5 risograph/night/1/q
  clouds photographic/sea/3 pastel/dawn/2 gouache/rose/4 photographic/plum/6/w
  sunrays flat/lemon/3 engraving/bone/2 risograph/coral/4 cut-paper/desert/1 gouache/rust/5/q
  aurora photographic/teal/3 pastel/violet/2 gouache/blue/4 photographic/night/1/w
  beams photographic/gold/3 photographic/teal/2 pastel/ember/4
  storm photographic/slate/3 ink/slate/2 gouache/plum/5
  wood photographic/mist/1 photographic/ember/4 ink/mist/2 engraving/moss/3 pastel/moss/5 cut-paper/teal/6
  lone-tree ink/mist/3 photographic/dawn/2 flat/rust/4 engraving/bone/5 gouache/rose/1 cut-paper/snow/6/q
  birches photographic/mist/3 gouache/lemon/2 cut-paper/sea/4 ink/bone/1 pastel/spring/5
  fern photographic/moss/3 engraving/moss/4 gouache/teal/1 risograph/spring/5
  branch engraving/moss/3 gouache/bone/2 ink/bone/4 flat/rose/1 cut-paper/rust/5 pastel/moss/6/q
  meadow gouache/spring/3 photographic/moss/2 pastel/dawn/4 risograph/rose/1 flat/lemon/5/w
  bloom photographic/plum/3 cut-paper/coral/2 gouache/rose/4 pastel/rose/5/q
  leaves gouache/rust/3 cut-paper/desert/2 ink/bone/4 risograph/lemon/1 photographic/rust/5
  mushrooms gouache/moss/3 photographic/moss/2 cut-paper/plum/1 risograph/spring/5/q
  wreath gouache/moss/3 cut-paper/rose/2 engraving/moss/4 flat/spring/1
  city photographic/blue/3 flat/violet/2 cut-paper/plum/4 gouache/ember/1
  rain photographic/sea/1 gouache/blue/3 ink/slate/2 flat/plum/4 pastel/teal/5
  room photographic/lemon/3 gouache/rust/2 flat/sea/4 photographic/slate/5
  door photographic/teal/3 flat/ember/2 photographic/slate/1
  lighthouse gouache/sea/3 photographic/gold/2 engraving/snow/4 flat/coral/1 risograph/sea/5/w
  arches photographic/rust/3 flat/coral/2 cut-paper/desert/4 pastel/rose/1 gouache/sea/5
  wires photographic/ember/3 ink/mist/2 flat/coral/4 risograph/rose/1
  village gouache/blue/3 cut-paper/snow/2 flat/violet/4 engraving/snow/1 pastel/blue/5/w
  marbling photographic/sea/3 photographic/gold/2 photographic/rose/4 gouache/teal/1 flat/coral/5/q
  smoke photographic/slate/3 photographic/ember/2 photographic/violet/1
  gold-leaf photographic/gold/3 photographic/teal/2 photographic/plum/4
  folds cut-paper/spring/3 cut-paper/plum/2 gouache/coral/4 photographic/sea/1 flat/desert/5/w
  cloth photographic/ember/3 photographic/blue/2 photographic/bone/4 photographic/teal/1/w
  stones photographic/mist/3 gouache/moss/2 engraving/bone/4 photographic/slate/1/w
  washes ink/sea/3 photographic/coral/2 photographic/sea/4 photographic/rose/1
  rings photographic/night/3 photographic/teal/2 gouache/sea/4
  ice photographic/snow/3 photographic/sea/2 photographic/violet/1
  blocks flat/sea/3 risograph/coral/2 cut-paper/lemon/4
  planets photographic/violet/3 gouache/blue/4 engraving/bone/1 cut-paper/ember/5 flat/coral/6
  contours flat/moss/3 flat/bone/2 risograph/spring/4 cut-paper/desert/1 gouache/sea/5/w
  shapes cut-paper/spring/2 flat/desert/4 gouache/rose/1
  arcs flat/coral/3 risograph/lemon/2 cut-paper/sea/4 gouache/desert/1
  stairs photographic/ember/3 flat/sea/2 cut-paper/coral/4 engraving/bone/1 pastel/violet/5
  lantern photographic/ember/3 gouache/blue/2 cut-paper/violet/4 photographic/moss/5
  candle photographic/plum/3 gouache/ember/2 pastel/blue/4 photographic/slate/1
  balloons gouache/dawn/3 flat/coral/2 cut-paper/spring/4 engraving/sea/1 photographic/dawn/5/w
  boat photographic/dawn/3 ink/mist/2 gouache/teal/4 pastel/plum/1 flat/desert/5/w
  vase gouache/rose/3 cut-paper/sea/2 ink/bone/4 pastel/spring/1 flat/rust/5 engraving/bone/6/q
  feather engraving/bone/3 gouache/teal/2 photographic/mist/4 cut-paper/rose/1
  ladder gouache/violet/3 cut-paper/blue/2 engraving/snow/1 flat/plum/5
  flock ink/bone/3 risograph/rose/2 photographic/dawn/4 flat/coral/1 cut-paper/sea/5/w
  clock photographic/gold/3 cut-paper/rust/4 flat/teal/1
`;

const HEIGHTS: Readonly<Record<string, number>> = { w: 0.66, q: 1 };

/** Every picture of the desk, in the order of its motifs. The id says all that it is painted from. */
export const CATALOGUE: readonly (PaintingSpec & { readonly id: string })[] = TABLE.trim()
  .split('\n')
  .flatMap((row) => {
    const [motif, ...ways] = row.trim().split(' ');
    return ways.map((way) => {
      const [hand, pigments, seed, tall] = way.split('/');
      return {
        id: [motif, hand, pigments, seed].join('.'),
        motif: motif as MotifName,
        hand: hand as HandName,
        pigments: pigments as PigmentName,
        seed: Number(seed),
        tall: HEIGHTS[tall] ?? 1.6,
      };
    });
  });
