import type { Finding } from '../base';
import type { StoreFormat } from '../stores';
import { readsBadly } from './legibility';

/** A finished file with what was found when it was read back. */
export type Delivered = {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly findings: readonly Finding[];
};

/** `reads` is a file that a store would take and people cannot read. */
export type Verdict = 'passes' | 'may' | 'reads' | 'fails';

export function verdictOf(findings: readonly Finding[]): Verdict {
  if (findings.some((f) => f.severity === 'must')) return 'fails';
  if (findings.some(readsBadly)) return 'reads';
  return findings.some((f) => f.severity === 'should') ? 'may' : 'passes';
}

export const PRINT_PPI = 300;
export const SCREEN_PPI = 72;

/** How files of each image format end, and their media types. */
export const IMAGE_FILES: Readonly<Record<StoreFormat, readonly [ending: string, type: string]>> = {
  jpeg: ['jpg', 'image/jpeg'],
  png: ['png', 'image/png'],
  webp: ['webp', 'image/webp'],
  avif: ['avif', 'image/avif'],
  tiff: ['tif', 'image/tiff'],
};
