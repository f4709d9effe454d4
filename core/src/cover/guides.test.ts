import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { change } from '../base';
import type { Edit } from '../base';
import { adaptDoc } from './adapt';
import { type Doc, docOf, paintedDoc } from './document';
import { addGuide, bandsOf, dropGuide, dropOff, guideLines, moveGuide, noGuides, setGuides } from './guides';
import { snap } from './snap';

const page: Doc = docOf(1600, 2560, []);
const done = (doc: Doc, edit: Edit<Doc>): Doc => {
  const changed = change(doc, edit);
  if (!changed.ok) throw new Error(changed.fault.code);
  return changed.value.next;
};
const fault = (doc: Doc, edit: Edit<Doc>): string | null => {
  const changed = change(doc, edit);
  return changed.ok ? null : changed.fault.code;
};

describe('guides', () => {
  it('of one’s own are put, moved, taken away, and off the page are gone', () => {
    const two = done(done(page, addGuide('x', 400)), addGuide('y', 640));
    expect(guideLines(two)).toEqual([
      { axis: 'x', at: 400 },
      { axis: 'y', at: 640 },
    ]);
    expect(guideLines(done(two, moveGuide(1, 1280)))[1]).toEqual({ axis: 'y', at: 1280 });
    // While a hand holds it, it keeps its place among the others; let go off the page it is gone.
    const pushed = done(two, moveGuide(0, -20));
    expect(guideLines(done(pushed, moveGuide(0, -40)))).toHaveLength(2);
    expect(guideLines(done(pushed, dropOff))).toEqual([{ axis: 'y', at: 640 }]);
    expect(done(two, dropOff)).toEqual(two);
    expect(done(done(two, dropGuide(0)), dropGuide(0)).guides).toBeNull();
    expect(fault(two, dropGuide(5))).toBe('part-gone');
    let many = page;
    for (let i = 0; i < 60; i++) many = done(many, addGuide('x', i * 20));
    expect(fault(many, addGuide('x', 5))).toBe('guides-full');
  });

  it('columns and rows are alike, apart by their gutter, within the margin', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.double({ min: 0, max: 0.03, noNaN: true }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        fc.constantFrom('x' as const, 'y' as const),
        (count, gutter, margin, axis) => {
          const doc = { ...page, guides: { ...noGuides, margin, columns: { count, gutter }, rows: { count, gutter } } };
          const bands = bandsOf(doc, axis);
          const whole = axis === 'x' ? 1600 : 2560;
          expect(bands).toHaveLength(count);
          expect(bands[0].from).toBeCloseTo(margin * 1600, 6);
          expect(bands[count - 1].to).toBeCloseTo(whole - margin * 1600, 6);
          bands.forEach(({ from, to }, i) => {
            expect(to - from).toBeCloseTo(bands[0].to - bands[0].from, 6);
            if (i > 0) expect(from - bands[i - 1].to).toBeCloseTo(gutter * 1600, 6);
          });
        },
      ),
    );
    const full = { ...page, guides: { ...noGuides, columns: { count: 24, gutter: 0.1 } } };
    expect(bandsOf(full, 'x')).toEqual([]);
    expect(fault(page, setGuides({ columns: { count: 0, gutter: 0 } }))).toBe('guide-value');
  });

  it('pull what is moved, and the golden section divides the page so that the parts are as the whole', () => {
    const doc = done(done(page, addGuide('x', 431)), setGuides({ golden: true }));
    const moved = snap({ x: 434, y: 900, width: 300, height: 120 }, [], doc, 0.04, 6, guideLines(doc));
    expect(moved.dx).toBeCloseTo(-3, 6);
    expect(moved.guides[0]).toMatchObject({ axis: 'x', kind: 'guide' });
    expect(moved.guides[0].at).toBeCloseTo(431, 6);
    expect(snap({ x: 434, y: 900, width: 300, height: 120 }, [], doc, 0.04, 6).dx).toBe(0);
    const [small, large] = guideLines(doc)
      .filter(({ axis }) => axis === 'y')
      .map(({ at }) => at);
    expect(large / 2560).toBeCloseTo((2560 - large) / large, 6);
    expect(small).toBeCloseTo(2560 - large, 6);
  });

  it('are never painted, and are the same shares of another size', () => {
    const doc = done(page, addGuide('x', 400));
    expect(paintedDoc(doc)).toEqual(paintedDoc(page));
    expect(guideLines(adaptDoc(doc, { widthPx: 2400, heightPx: 2400 }))).toEqual([{ axis: 'x', at: 600 }]);
  });
});
