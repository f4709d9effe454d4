/** Makes the photographs that ship with the app, `assets/photographs/*.jpg`: `npm run photographs`. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO_PHOTOGRAPHS, demoPhotograph } from '@yosomi/core/demo';
import { NodeStudio, encodeJpeg } from '@yosomi/node-kit';

const folder = join(import.meta.dirname, '../assets/photographs');
const only = process.argv.slice(2);

mkdirSync(folder, { recursive: true });
for (const one of DEMO_PHOTOGRAPHS) {
  if (only.length > 0 && !only.includes(one.name)) continue;
  const bytes = await encodeJpeg(await demoPhotograph(one, new NodeStudio(new Map())), 88, true);
  writeFileSync(join(folder, `${one.name}.jpg`), bytes);
  console.log(`${one.name}.jpg ${Math.round(bytes.length / 1024)} KB`);
}
