import { describe, expect, it } from 'vitest';
import { readPathData } from '../forms';
import { pathBounds } from '../plane';
import { type Raster, raster } from '../pixels';
import { readSvg, traceRaster } from './index';

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

  it('finds its colours, leaves the ground out and keeps its shape', () => {
    const traced = traceRaster(mark(), options);
    if (!traced.ok) throw new Error(traced.fault.code);
    const colours = new Set(traced.value.paths.map((p) => p.colour));
    expect(colours.size).toBe(2);
    const red = [...colours].find((c) => c!.startsWith('#b') || c!.startsWith('#c'));
    expect(red).toBeDefined();
    const bar = traced.value.paths.find((p) => p.colour === red)!;
    const path = readPathData(bar.d);
    if (!path.ok) throw new Error(path.fault.code);
    const box = pathBounds(path.value);
    expect(box.width / box.height).toBeGreaterThan(4.6);
    expect(box.width / box.height).toBeLessThan(6.6);
  });

  it('keeps the ground when it is told to', () => {
    const kept = traceRaster(mark(), { ...options, dropGround: false });
    const dropped = traceRaster(mark(), options);
    expect(kept.ok && dropped.ok && kept.value.paths.length > dropped.value.paths.length).toBe(true);
  });

  it('uses fewer points where it may be smoother', () => {
    const length = (smoothness: number): number => {
      const traced = traceRaster(mark(), { ...options, smoothness });
      return traced.ok ? traced.value.paths.reduce((sum, p) => sum + p.d.length, 0) : 0;
    };
    expect(length(1)).toBeLessThanOrEqual(length(0));
  });

  it('says that a plain ground has no mark on it, and that a photograph is none', () => {
    const flat = raster(60, 60);
    flat.data.fill(255);
    const empty = traceRaster(flat, options);
    expect(!empty.ok && empty.fault.code).toBe('trace-empty');
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
