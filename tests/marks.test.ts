import { traceRaster } from '@yosomi/core/vector';
import { describe, expect, it } from 'vitest';
import { MARKS, nodesOf, paintedMark, tracingError } from './fixtures/marks';

describe('ten made-up marks, traced from 400 pixels and looked at in 1600', () => {
  it.each(MARKS)('$name', (mark) => {
    for (const smoothness of [0, 0.5, 1]) {
      const traced = traceRaster(paintedMark(mark, 400), { colours: null, smoothness, dropGround: true });
      if (!traced.ok) throw new Error(traced.fault.code);
      const { drawing, colours } = traced.value;
      expect(colours).toBe(mark.colours);
      // Half a pixel along thin lines is much of them; a wave of 22 px has two edges.
      expect(tracingError(mark, drawing.paths)).toBeLessThan(smoothness === 1 ? 0.04 : 0.026);
      expect(nodesOf(drawing.paths)).toBeLessThan(smoothness === 0 ? 140 : 70);
    }
  });

  it('are told from another mark: the error sees what is wrong', () => {
    const traced = traceRaster(paintedMark(MARKS[2], 400), { colours: null, smoothness: 0.5, dropGround: true });
    expect(traced.ok && tracingError(MARKS[7], traced.value.drawing.paths)).toBeGreaterThan(0.5);
  });
});
