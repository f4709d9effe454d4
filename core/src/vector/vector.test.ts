import { describe, expect, it } from 'vitest';
import { readPathData } from '../forms';
import { drawnBounds, flatten, pathBounds } from '../plane';
import { type Raster, raster } from '../pixels';
import { type TraceOptions, readSvg, traceRaster } from './index';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const svg = (inside: string, more = ''): Uint8Array =>
  bytes(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100" ${more}>${inside}</svg>`);
const code = (input: Uint8Array): string => {
  const read = readSvg(input);
  return read.ok ? 'ok' : read.fault.code;
};
const drawing = (input: Uint8Array) => {
  const read = readSvg(input);
  if (!read.ok) throw new Error(read.fault.code);
  return read.value;
};

describe('shapes of an SVG', () => {
  it('are read with their colours, in a box 1000 high', () => {
    const found = drawing(
      svg('<rect x="10" y="20" width="40" height="80" fill="#c03020"/><circle cx="30" cy="60" r="10" fill="white"/>'),
    );
    expect(found.paths.map((p) => p.colour)).toEqual(['#c03020', '#ffffff']);
    expect(found.ratio).toBeCloseTo(0.5, 6);
    const first = readPathData(found.paths[0].d);
    expect(first.ok && pathBounds(first.value)).toMatchObject({ x: 0, y: 0, width: 500, height: 1000 });
  });

  it('carry transforms, inherited fills and strokes', () => {
    const found = drawing(
      svg(
        '<g fill="#102030" transform="translate(5 5) scale(2)"><g transform="rotate(90)"><rect width="10" height="20"/></g><line x1="0" y1="0" x2="20" y2="0" stroke="rgb(10,200,30)" stroke-width="2" fill="none"/></g>',
      ),
    );
    expect(found.paths.map((p) => p.colour)).toEqual(['#102030', '#0ac81e']);
  });

  it('currentColor and gradients take the colour of the part', () => {
    expect(drawing(svg('<rect width="9" height="9" fill="currentColor"/>')).paths[0].colour).toBeNull();
    expect(drawing(svg('<rect width="9" height="9" fill="url(#g)"/>')).paths[0].colour).toBeNull();
  });

  it('take over nothing that could act or reach out', () => {
    expect(code(svg('<script>alert(1)</script><rect width="9" height="9"/>'))).toBe('svg-script');
    expect(code(svg('<rect width="9" height="9" onload="x()"/>'))).toBe('svg-script');
    expect(code(svg('<a href="javascript:x()"><rect width="9" height="9"/></a>'))).toBe('svg-script');
    const found = drawing(
      svg(
        '<image href="https://elsewhere.example/x.png" width="50" height="50"/><use href="https://elsewhere.example/#a"/><foreignObject><b>x</b></foreignObject><style>@import url(https://elsewhere.example)</style><rect width="9" height="9"/>',
      ),
    );
    expect(found.paths).toHaveLength(1);
    expect(JSON.stringify(found)).not.toContain('elsewhere');
  });

  it('are bounded: size, entities, shapes and depth', () => {
    expect(code(bytes('<!DOCTYPE svg [<!ENTITY a "x">]><svg xmlns="http://www.w3.org/2000/svg"/>'))).toBe(
      'svg-damaged',
    );
    expect(code(new Uint8Array(3 * 1024 * 1024))).toBe('svg-large');
    expect(code(svg('<rect width="1" height="1"/>'.repeat(400)))).toBe('svg-large');
    expect(code(svg('<g>'.repeat(6000) + '</g>'.repeat(6000)))).toBe('svg-large');
    expect(code(Uint8Array.of(0xff, 0xfe, 0x00))).toBe('svg-damaged');
  });

  it('say why a file cannot be used', () => {
    expect(code(svg('<text>Moss</text>'))).toBe('svg-empty');
    expect(code(svg('<rect width="9"'))).toBe('svg-damaged');
    expect(code(bytes('<html><body/></html>'))).toBe('svg-damaged');
  });
});

/** A dark disc on a pale ground, with a red bar through it. */
function mark(): Raster {
  const r = raster(120, 120);
  for (let y = 0; y < 120; y++)
    for (let x = 0; x < 120; x++) {
      const disc = Math.hypot(x - 60, y - 60) < 44;
      const bar = Math.abs(y - 60) < 10 && Math.abs(x - 60) < 56;
      r.data.set(bar ? [190, 40, 30, 255] : disc ? [20, 30, 40, 255] : [245, 243, 238, 255], (y * 120 + x) * 4);
    }
  return r;
}

describe('tracing a mark', () => {
  const options = { colours: 3, smoothness: 0.4, dropGround: true };
  const paths = (source: Raster, more: Partial<TraceOptions> = {}) => {
    const traced = traceRaster(source, { ...options, ...more });
    if (!traced.ok) throw new Error(traced.fault.code);
    return traced.value.drawing.paths;
  };
  const boxOf = (d: string) => {
    const path = readPathData(d);
    if (!path.ok) throw new Error(path.fault.code);
    return drawnBounds(path.value);
  };
  const nodes = (d: string): number => (d.match(/[LQC]/g) ?? []).length;

  it('finds its colours, leaves the ground out and keeps its shape', () => {
    const found = paths(mark());
    const colours = new Set(found.map((p) => p.colour));
    expect(colours).toEqual(new Set(['#141e28', '#be281e']));
    const bar = boxOf(found.find((p) => p.colour === '#be281e')!.d);
    // 112 by 19 px: from 65 to 176 across, rows 51 to 69.
    expect(bar.width / bar.height).toBeGreaterThan(5.6);
    expect(bar.width / bar.height).toBeLessThan(6.1);
    // In front of the disc, which is not cut where the bar covers it.
    expect(found.at(-1)!.colour).toBe('#be281e');
  });

  it('proposes as many colours as the mark has', () => {
    const traced = traceRaster(mark(), { ...options, colours: null });
    expect(traced.ok && traced.value.colours).toBe(3);
    const soft = traceRaster(
      shaped((x, y) => Math.hypot(x - 60, y - 60) - 44, [31, 138, 133]),
      { ...options, colours: null },
    );
    expect(soft.ok && soft.value.colours).toBe(1);
  });

  it('keeps the ground when it is told to', () => {
    expect(paths(mark(), { dropGround: false }).length).toBeGreaterThan(paths(mark()).length);
  });

  it('leaves clear what is clear: a disc on nothing is a disc', () => {
    const disc = shaped((x, y) => Math.hypot(x - 60, y - 60) - 44, [31, 138, 133]);
    for (const dropGround of [true, false]) {
      const [one, ...rest] = paths(disc, { colours: null, dropGround });
      expect(rest).toEqual([]);
      expect(one.colour).toBe('#1f8a85');
      const path = readPathData(one.d);
      const rim = path.ok ? flatten(path.value) : [];
      // A box 1000 high: the rim is 500 from its middle all round.
      for (const p of rim) expect(Math.abs(Math.hypot(p.x - 500, p.y - 500) - 500)).toBeLessThan(6);
      expect(nodes(one.d)).toBeLessThanOrEqual(10);
    }
    // A ring has a hole.
    const ring = shaped((x, y) => Math.abs(Math.hypot(x - 60, y - 60) - 36) - 10, [31, 138, 133]);
    const [hollow] = paths(ring, { colours: null });
    expect((hollow.d.match(/M/g) ?? []).length).toBe(2);
  });

  it('makes a curve of a small circle and corners of a square, however smooth', () => {
    for (const smoothness of [0, 0.5, 1]) {
      const [eye] = paths(
        shaped((x, y) => Math.hypot(x - 60, y - 60) - 12.5, [20, 30, 40]),
        { smoothness, colours: 1 },
      );
      const path = readPathData(eye.d);
      for (const p of path.ok ? flatten(path.value) : [])
        expect(Math.abs(Math.hypot(p.x - 500, p.y - 500) - 500)).toBeLessThan(32);
      const [square] = paths(
        shaped((x, y) => Math.max(Math.abs(x - 60), Math.abs(y - 60)) - 40, [20, 30, 40]),
        {
          smoothness,
          colours: 1,
        },
      );
      expect(square.d).not.toMatch(/[CQ]/);
      expect(nodes(square.d)).toBe(4);
    }
  });

  it('shows no seam: a colour runs on under the one in front of it', () => {
    const halves = shaped(
      (x, y) => Math.hypot(x - 60, y - 60) - 44,
      (x) => (x < 60 ? [45, 63, 102] : [141, 47, 61]),
    );
    const boxes = paths(halves, { colours: 2 }).map(({ d }) => boxOf(d));
    const [back, front] = boxes;
    const over = back.x < front.x ? back.x + back.width - front.x : front.x + front.width - back.x;
    // A pixel is 11 of a thousand.
    expect(over).toBeGreaterThan(4);
    expect(over).toBeLessThan(30);
  });

  it('says that a plain ground has no mark on it, and that a photograph is none', () => {
    const flat = raster(60, 60);
    flat.data.fill(255);
    const empty = traceRaster(flat, options);
    expect(!empty.ok && empty.fault.code).toBe('trace-empty');
    const clear = traceRaster(raster(60, 60), options);
    expect(!clear.ok && clear.fault.code).toBe('trace-empty');
    const noise = raster(400, 400);
    let state = 1;
    for (let i = 0; i < noise.data.length; i++) {
      state = (state * 1103515245 + 12345) % 2147483648;
      noise.data[i] = i % 4 === 3 ? 255 : state % 97 < 48 ? 20 : 230;
    }
    const many = traceRaster(noise, { colours: 8, smoothness: 0, dropGround: false });
    expect(!many.ok && many.fault.code).toBe('trace-many');
  });
});

type Rgb = readonly [number, number, number];

/** A shape by its distance (px, negative inside) on nothing, its edge as an honest painter leaves it. */
function shaped(distance: (x: number, y: number) => number, colour: Rgb | ((x: number, y: number) => Rgb)): Raster {
  const r = raster(120, 120);
  for (let y = 0; y < 120; y++)
    for (let x = 0; x < 120; x++) {
      let inside = 0;
      for (let s = 0; s < 64; s++) if (distance(x + ((s & 7) + 0.5) / 8, y + ((s >> 3) + 0.5) / 8) < 0) inside++;
      if (inside === 0) continue;
      const own = typeof colour === 'function' ? colour(x + 0.5, y + 0.5) : colour;
      r.data.set([...own, Math.round((inside / 64) * 255)], (y * 120 + x) * 4);
    }
  return r;
}
