import { sceneTo2 } from '../../mockup';

type Loose = Record<string, unknown>;

/** A scene of one paperback became a scene of several things. */
export const to3 = (old: Loose): Loose => ({
  ...old,
  schema: 3,
  scene: typeof old.scene === 'object' && old.scene !== null ? sceneTo2(old.scene as Loose) : old.scene,
});
