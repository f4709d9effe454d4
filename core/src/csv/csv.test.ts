import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCsv, tableText, textOfTable } from './index';

const cell = fc.oneof(
  fc.string({ maxLength: 12 }),
  fc.constantFrom(
    '=1+1',
    "'=x",
    "''-x",
    '-3',
    '+49',
    '@home',
    'a,b;c\td',
    'say "no"',
    'two\nlines',
    '007',
    "'tis",
    'ß 漢 🜁',
  ),
);
const rows = fc
  .array(fc.array(cell, { minLength: 3, maxLength: 3 }), { minLength: 1, maxLength: 8 })
  .filter((all) => all.every((row) => row.some((text) => text.trim() !== '')));
const lines = (text: string): string => text.trim().replace(/\r\n?/g, '\n');

describe('a table', () => {
  it('comes back as it was written, but for space at the ends of cells', () => {
    fc.assert(
      fc.property(rows, (all) => {
        const read = readCsv(tableText(['a', 'b', 'c'], all), 100);
        if (!read.ok) throw new Error(read.fault.code);
        expect(read.value.head).toEqual(['a', 'b', 'c']);
        expect(read.value.rows.map((row) => row.map(lines))).toEqual(
          all.map((row) => row.map((text) => (/^="[^"]*"$/.test(text) ? text : lines(text)))),
        );
      }),
    );
  });

  it('never lets a cell begin like a formula', () => {
    fc.assert(
      fc.property(cell, (text) => {
        const [, written] = tableText(['a'], [[text]]).split(/\r\n(.*)/s);
        expect(written).not.toMatch(/^"?[=+\-@]/);
      }),
    );
  });

  it.each([',', ';', '\t'])('is read with %j between', (sign) => {
    expect(
      readCsv([`Title${sign}Author`, `One, two${sign}Ida`].join('\n').replace('One, two', '"One, two"'), 9),
    ).toEqual({
      ok: true,
      value: { head: ['Title', 'Author'], rows: [['One, two', 'Ida']] },
    });
  });

  it('keeps the zeros that ="007" is written for', () =>
    expect(readCsv('a\n"=""007"""\n', 9)).toMatchObject({ ok: true, value: { rows: [['007']] } }));

  it('is refused where it is no table of this size', () => {
    expect(readCsv('', 9)).toMatchObject({ fault: { code: 'table-empty' } });
    expect(readCsv('a,b\n', 9)).toMatchObject({ fault: { code: 'table-empty' } });
    expect(readCsv(`a\n${'x\n'.repeat(100_000)}`, 5000)).toMatchObject({
      fault: { code: 'table-large', data: { most: 5000 } },
    });
    expect(readCsv(`a\n${'x\n'.repeat(9)}`, 9).ok).toBe(true);
    expect(readCsv(`a\n${'x\n'.repeat(10)}`, 9).ok).toBe(false);
    expect(readCsv('a,b\n"x,1\ny,2\n', 9)).toMatchObject({ fault: { code: 'table-damaged', data: { line: 2 } } });
  });
});

describe('the text of a table file', () => {
  const bytes = (...list: number[]): Uint8Array => Uint8Array.from(list);
  const utf16 = (text: string, little: boolean): number[] =>
    [...text].flatMap((sign) => {
      const code = sign.charCodeAt(0);
      return little ? [code & 255, code >> 8] : [code >> 8, code & 255];
    });

  it('is read in the encodings in which spreadsheets save', () => {
    const said = { ok: true, value: 'é,ü' };
    expect(textOfTable(new TextEncoder().encode('é,ü'))).toEqual(said);
    expect(textOfTable(new TextEncoder().encode('\ufeffé,ü'))).toEqual(said);
    expect(textOfTable(bytes(0xff, 0xfe, ...utf16('é,ü', true)))).toEqual(said);
    expect(textOfTable(bytes(0xfe, 0xff, ...utf16('é,ü', false)))).toEqual(said);
    expect(textOfTable(bytes(0xe9, 0x2c, 0xfc))).toEqual(said);
    expect(textOfTable(bytes(0x93, 0x61, 0x94))).toEqual({ ok: true, value: '“a”' });
  });

  it('is not that of a workbook, or of a picture', () => {
    expect(textOfTable(bytes(0x50, 0x4b, 3, 4, 0, 0))).toMatchObject({ fault: { code: 'table-workbook' } });
    expect(textOfTable(bytes(0xd0, 0xcf, 0x11, 0xe0, 0xa1))).toMatchObject({ fault: { code: 'table-workbook' } });
    expect(textOfTable(bytes(0xff, 0xd8, 0xff, 0xe0, 0, 0x10))).toMatchObject({ fault: { code: 'table-encoding' } });
  });
});
