import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { UNITS, across, readMeasure, readSize, unitsFor } from './measure';

const value = (text: string, unit?: Parameters<typeof readMeasure>[1]): number | string => {
  const read = readMeasure(text, unit);
  return read.kind === 'read' ? Math.round(read.value * 1e6) / 1e6 : read.kind;
};

describe('a number as people type it', () => {
  it.each([
    ['1.25 in', 'mm', 31.75],
    ['1.25"', 'mm', 31.75],
    ['1,25 Inches', 'mm', 31.75],
    ['1 1/4 in', 'mm', 31.75],
    ['1\u00bc\u2033', 'mm', 31.75],
    ['5/8"', 'mm', 15.875],
    ['11/16 in', 'mm', 17.4625],
    ['15/8 in', 'mm', 47.625],
    ['1-1/4 in', 'mm', 31.75],
    ['3 cm', 'mm', 30],
    ['3cm', 'mm', 30],
    ['12 pt', 'mm', 4.233333],
    ['18', 'mm', 18],
    ['18 mm.', 'mm', 18],
    ['1 in', 'px', 300],
    ['2.54 cm', 'px', 300],
    ['72 pt', 'px', 300],
    ['1,600', 'px', 1600],
    ['1 600 px', 'px', 1600],
    ['1.600', 'px', 1600],
    ['1,5', 'px', 1.5],
    ['1,234.5', 'px', 1234.5],
    ['1.234,5', 'px', 1234.5],
    ['25 deg', '°', 25],
    ['\u221225\u00b0', '°', -25],
    ['- 0.5 rad', '°', -28.64789],
    ['50 %', '%', 50],
    ['50 percent', '%', 50],
    ['2 MB', 'KB', 2048],
    ['500kb', 'KB', 500],
    ['7', undefined, 7],
    ['.5', 'mm', 0.5],
  ] as const)('%s in %s is %d', (text, unit, wanted) => expect(value(text, unit)).toBeCloseTo(wanted, 5));

  it.each(['', 'in', 'wide', '1..2', '1/0 in', '--3', '1 2 3', 'x1', '1.25 in 3', 'Infinity', '1e5 mm'])(
    '%s is no measure, and never a guess',
    (text) => expect(readMeasure(text, 'mm').kind).not.toBe('read'),
  );

  it.each([
    ['3 px', 'mm', 'px'],
    ['3 kg', 'mm', 'kg'],
    ['3 mm', '°', 'mm'],
    ['3 in', undefined, 'in'],
  ] as const)('%s where %s is asked for says what it cannot be', (text, unit, word) =>
    expect(readMeasure(text, unit)).toEqual({ kind: 'no-unit', word }),
  );

  it('has a point and no thousands where the field has decimals', () => {
    expect(readMeasure('1.125', undefined, undefined, false)).toMatchObject({ value: 1.125 });
    expect(readMeasure('420.925', 'px', 'px', false)).toMatchObject({ value: 420.925 });
    expect(readMeasure('1,600', 'px', 'px', true)).toMatchObject({ value: 1600 });
  });

  it('is in the unit that is shown where it has none', () => {
    expect(readMeasure('1.25', 'mm', 'in')).toEqual({ kind: 'read', value: 31.75, typed: null });
  });

  it('comes back from any unit that it was written in', () => {
    const unit = fc.constantFrom(...UNITS);
    fc.assert(
      fc.property(unit, unit, fc.double({ min: -900, max: 900, noNaN: true }), (to, from, n) => {
        const there = across(n, from, to);
        fc.pre(there !== null);
        const read = readMeasure(`${n.toFixed(4)} ${from}`, to);
        expect(read.kind === 'read' && read.value).toBeCloseTo(across(Number(n.toFixed(4)), from, to)!, 6);
        expect(unitsFor(to)).toContain(from);
      }),
    );
  });

  it('never throws, and is a number or a reason', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(undefined, ...UNITS), (text, unit) => {
        const read = readMeasure(text, unit);
        if (read.kind === 'read') expect(Number.isFinite(read.value)).toBe(true);
      }),
    );
  });
});

describe('a size as people type it', () => {
  it.each([
    ['1600 x 2560', 1600, 2560],
    ['1200 by 300 px', 1200, 300],
    ['1200x300px', 1200, 300],
    ['6 x 9 in', 1800, 2700],
    ['6in x 9in', 1800, 2700],
    ['5.5" \u00d7 8.5"', 1650, 2550],
    ['210 x 297 mm', 2480, 3508],
    ['1,200 x 300', 1200, 300],
  ])('%s', (text, widthPx, heightPx) => expect(readSize(text)).toEqual({ widthPx, heightPx }));

  it.each(['wide', '1200', '1200 x', 'x 300', '0 x 300', '1 x 2 x 3', '3 kg x 4 kg'])('%s is none', (text) =>
    expect(readSize(text)).toBeNull(),
  );
});
