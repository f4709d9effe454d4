import { DOMParser, type Element } from '@xmldom/xmldom';
import { type Result, fail, ok } from '../base';
import { type Hex, hexOf } from '../colour';
import { readPathData, taperedLine } from '../forms';
import {
  type Affine,
  type Path,
  PathBuilder,
  compose,
  ellipsePath,
  flatten,
  polyline,
  rectPath,
  rotateAbout,
  scale,
  transformPath,
  translate,
} from '../plane';
import { type Drawing, drawingOf } from './drawing';

const MOST_BYTES = 2 * 1024 * 1024;
const MOST_SHAPES = 300;
const MOST_ELEMENTS = 5000;
const MOST_DATA = 40_000;
/** Groups within groups. */
const MOST_DEPTH = 60;

/**
 * Reads the shapes of an SVG file: paths, rectangles, circles, ellipses, lines and polygons in groups, with their
 * fills, strokes and transforms. Nothing else is taken over, so no script, style sheet, image or reference survives.
 * Faults: `svg-large`, `svg-damaged`, `svg-script`, `svg-empty`.
 */
export function readSvg(bytes: Uint8Array): Result<Drawing> {
  if (bytes.length > MOST_BYTES) return fail('svg-large', { most: MOST_BYTES / 1048576 });
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return fail('svg-damaged');
  }
  if (/<!DOCTYPE|<!ENTITY/i.test(text)) return fail('svg-damaged');
  if (/<script|\son\w+\s*=|javascript:/i.test(text)) return fail('svg-script');
  let root: Element | null;
  try {
    const damaged = (): never => {
      throw new Error('svg');
    };
    root = new DOMParser({ onError: damaged }).parseFromString(text, 'image/svg+xml').documentElement;
  } catch {
    return fail('svg-damaged');
  }
  if (root?.localName !== 'svg') return fail('svg-damaged');
  const found: { path: Path; colour: Hex | null }[] = [];
  const budget = { elements: MOST_ELEMENTS };
  if (!walk(root, [1, 0, 0, 1, 0, 0], { fill: '#000000', stroke: 'none', width: 1 }, found, budget))
    return fail('svg-large', { most: MOST_SHAPES });
  const drawing = drawingOf(found);
  if (!drawing) return fail('svg-empty');
  return drawing.paths.some((one) => one.d.length > MOST_DATA) ? fail('svg-large', { most: MOST_SHAPES }) : ok(drawing);
}

/** null takes the drawing's own colour ("currentColor", gradients). */
type Ink = Hex | 'none' | null;
type Style = { readonly fill: Ink; readonly stroke: Ink; readonly width: number };

function walk(
  element: Element,
  outer: Affine,
  inherited: Style,
  found: { path: Path; colour: Hex | null }[],
  budget: { elements: number },
  depth = 0,
): boolean {
  if (--budget.elements < 0 || depth > MOST_DEPTH || found.length > MOST_SHAPES) return false;
  const m = compose(outer, transformOf(element.getAttribute('transform') ?? ''));
  const style = styleOf(element, inherited);
  const path = shapeOf(element);
  if (path) {
    if (style.fill !== 'none') found.push({ path: transformPath(path, m), colour: style.fill });
    if (style.stroke !== 'none' && style.width > 0) {
      const line = taperedLine(polyline(flatten(path)), style.width, 0, 0);
      found.push({ path: transformPath(line, m), colour: style.stroke });
    }
  }
  if (!/^(svg|g|a)$/.test(element.localName ?? '')) return true;
  for (const child of Array.from(element.childNodes)) {
    if (child.nodeType === 1 && !walk(child as Element, m, style, found, budget, depth + 1)) return false;
  }
  return true;
}

