/** Units that a number can be typed in. */
export const UNITS = ['mm', 'cm', 'in', 'pt', 'px', '°', 'rad', '%', 'KB', 'MB'] as const;
export type Unit = (typeof UNITS)[number];

/** How many of the first of its kind one of each unit is: millimetres, pixels, degrees, hundredths, kilobytes. */
const SCALE: Readonly<Record<Unit, number>> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  pt: 25.4 / 72,
  px: 1,
  '°': 1,
  rad: 180 / Math.PI,
  '%': 1,
  KB: 1,
  MB: 1024,
};
const KIND: Readonly<Record<Unit, 'length' | 'pixels' | 'angle' | 'share' | 'bytes'>> = {
  mm: 'length',
  cm: 'length',
  in: 'length',
  pt: 'length',
  px: 'pixels',
  '°': 'angle',
  rad: 'angle',
  '%': 'share',
  KB: 'bytes',
  MB: 'bytes',
};

/** Pixels that a printed cover has to the inch: what is typed in inches on one is read by it. */
export const PRINT_PPI = 300;

const WORDS: Readonly<Record<Unit, RegExp>> = {
  mm: /^(mm|milli ?met(er|re)s?)$/,
  cm: /^(cm|centi ?met(er|re)s?)$/,
  in: /^(in|inch|inches|"|″|”|“|'')$/,
  pt: /^(pt|pts|points?)$/,
  px: /^(px|pixels?)$/,
  '°': /^(°|º|deg|degrees?)$/,
  rad: /^(rad|radians?)$/,
  '%': /^(%|per ?cent)$/,
  KB: /^(k|kb|kib|kilo ?bytes?)$/,
  MB: /^(m|mb|mib|mega ?bytes?)$/,
};

const unitOf = (word: string): Unit | undefined => UNITS.find((unit) => WORDS[unit].test(word));

const PARTS: Readonly<Record<string, number>> = {
  '\u00bc': 1 / 4,
  '\u00bd': 1 / 2,
  '\u00be': 3 / 4,
  '\u215b': 1 / 8,
  '\u215c': 3 / 8,
  '\u215d': 5 / 8,
  '\u215e': 7 / 8,
};
const MARKS = Object.keys(PARTS).join('');

/** "1.25", "1,25", "1 600", "1,600.5", "1 1/4", "5/8", "1½"; `whole` tells that "1,600" is sixteen hundred. null for no number. */
function readNumber(text: string, whole: boolean): number | null {
  const found = /^([-+\u2212]?)\s*(.*)$/.exec(text.trim());
  const [, sign, rest] = found ?? ['', '', ''];
  const size = readSizeOf(rest.trim(), whole);
  return size === null ? null : /[-\u2212]/.test(sign) ? -size : size;
}

function readSizeOf(text: string, whole: boolean): number | null {
  const parted = new RegExp(`^(?:(?:(\\d+)[ -])?\\s*(\\d+)\\s*[/\u2044]\\s*(\\d+)|(\\d+)?\\s*([${MARKS}]))$`).exec(
    text,
  );
  if (parted) {
    const [, before, above, below, alone, mark] = parted;
    const full = before ?? alone;
    const part = mark ? PARTS[mark] : Number(below) === 0 ? NaN : Number(above) / Number(below);
    return Number.isFinite(part) ? Number(full ?? 0) + part : null;
  }
  if (!/^[\d.,'\u2019 ]*\d[\d.,]*$/.test(text)) return null;
  const bare = text.replace(/(?<=\d)[ '\u2019](?=\d{3}(?!\d))/g, '');
  if (/[ '\u2019]/.test(bare)) return null;
  const [point, comma] = [bare.lastIndexOf('.'), bare.lastIndexOf(',')];
  const grouped = (by: string): boolean => new RegExp(`^\\d{1,3}(\\${by}\\d{3})+$`).test(bare);
  const plain =
    point >= 0 && comma >= 0
      ? point > comma
        ? bare.replaceAll(',', '')
        : bare.replaceAll('.', '').replace(',', '.')
      : comma >= 0
        ? whole && grouped(',')
          ? bare.replaceAll(',', '')
          : bare.replace(',', '.')
        : whole && grouped('.')
          ? bare.replaceAll('.', '')
          : bare;
  const n = Number(plain);
  return Number.isFinite(n) ? n : null;
}

export type Measure =
  /** `value` in the unit that was asked for; `typed` is the unit of the text, null where it had none or needed none. */
  | { readonly kind: 'read'; readonly value: number; readonly typed: Unit | null }
  | { readonly kind: 'no-number' }
  /** What stands behind the number is no unit that this can be measured in. */
  | { readonly kind: 'no-unit'; readonly word: string };

/**
 * A number with its unit, as people type it. Without a unit it is in `bare`. Lengths become one another; on a cover of so many pixels
 * to the inch they become pixels. `whole` tells that it has no decimals: "1,600" is sixteen hundred then.
 */
export function readMeasure(
  text: string,
  unit: Unit | undefined,
  bare: Unit | undefined = unit,
  whole = unit === 'px',
): Measure {
  const spaced = text.trim().toLowerCase();
  const found = /^(.*?[\d\u00bc-\u00be\u215b-\u215e])\s*([^\d\s.,\u00bc-\u00be\u215b-\u215e][^\d]*)?$/u.exec(spaced);
  const n = found ? readNumber(found[1], whole) : null;
  if (!found || n === null) return { kind: 'no-number' };
  const word = found[2]?.trim().replace(/\.$/, '') ?? '';
  if (word === '') return { kind: 'read', value: unit && bare ? across(n, bare, unit)! : n, typed: null };
  const typed = unitOf(word);
  const value = unit && typed ? across(n, typed, unit) : null;
  if (value === null || !typed) return { kind: 'no-unit', word };
  return { kind: 'read', value, typed: typed === unit ? null : typed };
}

/** A value in another unit; null where they do not measure the same. Pixels have no length but on a cover. */
export function across(value: number, from: Unit, to: Unit): number | null {
  if (KIND[from] === KIND[to]) return (value * SCALE[from]) / SCALE[to];
  if (KIND[from] === 'length' && to === 'px') return (value * SCALE[from] * PRINT_PPI) / SCALE.in;
  return null;
}

/** Units that can be typed where one is asked for, for a sentence. */
export const unitsFor = (unit: Unit): readonly Unit[] => UNITS.filter((one) => across(1, one, unit) !== null);

/** "1600 x 2560", "6 x 9 in", "210 by 297 mm", "6in x 9in": pixels; null for no size. */
export function readSize(text: string): { widthPx: number; heightPx: number } | null {
  const sides = text.split(/\s*(?:(?<!p)x|[\u00d7*]|\bby\b)\s*/i);
  if (sides.length !== 2) return null;
  const last = unitOf((/[^\d\s.,/]+$/.exec(sides[1].trim())?.[0] ?? '').toLowerCase()) ?? 'px';
  const [width, height] = sides.map((side) => readMeasure(side, 'px', last));
  if (width.kind !== 'read' || height.kind !== 'read') return null;
  const [widthPx, heightPx] = [Math.round(width.value), Math.round(height.value)];
  return widthPx > 0 && heightPx > 0 ? { widthPx, heightPx } : null;
}
