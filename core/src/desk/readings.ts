import type { ColourName, Place, Reading } from './reading';

/** Written by `npm run desk`: picture, lightness, warmth, busyness, quiet places, colours. */
const TABLE = `
  ridges.photographic.dawn.3 0.65 -0.007 9.0 - grey,blue,brown
  ridges.gouache.plum.5 0.45 -0.025 8.3 - violet,red
  ridges.cut-paper.dawn.1 0.64 -0.009 8.1 top grey,blue,brown
  ridges.risograph.coral.4 0.68 0.022 11.4 top red,pink
  ridges.engraving.mist.2 0.83 0.011 17.1 top white,grey
  dunes.photographic.desert.4 0.73 0.042 9.9 - orange,blue,yellow
  dunes.gouache.desert.2 0.73 0.037 7.4 top,middle,right,left orange,blue,yellow,grey
  dunes.flat.rust.6 0.72 0.060 3.2 foot,top,middle orange,brown,red
  dunes.risograph.coral.3 0.68 0.029 12.8 top red,pink
  dunes.pastel.plum.5 0.56 -0.022 9.6 foot violet,pink
  fields.gouache.spring.2 0.83 0.033 10.6 top green,white,teal
  fields.flat.spring.4 0.83 0.034 6.8 top green,white
  fields.engraving.moss.3 0.85 0.029 22.6 top white,green
  fields.cut-paper.lemon.5 0.80 0.106 10.8 top orange,yellow
  fields.pastel.moss.1 0.82 0.035 18.6 top green,white
  lake.photographic.dawn.2 0.61 -0.022 10.7 - blue,grey,violet
  lake.photographic.snow.6 0.73 -0.028 10.1 top blue,white,grey
  lake.ink.mist.3 0.77 0.009 10.0 top grey,white
  lake.flat.teal.4 0.51 -0.010 8.1 - teal
  lake.pastel.violet.1 0.40 -0.078 11.5 top violet
  snowfield.photographic.snow.3 0.89 -0.013 4.5 top,left,foot,right,middle white,blue,grey
  snowfield.gouache.blue.2 0.55 -0.033 7.9 top blue,grey,yellow
  snowfield.ink.slate.4 0.67 0.000 8.8 - grey,white
  snowfield.cut-paper.snow.5 0.88 -0.014 6.4 top,foot,right,left white,blue,grey
  snowfield.engraving.snow.1 0.91 -0.000 15.8 - white,grey
  road.photographic.rust.3 0.68 0.060 9.9 top brown,red,orange,white
  road.flat.coral.2 0.66 0.043 7.6 - red,pink,brown
  road.engraving.bone.4 0.81 0.019 14.7 top white,grey
  road.photographic.slate.1 0.52 -0.012 13.4 - grey
  stars.photographic.night.3 0.19 -0.027 7.8 - black,blue
  stars.photographic.violet.5 0.32 -0.085 8.8 - violet,black
  stars.gouache.blue.2 0.35 -0.060 9.8 - blue,black
  stars.pastel.teal.4 0.52 -0.010 13.4 - teal
  stars.risograph.violet.1 0.44 -0.038 10.4 top violet
  moon.photographic.blue.3 0.40 -0.047 12.1 - blue,black
  moon.engraving.bone.2 0.87 0.019 16.0 - white,grey
  moon.cut-paper.violet.4 0.43 -0.076 11.6 - violet,black
  moon.ink.slate.5 0.61 -0.001 11.1 - grey
  moon.risograph.night.1 0.45 -0.019 17.9 - grey,black
  clouds.photographic.sea.3 0.77 -0.024 11.2 - blue,white,teal
  clouds.pastel.dawn.2 0.77 0.002 11.8 top grey,blue,brown,white
  clouds.gouache.rose.4 0.90 0.019 11.0 top white,pink
  clouds.photographic.plum.6 0.72 -0.000 12.4 foot,middle white,pink,violet
  sunrays.flat.lemon.3 0.70 0.091 12.8 - yellow,brown,orange
  sunrays.engraving.bone.2 0.68 0.017 51.9 - grey,white
  sunrays.risograph.coral.4 0.62 0.021 17.4 - red,pink,violet
  sunrays.cut-paper.desert.1 0.66 0.048 29.2 foot yellow,orange,red,brown
  sunrays.gouache.rust.5 0.67 0.050 17.4 - brown,white,red,orange
  aurora.photographic.teal.3 0.49 -0.006 12.5 top teal,black
  aurora.pastel.violet.2 0.42 -0.062 13.6 top violet
  aurora.gouache.blue.4 0.37 -0.049 10.3 - blue,black
  aurora.photographic.night.1 0.32 -0.038 11.8 - blue,black
  beams.photographic.gold.3 0.18 0.011 7.9 foot black,grey
  beams.photographic.teal.2 0.28 -0.012 11.7 - teal,black
  beams.pastel.ember.4 0.28 0.002 15.3 - grey,black,red
  storm.photographic.slate.3 0.46 -0.011 12.9 - grey,black
  storm.ink.slate.2 0.66 0.000 16.1 - grey,white
  storm.gouache.plum.5 0.45 -0.023 12.6 - violet,black,red
  wood.photographic.mist.1 0.62 -0.001 28.6 - grey,white
  wood.photographic.ember.4 0.37 0.042 16.5 - black,red,brown
  wood.ink.mist.2 0.64 0.006 22.2 - grey,white
  wood.engraving.moss.3 0.59 0.025 42.5 - green,grey
  wood.pastel.moss.5 0.65 0.033 25.8 - green,white
  wood.cut-paper.teal.6 0.46 -0.008 17.4 - teal
  lone-tree.ink.mist.3 0.80 0.010 9.9 top white,grey
  lone-tree.photographic.dawn.2 0.63 -0.016 11.5 top blue,grey,brown
  lone-tree.flat.rust.4 0.71 0.052 10.2 top brown,orange
  lone-tree.engraving.bone.5 0.82 0.019 21.3 - white,grey
  lone-tree.gouache.rose.1 0.80 0.019 10.3 top pink,white,red
  lone-tree.cut-paper.snow.6 0.72 -0.025 10.4 top blue,grey,white
  birches.photographic.mist.3 0.88 0.006 20.5 - white,grey
  birches.gouache.lemon.2 0.87 0.067 25.9 - yellow,white
  birches.cut-paper.sea.4 0.80 -0.001 31.4 - white,grey,blue
  birches.ink.bone.1 0.80 0.015 39.9 - grey,white
  birches.pastel.spring.5 0.90 0.022 21.2 - white,yellow
  fern.photographic.moss.3 0.83 0.032 18.3 top white,green
  fern.engraving.moss.4 0.78 0.027 29.6 top white,green
  fern.gouache.teal.1 0.63 0.002 14.6 top teal
  fern.risograph.spring.5 0.79 0.041 16.4 - green,brown,white,yellow
  branch.engraving.moss.3 0.93 0.026 14.3 - white
  branch.gouache.bone.2 0.93 0.016 15.1 - white
  branch.ink.bone.4 0.90 0.015 18.1 - white
  branch.flat.rose.1 0.94 0.014 9.6 - white
  branch.cut-paper.rust.5 0.91 0.028 14.9 right white
  branch.pastel.moss.6 0.92 0.023 18.0 left white
  meadow.gouache.spring.3 0.82 0.016 17.4 top white,green,teal,blue
  meadow.photographic.moss.2 0.82 0.031 19.0 top white,green
  meadow.pastel.dawn.4 0.69 -0.003 14.8 top grey,blue,brown
  meadow.risograph.rose.1 0.76 0.023 15.9 top pink,red,white
  meadow.flat.lemon.5 0.79 0.100 17.7 top yellow
  bloom.photographic.plum.3 0.39 0.002 13.2 top black,orange,violet
  bloom.cut-paper.coral.2 0.54 0.011 9.8 top red,teal
  bloom.gouache.rose.4 0.65 0.022 12.9 - red,pink
  bloom.pastel.rose.5 0.72 0.026 11.3 - red,pink
  leaves.gouache.rust.3 0.88 0.040 17.9 top white
  leaves.cut-paper.desert.2 0.88 0.062 14.9 top yellow,orange
  leaves.ink.bone.4 0.85 0.015 23.8 - white,grey
  leaves.risograph.lemon.1 0.86 0.059 19.3 top brown,orange,white,yellow
  leaves.photographic.rust.5 0.88 0.036 19.1 - white
  mushrooms.gouache.moss.3 0.61 0.045 15.4 - green
  mushrooms.photographic.moss.2 0.60 0.052 16.6 - green
  mushrooms.cut-paper.plum.1 0.46 -0.021 13.3 - violet
  mushrooms.risograph.spring.5 0.73 0.052 13.8 top green,yellow
  wreath.gouache.moss.3 0.83 0.031 30.8 - white,green
  wreath.cut-paper.rose.2 0.83 0.016 26.1 - white,red
  wreath.engraving.moss.4 0.81 0.027 32.2 - white,grey,green
  wreath.flat.spring.1 0.87 0.033 22.1 middle white,green
  city.photographic.blue.3 0.28 -0.054 16.5 top black,blue
  city.flat.violet.2 0.31 -0.076 18.4 top violet,black
  city.cut-paper.plum.4 0.38 -0.032 15.6 top,middle violet
  city.gouache.ember.1 0.31 0.018 16.6 top,middle red,black,brown
  rain.photographic.sea.1 0.47 -0.049 15.8 - blue
  rain.gouache.blue.3 0.32 -0.034 15.7 top blue,black,grey
  rain.ink.slate.2 0.60 -0.001 20.3 - grey
  rain.flat.plum.4 0.36 -0.023 17.3 - violet,red,black
  rain.pastel.teal.5 0.43 -0.005 18.2 - teal,grey
  room.photographic.lemon.3 0.55 0.079 11.8 - brown,orange
  room.gouache.rust.2 0.51 0.053 10.7 - red,brown
  room.flat.sea.4 0.55 -0.035 8.7 - blue
  room.photographic.slate.5 0.41 -0.010 11.4 - grey,black
  door.photographic.teal.3 0.34 -0.003 8.6 top black,teal
  door.flat.ember.2 0.28 0.010 10.7 top black
  door.photographic.slate.1 0.33 -0.003 8.2 top black,grey
  lighthouse.gouache.sea.3 0.65 -0.035 11.9 - blue,teal
  lighthouse.photographic.gold.2 0.33 0.043 10.1 - brown,black
  lighthouse.engraving.snow.4 0.82 -0.005 23.0 - grey,white
  lighthouse.flat.coral.1 0.72 0.048 8.3 top red,orange,brown,pink
  lighthouse.risograph.sea.5 0.66 -0.013 14.6 - teal,grey
  arches.photographic.rust.3 0.46 0.030 10.0 - brown,red,grey
  arches.flat.coral.2 0.48 -0.018 6.4 - violet,grey
  arches.cut-paper.desert.4 0.55 0.057 6.7 top red,orange,brown
  arches.pastel.rose.1 0.57 0.015 11.6 - red
  arches.gouache.sea.5 0.53 -0.018 10.5 - grey,blue
  wires.photographic.ember.3 0.37 0.044 6.6 top red,black,brown
  wires.ink.mist.2 0.81 0.010 16.5 top grey,white
  wires.flat.coral.4 0.79 0.062 10.9 top red,brown,pink
  wires.risograph.rose.1 0.82 0.022 14.1 top pink,white
  village.gouache.blue.3 0.45 -0.046 21.7 top blue,grey,black
  village.cut-paper.snow.2 0.82 -0.019 17.0 top blue,white,grey
  village.flat.violet.4 0.46 -0.079 21.9 top violet,black
  village.engraving.snow.1 0.85 -0.004 32.5 - grey,white
  village.pastel.blue.5 0.48 -0.034 33.4 - blue,grey
  marbling.photographic.sea.3 0.60 -0.016 76.4 - blue,grey,red
  marbling.photographic.gold.2 0.46 0.064 84.3 - yellow,brown,black
  marbling.photographic.rose.4 0.71 0.026 86.9 - red,pink,white
  marbling.gouache.teal.1 0.54 0.014 80.0 - teal,grey,brown
  marbling.flat.coral.5 0.63 0.025 75.0 - red,brown,violet
  smoke.photographic.slate.3 0.30 -0.008 10.3 - black,grey
  smoke.photographic.ember.2 0.24 0.013 9.2 right black
  smoke.photographic.violet.1 0.25 -0.046 10.3 - black,violet
  gold-leaf.photographic.gold.3 0.43 0.061 22.3 top black,yellow
  gold-leaf.photographic.teal.2 0.45 0.034 22.9 top black,orange
  gold-leaf.photographic.plum.4 0.45 0.029 22.1 top black,orange
  folds.cut-paper.spring.3 0.75 0.033 9.1 - green,white,blue
  folds.cut-paper.plum.2 0.47 -0.021 8.0 - violet,pink
  folds.gouache.coral.4 0.64 0.034 11.7 - red,brown,violet
  folds.photographic.sea.1 0.62 -0.010 10.7 - blue,teal,red
  folds.flat.desert.5 0.58 0.069 6.4 middle,top red,orange
  cloth.photographic.ember.3 0.35 0.024 11.1 - red,brown,black
  cloth.photographic.blue.2 0.34 -0.080 9.3 right blue
  cloth.photographic.bone.4 0.68 0.039 13.2 - yellow
  cloth.photographic.teal.1 0.46 -0.017 13.0 - teal
  stones.photographic.mist.3 0.60 -0.000 49.7 - grey
  stones.gouache.moss.2 0.57 0.039 46.5 - green
  stones.engraving.bone.4 0.63 0.017 57.0 - grey,white
  stones.photographic.slate.1 0.49 -0.005 39.8 - grey,black
  washes.ink.sea.3 0.70 -0.011 19.2 - grey,blue,white
  washes.photographic.coral.2 0.87 0.014 9.1 top white,grey
  washes.photographic.sea.4 0.82 -0.002 14.1 - grey,white,blue
  washes.photographic.rose.1 0.88 0.012 9.2 - white,pink,grey
  rings.photographic.night.3 0.18 -0.030 7.6 top black
  rings.photographic.teal.2 0.50 -0.009 12.1 top teal
  rings.gouache.sea.4 0.66 -0.039 8.7 top blue,teal
  ice.photographic.snow.3 0.86 -0.013 9.0 middle,left,right,foot,top white,grey
  ice.photographic.sea.2 0.75 -0.023 12.4 - teal
  ice.photographic.violet.1 0.44 -0.122 16.9 - violet
  blocks.flat.sea.3 0.75 -0.003 9.7 top white,blue
  blocks.risograph.coral.2 0.86 0.023 9.1 top white,red
  blocks.cut-paper.lemon.4 0.85 0.053 14.4 top white
  planets.photographic.violet.3 0.24 -0.038 10.6 - black
  planets.gouache.blue.4 0.29 -0.032 14.5 - black
  planets.engraving.bone.1 0.61 0.017 32.3 - grey
  planets.cut-paper.ember.5 0.27 0.009 12.5 - black
  planets.flat.coral.6 0.50 0.010 12.9 - red,violet
  contours.flat.moss.3 0.84 0.031 16.5 - green,white,grey
  contours.flat.bone.2 0.85 0.020 18.2 - grey,white
  contours.risograph.spring.4 0.83 0.039 18.3 - green,yellow,white
  contours.cut-paper.desert.1 0.83 0.043 19.0 - brown,grey
  contours.gouache.sea.5 0.80 -0.010 20.3 - teal,grey
  shapes.cut-paper.spring.2 0.91 0.022 8.3 top white
  shapes.flat.desert.4 0.83 0.045 8.6 top white,red
  shapes.gouache.rose.1 0.85 0.018 12.0 top white,red,pink
  arcs.flat.coral.3 0.65 0.015 10.3 top white,blue,grey
  arcs.risograph.lemon.2 0.67 0.044 11.1 top white,brown
  arcs.cut-paper.sea.4 0.87 -0.002 8.9 top white,blue
  arcs.gouache.desert.1 0.58 0.034 11.7 top white,brown
  stairs.photographic.ember.3 0.43 0.058 26.2 top red,brown
  stairs.flat.sea.2 0.69 -0.021 18.8 top teal,blue,grey
  stairs.cut-paper.coral.4 0.67 0.034 22.5 - red,grey
  stairs.engraving.bone.1 0.76 0.019 31.8 - grey,white
  stairs.pastel.violet.5 0.47 -0.081 31.0 top violet
  lantern.photographic.ember.3 0.24 0.015 6.2 top black,brown
  lantern.gouache.blue.2 0.29 -0.021 7.5 top,right black,grey
  lantern.cut-paper.violet.4 0.28 -0.035 7.3 top black,violet
  lantern.photographic.moss.5 0.54 0.044 10.4 top green
  candle.photographic.plum.3 0.31 -0.016 6.4 top,right black,violet,red
  candle.gouache.ember.2 0.30 0.016 5.6 top,right red,black,brown
  candle.pastel.blue.4 0.35 -0.028 13.2 right,top blue,grey
  candle.photographic.slate.1 0.32 -0.004 5.6 top,left grey,black
  balloons.gouache.dawn.3 0.67 -0.011 10.9 top grey,blue,brown
  balloons.flat.coral.2 0.73 0.051 9.0 top red,pink
  balloons.cut-paper.spring.4 0.83 0.012 10.5 top,right white,green,blue,teal
  balloons.engraving.sea.1 0.71 -0.010 26.9 - grey,blue
  balloons.photographic.dawn.5 0.69 -0.007 15.8 top grey,blue,brown
  boat.photographic.dawn.3 0.67 -0.005 8.5 middle blue,grey,brown
  boat.ink.mist.2 0.77 0.010 8.3 top,middle grey,white
  boat.gouache.teal.4 0.54 -0.007 7.3 - teal
  boat.pastel.plum.1 0.52 -0.019 10.5 - violet,red,pink
  boat.flat.desert.5 0.71 0.021 6.4 top,middle grey,yellow
  vase.gouache.rose.3 0.83 0.021 14.7 top white,red,pink
  vase.cut-paper.sea.2 0.77 -0.014 12.4 top teal,blue
  vase.ink.bone.4 0.79 0.015 16.2 top white,grey
  vase.pastel.spring.1 0.86 0.048 14.4 top white,green,yellow
  vase.flat.rust.5 0.78 0.048 11.8 top white,brown,red
  vase.engraving.bone.6 0.86 0.019 14.7 - white,grey
  feather.engraving.bone.3 0.92 0.020 6.6 top white
  feather.gouache.teal.2 0.77 0.015 7.8 top green,teal
  feather.photographic.mist.4 0.91 0.007 8.4 top white,grey
  feather.cut-paper.rose.1 0.90 0.020 9.7 top white,pink
  ladder.gouache.violet.3 0.37 -0.081 9.0 - violet,black
  ladder.cut-paper.blue.2 0.35 -0.058 8.0 - blue,black
  ladder.engraving.snow.1 0.81 -0.007 25.2 - grey,white
  ladder.flat.plum.5 0.46 -0.026 8.4 - violet,red
  flock.ink.bone.3 0.89 0.015 7.6 top white,grey
  flock.risograph.rose.2 0.84 0.022 7.8 top,right pink,white
  flock.photographic.dawn.4 0.75 0.002 5.8 top,left,right,foot,middle brown,grey,blue
  flock.flat.coral.1 0.82 0.061 4.5 top,left,middle pink,orange,brown,red
  flock.cut-paper.sea.5 0.74 -0.028 10.6 top blue,teal
  clock.photographic.gold.3 0.33 0.029 13.2 top black,yellow
  clock.cut-paper.rust.4 0.58 0.044 13.3 top brown,red,white
  clock.flat.teal.1 0.44 -0.003 12.3 top teal,white
`;

const listed = <T extends string>(list: string): T[] => (list === '-' ? [] : (list.split(',') as T[]));

/** What was measured of each picture of the desk. */
export const READINGS: ReadonlyMap<string, Reading> = new Map(
  TABLE.trim()
    .split('\n')
    .map((row) => {
      const [id, light, warmth, busy, quiet, colours] = row.trim().split(' ');
      return [
        id,
        {
          light: Number(light),
          warmth: Number(warmth),
          busy: Number(busy),
          quiet: listed<Place>(quiet),
          colours: listed<ColourName>(colours),
        },
      ];
    }),
);