function shapeOf(element: Element): Path | null {
  const n = (name: string): number => {
    const value = parseFloat(element.getAttribute(name) ?? '0');
    return Number.isFinite(value) ? value : 0;
  };
  switch (element.localName) {
    case 'path': {
      const read = readPathData((element.getAttribute('d') ?? '').slice(0, 200_000));
      return read.ok ? read.value : null;
    }
    case 'rect':
      return n('width') > 0 && n('height') > 0
        ? rectPath({ x: n('x'), y: n('y'), width: n('width'), height: n('height') }, n('rx') || n('ry'))
        : null;
    case 'circle':
      return n('r') > 0 ? ellipsePath(n('cx'), n('cy'), n('r')) : null;
    case 'ellipse':
      return n('rx') > 0 && n('ry') > 0 ? ellipsePath(n('cx'), n('cy'), n('rx'), n('ry')) : null;
    case 'line':
      return new PathBuilder().move(n('x1'), n('y1')).line(n('x2'), n('y2')).done();
    case 'polygon':
    case 'polyline': {
      const v = (element.getAttribute('points') ?? '').match(/[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi)?.map(Number);
      if (!v || v.length < 4) return null;
      const b = new PathBuilder().move(v[0], v[1]);
      for (let i = 2; i + 1 < v.length; i += 2) b.line(v[i], v[i + 1]);
      return (element.localName === 'polygon' ? b.close() : b).done();
    }
    default:
      return null;
  }
}

function styleOf(element: Element, inherited: Style): Style {
  const inline = new Map(
    (element.getAttribute('style') ?? '').split(';').map((pair) => {
      const [name, ...rest] = pair.split(':');
      return [name.trim(), rest.join(':').trim()] as const;
    }),
  );
  const value = (name: string): string => inline.get(name) ?? element.getAttribute(name) ?? '';
  const width = parseFloat(value('stroke-width'));
  return {
    fill: inkOf(value('fill'), inherited.fill),
    stroke: inkOf(value('stroke'), inherited.stroke),
    width: Number.isFinite(width) ? width : inherited.width,
  };
}

const NAMED: Readonly<Record<string, Hex>> = {
  black: '#000000',
  white: '#ffffff',
  red: '#ff0000',
  green: '#008000',
  blue: '#0000ff',
  grey: '#808080',
  gray: '#808080',
  yellow: '#ffff00',
  orange: '#ffa500',
  brown: '#a52a2a',
  gold: '#ffd700',
  navy: '#000080',
  silver: '#c0c0c0',
};

function inkOf(text: string, inherited: Ink): Ink {
  const value = text.trim().toLowerCase();
  if (value === '' || value === 'inherit') return inherited;
  if (value === 'none' || value === 'transparent') return 'none';
  if (/^#[0-9a-f]{6}$/.test(value)) return value;
  if (/^#[0-9a-f]{3}$/.test(value)) return `#${[...value.slice(1)].map((c) => c + c).join('')}`;
  const rgb = /^rgb\(\s*(\d+)[\s,]+(\d+)[\s,]+(\d+)\s*\)$/.exec(value);
  if (rgb) return hexOf([Number(rgb[1]), Number(rgb[2]), Number(rgb[3])]);
  return NAMED[value] ?? null;
}

function transformOf(text: string): Affine {
  let m: Affine = [1, 0, 0, 1, 0, 0];
  for (const [, kind, list] of text.matchAll(/(\w+)\s*\(([^)]*)\)/g)) {
    const v = list
      .split(/[\s,]+/)
      .filter(Boolean)
      .map(Number);
    if (v.length === 0 || v.some((n) => !Number.isFinite(n))) continue;
    const rad = (v[0] * Math.PI) / 180;
    const step: Affine | null =
      kind === 'matrix' && v.length === 6
        ? [v[0], v[1], v[2], v[3], v[4], v[5]]
        : kind === 'translate'
          ? translate(v[0], v[1] ?? 0)
          : kind === 'scale'
            ? scale(v[0], v[1] ?? v[0])
            : kind === 'rotate'
              ? rotateAbout(rad, v[1] ?? 0, v[2] ?? 0)
              : kind === 'skewX'
                ? [1, 0, Math.tan(rad), 1, 0, 0]
                : kind === 'skewY'
                  ? [1, Math.tan(rad), 0, 1, 0, 0]
                  : null;
    if (step) m = compose(m, step);
  }
  return m;
}
