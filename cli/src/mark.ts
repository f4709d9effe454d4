import { type Result, fail, ok } from '@yosomi/core/base';
import { MOST_LETTERS, SYMBOLS, WAYS, initialsOf, lettersOf } from '@yosomi/core/marks';
import { drawingFile, markDrawings } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import type { Arguments } from './arguments';
import { type Command, done, flag } from './command';
import { writeBytes } from './files';

const colourFlag = <M>(args: Arguments, name: string, missed: M): Result<string | M> => {
  const text = args.flags.get(name);
  if (text === undefined) return ok(missed);
  const hex = text.toLowerCase();
  return /^#[0-9a-f]{6}$/.test(hex) ? ok(hex) : fail('colour-wrong', { flag: name, found: text });
};

/** A mark from a name or letters, in one way, as a file on a clear ground. */
export const mark: Command = {
  name: 'mark',
  usage:
    'mark --name NAME [--letters LETTERS] [--way WAY] [--symbol SYMBOL] [--colour #RRGGBB] [--second #RRGGBB] --out F.svg|F.png',
  flags: ['name', 'letters', 'way', 'symbol', 'colour', 'second', 'out'],
  switches: [],
  writes: { out: ['svg', 'png'] },
  async run(args) {
    const name = flag(args, 'name');
    if (!name.ok) return name;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const colour = colourFlag(args, 'colour', '#101112');
    if (!colour.ok) return colour;
    const second = colourFlag(args, 'second', null);
    if (!second.ok) return second;
    const asked = args.flags.get('symbol');
    const symbol = SYMBOLS.find((one) => one === asked) ?? null;
    if (asked !== undefined && !symbol)
      return fail('choice-wrong', { flag: 'symbol', found: asked, known: SYMBOLS.join(', ') });
    const way = args.flags.get('way') ?? WAYS[0].id;
    const known = WAYS.map(({ id }) => id);
    if (!known.includes(way)) return fail('choice-wrong', { flag: 'way', found: way, known: known.join(', ') });
    const letters = args.flags.get('letters') ?? initialsOf(name.value);
    if (lettersOf(letters).length === 0) return fail('mark-letters', { most: MOST_LETTERS });
    const studio = new NodeStudio(new Map());
    const wish = { letters, name: name.value, symbol, second: second.value };
    const drawing = (await markDrawings([way], wish, studio))[way];
    if (!drawing) {
      const serve = Object.keys(await markDrawings(known, wish, studio));
      return fail('mark-unsuited', { way, letters, known: serve.join(', ') });
    }
    const file = await drawingFile(drawing, colour.value, /\.svg$/i.test(out.value) ? 'svg' : 'png', studio);
    if (!file.ok) return file;
    const written = writeBytes(out.value, file.value);
    return written.ok ? done(out.value) : written;
  },
};

/** What ways there are. */
export const markWays: Command = {
  name: 'mark ways',
  usage: 'mark ways',
  flags: [],
  switches: [],
  run: async () =>
    done(WAYS.map(({ id, name, least, most }) => `${id}\t${name}\t${least} to ${most} letters`).join('\n')),
};
