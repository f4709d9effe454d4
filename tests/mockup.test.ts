import { describe, expect, it } from 'vitest';
import { hashBytes, seeded } from '@yosomi/core/base';
import {
  ARRANGEMENTS,
  ALL_LAYERS,
  FINAL,
  KINDS,
  type Kind,
  type Model,
  PREVIEW,
  Scene,
  type Stage,
  type ThingSubject,
  adopted,
  areaLight,
  arranged,
  bands,
  boxOf,
  boxSolid,
  defaultScene,
  looksOf,
  makeModel,
  objectOf,
  occluder,
  occlusionAt,
  outwards,
  plainThing,
  prismSolid,
  readScene,
  render,
  renderBand,
  scratchFor,
  setting,
  sizeOf,
  spineThickness,
  stage,
  tableRaster,
  thingThickness,
  thingUnder,
  VIEWS,
  tonesOf,
} from '@yosomi/core/mockup';
import { sceneTextures } from '@yosomi/core/recipe';
import { type Textures, texturesOf } from '@yosomi/core/warp';
import { LINEAR_OF, type Raster, cropped, inkBox, raster, ssim, toEncoded } from '@yosomi/core/pixels';
import { homography, project } from '@yosomi/core/plane';
import { type Vec3, cross, dot, projectPoint, sub } from '@yosomi/core/space';
import { picturePixels } from './fixtures/pictures';

const front = picturePixels(400, 640);
const flatColour = (w: number, h: number, rgb: readonly [number, number, number]): Raster => {
  const r = raster(w, h);
  for (let i = 0; i < w * h; i++) r.data.set([...rgb, 255], i * 4);
  return r;
};
const SIDES = {
  front,
  spine: flatColour(60, 640, [90, 30, 30]),
  back: flatColour(400, 640, [30, 90, 30]),
  flap: flatColour(200, 640, [30, 30, 90]),
  plain: flatColour(8, 8, [120, 110, 90]),
  leftPage: flatColour(300, 400, [240, 240, 235]),
  rightPage: flatColour(300, 400, [240, 240, 235]),
};
const subject: ThingSubject = { widthPx: 400, heightPx: 640, pageCount: 300, bookMm: 18.9 };
const subjectsFor = (scene: Scene): ThingSubject[] => scene.things.map(() => subject);
const looksFor = (scene: Scene) => setting(scene, subjectsFor(scene), 12).map((model) => model.looks);
const texturesFor = (scene: Scene): Textures => {
  const { art, drawn } = looksOf(scene, looksFor(scene));
  return sceneTextures({
    drawn,
    foil: new Map(),
    art: new Map([...art].map(([key, want]) => [key, SIDES[want.side]])),
  });
};
const allOf = (scene: Scene, art: Raster): Textures =>
  texturesOf([...texturesFor(scene).byName.keys()].map((name) => [name, { art, foil: null }]));
const stageFor = (scene: Scene, w = 300, h = 300, quality = FINAL): Stage =>
  stage(scene, subjectsFor(scene), w, h, quality);
const make = (scene: Scene, w = 300, h = 300, layers = ALL_LAYERS): Raster =>
  render(stageFor(scene, w, h), texturesFor(scene), FINAL, undefined, undefined, layers)!;
const at = (r: Raster, x: number, y: number): number[] => [
  ...r.data.slice((y * r.width + x) * 4, (y * r.width + x) * 4 + 4),
];
const posed = (pose: Partial<Scene['pose']>, light: Partial<Scene['light']> = {}): Scene => ({
  ...defaultScene,
  pose: { ...defaultScene.pose, ...pose },
  light: { ...defaultScene.light, ...light },
});
const withObject = (object: Kind): Scene => ({ ...defaultScene, things: [plainThing(object)] });
const modelOf = (kind: Kind['kind']): Model => makeModel(objectOf(kind, { kind: 'phone' }), subject, subject.bookMm);

describe('a series', () => {
  const artsOf = (scene: Scene) => scene.things.map(({ art }) => (art.kind === 'title' ? art.id : art.kind));

  it.each([
    [0, ['this', 'b', 'c']],
    [1, ['b', 'this', 'c']],
    [2, ['b', 'c', 'this']],
  ] as const)('stands in reading order, opened from the volume after %i others', (place, order) => {
    expect(artsOf(arranged(defaultScene, 'row', ['b', 'c'], place))).toEqual(order);
    // In a case it is read along the spines, the last volume beside the front.
    expect(artsOf(arranged(defaultScene, 'boxed', ['b', 'c'], place))).toEqual(['this', ...[...order].reverse()]);
    // What hides others has this title before them.
    expect(artsOf(arranged(defaultScene, 'fan', ['b', 'c'], place))).toEqual(['this', 'b', 'c']);
  });

  it('gives way to this title where one thing stands alone', () => {
    const row = arranged(defaultScene, 'row', ['b', 'c'], 2);
    expect(artsOf(arranged(row, 'standing', ['b', 'c'], 2))).toEqual(['this']);
  });

  it('shows this title as often as it needs to where there are no others', () =>
    expect(artsOf(arranged(defaultScene, 'row', [], 0))).toEqual(['this', 'this', 'this']));
});

describe('another object', () => {
  it('keeps the thickness of a book that was typed, where it is a book of the same pages, and has its own else', () => {
    const book: Kind = { kind: 'paperback', thicknessMm: 31.8 };
    for (const kind of ['hardcover', 'jacketed', 'open-book'] as const)
      expect(objectOf(kind, book)).toMatchObject({ kind, thicknessMm: 31.8 });
    for (const kind of ['booklet', 'magazine', 'binder', 'carton', 'slipcase'] as const)
      expect(objectOf(kind, book)).toMatchObject({ kind, thicknessMm: null });
    expect(objectOf('magazine', { kind: 'magazine', thicknessMm: 4 })).toMatchObject({ thicknessMm: 4 });
  });
});

