import type { Vec3 } from '../../space';
import { Draft } from './draft';
import type { Look, Model } from './model';

const art = (side: 'front' | 'spine' | 'back' | 'plain', ratio: number, surface: Look['surface'] = 'cover'): Look => ({
  kind: 'art',
  side,
  ratio,
  surface,
});

/** A folding carton, such as boxed software or a course comes in. */
export function carton(widthMm: number, heightMm: number, depthMm: number): Model {
  const [w, h, d] = [widthMm, heightMm, depthMm];
  const draft = new Draft();
  draft.box([-w / 2, 0, -d / 2], [w / 2, h, d / 2], {
    front: 'front',
    back: 'back',
    left: 'spine',
    right: 'right',
    top: 'top',
    bottom: 'bottom',
  });
  draft.looks.set('front', art('front', w / h));
  draft.looks.set('back', art('back', w / h));
  draft.looks.set('spine', art('spine', d / h));
  draft.looks.set('right', art('spine', d / h));
  draft.looks.set('top', art('plain', 1));
  draft.looks.set('bottom', art('plain', 1));
  return draft.model(true);
}

/** A case for a disc: a plastic shell with the art behind clear foil on its front, spine and back. */
export function discCase(widthMm: number, heightMm: number): Model {
  const [w, h, d] = [widthMm, heightMm, 14.5];
  const draft = new Draft();
  const body = draft.box([-w / 2, 0, -d / 2], [w / 2, h, d / 2], {
    front: 'body',
    back: 'body',
    left: 'body',
    right: 'body',
    top: 'body',
    bottom: 'body',
  });
  const m = 2.2;
  draft.flat('front', body, [-w / 2, h - m, d / 2 + 0.05], [w - m, 0, 0], [0, -h + 2 * m, 0]);
  draft.flat('back', body, [w / 2 - m, h - m, -d / 2 - 0.05], [-w + m, 0, 0], [0, -h + 2 * m, 0]);
  draft.flat('spine', body, [-w / 2 - 0.05, h - m, -d / 2], [0, 0, d], [0, -h + 2 * m, 0]);
  draft.looks.set('front', art('front', (w - m) / (h - 2 * m), 'glass'));
  draft.looks.set('back', art('back', (w - m) / (h - 2 * m), 'glass'));
  draft.looks.set('spine', art('spine', d / (h - 2 * m), 'glass'));
  draft.looks.set('body', { kind: 'flat', colour: '#26282a', surface: 'plastic' });
  return draft.model();
}

const SECTORS = 48;

/** A disc that stands on its edge, printed to its clear hub. */
export function disc(): Model {
  const [r, hub, hole, d] = [60, 11, 7.5, 1.3];
  const draft = new Draft();
  const at = (radius: number, i: number, z: number): Vec3 => {
    const a = Math.PI / 2 + (i / SECTORS) * 2 * Math.PI;
    return [radius * Math.cos(a), r + radius * Math.sin(a), z];
  };
  const rim = Array.from({ length: SECTORS }, (_, i) => at(r, i, -d / 2));
  const body = draft.solid({
    corners: [
      ...rim.filter((_, i) => i % 2 === 0),
      ...rim.filter((_, i) => i % 2 === 0).map(([x, y, z]): Vec3 => [x, y, z + d]),
    ],
    faces: ringFaces(SECTORS / 2),
  });
  const annulus = (face: 'label' | 'metal' | 'back', from: number, to: number, z: number): void => {
    const first = draft.panels.length;
    for (let i = 0; i < SECTORS; i++) {
      const outline = [at(to, i, z), at(to, i + 1, z), at(from, i + 1, z), at(from, i, z)];
      const way = z > 0 ? 1 : -1;
      draft.panels.push({
        face,
        solid: body,
        origin: [-r * way, 2 * r, z],
        across: [2 * r * way, 0, 0],
        down: [0, -2 * r, 0],
        outline,
        u0: 0,
        u1: 1,
        normals: [
          [0, 0, way],
          [0, 0, way],
        ],
        seams: [
          { edge: 1, beside: first + ((i + 1) % SECTORS) },
          { edge: 3, beside: first + ((i + SECTORS - 1) % SECTORS) },
        ],
      });
    }
  };
  annulus('label', hub, r - 0.8, d / 2);
  annulus('metal', hole, hub, d / 2);
  annulus('metal', r - 0.8, r, d / 2);
  annulus('back', hole, r, -d / 2);
  draft.bent('sides', body, [...rim, rim[0]].reverse(), [0, 0, d], true);
  draft.corners.set('label', [
    [-r, 2 * r, d / 2],
    [r, 2 * r, d / 2],
    [r, 0, d / 2],
    [-r, 0, d / 2],
  ]);
  draft.looks.set('label', art('front', 1));
  draft.looks.set('metal', { kind: 'flat', colour: '#b9bdc2', surface: 'metal' });
  draft.looks.set('back', { kind: 'flat', colour: '#a9aeb6', surface: 'metal' });
  draft.looks.set('sides', { kind: 'flat', colour: '#c4c7ca', surface: 'metal' });
  return draft.model();
}

