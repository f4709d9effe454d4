import { type Look, plainLook } from '../cover';
import type { Tones } from './sketch';
import { isDark, mixed } from './tones';

/** How a picture is graded for a cover, before words are set on it. */
export const GRADES = [
  'plain',
  'vivid',
  'golden',
  'rose',
  'cool',
  'bleached',
  'aged',
  'mono',
  'noir',
  'night',
  'dusk',
  'sickly',
  'toned',
] as const;
export type Grade = (typeof GRADES)[number];

const look = (more: Partial<Look>): Look => ({ ...plainLook, ...more });

/** What of a picture a grade makes; `toned` takes the two colours of the cover. */
export function lookOfGrade(grade: Grade, tones: Pick<Tones, 'ground' | 'words' | 'block'>): Look {
  switch (grade) {
    case 'plain':
      return plainLook;
    case 'vivid':
      return look({ saturation: 0.3, contrast: 0.12 });
    case 'golden':
      return look({ brightness: 0.04, tint: { dark: '#33200f', light: '#ffe9b8', amount: 0.36 } });
    case 'rose':
      return look({ brightness: 0.06, tint: { dark: '#43243a', light: '#ffe8df', amount: 0.36 } });
    case 'cool':
      return look({ saturation: -0.15, tint: { dark: '#0e1c2c', light: '#eef5f8', amount: 0.28 } });
    case 'bleached':
      return look({ brightness: 0.36, contrast: -0.16, saturation: -0.4 });
    case 'aged':
      return look({ saturation: -0.5, tint: { dark: '#2b2118', light: '#f1e3c6', amount: 0.42 }, grain: 0.1 });
    case 'mono':
      return look({ saturation: -1, contrast: 0.12 });
    case 'noir':
      return look({ saturation: -1, brightness: -0.34, contrast: 0.36, grain: 0.14 });
    case 'night':
      return look({
        brightness: -0.5,
        saturation: -0.4,
        contrast: 0.16,
        tint: { dark: '#060d18', light: '#cfdde8', amount: 0.46 },
      });
    case 'dusk':
      return look({ brightness: -0.34, contrast: 0.1, tint: { dark: '#170d13', light: '#f6c994', amount: 0.34 } });
    case 'sickly':
      return look({
        brightness: -0.4,
        contrast: 0.3,
        saturation: -0.5,
        tint: { dark: '#04070a', light: '#b9cca0', amount: 0.55 },
        grain: 0.12,
      });
    case 'toned': {
      const dark = isDark(tones.ground)
        ? tones.ground
        : isDark(tones.block)
          ? tones.block
          : mixed(tones.words, tones.ground, 0.06);
      const light = isDark(tones.ground) ? mixed(tones.words, tones.block, 0.2) : tones.ground;
      return look({ saturation: -1, contrast: 0.16, tint: { dark, light, amount: 1 } });
    }
  }
}
