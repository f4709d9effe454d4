import type { Sketch } from './sketch';
import { turnedTones } from './tones';

/** One design for the volumes of a series: the same structure and faces, the palette turned evenly round the circle. */
export function seriesSketch(sketch: Sketch, volume: number, volumes: number, pictures: readonly string[]): Sketch {
  const angle = (2 * Math.PI * volume) / Math.max(1, volumes);
  const tones = volume === 0 ? sketch.tones : turnedTones(sketch.tones, angle, `${sketch.tones.name}, turned`);
  return { ...sketch, tones: { ...tones, name: tones.name.slice(0, 80) }, pictures: [...pictures] };
}
