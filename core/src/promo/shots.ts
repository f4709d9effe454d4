/** How the product takes the book for promos; the recipe makes each a scene. */
export const SHOTS = [
  'standing',
  'facing',
  'pages',
  'low',
  'lying',
  'above',
  'stack',
  'fan',
  'row',
  'floating',
  'reader',
  'devices',
  /** The title's own scene of Mockups, as it is arranged there. */
  'own',
] as const;
export type ShotId = (typeof SHOTS)[number];

/** Shots in which other volumes of the series stand beside the title. */
export const SHOTS_OF_MANY: ReadonlySet<ShotId> = new Set(['stack', 'fan', 'row', 'above']);

/** What the things of a scene stand on, seen in the same perspective, before a wall. */
export const SETS = ['wood', 'stone', 'cloth', 'plain'] as const;
export type SetId = (typeof SETS)[number];
