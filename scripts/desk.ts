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
  `/** Written by \`npm run desk\`: picture, lightness, warmth, busyness, quiet places, colours. */
export const READINGS = \`
${rows.join('\n')}
\`;
`,
);
console.log(`${rows.length} pictures of the desk read`);
