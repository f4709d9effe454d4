import { tableText } from '@yosomi/core/csv';
import { readsGrade } from '@yosomi/core/glance';
import { coverMeasure, missingFile } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { type Command, done, flag, word } from './command';
import { readProject, writeBytes } from './files';

/** Shades of a reader's screen that shows no colours. */
const GREYS = 16;

type Line = {
  readonly words: string;
  /** The least width at which they read, px; null where they never do. */
  readonly fromPx: number | null;
  readonly fromPxInGreys: number | null;
  readonly verdict: 'pass' | 'may' | 'fail';
};
type Report = {
  readonly title: string;
  readonly author: string;
  readonly lines: readonly Line[];
  readonly findings: readonly string[];
};

const WORDS: Readonly<Record<Line['verdict'], string>> = { pass: 'passes', may: 'mind', fail: 'fails' };

function asTable(reports: readonly Report[]): string {
  const px = (n: number | null): string => (n === null ? 'never' : String(n));
  return tableText(
    ['title', 'author', 'words', 'reads from px', 'in greys from px', 'verdict', 'findings'],
    reports.flatMap(({ title, author, lines, findings }) =>
      (lines.length > 0 ? lines : [null]).map((line, i) => [
        title,
        author,
        ...(line ? [line.words, px(line.fromPx), px(line.fromPxInGreys), WORDS[line.verdict]] : ['', '', '', '']),
        i === 0 ? findings.join(', ') : '',
      ]),
    ),
  );
}

/** How covers read at the sizes at which buyers see them: a line for all words of each. */
export const glance: Command = {
  name: 'glance',
  usage: 'glance BOOK.yosomi... --out REPORT.csv|REPORT.json   (from which width each line of the covers reads)',
  flags: ['out'],
  switches: [],
  writes: { out: ['csv', 'json'] },
  async run(args) {
    const [first, out] = [word(args, 0, 'title file'), flag(args, 'out')];
    if (!first.ok) return first;
    if (!out.ok) return out;
    const reports: Report[] = [];
    for (const file of args.words) {
      const project = readProject(file);
      if (!project.ok) return project;
      const { book, files } = project.value;
      const studio = new NodeStudio(files);
      // Of a cover that is not whole nothing could be said that is true.
      const lost = await missingFile(book, 'cover', studio);
      if (lost) return { ok: false, fault: lost };
      const [bright, grey] = [await coverMeasure(book, studio), await coverMeasure(book, studio, GREYS)];
      const lines = bright.reads.map(({ role, fromPx }, i): Line => ({
        words: role,
        fromPx,
        fromPxInGreys: grey.reads[i]?.fromPx ?? null,
        verdict: readsGrade(role === 'title', fromPx),
      }));
      const findings = [
        ...new Set(bright.findings.map(({ code, data }) => [code, data.role].filter(Boolean).join(' '))),
      ];
      reports.push({ title: book.brief.title, author: book.brief.author, lines, findings });
    }
    const text = out.value.toLowerCase().endsWith('.csv') ? asTable(reports) : `${JSON.stringify(reports, null, 2)}\n`;
    const written = writeBytes(out.value, text);
    return written.ok ? done() : written;
  },
};
