import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Reading, readPainting } from '@yosomi/core/desk';
import { CATALOGUE } from '@yosomi/core/paintings';
import { NodeStudio, ROOT } from '@yosomi/node-kit';

/**
 * Writes core/src/desk/readings.ts: what is measured of every picture of the desk, so that searching paints none. A test reads some of them
 * anew and compares.
 */
const studio = new NodeStudio(new Map());
const rows = CATALOGUE.map(({ id, ...spec }) => {
  const { light, warmth, busy, quiet, colours }: Reading = readPainting(spec, (ink, px) =>
    studio.paint(ink, px, new Map()),
  );
  return `  ${id} ${light.toFixed(2)} ${warmth.toFixed(3)} ${busy.toFixed(1)} ${quiet.join(',') || '-'} ${colours.join(',') || '-'}`;
});
writeFileSync(
  join(ROOT, 'core/src/desk/readings.ts'),
  `import type { ColourName, Place, Reading } from './reading';

/** Written by \`npm run desk\`: picture, lightness, warmth, busyness, quiet places, colours. */
const TABLE = \`
${rows.join('\n')}
\`;

const listed = <T extends string>(list: string): T[] => (list === '-' ? [] : (list.split(',') as T[]));

/** What was measured of each picture of the desk. */
export const READINGS: ReadonlyMap<string, Reading> = new Map(
  TABLE.trim()
    .split('\\n')
    .map((row) => {
      const [id, light, warmth, busy, quiet, colours] = row.trim().split(' ');
      return [
        id,
        {
          light: Number(light),
          warmth: Number(warmth),
          busy: Number(busy),
          quiet: listed<Place>(quiet),
          colours: listed<ColourName>(colours),
        },
      ];
    }),
);
`,
);
console.log(`${rows.length} pictures of the desk read`);
