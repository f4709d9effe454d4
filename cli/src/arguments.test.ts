import { describe, expect, it } from 'vitest';
import { parseArguments } from './arguments';
import { exitCodeOf, sentence } from './sentences';

const known = { flags: ['store', 'out'], switches: ['json'] };

describe('a command line', () => {
  it('is words, flags with values and switches, in any order', () => {
    const parsed = parseArguments(['a.jpg', '--json', '--store', 'longreach', 'b'], known);
    if (!parsed.ok) throw new Error(parsed.fault.code);
    expect(parsed.value.words).toEqual(['a.jpg', 'b']);
    expect([...parsed.value.flags]).toEqual([['store', 'longreach']]);
    expect(parsed.value.switches.has('json')).toBe(true);
    expect(parseArguments([], known)).toMatchObject({ ok: true, value: { words: [] } });
  });

  it('takes a value behind an equals sign, an empty one, a negative one, and names that begin with a dash behind --', () => {
    const parsed = parseArguments(['--store=long=reach', '--out', '', '--store', '-3', '--', '--out', '-a.jpg'], known);
    if (!parsed.ok) throw new Error(parsed.fault.code);
    expect([...parsed.value.flags]).toEqual([
      ['store', '-3'],
      ['out', ''],
    ]);
    expect(parsed.value.all.get('store')).toEqual(['long=reach', '-3']);
    expect(parsed.value.words).toEqual(['--out', '-a.jpg']);
  });

  it.each([
    [['--colour', 'red'], 'flag-unknown'],
    [['--store'], 'flag-empty'],
    [['--store', '--out'], 'flag-empty'],
    [['-s', 'longreach'], 'flag-unknown'],
    [['--json', '--no-json'], 'flag-unknown'],
  ])('%j is refused as %s', (argv, code) =>
    expect(parseArguments(argv, known)).toMatchObject({ ok: false, fault: { code } }),
  );

  it('ends with 2 where the input is at fault and with 1 where it is refused', () => {
    for (const code of [
      'file-unreadable',
      'project-newer',
      'image-damaged',
      'flag-missing',
      'svg-script',
      'store-unknown',
    ]) {
      expect(exitCodeOf({ code, data: {} })).toBe(2);
    }
    for (const code of ['title-missing', 'store-refused', 'budget-too-small'])
      expect(exitCodeOf({ code, data: {} })).toBe(1);
    expect(sentence({ code: 'never-heard', data: {} })).toBe('Failed: never-heard.');
  });
});