describe('a paperback', () => {
  it('has the ratio of its cover and the thickness of its pages', () => {
    expect(sizeOf({ kind: 'paperback', thicknessMm: null }, subject, 24.2)).toEqual({
      widthMm: 203 / 1.6,
      heightMm: 203,
      thicknessMm: 24.2,
    });
    expect(sizeOf({ kind: 'paperback', thicknessMm: 9 }, subject, 24.2).thicknessMm).toBe(9);
    expect(spineThickness(100, 1015)).toBeCloseTo(20, 9);
    expect(spineThickness(1, 5000)).toBe(2);
  });

  it('has a spine that joins front and back without a gap, and covers the whole width of its art once', () => {
    const model = modelOf('paperback');
    const strips = model.panels.filter((p) => p.face === 'spine');
    const frontPanel = model.panels.find((p) => p.face === 'front')!;
    const backPanel = model.panels.find((p) => p.face === 'back')!;
    expect(strips[0].u0).toBe(0);
    expect(strips[strips.length - 1].u1).toBeCloseTo(1, 12);
    strips.slice(1).forEach((strip, i) => {
      expect(strip.u0).toBe(strips[i].u1);
      strip.origin.forEach((v, c) => expect(v).toBeCloseTo(strips[i].origin[c] + strips[i].across[c], 9));
    });
    const last = strips[strips.length - 1];
    last.origin.forEach((v, c) => expect(v + last.across[c]).toBeCloseTo(frontPanel.origin[c], 9));
    strips[0].origin.forEach((v, c) => expect(v).toBeCloseTo(backPanel.origin[c] + backPanel.across[c], 9));
  });
});

/** The face that is seen at a point, and whether the point is well inside one of the faces named. */
function faceAt({ facets }: Stage, name: string, x: number, y: number): { well: boolean; seen: string | null } {
  let well = false;
  let best: { face: string; near: number } | null = null;
  for (const { facet } of facets) {
    const from = (lines: Float64Array): number => {
      let least = Infinity;
      for (let e = 0; e < lines.length; e += 3) least = Math.min(least, lines[e] * x + lines[e + 1] * y + lines[e + 2]);
      return least;
    };
    const [edge, seam] = [from(facet.edges), from(facet.seams)];
    if (edge < 0 || seam < 0) continue;
    if (facet.face === name && edge > 0.5) well = true;
    const near = facet.g[0] * x + facet.g[1] * y + facet.g[2];
    if (!best || near > best.near) best = { face: facet.face, near };
  }
  return { well, seen: best?.face ?? null };
}

describe.each(['hardcover', 'jacketed'] as const)('the spine of a %s', (kind) => {
  it.each([5, 12, 31.8, 60])('hides all that lies behind it, %d mm thick', (thicknessMm) => {
    const object = kind === 'jacketed' ? { kind, thicknessMm, openRad: 0 } : { kind, thicknessMm };
    let seen = 0;
    for (let i = 0; i < 40; i++) {
      const pose = { turnRad: 0.25 + 1.2 * ((i % 8) / 7), tiltRad: 0.9 * (Math.floor(i / 8) / 4) };
      const scene = { ...posed(pose), things: [plainThing(object)] };
      const made = stageFor(scene, 150, 150, PREVIEW);
      for (let y = 0.5; y < 150; y++)
        for (let x = 0.5; x < 150; x++) {
          const at = faceAt(made, 'spine', x, y);
          if (!at.well) continue;
          seen++;
          if (at.seen !== 'spine') throw new Error(`${at.seen} before the spine at ${x}, ${y} of view ${i}`);
        }
    }
    expect(seen).toBeGreaterThan(2000);
  });
});

describe('a paperback whose cover stands off', () => {
  const lifted = makeModel({ kind: 'paperback', thicknessMm: null, liftMm: 12 }, subject, 18.9);

  it('has its front edge as far off the pages as it says, and still all of its front once', () => {
    const [, edge] = lifted.corners.get('front')!;
    const { widthMm, heightMm } = sizeOf({ kind: 'paperback', thicknessMm: null }, subject, 18.9);
    expect(edge[2] - 18.9 / 2).toBeCloseTo(12, 6);
    expect(edge[1]).toBe(heightMm);
    const fronts = lifted.panels.filter((p) => p.face === 'front').sort((a, b) => a.u0 - b.u0);
    expect(fronts.map((p) => p.u0)).toEqual([0, fronts[0].u1]);
    expect(fronts[1].u1).toBe(1);
    const wide = fronts.reduce((sum, p) => sum + Math.hypot(...p.across), 0);
    expect(wide).toBeCloseTo(widthMm, 6);
    expect(lifted.convex).toBe(false);
  });

  it('lets light in between cover and pages', () => {
    const open = withObject({ kind: 'paperback', thicknessMm: null, liftMm: 20 });
    const seen: Scene = { ...open, pose: { ...open.pose, turnRad: -0.7 } };
    const faces = new Set(stageFor(seen).facets.map(({ facet }) => facet.face));
    expect(faces.has('inside')).toBe(true);
  });
});

describe('the views', () => {
  it('are of the sides that they say, and the isometric one shortens all three axes alike', () => {
    const faces = (view: keyof typeof VIEWS): string[] =>
      Object.keys(stageFor({ ...defaultScene, pose: { ...defaultScene.pose, ...VIEWS[view] } }).faces[0]);
    expect(faces('left')).toEqual(expect.arrayContaining(['front', 'spine']));
    expect(faces('right')).toEqual(expect.arrayContaining(['front', 'edge']));
    expect(faces('straight')).not.toContain('edge');
    const { camera } = stageFor({ ...defaultScene, pose: { ...defaultScene.pose, ...VIEWS.isometric } });
    const c = Math.SQRT1_2;
    const axes: Vec3[] = [
      [0, 1, 0],
      [c, 0, -c],
      [c, 0, c],
    ];
    const [o, ...ends] = [[0, 100, 0] as Vec3, ...axes.map((a): Vec3 => [a[0], a[1] + 100, a[2]])].map((p) =>
      projectPoint(camera, p),
    );
    const lengths = ends.map((p) => Math.hypot(p[0] - o[0], p[1] - o[1]));
    for (const l of lengths) expect(l / lengths[0]).toBeCloseTo(1, 1);
  });
});

