import { type Edit, fault } from '../base';
import { objectOf } from './arrange';
import type { Kind } from './models';
import { MOST_THINGS, Scene, type Thing, Thing as ThingSchema, plainThing } from './scene';

type Ground = Scene['ground'];
/** Groups of a scene whose fields are changed one by one. */
type Groups = Pick<Scene, 'pose' | 'light' | 'look' | 'focus' | 'frame'>;

const wrong = (where: string) => fault('edit-wrong', { where });

/** Changes some fields of a group. Fault: `edit-wrong` where they are not what the schema takes. */
export const setScene =
  <K extends keyof Groups>(group: K, fields: Partial<Groups[K]>): Edit<Scene> =>
  (scene) => {
    const parsed = Scene.shape[group].safeParse({ ...scene[group], ...fields });
    if (!parsed.success) return wrong(`scene.${group}`);
    Object.assign(scene[group], fields);
  };

/** The camera turned and tilted by so much from a pose: the turn goes on round, the tilt ends above and level. */
export const turnedBy = (pose: Scene['pose'], turnRad: number, tiltRad: number): Edit<Scene> => {
  const full = 2 * Math.PI;
  const turn = pose.turnRad + turnRad;
  const round = turn - full * Math.round(turn / full);
  const tilt = Math.min(1.45, Math.max(0, pose.tiltRad + tiltRad));
  return setScene('pose', { ...pose, turnRad: round, tiltRad: tilt });
};

const SECOND = { azimuthRad: 1.1, heightRad: 0.5, softness: 0.6, strength: 0.45 } as const;

/** Adds a second light from the right, or takes it out. */
export const withSecondLight =
  (on: boolean): Edit<Scene> =>
  (scene) => {
    scene.second = on ? { ...SECOND } : null;
  };

/** Faults: `edit-wrong`, also where there is no second light. */
export const setSecondLight =
  (fields: Partial<NonNullable<Scene['second']>>): Edit<Scene> =>
  (scene) => {
    const parsed = Scene.shape.second.safeParse(scene.second && { ...scene.second, ...fields });
    if (!scene.second || !parsed.success) return wrong('scene.second');
    Object.assign(scene.second, fields);
  };

export const setGround =
  (ground: Ground): Edit<Scene> =>
  (scene) => {
    if (!Scene.shape.ground.safeParse(ground).success) return wrong('scene.ground');
    scene.ground = ground;
  };

export const setReflection =
  (share: number): Edit<Scene> =>
  (scene) => {
    if (!Scene.shape.reflection.safeParse(share).success) return wrong('scene.reflection');
    scene.reflection = share;
  };

/** Another scene in the place of this one. */
export const setWholeScene =
  (next: Scene): Edit<Scene> =>
  (scene) =>
    void Object.assign(scene, next);

/** Faults: `scene-full`. */
export const addThing =
  (kind: Kind['kind']): Edit<Scene> =>
  (scene) => {
    if (scene.things.length >= MOST_THINGS) return fault('scene-full', { most: MOST_THINGS });
    scene.things.push(plainThing(objectOf(kind, scene.things[0].object)));
  };

/** The last one stays. Faults: `thing-gone`, `thing-last`. */
export const removeThing =
  (index: number): Edit<Scene> =>
  (scene) => {
    if (!scene.things[index]) return fault('thing-gone');
    if (scene.things.length === 1) return fault('thing-last');
    scene.things.splice(index, 1);
  };

/** Changes some fields of a thing. Faults: `thing-gone`, `edit-wrong`. */
export const setThing =
  (index: number, fields: Partial<Thing>): Edit<Scene> =>
  (scene) => {
    const thing = scene.things[index];
    if (!thing) return fault('thing-gone');
    if (!ThingSchema.safeParse({ ...thing, ...fields }).success) return wrong(`scene.things.${index}`);
    Object.assign(thing, fields);
  };
