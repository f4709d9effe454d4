import { describe, expect, it } from 'vitest';
import { ANSWERS, Rights, answered, isUntold, ownPainting, untold } from './rights';

const OF = { name: 'Lantern at dusk', author: 'Dana Voss' };

describe('the rights of a picture', () => {
  it('are told by each usual answer, within bounds, and told twice say the same', () => {
    for (const answer of ANSWERS) {
      const told = answered(untold, answer, OF);
      expect(isUntold(told)).toBe(false);
      expect(Rights.parse(told)).toEqual(told);
      expect(answered(told, answer, OF)).toEqual(told);
      const long = answered({ ...untold, maker: 'm'.repeat(120) }, answer, {
        name: 'n'.repeat(900),
        author: 'a'.repeat(900),
      });
      expect(Rights.safeParse(long).success).toBe(true);
    }
  });

  it('ask for credit only where the answer says so, and name who made it', () => {
    expect(answered(untold, 'credited', OF).credit).toBe('Lantern at dusk, CC BY 4.0');
    expect(answered({ ...untold, maker: 'Ida Quill' }, 'credited', OF).credit).toBe(
      'Lantern at dusk by Ida Quill, CC BY 4.0',
    );
    const credited = answered(untold, 'credited', OF);
    // A line that was written by hand stays.
    expect(answered({ ...credited, credit: 'Dusk: Ida' }, 'credited', OF).credit).toBe('Dusk: Ida');
    for (const answer of ['mine', 'bought', 'public'] as const) expect(answered(credited, answer, OF).credit).toBe('');
    expect(answered(untold, 'mine', OF).maker).toBe('Dana Voss');
    expect(answered({ ...untold, maker: 'Ida Quill' }, 'mine', OF).maker).toBe('Ida Quill');
  });

  it('are untold until one of them says something', () => {
    expect(isUntold(untold)).toBe(true);
    expect(isUntold({ ...untold, source: '  ' })).toBe(true);
    for (const told of [{ source: 'x' }, { maker: 'x' }, { licence: 'x' }, { credit: 'x' }, { use: 'none' as const }])
      expect(isUntold({ ...untold, ...told })).toBe(false);
    expect(ownPainting('The desk')).toMatchObject({ use: 'goods', credit: '' });
  });
});