describe('a table', () => {
  const table = { kind: 'table', material: 'plain', colour: '#b08050', wall: '#d0d4d8' } as const;
  const shown = (scene: Scene, ground: Parameters<typeof tableRaster>[0] = table): Raster =>
    tableRaster(ground, stageFor(scene));
  const scene = posed({ tiltRad: 0.25, lensMm: 50 });

  it('is opaque everywhere: the table at the foot, the wall at the head, and no step between', () => {
    const r = shown(scene);
    expect(r.data.every((v, i) => i % 4 !== 3 || v === 255)).toBe(true);
    const [head, foot] = [at(r, 150, 3), at(r, 150, 296)];
    expect(head[2]).toBeGreaterThan(head[0]);
    expect(foot[0]).toBeGreaterThan(foot[2] + 40);
    for (let y = 1; y < 300; y++)
      for (const x of [20, 150, 280]) expect(Math.abs(at(r, x, y)[0] - at(r, x, y - 1)[0])).toBeLessThanOrEqual(9);
  });

  it('goes on from tile to tile, and is seen from where the things are', () => {
    const above = shown(posed({ tiltRad: 1.3, lensMm: 30, margin: 0.35 }), { ...table, material: 'stone' });
    let most = 0;
    for (let i = 4; i < above.data.length; i += 4)
      if ((i / 4) % 300 > 0) most = Math.max(most, Math.abs(above.data[i] - above.data[i - 4]));
    expect(most).toBeLessThan(30);
    const wood = { ...table, material: 'wood' } as const;
    const [a, b] = [shown(scene, wood), shown(posed({ tiltRad: 0.6, lensMm: 50 }), wood)];
    expect(ssim(a, b)).toBeLessThan(0.9);
    expect(hashBytes(new Uint8Array(shown(scene, wood).data))).toBe(hashBytes(new Uint8Array(a.data)));
  });

  it('is softer off the focus', () => {
    const wood = { ...table, material: 'wood' } as const;
    const energy = (r: Raster): number => {
      let sum = 0;
      for (let i = 250 * 1200; i < 298 * 1200; i += 4) sum += Math.abs(r.data[i] - r.data[i + 4]);
      return sum;
    };
    expect(energy(shown({ ...scene, focus: { blur: 1, at: 1 } }, wood))).toBeLessThan(0.7 * energy(shown(scene, wood)));
  });
});

describe.each(KINDS)('the %s', (kind) => {
  const model = modelOf(kind);
  const box = boxOf([model]);

  it('stands on the ground about the origin, its sizes those of its numbers', () => {
    expect(box.least[1]).toBeCloseTo(0, 6);
    expect(Math.abs(box.least[0] + box.most[0])).toBeLessThan(13);
    const { heightMm, widthMm } = sizeOf(objectOf(kind, { kind: 'phone' }), subject, subject.bookMm);
    if (heightMm === 0 || kind === 'open-book' || kind === 'slipcase') return;
    expect(box.most[1] - box.least[1]).toBeCloseTo(heightMm, 6);
    expect(widthMm / heightMm).toBeCloseTo(1 / 1.6, 9);
  });

  it('is made of flat convex panels in their planes, with outsides that look away from their body', () => {
    for (const panel of model.panels) {
      const normal = outwards(panel);
      for (const n of panel.normals) {
        expect(Math.hypot(...n)).toBeCloseTo(1, 6);
        expect(dot(n, normal)).toBeGreaterThan(0.5);
      }
      for (const p of panel.outline) expect(Math.abs(dot(normal, sub(p, panel.origin)))).toBeLessThan(1e-6);
      // Convex: every corner turns the same way.
      const turns = panel.outline.map((p, i) => {
        const [q, r] = [1, 2].map((k) => panel.outline[(i + k) % panel.outline.length]);
        return dot(normal, cross(sub(q, p), sub(r, q)));
      });
      expect(turns.every((t) => t > -1e-6) || turns.every((t) => t < 1e-6)).toBe(true);
      const { corners } = model.solids[panel.solid];
      const centre = [0, 1, 2].map(
        (c) => corners.reduce((sum, p) => sum + p[c], 0) / corners.length,
      ) as unknown as Vec3;
      if (panel.face === 'inside') continue;
      expect(dot(normal, sub(panel.outline[0], centre))).toBeGreaterThan(-1e-6);
    }
  });

  it('has closed convex bodies, and names a look for every face', () => {
    for (const solid of model.solids) {
      const { planes, vertices } = occluder(solid);
      for (let i = 0; i < planes.length; i += 4)
        for (let v = 0; v < vertices.length; v += 3)
          expect(
            planes[i] * vertices[v] + planes[i + 1] * vertices[v + 1] + planes[i + 2] * vertices[v + 2],
          ).toBeLessThan(planes[i + 3] + 1e-6);
    }
    for (const panel of model.panels) expect(model.looks.has(panel.face)).toBe(true);
  });

  it('is drawn without a hole, and only where it is: nothing outside the silhouette of its bodies', () => {
    const scene = withObject(objectOf(kind, { kind: 'phone' }));
    const st = stageFor(scene, 160, 160);
    const r = make(scene, 160, 160, { things: true, reflection: false, shadow: false });
    let opaque = 0;
    for (let y = 0; y < 160; y++) {
      for (let x = 0; x < 160; x++) {
        const alpha = at(r, x, y)[3];
        if (alpha === 255) opaque++;
        const near = [
          [0, 0],
          [1, 0],
          [0, 1],
          [1, 1],
          [0.5, 0.5],
        ].some(([dx, dy]) => thingUnder(st, x + dx, y + dy) === 0);
        const sliver = (): boolean =>
          Array.from({ length: 256 }, (_, i) =>
            thingUnder(st, x + ((i & 15) + 0.5) / 16, y + ((i >> 4) + 0.5) / 16),
          ).includes(0);
        if (alpha > 0 && !near && !sliver()) throw new Error(`${kind} draws outside its silhouette at ${x}, ${y}`);
        const inside = [
          [0.01, 0.01],
          [0.99, 0.01],
          [0.01, 0.99],
          [0.99, 0.99],
          [0.5, 0.5],
        ].every(([dx, dy]) => thingUnder(st, x + dx, y + dy) === 0);
        if (inside) expect(alpha).toBeGreaterThan(247);
      }
    }
    expect(opaque).toBeGreaterThan(900);
  });
});

/** How deep a corner of one thing lies in another, mm: paper gives way a little. */
function deepest(models: readonly Model[]): number {
  const bodies = models.flatMap((model, i) => model.solids.map((solid) => ({ i, occ: occluder(solid) })));
  let most = -Infinity;
  for (const a of bodies) {
    for (const b of bodies) {
      if (a.i === b.i) continue;
      const { planes } = a.occ;
      const { vertices } = b.occ;
      for (let v = 0; v < vertices.length; v += 3) {
        let depth = Infinity;
        for (let k = 0; k < planes.length; k += 4) {
          const along = planes[k] * vertices[v] + planes[k + 1] * vertices[v + 1] + planes[k + 2] * vertices[v + 2];
          depth = Math.min(depth, planes[k + 3] - along);
        }
        most = Math.max(most, depth);
      }
    }
  }
  return most;
}

