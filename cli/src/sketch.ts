import { basename, extname, join } from 'node:path';
import { type Result, fail, slug } from '@yosomi/core/base';
import { writePng } from '@yosomi/core/image-file';
import { type Book, packProject } from '@yosomi/core/project';
import {
  type TakenPicture,
  composeSheet,
  noHouse,
  sheetAsk,
  sheetPictures,
  sheetSymbols,
  takePicture,
  withSketch,
} from '@yosomi/core/recipe';
import { MOST_PICTURES, planSheet } from '@yosomi/core/sketch';
import { NodeStudio } from '@yosomi/node-kit';
import { type Command, done, flag, wholeFlag, word } from './command';
import { makeFolder, readBytes, readProject, writeAll } from './files';

const MOST = 48;
/** Width of the written pictures. */
const WIDE_PX = 800;

/** A picture file as a title keeps it. */
async function takeFile(file: string): Promise<Result<TakenPicture>> {
  const bytes = readBytes(file);
  return bytes.ok ? takePicture(bytes.value, basename(file, extname(file)), new NodeStudio(new Map())) : bytes;
}

export const sketch: Command = {
  name: 'sketch',
  usage: 'sketch BOOK.yosomi [--picture F]... [--count N] [--seed S] --out DIR',
  flags: ['picture', 'count', 'seed', 'out'],
  switches: [],
  async run(args, say) {
    const file = word(args, 0, 'title file');
    if (!file.ok) return file;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const count = wholeFlag(args, 'count', 1, MOST, 12);
    if (!count.ok) return count;
    const opened = readProject(file.value);
    if (!opened.ok) return opened;
    const seed = wholeFlag(args, 'seed', 0, 999_999, opened.value.book.sheet.seed);
    if (!seed.ok) return seed;
    const given = args.all.get('picture') ?? [];
    if (given.length > MOST_PICTURES) return fail('pictures-many', { most: MOST_PICTURES });
    const taken: TakenPicture[] = [];
    for (const picture of given) {
      const one = await takeFile(picture);
      if (!one.ok) return one;
      taken.push(one.value);
    }
    const { book: own } = opened.value;
    const files = new Map([...opened.value.files, ...taken.map((t) => [t.asset.id, t.bytes] as const)]);
    const pictures = taken.length > 0 ? taken.map((t) => t.asset.id) : own.sheet.pictures;
    const book: Book = {
      ...own,
      assets: { ...own.assets, ...Object.fromEntries(taken.map((t) => [t.asset.id, t.asset])) },
      sheet: { ...own.sheet, seed: seed.value, pictures: [...new Set(pictures)] },
    };
    const studio = new NodeStudio(files);
    const ask = sheetAsk(
      book,
      noHouse,
      await sheetPictures(book.sheet.pictures, studio),
      (await sheetSymbols(book.brief, [], studio)).symbols,
    );
    const plan = planSheet(ask);
    if (!plan.ok) return plan;
    const folder = makeFolder(out.value);
    if (!folder.ok) return folder;
    let n = 0;
    for await (const made of composeSheet(plan.value, ask, count.value, studio, WIDE_PX)) {
      const name = `${String(++n).padStart(2, '0')}-${slug(made.sketch.structure)}`;
      const written = writeAll([
        [join(out.value, `${name}.png`), writePng(made.pixels, 72)],
        [join(out.value, `${name}.yosomi`), packProject({ book: withSketch(book, made.sketch, made.doc), files })],
      ]);
      if (!written.ok) return written;
      say(`${name}  ${made.sketch.tones.name}, ${made.sketch.faces.title}, ${made.score.toFixed(2)}`);
    }
    return n > 0 ? done(`${n} covers, seed ${seed.value}`) : fail('sheet-empty', {});
  },
};
