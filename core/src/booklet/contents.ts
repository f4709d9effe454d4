import { rectPath } from '../plane';
import { Flow, fill } from './flow';
import type { Mark, PageLink } from './page';

/** What the page of contents, and what runs at head and foot, are called; English where a language is not here. */
const WORDS: Readonly<Record<string, { readonly contents: string }>> = {
  en: { contents: 'Contents' },
  de: { contents: 'Inhalt' },
  fr: { contents: 'Table des matières' },
  es: { contents: 'Contenido' },
  it: { contents: 'Indice' },
  pt: { contents: 'Conteúdo' },
  nl: { contents: 'Inhoud' },
  el: { contents: 'Περιεχόμενα' },
  ru: { contents: 'Содержание' },
  ja: { contents: '目次' },
};
export const wordsOf = (language: string): { readonly contents: string } =>
  WORDS[language.toLowerCase().split('-')[0]] ?? WORDS.en;

export type Entry = { readonly text: string; readonly page: number; readonly number: string };

/** Fewer chapters than this need no page of contents. */
export const FEWEST_ENTRIES = 4;

/** Rows of the page of contents: a line for each chapter, its number at the right; `close` sets them with little white. */
export function putContents(flow: Flow, entries: readonly Entry[], first: number, close = false): void {
  const { design } = flow;
  const { colours, column, step, size, dress } = design;
  const toc = flow.tag('TOC', 0);
  const head = flow.tag('H1', toc);
  const voice = flow.voice('display', size * 2.3, colours.accent);
  const title = flow.lines([{ text: wordsOf(dress.language).contents, voice, link: null }], { width: column.width });
  const leading = voice.size * 1.15;
  const above = close ? 0 : step * 4;
  const marks = title.flatMap((line, i) => flow.at(line, 0, above + i * leading + flow.baseline(leading), head));
  flow.push({ height: Math.ceil((above + title.length * leading) / step), marks });
  flow.gap(3);
  const large = size * 1.08;
  entries.forEach((entry) => {
    const item = flow.tag('TOCI', toc);
    const link = flow.tag('Link', item);
    const numeral = flow.lines([{ text: entry.number, voice: flow.voice('bold', large, colours.accent), link: null }], {
      width: column.width,
    });
    const room = column.width - size * 3.4;
    const lines = flow.lines([{ text: entry.text, voice: flow.voice('text', large), link: null }], { width: room });
    const tall = large * 1.35;
    const top = size * (close ? 0.22 : 0.55);
    const own: Mark[] = lines.flatMap((line, i) => flow.at(line, 0, top + i * tall + flow.baseline(tall), link));
    for (const line of numeral)
      own.push(
        ...flow.at(line, column.width - line.width, top + (lines.length - 1) * tall + flow.baseline(tall), link),
      );
    const height = Math.ceil((top * 2 + lines.length * tall) / step);
    own.push(fill(rectPath({ x: 0, y: height * step - 0.5, width: column.width, height: 0.5 }), colours.rule));
    const rect = { x: 0, y: 0, width: column.width, height: height * step };
    const links: PageLink[] = [{ rect, tag: link, to: { kind: 'page', page: first + entry.page }, label: entry.text }];
    flow.push({ height, marks: own, links });
  });
}
