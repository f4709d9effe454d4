import { type Result, fail, ok } from '@yosomi/core/base';
import { STAMP_PLACES, type StampLine, type StampPlace } from '@yosomi/core/pdf';
import { stampFile } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import type { Arguments } from './arguments';
import { type Command, done, flag, word } from './command';
import { readBytes, writeAll } from './files';
import { nowText } from './stores';

/** Where lines stand: one of the known places. Fault: `flag-value`. */
function placeOf(args: Arguments, name: string, missed: StampPlace): Result<StampPlace> {
  const given = args.flags.get(name);
  const found = given === undefined ? missed : STAMP_PLACES.find((place) => place === given);
  return found ? ok(found) : fail('flag-value', { flag: name, found: given ?? '', wanted: STAMP_PLACES.join(', ') });
}

/** "3-20", "3-" or "3". Fault: `flag-value`. */
function rangeOf(args: Arguments): Result<{ from: number; to: number } | null> {
  const given = args.flags.get('pages');
  if (given === undefined) return ok(null);
  const match = /^(\d{1,5})(?:\s*[-–]\s*(\d{1,5})?)?$/.exec(given.trim());
  if (!match) return fail('flag-value', { flag: 'pages', found: given, wanted: '3-20, 3- or 3' });
  const from = Number(match[1]);
  return ok({ from, to: match[2] ? Number(match[2]) : /[-–]/.test(given) ? 5000 : from });
}

/** Points, from the least that is read to what a margin holds. Fault: `size-wrong`. */
function sizeOf(args: Arguments): Result<number> {
  const size = Number(args.flags.get('size') ?? 8.5);
  return size >= 6 && size <= 24 ? ok(size) : fail('size-wrong', { flag: 'size', low: 6, high: 24 });
}

export const pdfStamp: Command = {
  name: 'pdf stamp',
  usage: `pdf stamp IN.pdf [--head T] [--foot T] [--head-even T] [--foot-even T] [--head-at ${STAMP_PLACES.join('|')}] [--foot-at ...] [--pages 3-20] [--size POINTS] --out OUT.pdf [--report R.json]   ({page} and {pages} stand for numbers)`,
  flags: ['head', 'foot', 'head-even', 'foot-even', 'head-at', 'foot-at', 'pages', 'size', 'out', 'report'],
  switches: [],
  writes: { out: ['pdf'], report: null },
  async run(args) {
    const [inFile, out] = [word(args, 0, 'PDF'), flag(args, 'out')];
    if (!inFile.ok) return inFile;
    if (!out.ok) return out;
    const [headAt, footAt] = [placeOf(args, 'head-at', 'outer'), placeOf(args, 'foot-at', 'centre')];
    if (!headAt.ok) return headAt;
    if (!footAt.ok) return footAt;
    const pages = rangeOf(args);
    if (!pages.ok) return pages;
    const size = sizeOf(args);
    if (!size.ok) return size;
    const line = (name: string, at: StampPlace): StampLine | null => {
      const text = args.flags.get(name);
      return text === undefined ? null : { text, at };
    };
    const [head, foot] = [line('head', headAt.value), line('foot', footAt.value)];
    const [headEven, footEven] = [line('head-even', headAt.value), line('foot-even', footAt.value)];
    const even = headEven || footEven ? { head: headEven ?? head, foot: footEven ?? foot } : null;
    const source = readBytes(inFile.value);
    if (!source.ok) return source;
    const made = await stampFile(
      source.value,
      { head, foot, even, pages: pages.value, size: size.value, modified: nowText() },
      new NodeStudio(new Map()),
    );
    if (!made.ok) return made;
    const { report, bytes } = made.value;
    const files: [string, Uint8Array | string][] = [[out.value, bytes]];
    const file = args.flags.get('report');
    if (file !== undefined) files.push([file, `${JSON.stringify(report, null, 2)}\n`]);
    const written = writeAll(files);
    if (!written.ok) return written;
    const without = new Set(report.without.map(({ page }) => page)).size;
    return done(
      `${report.stamped} of ${report.pages} pages have the lines${without > 0 ? `; ${without} lack one for want of a free margin` : ''}.`,
    );
  },
};
