import { describe, expect, it } from 'vitest';
import { hashBytes, seeded } from '@yosomi/core/base';
import {
  FINAL,
  PREVIEW,
  Scene,
  addSample,
  areaLight,
  bands,
  bookSize,
  defaultScene,
  modelOf,
  occluder,
  paperback,
  paperbackTextures,
  render,
  renderBand,
  shadowAt,
  shadowScratch,
  stage,
  textureOf,
} from '@yosomi/core/mockup';
import { LINEAR_OF, type Raster, raster, toEncoded } from '@yosomi/core/pixels';
import { homography, project } from '@yosomi/core/plane';
import { picturePixels } from './fixtures/pictures';

const front = picturePixels(400, 640);
const flatColour = (w: number, h: number, rgb: readonly [number, number, number]): Raster => {
  const r = raster(w, h);
  for (let i = 0; i < w * h; i++) r.data.set([...rgb, 255], i * 4);
  return r;
};
const spine = flatColour(60, 640, [90, 30, 30]);
const back = flatColour(400, 640, [30, 90, 30]);
const size = { widthPx: 400, heightPx: 640 };
const textures = paperbackTextures({ front, spine, back }, 20, 300);
const make = (scene: Scene, w = 300, h = 300): Raster =>
  render(stage(scene, modelOf(scene, size, 300), w, h), textures, FINAL)!;
const at = (r: Raster, x: number, y: number): number[] => [
  ...r.data.slice((y * r.width + x) * 4, (y * r.width + x) * 4 + 4),
];
const posed = (pose: Partial<Scene['pose']>, light: Partial<Scene['light']> = {}): Scene => ({
  ...defaultScene,
  pose: { ...defaultScene.pose, ...pose },
  light: { ...defaultScene.light, ...light },
});

describe('a paperback', () => {
  it('has the ratio of its cover and the thickness of its pages', () => {
    expect(bookSize(defaultScene, size, 384)).toEqual({
      widthMm: 203 / 1.6,
      heightMm: 203,
      thicknessMm: expect.closeTo(24.19, 1),
    });
    expect(bookSize({ ...defaultScene, object: { kind: 'paperback', thicknessMm: 9 } }, size, 384).thicknessMm).toBe(9);
  });

  it('has a spine that joins front and back without a gap, and covers the whole width of its art once', () => {
    const model = paperback({ widthMm: 127, heightMm: 203, thicknessMm: 22 });
    const strips = model.panels.filter((p) => p.face === 'spine');
    const frontPanel = model.panels.find((p) => p.face === 'front')!;
    expect(strips[0].u0).toBe(0);
    expect(strips[strips.length - 1].u1).toBeCloseTo(1, 12);
    strips.slice(1).forEach((strip, i) => {
      expect(strip.u0).toBe(strips[i].u1);
      strip.origin.forEach((v, c) => expect(v).toBeCloseTo(strips[i].origin[c] + strips[i].across[c], 9));
    });
    const last = strips[strips.length - 1];
    last.origin.forEach((v, c) => expect(v + last.across[c]).toBeCloseTo(frontPanel.origin[c], 9));
    for (const panel of model.panels) for (const n of panel.normals) expect(Math.hypot(...n)).toBeCloseTo(1, 9);
  });
});

describe('shadow and ambient occlusion', () => {
  const model = paperback({ widthMm: 127, heightMm: 203, thicknessMm: 24 });
  const occ = occluder(model.prism);
  const light = areaLight([0, 100, 0], -0.5, 0.8, 700, 250);
  const scratch = shadowScratch(occ);
  const out = new Float64Array(2);

  /** Whether a ray from a ground point leaves through the prism. */
  const blocked = (px: number, pz: number, d: readonly number[]): boolean => {
    let near = 0;
    let far = Infinity;
    for (let i = 0; i < occ.planes.length; i += 4) {
      const n = [occ.planes[i], occ.planes[i + 1], occ.planes[i + 2]];
      const along = n[0] * d[0] + n[1] * d[1] + n[2] * d[2];
      const gap = occ.planes[i + 3] - (n[0] * px + n[2] * pz);
      if (Math.abs(along) < 1e-12) {
        if (gap < 0) return false;
      } else if (along > 0) far = Math.min(far, gap / along);
      else near = Math.max(near, gap / along);
    }
    return near < far;
  };

  it('agree with 4096 samples within 0.01 and 0.02', () => {
    const random = seeded(3);
    const n = 64;
    let shadowError = 0;
    let formError = 0;
    for (let k = 0; k < 60; k++) {
      const x = -200 + random() * 500;
      const z = -300 + random() * 400;
      if (Math.abs(x) < 75 && Math.abs(z) < 20) continue;
      shadowAt(occ, light, x, z, scratch, out);
      const [a, b, , d] = light.corners;
      let hidden = 0;
      let covered = 0;
      for (let i = 0; i < n; i++) {
        for (let j = 0; j < n; j++) {
          const s = (i + 0.5) / n;
          const t = (j + 0.5) / n;
          const q = [0, 1, 2].map((c) => a[c] + (b[c] - a[c]) * s + (d[c] - a[c]) * t);
          if (blocked(x, z, [q[0] - x, q[1], q[2] - z])) hidden++;
          const r = Math.sqrt(s);
          const angle = t * 2 * Math.PI;
          if (blocked(x, z, [r * Math.cos(angle), Math.sqrt(1 - s), r * Math.sin(angle)])) covered++;
        }
      }
      shadowError = Math.max(shadowError, Math.abs(hidden / (n * n) - out[0]));
      formError = Math.max(formError, Math.abs(covered / (n * n) - out[1]));
    }
    expect(shadowError).toBeLessThan(0.01);
    expect(formError).toBeLessThan(0.02);
  });

  it('are whole under the object and nothing far before the light', () => {
    shadowAt(occ, light, 0, 0, scratch, out);
    expect([...out]).toEqual([1, 1]);
    shadowAt(occ, light, -900, 2000, scratch, out);
    expect(out[0]).toBe(0);
    expect(out[1]).toBeLessThan(0.01);
  });

  it('a larger light never makes a point fully dark darker', () => {
    let last = Infinity;
    for (const side of [10, 80, 200, 500, 900]) {
      shadowAt(occ, areaLight([0, 100, 0], -0.5, 0.8, 700, side), 75, -30, scratch, out);
      expect(out[0]).toBeLessThanOrEqual(last + 1e-9);
      last = out[0];
    }
  });
});

