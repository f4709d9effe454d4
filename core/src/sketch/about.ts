import type { Mood } from '../book';
import { CHORDS } from './moods';
import { mannerOf } from './pairings';
import type { Sketch } from './sketch';
import { findStructure } from './structures';

const BY_NAME = new Map(
  Object.entries(CHORDS).flatMap(([mood, chords]) => chords.map((c) => [c.name, mood as Mood] as const)),
);

/** The moods of a sketch: that of its colours, and those that its structure and its faces share. */
export function moodsOfSketch({ structure, faces, tones }: Sketch): readonly Mood[] {
  const colours = BY_NAME.get(tones.name);
  const pair = mannerOf(faces).moods;
  const both = (findStructure(structure)?.moods ?? []).filter((mood) => pair.includes(mood));
  return [...new Set([...(colours ? [colours] : []), ...both])];
}
