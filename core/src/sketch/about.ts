import type { Mood } from '../book';
import { GENRE_RULES } from './genres';
import { CHORDS } from './moods';
import { mannerOf } from './pairings';
import type { SceneryColours } from '../scenery';
import type { Sketch } from './sketch';
import { findStructure } from './structures';
import { isDark, mixed, tonesOfChord } from './tones';

const BY_NAME = new Map([
  ...Object.values(GENRE_RULES).flatMap(({ chords, moods }) => chords.map((c) => [c.name, moods[0]] as const)),
  ...Object.entries(CHORDS).flatMap(([mood, chords]) => chords.map((c) => [c.name, mood as Mood] as const)),
]);

/** The moods of a sketch: that of its colours, and those that its structure and its faces share. */
export function moodsOfSketch({ structure, faces, tones }: Sketch): readonly Mood[] {
  const colours = BY_NAME.get(tones.name);
  const pair = mannerOf(faces).moods;
  const both = (findStructure(structure)?.moods ?? []).filter((mood) => pair.includes(mood));
  return [...new Set([...(colours ? [colours] : []), ...both])];
}

/** Colours for a drawn picture that goes with a mood: dark chords give evenings, light ones days. */
export function sceneryColours(mood: Mood, seed: number): SceneryColours {
  const chords = CHORDS[mood];
  const { ground, block, accent, words } = tonesOfChord(chords[seed % chords.length]);
  const dark = isDark(ground);
  const deep = dark ? mixed(ground, '#000000', 0.35) : mixed(words, block, 0.12);
  return {
    high: dark ? ground : mixed(ground, block, 0.55),
    low: mixed(dark ? block : ground, accent, dark ? 0.4 : 0.14),
    far: mixed(block, accent, 0.3),
    near: deep,
    light: dark ? mixed(accent, '#fff6dc', 0.45) : mixed(ground, '#fffaf0', 0.6),
  };
}