describe('textures', () => {
  it('give a flat colour back whatever the footprint', () => {
    const texture = textureOf(flatColour(200, 300, [120, 60, 200]));
    const sum = new Float32Array(4);
    for (const d of [0.0001, 0.004, 0.03, 0.3]) {
      sum.fill(0);
      addSample(texture, 0.4, 0.6, d, 0, 0, d * 2, 8, 1, sum, 0);
      expect(sum[0]).toBeCloseTo(LINEAR_OF[120], -1);
      expect(sum[1]).toBeCloseTo(LINEAR_OF[60], -1);
    }
  });

  it('average a fine checkerboard to half the light, not to the middle code', () => {
    const board = raster(256, 256);
    for (let i = 0; i < 65536; i++) board.data.set((i + (i >> 8)) & 1 ? [255, 255, 255, 255] : [0, 0, 0, 255], i * 4);
    const sum = new Float32Array(4);
    addSample(textureOf(board), 0.5, 0.5, 0.05, 0, 0, 0.05, 8, 1, sum, 0);
    expect(255 * toEncoded(sum[0] / 65535)).toBeCloseTo(188, -1);
  });
});

describe('a rendered mockup', () => {
  const scene = defaultScene;
  const st = stage(scene, modelOf(scene, size, 300), 300, 300);
  const picture = make(scene);

  it('reports the faces that are seen, inside the picture, front right of the spine', () => {
    expect(Object.keys(st.faces).sort()).toEqual(['front', 'spine', 'top']);
    for (const corners of Object.values(st.faces))
      for (const [x, y] of corners) expect(x > 0 && x < 300 && y > 0 && y < 300).toBe(true);
    const [tl, tr, br, bl] = st.faces.front!;
    expect(tl[0]).toBeLessThan(tr[0]);
    expect(tl[1]).toBeLessThan(bl[1]);
    expect(tr[1]).toBeLessThan(br[1]);
    st.faces.spine![1].forEach((v, c) => expect(v).toBeCloseTo(tl[c], 6));
    expect(Object.keys(stage(posed({ turnRad: 2.6 }), modelOf(scene, size, 300), 300, 300).faces)).toContain('back');
  });

  it('shows the art where the report says, brighter or darker but of the same hue', () => {
    const h = homography(
      [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
        { x: 1, y: 1 },
        { x: 0, y: 1 },
      ],
      st.faces.front!.map(([x, y]) => ({ x, y })),
    )!;
    const bright = make({ ...scene, light: { ...scene.light, gloss: 0 } });
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
    const bare = make(posed({}, { shadow: 0 }));
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
    const bare = make(posed({ turnRad }, { shadow: 0 }));
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

  it('has no fringe: laid over a colour it equals the one rendered on that colour', () => {
    for (const colour of ['#ffffff', '#000000', '#d04020'] as const) {
      const on = make({ ...scene, ground: { kind: 'colour', colour } });
      const rgb = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));
      let most = 0;
      for (let i = 0; i < picture.data.length; i += 4) {
        const a = picture.data[i + 3] / 255;
        for (let c = 0; c < 3; c++)
          most = Math.max(most, Math.abs(picture.data[i + c] * a + rgb[c] * (1 - a) - on.data[i + c]));
      }
      expect(most).toBeLessThanOrEqual(3);
    }
  });

  it('looks in the preview as it will in the end', () => {
    const quick = render(st, textures, PREVIEW)!;
    let sum = 0;
    for (let i = 0; i < quick.data.length; i++) sum += Math.abs(quick.data[i] - picture.data[i]);
    expect(sum / quick.data.length).toBeLessThan(2);
  });

  it('stands scenes of the extreme', () => {
    for (const mm of [1, 120]) {
      const thick: Scene = { ...scene, object: { kind: 'paperback', thicknessMm: mm } };
      expect(at(make(thick, 120, 120), 60, 60)[3]).toBe(255);
    }
    expect(Scene.safeParse({ ...scene, object: { kind: 'paperback', thicknessMm: 400 } }).success).toBe(false);
    expect(Scene.safeParse({ ...scene, object: { kind: 'paperback', thicknessMm: 0 } }).success).toBe(false);
  });
});