describe('a slipcase', () => {
  const holder = plainThing({ kind: 'slipcase', thicknessMm: null });
  const book = (kind: 'paperback' | 'hardcover' | 'magazine', thicknessMm: number) => plainThing({ kind, thicknessMm });
  it.each([
    ['hardcovers', [book('hardcover', 31.8), book('hardcover', 20), book('hardcover', 5)], []],
    ['a paperback and a hardcover', [book('paperback', 12), book('hardcover', 40)], []],
    ['magazines', [book('magazine', 4), book('magazine', 5)], []],
    ['a book that is wider than the first', [book('paperback', 20), book('paperback', 20)], [{ widthPx: 900 }]],
  ] as const)(
    'holds %s, whatever their size: none goes through its boards, and the case is no larger than it need be',
    (_, books, others) => {
      const scene: Scene = { ...defaultScene, arrangement: 'boxed', things: [holder, ...books] };
      const subjects = scene.things.map((_, i) => ({ ...subject, ...others[i - 2] }));
      const [hollow, ...inside] = setting({ ...scene, pose: { ...scene.pose, turnRad: 0 } }, subjects, 12);
      expect(deepest([hollow, ...inside])).toBeLessThan(0.6);
      const [outer, held] = [boxOf([hollow]), boxOf(inside)];
      for (const c of [0, 1, 2] as const) {
        if (c > 0) expect(held.least[c]).toBeGreaterThan(outer.least[c]);
        expect(held.most[c]).toBeLessThan(outer.most[c]);
        expect(outer.most[c] - held.most[c]).toBeLessThan(25);
      }
    },
  );
});

describe.each(ARRANGEMENTS)('the arrangement %s', (arrangement) => {
  const scene = arranged(defaultScene, arrangement, ['second-title', 'third-title']);
  const models = setting(scene, subjectsFor(scene), 12);

  it('stands on the ground, about the upright through the middle, whatever is in it', () => {
    for (const object of KINDS) {
      const other: Scene = {
        ...scene,
        things: scene.things.map((thing, i) =>
          i === 0 && arrangement !== 'boxed' ? { ...thing, object: objectOf(object, thing.object) } : thing,
        ),
      };
      const { least, most } = boxOf(setting(other, subjectsFor(other), 12));
      expect(least[1]).toBeGreaterThan(-1e-6);
      if (arrangement !== 'floating') expect(least[1]).toBeLessThan(1e-3);
      expect([...least, ...most].every(Number.isFinite)).toBe(true);
    }
  });

  it('keeps bodies out of each other', () => expect(deepest(models)).toBeLessThan(0.6));

  it('fades out before its frame, and reports where each thing\u2019s faces are', () => {
    let most = 0;
    for (const reflection of [0, 1]) {
      const r = make({ ...scene, reflection }, 220, 180);
      for (let x = 0; x < r.width; x++) most = Math.max(most, at(r, x, 0)[3], at(r, x, r.height - 1)[3]);
      for (let y = 0; y < r.height; y++) most = Math.max(most, at(r, 0, y)[3], at(r, r.width - 1, y)[3]);
    }
    expect(most).toBeLessThanOrEqual(2);
    const { faces } = stageFor(scene, 220, 180);
    expect(faces).toHaveLength(scene.things.length);
    expect(faces.some((one) => Object.keys(one).length > 0)).toBe(true);
  });

  it('is plain data that comes back from a file', () => {
    expect(readScene(JSON.parse(JSON.stringify(scene)))).toEqual({ ok: true, value: scene });
  });
});

describe('shadow and ambient occlusion', () => {
  const book = occluder(modelOf('paperback').solids[0]);
  const slab = occluder(boxSolid([60, 0, -90], [120, 70, -20]));
  const tilted = occluder(
    prismSolid(
      [
        [-150, 0, 40],
        [-90, 0, 60],
        [-80, 90, 20],
        [-140, 90, 0],
      ],
      [6, 8, -20],
    ),
  );
  const light = areaLight([0, 100, 0], -0.5, 0.8, 700, 250);
  const out = new Float64Array(2);

  /** Whether a ray from a point meets a body. */
  const meets = (occ: typeof book, p: readonly number[], d: readonly number[]): boolean => {
    let near = 0;
    let far = Infinity;
    for (let i = 0; i < occ.planes.length; i += 4) {
      const along = occ.planes[i] * d[0] + occ.planes[i + 1] * d[1] + occ.planes[i + 2] * d[2];
      const gap = occ.planes[i + 3] - (occ.planes[i] * p[0] + occ.planes[i + 1] * p[1] + occ.planes[i + 2] * p[2]);
      if (Math.abs(along) < 1e-12) {
        if (gap < 0) return false;
      } else if (along > 0) far = Math.min(far, gap / along);
      else near = Math.max(near, gap / along);
    }
    return near < far;
  };

  it.each([
    ['one body, on the ground', [book], [0, 1, 0]],
    ['three bodies whose shadows overlap, on the ground', [book, slab, tilted], [0, 1, 0]],
    ['three bodies, on a wall', [book, slab, tilted], [0, 0, 1]],
    ['three bodies, on a slope', [book, slab, tilted], [0.48, 0.6, 0.64]],
  ] as const)('%s: agree with 4096 samples within 0.01 and 0.02', (_, bodies, normal) => {
    const random = seeded(3);
    const scratch = scratchFor(bodies);
    const [nx, ny, nz] = normal;
    const side: Vec3 = Math.abs(ny) > 0.9 ? [1, 0, 0] : [0, 1, 0];
    const u = cross(normal, side);
    const l = Math.hypot(...u);
    const [t1, t2] = [u.map((c) => c / l), cross(normal, u.map((c) => c / l) as unknown as Vec3)];
    const n = 64;
    let shadowError = 0;
    let formError = 0;
    for (let k = 0; k < 40; k++) {
      const p = [-200 + random() * 500, ny === 1 ? 0 : random() * 80, -300 + random() * 400];
      if (bodies.some((occ) => Math.hypot(p[0] - occ.centre[0], p[2] - occ.centre[2]) < 20)) continue;
      if (bodies.some((occ) => meets(occ, p, [0, 1e-9, 0]))) continue;
      occlusionAt(bodies, -1, light, p[0], p[1], p[2], nx, ny, nz, scratch, out);
      const [a, b, , d] = light.corners;
      let hidden = 0;
      let seen = 0;
      let covered = 0;
      for (let i = 0; i < n; i++) {
        for (let j = 0; j < n; j++) {
          const s = (i + 0.5) / n;
          const t = (j + 0.5) / n;
          const q = [0, 1, 2].map((c) => a[c] + (b[c] - a[c]) * s + (d[c] - a[c]) * t - p[c]);
          if (q[0] * nx + q[1] * ny + q[2] * nz > 0) {
            seen++;
            if (bodies.some((occ) => meets(occ, p, q))) hidden++;
          }
          const r = Math.sqrt(s);
          const angle = t * 2 * Math.PI;
          const way = [0, 1, 2].map(
            (c) => normal[c] * Math.sqrt(1 - s) + r * (Math.cos(angle) * t1[c] + Math.sin(angle) * t2[c]),
          );
          if (bodies.some((occ) => meets(occ, p, way))) covered++;
        }
      }
      if (seen > 0) shadowError = Math.max(shadowError, Math.abs(hidden / seen - out[0]));
      formError = Math.max(formError, Math.abs(covered / (n * n) - out[1]));
    }
    expect(shadowError).toBeLessThan(0.012);
    expect(formError).toBeLessThan(0.02);
  });

  it('are whole under the object and nothing far before the light', () => {
    const scratch = scratchFor([book]);
    occlusionAt([book], -1, light, 0, 0.001, 0, 0, 1, 0, scratch, out);
    expect([...out]).toEqual([1, 1]);
    occlusionAt([book], -1, light, -900, 0, 2000, 0, 1, 0, scratch, out);
    expect(out[0]).toBe(0);
    expect(out[1]).toBeLessThan(0.01);
  });

  it('a larger light never makes a point fully dark darker', () => {
    const scratch = scratchFor([book]);
    let last = Infinity;
    for (const side of [10, 80, 200, 500, 900]) {
      const one = areaLight([0, 100, 0], -0.5, 0.8, 700, side);
      occlusionAt([book], -1, one, 75, 0, -30, 0, 1, 0, scratch, out);
      expect(out[0]).toBeLessThanOrEqual(last + 1e-9);
      last = out[0];
    }
  });

  it('a body hides no more for standing there twice', () => {
    const [once, twice] = [new Float64Array(2), new Float64Array(2)];
    for (let i = 0; i < 40; i++) {
      const [x, z] = [Math.cos(i * 2.4) * (90 + 5 * i), Math.sin(i * 2.4) * (90 + 5 * i)];
      occlusionAt([tilted], -1, light, x, 0, z, 0, 1, 0, scratchFor([tilted]), once);
      occlusionAt([tilted, tilted], -1, light, x, 0, z, 0, 1, 0, scratchFor([tilted, tilted]), twice);
      expect(twice[0]).toBeCloseTo(once[0], 9);
      expect(Math.abs(twice[1] - once[1])).toBeLessThan(0.0011);
    }
  });
});

