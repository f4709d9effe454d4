import { join } from 'node:path';
import { fail } from '@yosomi/core/base';
import { writePng } from '@yosomi/core/image-file';
import { type Project, editBook, packProject } from '@yosomi/core/project';
import { type Reading, laidOnVolume, seriesCover, titleStem } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { type Command, done, flag, word } from './command';
import { makeFolder, readProject, writeAll } from './files';
import { nowText } from './stores';

/** Width of the written pictures. */
const WIDE_PX = 800;

const numberOf = ({ book }: Project): number => book.brief.seriesNumber ?? Infinity;

export const series: Command = {
  name: 'series',
  usage: 'series FRONT.yosomi VOLUME.yosomi... --out DIR [--same-colours]',
  flags: ['out'],
  switches: ['same-colours'],
  async run(args, say) {
    const first = word(args, 0, 'title file whose front is carried');
    if (!first.ok) return first;
    const second = word(args, 1, 'title files of other volumes');
    if (!second.ok) return second;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const opened: Project[] = [];
    for (const file of args.words) {
      const one = readProject(file);
      if (!one.ok) return one;
      opened.push(one.value);
    }
    const [from] = opened;
    if (from.book.cover.finished) return fail('cover-finished');
    const twice = opened.find((one, i) => opened.findIndex(({ book }) => book.id === one.book.id) < i);
    if (twice) return fail('volume-twice', { title: twice.book.brief.title });
    const folder = makeFolder(out.value);
    if (!folder.ok) return folder;

    const ordered = [...opened].sort((a, b) => numberOf(a) - numberOf(b));
    const place = ordered.indexOf(from);
    const taken: number[] = [];
    let own: Reading | null = null;
    const names = new Set<string>();
    for (const project of [from, ...ordered.filter((one) => one !== from)]) {
      const files = new Map([...from.files, ...project.files]);
      const made = await seriesCover(
        {
          design: { kind: 'front' },
          from: from.book,
          to: project.book,
          place: ordered.indexOf(project) - place,
          volumes: ordered.length,
          picture: null,
          turning: !args.switches.has('same-colours'),
          taken,
          own,
        },
        new NodeStudio(files),
        WIDE_PX,
      );
      if (!made.ok) return made;
      const { pixels, ...cover } = made.value;
      taken.push(cover.turn);
      own ??= cover;
      if (project === from) continue;
      const edited = editBook(
        project.book,
        laidOnVolume(cover, from.book, { id: `before${project.book.versions.length}`, madeAt: nowText() }),
      );
      if (!edited.ok) return edited;
      let name = titleStem(project.book);
      for (let n = 2; names.has(name); n++) name = `${titleStem(project.book)}-${n}`;
      names.add(name);
      const written = writeAll([
        [join(out.value, `${name}.png`), writePng(pixels, 72)],
        [join(out.value, `${name}.yosomi`), packProject({ book: edited.value.next, files })],
      ]);
      if (!written.ok) return written;
      const reads = cover.titleFromPx === null ? 'title reads at no width' : `title reads from ${cover.titleFromPx} px`;
      const typed = cover.typed.map(({ text }) => `"${text.replace(/\s+/g, ' ')}"`).join(', ');
      say(`${name}  ${reads}${typed && `, stays as typed: ${typed}`}`);
    }
    return done(`${ordered.length - 1} volumes`);
  },
};