const ringFaces = (n: number): number[][] => [
  Array.from({ length: n }, (_, i) => i),
  Array.from({ length: n }, (_, i) => n + i),
  ...Array.from({ length: n }, (_, i) => [i, (i + 1) % n, ((i + 1) % n) + n, i + n]),
];

/** Thickness of a slipcase's board. */
export const CASE_BOARD_MM = 2.4;

/** A slipcase open towards its left: five boards round a hollow of these sizes, the first cover on its side. */
export function slipcase(widthMm: number, heightMm: number, throughMm: number): Model {
  const b = CASE_BOARD_MM;
  const [w, h, d] = [widthMm, heightMm + 2 * b, throughMm + 2 * b];
  const draft = new Draft();
  const [x0, x1] = [-w / 2, w / 2];
  const out = { left: 'rim', top: 'sides', bottom: 'sides' } as const;
  draft.box([x0, 0, d / 2 - b], [x1, h, d / 2], { ...out, front: 'front', back: 'inside' });
  draft.box([x0, 0, -d / 2], [x1, h, -d / 2 + b], { ...out, back: 'back', front: 'inside' });
  draft.box([x0, 0, -d / 2 + b], [x1, b, d / 2 - b], { left: 'rim', top: 'inside', bottom: 'sides' });
  draft.box([x0, h - b, -d / 2 + b], [x1, h, d / 2 - b], { left: 'rim', top: 'sides', bottom: 'inside' });
  draft.box([x1 - b, b, -d / 2 + b], [x1, h - b, d / 2 - b], { left: 'inside' });
  draft.flat('right', 4, [x1, h, d / 2], [0, 0, -d], [0, -h, 0]);
  draft.looks.set('front', art('front', w / h));
  draft.looks.set('back', art('back', w / h));
  draft.looks.set('right', art('plain', d / h));
  draft.looks.set('sides', art('plain', 1));
  draft.looks.set('rim', { kind: 'flat', colour: '#cfccc4', surface: 'paper' });
  draft.looks.set('inside', { kind: 'flat', colour: '#4a4844', surface: 'paper' });
  return draft.model();
}

/** A ring binder: flat boards round a block of loose leaves, and the finger ring on its spine. */
export function binder(widthMm: number, heightMm: number, throughMm: number): Model {
  const [w, h, d] = [widthMm, heightMm, throughMm];
  const b = 2.4;
  const draft = new Draft();
  const rims = { right: 'rim', top: 'rim', bottom: 'rim' } as const;
  draft.box([-w / 2, 0, d / 2 - b], [w / 2, h, d / 2], { ...rims, front: 'front', back: 'inside' });
  draft.box([-w / 2, 0, -d / 2], [w / 2, h, -d / 2 + b], { ...rims, back: 'back', front: 'inside' });
  const spine = draft.box([-w / 2, 0, -d / 2 + b], [-w / 2 + b, h, d / 2 - b], {
    top: 'rim',
    bottom: 'rim',
    right: 'inside',
  });
  draft.flat('spine', spine, [-w / 2, h, -d / 2], [0, 0, d], [0, -h, 0]);
  const through = Math.min(d - 2 * b - 4, 26);
  draft.box([-w / 2 + 14, 6, -through / 2], [w / 2 - 9, h - 9, through / 2], {
    right: 'edge',
    top: 'top',
    bottom: 'bottom',
    front: 'inside',
    back: 'inside',
  });
  const [cy, r] = [46, Math.min(11, d * 0.26)];
  const ring = (radius: number, out: number): Vec3[] =>
    Array.from({ length: 24 }, (_, i): Vec3 => [
      -w / 2 - out,
      cy + radius * Math.sin((i * Math.PI) / 12),
      radius * Math.cos((i * Math.PI) / 12),
    ]);
  const place = (radius: number, out: number): [Vec3, Vec3, Vec3] => [
    [-w / 2 - out, cy + radius, -radius],
    [0, 0, 2 * radius],
    [0, -2 * radius, 0],
  ];
  draft.flat('metal', spine, ...place(r, 0.2), ring(r, 0.2));
  draft.flat('hole', spine, ...place(r * 0.78, 0.3), ring(r * 0.78, 0.3));
  const leaves = Math.round(through / 0.12);
  draft.looks.set('front', art('front', w / h));
  draft.looks.set('back', art('back', w / h));
  draft.looks.set('spine', art('spine', d / h));
  draft.looks.set('rim', art('plain', 1));
  draft.looks.set('inside', { kind: 'flat', colour: '#d5d3cd', surface: 'paper' });
  draft.looks.set('edge', { kind: 'pages', leaves, throughMm: through, turned: true, surface: 'paper' });
  draft.looks.set('top', { kind: 'pages', leaves, throughMm: through, turned: false, surface: 'paper' });
  draft.looks.set('bottom', { kind: 'pages', leaves, throughMm: through, turned: false, surface: 'paper' });
  draft.looks.set('metal', { kind: 'flat', colour: '#c9cccf', surface: 'metal' });
  draft.looks.set('hole', { kind: 'flat', colour: '#1d1d1e', surface: 'paper' });
  return draft.model();
}