describe('a rendered mockup', () => {
  const scene = defaultScene;
  const st = stageFor(scene);
  const textures = texturesFor(scene);
  const picture = make(scene);

  it('reports the faces that are seen, inside the picture, front right of the spine', () => {
    expect(Object.keys(st.faces[0]).sort()).toEqual(['front', 'spine', 'top']);
    for (const corners of Object.values(st.faces[0]))
      for (const [x, y] of corners) expect(x > 0 && x < 300 && y > 0 && y < 300).toBe(true);
    const [tl, tr, br, bl] = st.faces[0].front!;
    expect(tl[0]).toBeLessThan(tr[0]);
    expect(tl[1]).toBeLessThan(bl[1]);
    expect(tr[1]).toBeLessThan(br[1]);
    st.faces[0].spine![1].forEach((v, c) => expect(v).toBeCloseTo(tl[c], 6));
    expect(Object.keys(stageFor(posed({ turnRad: 2.6 })).faces[0])).toContain('back');
  });

  it('shows the art where the report says, brighter or darker but of the same hue', () => {
    const h = homography(
      [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
        { x: 1, y: 1 },
        { x: 0, y: 1 },
      ],
      st.faces[0].front!.map(([x, y]) => ({ x, y })),
    )!;
    const bright = make({ ...scene, things: [{ ...scene.things[0], surface: 'matte' }] });
    for (const [u, v] of [
      [0.3, 0.2],
      [0.5, 0.5],
      [0.8, 0.4],
      [0.6, 0.85],
    ]) {
      const q = project(h, { x: u, y: v });
      const seen = at(bright, Math.floor(q.x), Math.floor(q.y));
      const art = at(front, Math.floor(u * 400), Math.floor(v * 640));
      const gain = seen[1] / art[1];
      expect(gain).toBeGreaterThan(0.6);
      expect(gain).toBeLessThan(1.3);
      expect(Math.abs(seen[0] / art[0] - gain)).toBeLessThan(0.22);
    }
  });

  it.each([
    ['as it comes', {}],
    ['steep', { turnRad: 1.05, tiltRad: 0.3, lensMm: 50 }],
    ['from above, short lens', { turnRad: -0.4, tiltRad: 0.8, lensMm: 28 }],
  ])('has a front that equals the flat cover warped by the reported corners: %s', (_, pose) => {
    const art = picturePixels(800, 1280, 5);
    const plain: Scene = { ...posed(pose, { softness: 1 }), things: [{ ...scene.things[0], surface: 'matte' }] };
    const px = 640;
    const made = stageFor(plain, px, px);
    const { art: wanted } = looksOf(plain, looksFor(plain));
    const covers = new Map([...wanted].map(([key, want]) => [key, want.side === 'front' ? art : SIDES[want.side]]));
    const shown = render(made, sceneTextures({ art: covers, foil: new Map(), drawn: new Map() }), FINAL)!;
    const corners = made.faces[0].front!.map(([x, y]) => ({ x, y }));
    const back = homography(corners, [
      { x: 0, y: 0 },
      { x: 1, y: 0 },
      { x: 1, y: 1 },
      { x: 0, y: 1 },
    ])!;
    const [warped, seen] = [raster(px, px), raster(px, px)];
    const linear = new Float64Array(px * px * 4);
    const gains = [0, 0, 0].map(() => [0, 0]);
    for (let y = 0; y < px; y++) {
      for (let x = 0; x < px; x++) {
        const sum = [0, 0, 0];
        let inside = true;
        for (let k = 0; k < 16 && inside; k++) {
          const q = project(back, { x: x + ((k & 3) + 0.5) / 4, y: y + ((k >> 2) + 0.5) / 4 });
          // The score beside the spine is left out: there the cover is bent.
          if (q.x < 0.1 || q.x > 0.99 || q.y < 0.01 || q.y > 0.97) inside = false;
          else {
            const [u, v] = [q.x * 800 - 0.5, q.y * 1280 - 0.5];
            const [iu, iv] = [Math.floor(u), Math.floor(v)];
            for (let c = 0; c < 3; c++) {
              const at = (dx: number, dy: number): number => LINEAR_OF[art.data[((iv + dy) * 800 + iu + dx) * 4 + c]];
              const [fu, fv] = [u - iu, v - iv];
              sum[c] += (at(0, 0) * (1 - fu) + at(1, 0) * fu) * (1 - fv) + (at(0, 1) * (1 - fu) + at(1, 1) * fu) * fv;
            }
          }
        }
        if (!inside) continue;
        const p = (y * px + x) * 4;
        for (let c = 0; c < 3; c++) {
          gains[c][0] += LINEAR_OF[shown.data[p + c]];
          gains[c][1] += sum[c] / 16;
        }
        seen.data.set([...shown.data.subarray(p, p + 3), 255], p);
        linear.set([sum[0] / 16, sum[1] / 16, sum[2] / 16], p);
        warped.data[p + 3] = 255;
      }
    }
    // One gain for each channel, over the whole front.
    for (let p = 0; p < warped.data.length; p += 4)
      for (let c = 0; c < 3; c++)
        warped.data[p + c] = 255 * toEncoded(Math.min(1, (linear[p + c] * gains[c][0]) / gains[c][1] / 65535));
    expect(ssim(seen, warped, (x, y) => warped.data[(y * px + x) * 4 + 3] > 0)).toBeGreaterThan(0.98);
  });

  it('is put together from bands without a seam, in any order', () => {
    const out = raster(300, 300);
    for (const [from, to] of bands(300).reverse())
      out.data.set(renderBand(st, textures, from, to, FINAL), from * 300 * 4);
    expect(hashBytes(new Uint8Array(out.data.buffer))).toBe(hashBytes(new Uint8Array(picture.data.buffer)));
  });

  it('is the same each time', () =>
    expect(hashBytes(new Uint8Array(make(scene).data.buffer))).toBe(hashBytes(new Uint8Array(picture.data.buffer))));

  it('stops between two bands when it is cancelled', () => {
    let asked = 0;
    const done: number[] = [];
    expect(
      render(
        st,
        textures,
        FINAL,
        () => ++asked > 2,
        (d) => done.push(d),
      ),
    ).toBeNull();
    expect(done).toHaveLength(2);
  });

  it.each([
    ['as it comes', {}, {}],
    ['a light from the right, low', {}, { azimuthRad: 1.1, heightRad: 0.3 }],
    ['hard light', { turnRad: -0.7 }, { softness: 0 }],
    ['soft light from behind', { tiltRad: 0.7 }, { azimuthRad: 2.8, softness: 1, shadow: 1 }],
    ['a short lens', { lensMm: 24 }, { shadow: 1 }],
  ])('fades out before its frame: %s', (_, pose, light) => {
    const r = make(posed(pose, light), 260, 200);
    let most = 0;
    for (let x = 0; x < r.width; x++) most = Math.max(most, at(r, x, 0)[3], at(r, x, r.height - 1)[3]);
    for (let y = 0; y < r.height; y++) most = Math.max(most, at(r, 0, y)[3], at(r, r.width - 1, y)[3]);
    expect(most).toBeLessThanOrEqual(1);
  });

  it('has no shadow when its strength is 0: outside the silhouette nothing, inside everything', () => {
    const bare = make(posed({}, { shadow: 0, contact: 0 }));
    const partial: number[] = [];
    for (let i = 3; i < bare.data.length; i += 4)
      if (bare.data[i] > 0 && bare.data[i] < 255) partial.push(bare.data[i]);
    // Only a rim of antialiased pixels is between.
    expect(partial.length).toBeGreaterThan(100);
    expect(partial.length).toBeLessThan(4 * (300 + 300));
    expect(at(bare, 2, 2)).toEqual([0, 0, 0, 0]);
    expect(at(bare, 150, 150)[3]).toBe(255);
  });

  it.each([0.51, -0.6, 2.2])('has a smooth outline on both sides when it is turned by %f', (turnRad) => {
    const bare = make(posed({ turnRad }, { shadow: 0, contact: 0 }));
    for (const side of ['left', 'right'] as const) {
      let rows = 0;
      let hard = 0;
      for (let y = 60; y < 240; y++) {
        const alphas = Array.from({ length: 300 }, (_, x) => at(bare, side === 'left' ? x : 299 - x, y)[3]);
        const first = alphas.findIndex((a) => a > 0);
        if (first < 0) continue;
        rows++;
        if (alphas[first] === 255) hard++;
      }
      expect(rows).toBeGreaterThan(150);
      // Of eight samples across, one in eight edges leaves none out; a hard outline would leave none out ever.
      expect(hard / rows, side).toBeLessThan(0.2);
    }
  });

  it('is its layers laid over one another, and none of them draws what another one does', () => {
    const mirrored: Scene = { ...scene, reflection: 0.6 };
    const whole = make(mirrored);
    const none = { things: false, reflection: false, shadow: false };
    const [things, reflection, shadow] = (['things', 'reflection', 'shadow'] as const).map((one) =>
      make(mirrored, 300, 300, { ...none, [one]: true }),
    );
    let most = 0;
    for (let i = 0; i < whole.data.length; i += 4) {
      const over = [0, 0, 0, 0];
      for (const layer of [shadow, reflection, things]) {
        const a = layer.data[i + 3] / 255;
        for (let c = 0; c < 3; c++) over[c] = layer.data[i + c] * a + over[c] * (1 - a);
        over[3] = a + over[3] * (1 - a);
      }
      const a = whole.data[i + 3] / 255;
      most = Math.max(most, Math.abs(over[3] - a) * 255);
      for (let c = 0; c < 3; c++) most = Math.max(most, Math.abs(over[c] - whole.data[i + c] * a));
    }
    expect(most).toBeLessThanOrEqual(3);
    for (let i = 0; i < shadow.data.length; i += 4)
      expect(shadow.data[i] + shadow.data[i + 1] + shadow.data[i + 2]).toBe(0);
  });

  it('has no fringe: all of one colour, it is no lighter and no darker where it is partly clear', () => {
    const bare = posed({}, { shadow: 0, contact: 0 });
    const grey = allOf(bare, flatColour(16, 16, [128, 128, 128]));
    const one = render(stageFor(bare), grey, FINAL)!;
    const values = (from: number, to: number): number[] =>
      Array.from({ length: 300 * 300 }, (_, i) => i * 4)
        .filter((i) => one.data[i + 3] >= from && one.data[i + 3] <= to)
        .map((i) => one.data[i + 1]);
    const [whole, partly] = [values(255, 255), values(12, 254)];
    expect(partly.length).toBeGreaterThan(300);
    expect(Math.min(...partly)).toBeGreaterThanOrEqual(Math.min(...whole) - 6);
    expect(Math.max(...partly)).toBeLessThanOrEqual(Math.max(...whole) + 6);
  });

  it('looks in the preview as it will in the end', () => {
    const quick = render(st, textures, PREVIEW)!;
    let sum = 0;
    for (let i = 0; i < quick.data.length; i++) sum += Math.abs(quick.data[i] - picture.data[i]);
    expect(sum / quick.data.length).toBeLessThan(2);
  });

  it('stands scenes of the extreme', () => {
    for (const mm of [1, 120])
      expect(at(make(withObject({ kind: 'paperback', thicknessMm: mm }), 120, 120), 60, 60)[3]).toBe(255);
    for (const mm of [0, 400]) {
      const raw = { ...scene, things: [{ ...scene.things[0], object: { kind: 'paperback', thicknessMm: mm } }] };
      expect(readScene(raw)).toMatchObject({ ok: false, fault: { code: 'scene-wrong' } });
    }
    const thin: ThingSubject = { widthPx: 1, heightPx: 9000, pageCount: null, bookMm: 15 };
    const { least, most } = boxOf(setting(scene, [thin]));
    expect((most[0] - least[0]) / (most[1] - least[1])).toBeGreaterThan(0.25);
  });

  it('is darker for less exposure, redder for warmth, and flat grey is left where it is by contrast', () => {
    const plain = tonesOf({ exposure: 0, contrast: 0 }, 0);
    const grey = LINEAR_OF[128] >> 3;
    expect(plain.exact[0][grey]).toBeCloseTo(128, 0);
    expect(tonesOf({ exposure: -1, contrast: 0 }, 0).exact[0][grey]).toBeCloseTo(
      255 * toEncoded(LINEAR_OF[128] / 131072),
      0,
    );
    const warm = tonesOf({ exposure: 0, contrast: 0 }, 0.8);
    expect(warm.exact[0][grey]).toBeGreaterThan(plain.exact[0][grey]);
    expect(warm.exact[2][grey]).toBeLessThan(plain.exact[2][grey]);
    for (const contrast of [-1, -0.4, 0.5, 1]) {
      const {
        exact: [curve],
        bytes,
      } = tonesOf({ exposure: 0, contrast }, 0);
      expect(bytes[grey]).toBe(Math.round(curve[grey]));
      expect(curve[grey]).toBeCloseTo(128, 0);
      for (let i = 1; i < curve.length; i++) expect(curve[i]).toBeGreaterThanOrEqual(curve[i - 1]);
      expect(curve[8191]).toBeCloseTo(255, 0);
    }
  });

  it('is sharp in the focus and soft off it, in one piece however it is cut into bands', () => {
    const far = { ...plainThing({ kind: 'paperback', thicknessMm: null }), nearerMm: -330, rightMm: 60 };
    const two: Scene = {
      ...posed({ turnRad: 0, tiltRad: 0.3, lensMm: 40 }),
      arrangement: 'row',
      things: [{ ...far, nearerMm: 160, rightMm: -60 }, far],
    };
    const energy = (scene: Scene, x0: number, x1: number): number => {
      const r = make(scene);
      let sum = 0;
      for (let y = 60; y < 240; y++)
        for (let x = x0; x < x1; x++) {
          const [p, q] = [(y * 300 + x) * 4 + 1, (y * 300 + x + 1) * 4 + 1];
          if (r.data[p + 2] === 255 && r.data[q + 2] === 255) sum += Math.abs(r.data[p] - r.data[q]);
        }
      return sum;
    };
    const at = (blur: number, place: number): Scene => ({ ...two, focus: { blur, at: place } });
    const [sharpNear, sharpFar] = [energy(at(0, 0), 0, 150), energy(at(0, 0), 150, 299)];
    const [near, far_] = [energy(at(0.9, 0.05), 0, 150), energy(at(0.9, 0.05), 150, 299)];
    expect(near / sharpNear).toBeGreaterThan(1.4 * (far_ / sharpFar));
    const onFar = [energy(at(0.9, 0.95), 0, 150), energy(at(0.9, 0.95), 150, 299)];
    expect(onFar[1] / sharpFar).toBeGreaterThan(1.3 * (onFar[0] / sharpNear));
    const st = stageFor(at(0.6, 0.1));
    expect(st.views.length).toBeGreaterThan(5);
    expect(stageFor(at(0, 0.1)).views).toHaveLength(1);
    const textures = texturesFor(two);
    const whole = render(st, textures, FINAL)!;
    const parts = [
      [0, 37],
      [37, 160],
      [160, 300],
    ].map(([a, b]) => renderBand(st, textures, a, b, FINAL));
    expect(hashBytes(new Uint8Array(parts.flatMap((part) => [...part])))).toBe(hashBytes(new Uint8Array(whole.data)));
  });

  it('has no seam in a wide blur of a large picture, whose shadow is read far from its own row', () => {
    const book = plainThing({ kind: 'paperback', thicknessMm: null });
    const things = [
      { ...book, nearerMm: 420, rightMm: -60 },
      { ...book, nearerMm: -420, rightMm: 60 },
    ];
    const wide: Scene = {
      ...posed({ lensMm: 30, tiltRad: 0.4 }),
      arrangement: 'row',
      things,
      focus: { blur: 1, at: 1 },
    };
    const st = stageFor(wide, 3000, 3000);
    // A few rows of the near shadow, just under the book, in one piece and in two.
    const from = Math.ceil(Math.max(...st.faces[0].front!.map(([, y]) => y))) - 30;
    const textures = texturesFor(wide);
    const one = renderBand(st, textures, from, from + 16, FINAL, { things: false, reflection: false, shadow: true });
    const two = [0, 8].map((d) =>
      renderBand(st, textures, from + d, from + d + 8, FINAL, { things: false, reflection: false, shadow: true }),
    );
    expect(one.some((v) => v > 0)).toBe(true);
    expect(hashBytes(new Uint8Array(two.flatMap((part) => [...part])))).toBe(hashBytes(new Uint8Array(one)));
  });

  it('has foil that answers the light otherwise than ink does, only where foil is', () => {
    const flatScene = posed({ turnRad: 0.3 });
    const keys = [...texturesFor(flatScene).byName.keys()];
    const art = flatColour(64, 96, [150, 120, 60]);
    const half = Uint8Array.from({ length: 64 * 96 }, (_, i) => (i % 64 < 32 ? 255 : 0));
    const shown = (foil: Uint8Array | null, turnRad: number): Raster =>
      render(stageFor(posed({ turnRad })), texturesOf(keys.map((key) => [key, { art, foil }])), FINAL)!;
    const st = stageFor(flatScene);
    const [tl, tr, , bl] = st.faces[0].front!;
    const inFront = (u: number, v: number): number => {
      const x = Math.round(tl[0] + (tr[0] - tl[0]) * u + (bl[0] - tl[0]) * v);
      const y = Math.round(tl[1] + (tr[1] - tl[1]) * u + (bl[1] - tl[1]) * v);
      return (y * 300 + x) * 4;
    };
    const [ink, foil] = [shown(null, 0.3), shown(half, 0.3)];
    expect(foil.data[inFront(0.8, 0.5)]).toBe(ink.data[inFront(0.8, 0.5)]);
    // Along the foil its brightness goes up and down; ink is even.
    const spread = (r: Raster, u: number): number => {
      const values = Array.from({ length: 60 }, (_, i) => r.data[inFront(u, 0.1 + i / 75)]);
      return Math.max(...values) - Math.min(...values);
    };
    expect(spread(foil, 0.25)).toBeGreaterThan(spread(ink, 0.25) + 8);
  });

  it('is lighter for a second light, which casts a shadow of its own', () => {
    const second = { azimuthRad: 1.2, heightRad: 0.5, softness: 0.2, strength: 0.8 };
    const two = make({ ...scene, second });
    const luma = (r: Raster): number => {
      let [sum, n] = [0, 0];
      for (let i = 0; i < r.data.length; i += 4) if (r.data[i + 3] === 255) [sum, n] = [sum + r.data[i + 1], n + 1];
      return sum / n;
    };
    expect(luma(two)).toBeGreaterThan(luma(picture) + 5);
    const shadowOf = (s: Scene): Raster => make(s, 300, 300, { things: false, reflection: false, shadow: true });
    const leftOf = (r: Raster): number =>
      Array.from({ length: 300 * 60 }, (_, i) => at(r, i % 60, Math.floor(i / 60) + 200)[3] ?? 0).reduce(
        (a, b) => a + b,
      );
    const only = { ...scene, light: { ...scene.light, strength: 0 } };
    expect(leftOf(shadowOf({ ...only, second }))).toBeGreaterThan(leftOf(shadowOf(scene)));
  });

  it('shines as its surface does: gloss brighter at its brightest than satin, satin than matte', () => {
    const brightest = (surface: 'matte' | 'satin' | 'gloss'): number => {
      const lit: Scene = {
        ...posed({ turnRad: 0.1 }, { azimuthRad: 0.1, heightRad: 0.4, softness: 0.3 }),
        things: [{ ...scene.things[0], surface }],
      };
      const r = render(stageFor(lit), allOf(lit, flatColour(16, 16, [8, 8, 8])), FINAL)!;
      let most = 0;
      for (let i = 0; i < r.data.length; i += 4) if (r.data[i + 3] === 255) most = Math.max(most, r.data[i]);
      return most;
    };
    const [matte, satin, gloss] = (['matte', 'satin', 'gloss'] as const).map(brightest);
    expect(satin).toBeGreaterThan(matte + 4);
    expect(gloss).toBeGreaterThan(satin + 4);
  });

  it('takes a scene of the first schema as the paperback that it was', () => {
    const old = {
      schema: 1,
      object: { kind: 'paperback', thicknessMm: 31 },
      pose: { turnRad: -0.4, tiltRad: 0.3, lensMm: 50 },
      light: { azimuthRad: 1, heightRad: 0.5, softness: 0.2, shadow: 0.4, gloss: 0.7 },
      ground: { kind: 'colour', colour: '#aabbcc' },
    };
    const read = readScene(old);
    expect(read).toMatchObject({ ok: true, value: { schema: 3, ground: old.ground, pose: old.pose } });
    if (read.ok)
      expect(read.value.things).toEqual([{ ...plainThing({ kind: 'paperback', thicknessMm: 31 }), surface: 'gloss' }]);
    for (const raw of [
      null,
      7,
      [],
      {},
      { schema: 1 },
      { ...old, pose: 4 },
      { ...old, light: null },
      { ...old, object: { kind: 'boat' } },
    ])
      expect(readScene(raw).ok).toBe(false);
  });

  it('is cut to what is in it, with the margin asked for', () => {
    const r = raster(40, 30);
    r.data.set([9, 8, 7, 255], (10 * 40 + 5) * 4);
    r.data.set([1, 2, 3, 40], (20 * 40 + 25) * 4);
    const cut = cropped(r, inkBox(r, 3)!);
    expect([cut.width, cut.height]).toEqual([27, 17]);
    expect(at(cut, 3, 3)).toEqual([9, 8, 7, 255]);
    expect(at(cut, 23, 13)).toEqual([1, 2, 3, 40]);
    // The margin is clear where the picture ends before it.
    const corner = cropped(r, inkBox(r, 8)!);
    expect([corner.width, corner.height]).toEqual([37, 27]);
    expect([at(corner, 8, 8), at(corner, 0, 26)]).toEqual([
      [9, 8, 7, 255],
      [0, 0, 0, 0],
    ]);
    expect(inkBox(raster(9, 9), 2)).toBeNull();
  });

  it('is as thick as it says: a slipcase as the books in it, everything else by its own numbers', () => {
    const boxed = arranged(defaultScene, 'boxed', ['second-title', 'third-title']);
    const subjects = subjectsFor(boxed);
    expect(thingThickness(boxed, subjects, 0)).toBeCloseTo(3 * 18.9, 9);
    expect(thingThickness(boxed, subjects, 1)).toBeCloseTo(18.9, 9);
    const [slipcase] = setting({ ...boxed, pose: { ...boxed.pose, turnRad: 0 } }, subjects, 12);
    const { least, most } = boxOf([slipcase]);
    expect(most[2] - least[2]).toBeCloseTo(3 * 18.9 + 2 * 2.4, 6);
    const binder = withObject({ kind: 'binder', thicknessMm: null });
    expect(thingThickness(binder, subjectsFor(binder), 0)).toBe(42);
  });

  it('serves another title with its own cover, without pictures that it lacks', () => {
    const thing = plainThing({ kind: 'paperback', thicknessMm: null });
    const scene: Scene = {
      ...defaultScene,
      things: [
        { ...thing, art: { kind: 'picture', asset: 'gone' }, spine: 'there', back: 'gone' },
        { ...thing, art: { kind: 'title', id: 'itself-as-other' } },
        { ...thing, art: { kind: 'title', id: 'a-third-title' } },
      ],
      ground: { kind: 'picture', asset: 'gone' },
    };
    const own = adopted(scene, { id: 'itself-as-other', pages: false, has: (asset) => asset === 'there' });
    expect(own.things.map((t) => t.art)).toEqual([
      { kind: 'this' },
      { kind: 'this' },
      { kind: 'title', id: 'a-third-title' },
    ]);
    expect(own.things[0]).toMatchObject({ spine: 'there', back: null });
    expect(own.ground).toEqual({ kind: 'clear' });
    expect(adopted(scene, { id: 'x', pages: true, has: () => true })).toEqual(scene);
  });
});
