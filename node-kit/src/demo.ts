import { type DemoBook, demoBooks } from '@yosomi/core/demo';
import { type Asset, type Project, assetId } from '@yosomi/core/project';
import { startFromPicture, startFromWords } from '@yosomi/core/recipe';
import { paintRaster } from './canvas-easel';
import { encodeJpeg } from './jpeg';
import { shrink } from '@yosomi/core/pixels';

/** A fixed moment, so that the demo files are equal each time they are made. */
const NOW = '2026-11-01T09:00:00Z';

async function makeDemo(demo: DemoBook): Promise<Project> {
  const start = { id: demo.id, identifier: `urn:yosomi:${demo.id}`, now: NOW, brief: demo.brief };
  if (!demo.picture) {
    return { book: startFromWords(start, demo.cover(null)), files: new Map() };
  }
  const picture = paintRaster(demo.picture.ink, demo.picture.ink.widthPx, new Map());
  const bytes = await encodeJpeg(picture, 90, false);
  const asset: Asset = {
    id: assetId(bytes),
    format: 'jpeg',
    widthPx: picture.width,
    heightPx: picture.height,
    name: demo.picture.name,
  };
  const sample = shrink(picture, 400, 640);
  const book = startFromPicture(start, asset, sample, demo.cover({ asset: asset.id, sample }));
  return { book, files: new Map([[asset.id, bytes]]) };
}

/** The demo books as projects, made from nothing but this repository. */
export async function demoProjects(): Promise<Project[]> {
  const projects: Project[] = [];
  for (const demo of demoBooks()) projects.push(await makeDemo(demo));
  return projects;
}
