import { after, moved, shifted, turnAbout } from '../../space';
import { type Model, type Subject, boxOf, makeModel, placed, sizeOf, slipcase } from '../models';
import type { Scene } from '../scene';
import { lawOf, liftOf } from './laws';

/** What a thing's art is of: the pixels of its front, its pages, and how thick they are, mm. */
export type ThingSubject = Subject & { readonly bookMm: number };

/** How thick a thing of a scene is, mm: a slipcase holds what is in the scene with it. */
export function thingThickness(scene: Scene, subjects: readonly ThingSubject[], i: number): number {
  const { object } = scene.things[i];
  const own = (j: number): number => sizeOf(scene.things[j].object, subjects[j], subjects[j].bookMm).thicknessMm;
  if (object.kind !== 'slipcase' || object.thicknessMm !== null || scene.things.length < 2) return own(i);
  return Math.min(
    600,
    scene.things.reduce((sum, _, j) => (j === i ? sum : sum + own(j)), 0),
  );
}

/** How much higher than the highest book in it, and wider than the widest, a case is within, mm. */
const CLEAR_MM = { high: 3, wide: 2 } as const;

function modelOf(scene: Scene, subjects: readonly ThingSubject[], i: number, strips: number | undefined): Model {
  const { object } = scene.things[i];
  const subject = subjects[i];
  const held = scene.things.flatMap((thing, j) =>
    j === i ? [] : sizeOf(thing.object, subjects[j], subjects[j].bookMm),
  );
  if (object.kind !== 'slipcase' || held.length === 0) return makeModel(object, subject, subject.bookMm, strips);
  const most = (of: 'widthMm' | 'heightMm'): number => Math.max(...held.map((size) => size[of]));
  return slipcase(
    most('widthMm') + CLEAR_MM.wide,
    most('heightMm') + CLEAR_MM.high,
    thingThickness(scene, subjects, i),
  );
}

/** Every thing of a scene where it stands, about the upright axis through the origin, the whole turned by the pose. */
export function setting(scene: Scene, subjects: readonly ThingSubject[], strips?: number): Model[] {
  const alone = scene.things.map((_, i) => modelOf(scene, subjects, i, strips));
  const laws = lawOf(
    scene.arrangement,
    alone.map((model) => boxOf([model])),
  );
  const tall = boxOf(alone).most[1];
  const lift = liftOf(scene.arrangement);
  const stood = alone.map((model, i) => {
    const { turnRad, rightMm, nearerMm } = scene.things[i];
    const [x, , z] = moved(laws[i], [0, 0, 0]);
    const own = after(shifted(x + rightMm, 0, z + nearerMm), after(turnAbout([0, 1, 0], turnRad), shifted(-x, 0, -z)));
    const there = placed(model, after(own, laws[i]));
    // What leans or hovers is let down until its lowest point is where it should be.
    return lift === null ? there : placed(there, shifted(0, lift * tall - boxOf([there]).least[1], 0));
  });
  const box = boxOf(stood);
  const middle = (c: 0 | 2): number => (box.least[c] + box.most[c]) / 2;
  const whole = after(turnAbout([0, 1, 0], scene.pose.turnRad), shifted(-middle(0), 0, -middle(2)));
  return stood.map((model) => placed(model, whole));
}

/** Radius about the upright axis through the origin, and height, of the cylinder that holds the models however they are turned. */
export function roundOf(models: readonly Model[]): { radiusMm: number; heightMm: number } {
  let radiusMm = 1;
  let heightMm = 1;
  for (const model of models) {
    for (const { corners } of model.solids) {
      for (const [x, y, z] of corners) {
        radiusMm = Math.max(radiusMm, Math.hypot(x, z));
        heightMm = Math.max(heightMm, y);
      }
    }
  }
  return { radiusMm, heightMm };
}
