import type { Motif } from '../layer';
import { arches, door, lighthouse, room } from './buildings';
import { bloom, meadow, wreath } from './flowers';
import { aurora, beams, clouds, moon, stars, storm, sunrays } from './heavens';
import { balloons, boat, flock, ladder } from './journeys';
import { dunes, fields, lake, ridges, road, snowfield } from './land';
import { cloth, folds, goldLeaf, ice, marbling, rings, smoke, stones, washes } from './matter';
import { branch, fern, leaves, mushrooms } from './plants';
import { arcs, blocks, contours, planets, shapes, stairs } from './shapes';
import { candle, clock, feather, lantern, vase } from './things';
import { birches, loneTree, wood } from './trees';
import { city, rain, village, wires } from './town';

/** What a picture shows: how it is drawn, its name, and the nouns by which it is found, the plainest first. */
export type MotifEntry = { readonly name: string; readonly nouns: string; draw: Motif };

const motif = (name: string, nouns: string, draw: Motif): MotifEntry => ({ name, nouns, draw });

export const MOTIFS = {
  ridges: motif('Ridges in fog', 'mountain ridge fog mist valley range sunrise hill', ridges),
  dunes: motif('Dunes', 'desert sand dune sun heat', dunes),
  fields: motif('Fields on hills', 'field hill farm country land house harvest', fields),
  lake: motif('A still lake', 'lake water mountain reflection shore tree', lake),
  snowfield: motif('Steps in snow', 'snow winter footprint track ice tree cold', snowfield),
  road: motif('A road to the horizon', 'road way journey horizon plain travel sky', road),
  stars: motif('Stars over a ridge', 'star night galaxy sky space universe', stars),
  moon: motif('A great moon', 'moon night bird sky crater', moon),
  clouds: motif('Clouds that tower', 'cloud sky weather heaven air', clouds),
  sunrays: motif('Sun with rays', 'sun ray morning sunrise hill summer day', sunrays),
  aurora: motif('Northern light', 'aurora light night north wood sky winter', aurora),
  beams: motif('Beams of light', 'light ray beam dust cave hope soul', beams),
  storm: motif('Lightning', 'storm lightning thunder rain cloud weather', storm),
  wood: motif('A wood in mist', 'wood forest tree trunk mist path', wood),
  'lone-tree': motif('One tree', 'tree branch hill winter alone sky', loneTree),
  birches: motif('Birches', 'birch tree wood forest autumn leaf', birches),
  fern: motif('Ferns', 'fern leaf plant garden green forest', fern),
  branch: motif('A branch with berries', 'branch leaf berry plant botany garden', branch),
  meadow: motif('Poppies in grass', 'meadow grass poppy flower field summer', meadow),
  bloom: motif('One great bloom', 'flower bloom petal rose love garden', bloom),
  leaves: motif('Falling leaves', 'leaf autumn fall wind', leaves),
  mushrooms: motif('Toadstools', 'mushroom toadstool moss forest wood fairy', mushrooms),
  wreath: motif('Leaves round the rim', 'leaf wreath frame garden flower berry', wreath),
  city: motif('Windows at night', 'city town window night skyline street tower', city),
  rain: motif('A street in rain', 'rain street umbrella lamp city night', rain),
  room: motif('A room with one window', 'room window chair house light floor', room),
  door: motif('A door ajar', 'door room light secret house', door),
  lighthouse: motif('A lighthouse', 'lighthouse beam coast rock night', lighthouse),
  arches: motif('Arches', 'arch wall gate corridor stone south', arches),
  wires: motif('Birds on wires', 'bird wire pole sky evening', wires),
  village: motif('A village in snow', 'village house snow winter night window', village),
  marbling: motif('Marbled paper', 'marble paper ink pattern vein', marbling),
  smoke: motif('Smoke', 'smoke fire mist ghost breath', smoke),
  'gold-leaf': motif('Gold leaf', 'gold leaf metal treasure', goldLeaf),
  folds: motif('Folded paper', 'paper fold layer wave', folds),
  cloth: motif('Hanging cloth', 'cloth fabric curtain fold silk', cloth),
  stones: motif('Stones and moss', 'stone moss rock river pebble', stones),
  washes: motif('Washes of colour', 'wash colour ink water stain', washes),
  rings: motif('Rings on water', 'water ring rain drop pond', rings),
  ice: motif('Cracked ice', 'ice crack winter cold glass', ice),
  blocks: motif('Quarter discs', 'geometry shape pattern block circle', blocks),
  planets: motif('A planet', 'planet space star moon ring world', planets),
  contours: motif('Lines of height', 'map contour land path travel mountain', contours),
  shapes: motif('Large shapes', 'shape abstract colour circle', shapes),
  arcs: motif('Arcs', 'arc circle rainbow fan shape', arcs),
  stairs: motif('Stairs into light', 'stair step light way rise career', stairs),
  lantern: motif('A lantern', 'lantern light lamp fire night', lantern),
  candle: motif('A candle', 'candle flame light night fire', candle),
  balloons: motif('Balloons over hills', 'balloon flight sky travel hill', balloons),
  boat: motif('A boat on still water', 'boat water lake rowing man alone', boat),
  vase: motif('A vase with stems', 'vase flower table home still life', vase),
  feather: motif('A feather', 'feather bird quill wing', feather),
  ladder: motif('A ladder to the moon', 'ladder moon night dream climb', ladder),
  flock: motif('A flock of birds', 'bird flock wing flight freedom', flock),
  clock: motif('A clock', 'clock time hour watch', clock),
} as const satisfies Record<string, MotifEntry>;

export type MotifName = keyof typeof MOTIFS;
export const MOTIF_NAMES = Object.keys(MOTIFS) as MotifName[];
