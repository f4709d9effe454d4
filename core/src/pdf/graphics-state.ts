import { PDFArray, type PDFDict, PDFName } from '@cantoo/pdf-lib';
import type { Rgb } from '../colour';
import type { Affine, Rect } from '../plane';
import { dictIn, pdfName as name } from './objects';
import type { Operand } from './operators';
import type { Reach } from './text-widths';

/** What operators change as they go (ISO 32000, 8.4). */
export type State = {
  readonly matrix: Affine;
  readonly clip: Rect;
  readonly width: number;
  readonly fill: Rgb | null;
  /** True where numbers of the colour space are grey, light or inks. */
  readonly told: boolean;
  readonly plain: boolean;
  readonly font: Reach | null;
  readonly size: number;
  readonly spacing: number;
  readonly wordSpacing: number;
  readonly across: number;
  readonly leading: number;
  readonly rise: number;
  readonly mode: number;
};

export const numbers = (operands: readonly Operand[]): number[] =>
  operands.map((one) => (typeof one === 'number' ? one : 0));
export const nameIn = (operand: Operand | undefined): string | null =>
  operand && typeof operand === 'object' && 'kind' in operand && operand.kind === 'name' ? operand.name : null;
const to255 = (n: number): number => Math.max(0, Math.min(255, Math.round(n * 255)));

/** A colour by its numbers: grey, light, or inks; others are unknown. */
export function colourOf(n: readonly number[]): Rgb | null {
  if (n.length === 1) return [to255(n[0]), to255(n[0]), to255(n[0])];
  if (n.length === 3) return [to255(n[0]), to255(n[1]), to255(n[2])];
  if (n.length === 4) return [0, 1, 2].map((i) => to255((1 - n[i]) * (1 - n[3]))) as unknown as Rgb;
  return null;
}

export const isString = (one: Operand): one is { kind: 'string'; bytes: Uint8Array } =>
  typeof one === 'object' && one !== null && 'kind' in one && one.kind === 'string';

/** Whether numbers of a colour space can be read as they are: a spot colour means something else by them. */
export function isTold(resources: PDFDict | undefined, key: string | null): boolean {
  if (key === null) return false;
  if (/^(Device(Gray|RGB|CMYK)|G|RGB|CMYK)$/.test(key)) return true;
  const space = dictIn(resources, 'ColorSpace')?.lookup(name(key));
  const kind = space instanceof PDFArray ? space.lookup(0) : space;
  return kind instanceof PDFName && /^(ICCBased|Cal(Gray|RGB)|Device(Gray|RGB|CMYK))$/.test(kind.decodeText());
}
