export { HANDS, HAND_NAMES, type HandName } from './hands';
export type { Motif, Pigments, Sitting } from './layer';
export { MOTIFS, MOTIF_NAMES, type MotifName } from './motifs';
export { CATALOGUE } from './catalogue';
export * from './painting';
export { PIGMENTS, type PigmentName } from './pigments';
