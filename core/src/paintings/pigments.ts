import type { Pigments } from './layer';

const pigments = (
  high: string,
  low: string,
  far: string,
  near: string,
  light: string,
  accent: string,
  paper: string,
  ink: string,
): Pigments => ({ high, low, far, near, light, accent, paper, ink });

/** Colours of paintings by name: sky above, sky at the horizon, far, near, light, accent; paper and ink. */
export const PIGMENTS = {
  dawn: pigments('#5d7aa0', '#f3c9a5', '#8b86a3', '#2c2f45', '#ffe9c4', '#d9694a', '#f4ead9', '#2b2a3d'),
  mist: pigments('#c9d3d4', '#eef0ea', '#a3b2b2', '#2f403f', '#fbf9ef', '#b9603d', '#f3f0e6', '#25302f'),
  blue: pigments('#0e1b3a', '#3c5f8f', '#24406a', '#0a1224', '#f6ecc6', '#e7a94a', '#ece9df', '#12203f'),
  ember: pigments('#2a1220', '#c2492a', '#6b2230', '#170b12', '#ffd08a', '#ef7c36', '#f3e3cc', '#2a1119'),
  moss: pigments('#cbd8bf', '#eff0d8', '#8fa87a', '#24391f', '#fdf9dc', '#c9782f', '#f2efdf', '#22331f'),
  desert: pigments('#4d88a3', '#f5d7a6', '#d99a62', '#6d3420', '#fff0cd', '#b5432c', '#f6e8d0', '#4a2318'),
  snow: pigments('#8fa6bd', '#e8edf0', '#b6c5d2', '#2b3b4d', '#ffffff', '#b3392f', '#f5f5f0', '#233245'),
  plum: pigments('#3a2347', '#c98a9d', '#6f4a70', '#1d1024', '#fde3d0', '#e0a458', '#f3e8e4', '#2c1836'),
  teal: pigments('#0f4248', '#8cc0b0', '#2d6f70', '#08262a', '#f5efd2', '#e88d4f', '#eef0e4', '#0c3136'),
  gold: pigments('#1a1712', '#7d5a22', '#4b381c', '#0d0b08', '#ffe3a0', '#d8a23c', '#f4ecd8', '#1d1810'),
  rose: pigments('#f0c9c2', '#fbeadf', '#d9918c', '#6b2c3b', '#fffaf0', '#c43e4f', '#faf0e8', '#5a2333'),
  slate: pigments('#39424c', '#9aa3a6', '#626d75', '#161b20', '#f0ece0', '#c9543a', '#ecebe5', '#1c2228'),
  spring: pigments('#9fcfdd', '#f7f1cf', '#a5c77c', '#2f5a3c', '#fffbe0', '#ef7f6b', '#faf5e6', '#264a38'),
  rust: pigments('#d8a077', '#f4dec0', '#b2623f', '#4a1d16', '#fff1da', '#2f6f73', '#f5e9d6', '#42190f'),
  night: pigments('#05070f', '#1d2b4a', '#141f38', '#03050a', '#e9ecf2', '#7fb0d8', '#e9e9e4', '#0b1020'),
  lemon: pigments('#f2c53d', '#f9e7a4', '#e08f2d', '#3a2b1a', '#fffbe8', '#c9402e', '#faf3dc', '#33261a'),
  coral: pigments('#f2806a', '#fbd3b0', '#c94f52', '#3b1c3a', '#fff3dc', '#2b7a8a', '#fbf0e2', '#381a36'),
  sea: pigments('#2b6c8f', '#bfe0dc', '#4f95a3', '#123a52', '#fdf7e3', '#e76f51', '#f1f3ea', '#123247'),
  bone: pigments('#d9d0c0', '#f1ebdf', '#b5a890', '#3a342b', '#fffdf6', '#8a3b2b', '#f4efe4', '#2f2a22'),
  violet: pigments('#1b1440', '#7a5bb0', '#3f2f78', '#0e0a24', '#f3e4ff', '#f0b35a', '#efeaf2', '#1f1745'),
} as const satisfies Record<string, Pigments>;

export type PigmentName = keyof typeof PIGMENTS;
