import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Edit, change } from '../base';
import {
  MOST_THINGS,
  Scene,
  addThing,
  defaultScene,
  removeThing,
  setGround,
  setReflection,
  setScene,
  setSecondLight,
  setThing,
  setWholeScene,
  turnedBy,
  withSecondLight,
} from './index';

const after = (scene: Scene, ...edits: Edit<Scene>[]): Scene =>
  edits.reduce((now, edit) => {
    const done = change(now, edit);
    if (!done.ok) throw new Error(done.fault.code);
    return done.value.next;
  }, scene);
const fault = (edit: Edit<Scene>, scene = defaultScene) => {
  const done = change(scene, edit);
  return done.ok ? null : done.fault;
};
const any = fc.oneof(fc.double(), fc.integer(), fc.constantFrom(Number.NaN, Infinity, -1, 0, 1, 1e9));

describe('edits of a scene', () => {
  it('leave a scene that can be read, or refuse and change nothing', () => {
    const edit = fc.oneof(
      any.map((v) => setScene('pose', { turnRad: v })),
      any.map((v) => setScene('pose', { lensMm: v })),
      any.map((v) => setScene('light', { shadow: v, warmth: v })),
      any.map((v) => setScene('frame', { widthPx: v })),
      any.map((v) => setReflection(v)),
      any.map((v) => setSecondLight({ strength: v })),
      fc.tuple(any, any).map(([a, b]) => turnedBy(defaultScene.pose, a, b)),
      fc.boolean().map((on) => withSecondLight(on)),
      fc.string({ maxLength: 8 }).map((colour) => setGround({ kind: 'colour', colour })),
      fc.constantFrom('paperback', 'phone', 'hardcover').map((kind) => addThing(kind as 'phone')),
      fc.integer({ min: -2, max: 14 }).map((i) => removeThing(i)),
      fc.tuple(fc.integer({ min: -2, max: 14 }), any).map(([i, v]) => setThing(i, { turnRad: v, rightMm: v })),
    );
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 30 }), (edits) => {
        let scene = defaultScene;
        for (const one of edits) {
          const done = change(scene, one);
          if (!done.ok) expect(['edit-wrong', 'scene-full', 'thing-gone', 'thing-last']).toContain(done.fault.code);
          else scene = done.value.next;
          expect(Scene.safeParse(scene).success).toBe(true);
        }
      }),
    );
  });

  it('say why they are refused', () => {
    expect(fault(setScene('pose', { lensMm: 3 }))).toEqual({ code: 'edit-wrong', data: { where: 'scene.pose' } });
    expect(fault(setSecondLight({ strength: 1 }))?.code).toBe('edit-wrong');
    expect(fault(removeThing(0))?.code).toBe('thing-last');
    expect(fault(removeThing(4))?.code).toBe('thing-gone');
    expect(fault(setThing(4, { fit: 'fill' }))?.code).toBe('thing-gone');
    const full = after(defaultScene, ...Array.from({ length: MOST_THINGS - 1 }, () => addThing('paperback')));
    expect(fault(addThing('paperback'), full)).toEqual({ code: 'scene-full', data: { most: MOST_THINGS } });
  });

  it('change what they name and nothing else', () => {
    const turned = after(defaultScene, setScene('pose', { turnRad: 1 }), setThing(0, { surface: 'linen' }));
    expect(turned).toEqual({
      ...defaultScene,
      pose: { ...defaultScene.pose, turnRad: 1 },
      things: [{ ...defaultScene.things[0], surface: 'linen' }],
    });
    const lit = after(defaultScene, withSecondLight(true), setSecondLight({ softness: 0.1 }));
    expect(lit.second?.softness).toBe(0.1);
    expect(after(lit, withSecondLight(false))).toEqual(defaultScene);
    expect(after(lit, setWholeScene(turned)).pose.turnRad).toBe(1);
  });

  it('turn on round, and tilt between level and above', () => {
    const { pose } = defaultScene;
    const turn = (by: number): number => after(defaultScene, turnedBy({ ...pose, turnRad: 3 }, by, 0)).pose.turnRad;
    expect(turn(0.5)).toBeCloseTo(3.5 - 2 * Math.PI, 9);
    expect(after(defaultScene, turnedBy(pose, 0, 9)).pose.tiltRad).toBe(1.45);
    expect(after(defaultScene, turnedBy(pose, 0, -9)).pose.tiltRad).toBe(0);
  });
});
