import { xml } from '../base';
import type { Document, Element } from '@xmldom/xmldom';
import type { Epub } from './open-epub';
import { MOST_MARKUP, NS, named, parseMarkup, textOf } from './markup';
import { hrefTo, resolveHref } from './paths';

/** A place in a page that shows a picture. */
export type Shown = {
  readonly kind: 'img' | 'svg';
  readonly element: Element;
  /** The file that it shows. */
  readonly path: string;
};

export type Page = {
  readonly path: string;
  readonly doc: Document;
  readonly shown: readonly Shown[];
  /** Letters of the page that are not white space. */
  readonly letters: number;
};

/** Text of a file of the book; null where it is missing, too large or in an unknown encoding. */
export async function readText({ files, archive, written }: Epub, path: string): Promise<string | null> {
  const made = written?.get(path);
  if (made) return textOf(made);
  const entry = files.get(path);
  if (!entry) return null;
  const bytes = await archive.read(entry.name, MOST_MARKUP);
  return bytes.ok ? textOf(bytes.value) : null;
}

/** A page as markup; null where it is missing or not well-formed. */
export async function readPage(epub: Epub, path: string): Promise<Page | null> {
  const doc = parseMarkup(await readText(epub, path), 'application/xhtml+xml');
  if (!doc) return null;
  const exists = (file: string): boolean => epub.files.has(file);
  const shown = [
    ...named(doc, 'img').map((element) => ({ kind: 'img' as const, element, href: element.getAttribute('src') })),
    ...named(doc, 'image').map((element) => ({ kind: 'svg' as const, element, href: svgHref(element) })),
  ].flatMap(({ kind, element, href }) => {
    const file = href === null ? null : resolveHref(path, href, exists);
    return file === null ? [] : [{ kind, element, path: file }];
  });
  const body = named(doc, 'body')[0] ?? doc.documentElement;
  return { path, doc, shown, letters: (body?.textContent ?? '').replace(/\s+/g, '').length };
}

const svgHref = (element: Element): string | null =>
  element.getAttributeNS(NS.xlink, 'href') ?? element.getAttribute('xlink:href') ?? element.getAttribute('href');

/** A page that shows one picture and hardly a word is a cover page. */
export const isCoverPage = (page: Page): boolean =>
  new Set(page.shown.map((one) => one.path)).size === 1 && page.letters <= 40;

export type CoverImage = { readonly path: string; readonly widthPx: number; readonly heightPx: number };

/** Makes a page show another picture in the place of one, whole and in its own ratio, with these words for it. */
export function showInstead(page: Page, old: string | null, cover: CoverImage, alt: string): void {
  const width = String(cover.widthPx);
  const height = String(cover.heightPx);
  const href = hrefTo(page.path, cover.path);
  for (const { kind, element, path } of page.shown) {
    if (old !== null && path !== old) continue;
    if (kind === 'img') {
      element.setAttribute('src', href);
      element.setAttribute('alt', alt);
      // Sizes that were right for another picture would press this one out of its ratio.
      const sized = ['width', 'height', 'srcset', 'sizes', 'style'].filter((name) => element.hasAttribute(name));
      for (const name of sized) element.removeAttribute(name);
      if (sized.length > 0) element.setAttribute('style', 'max-width: 100%; max-height: 100%;');
      continue;
    }
    for (const name of ['xlink:href', 'href']) if (element.hasAttribute(name)) element.setAttribute(name, href);
    if (element.hasAttributeNS(NS.xlink, 'href')) element.setAttributeNS(NS.xlink, 'xlink:href', href);
    element.setAttribute('width', width);
    element.setAttribute('height', height);
    for (const name of ['x', 'y', 'transform', 'preserveAspectRatio']) element.removeAttribute(name);
    const frame = svgAround(element);
    if (!frame) continue;
    frame.setAttribute('viewBox', `0 0 ${width} ${height}`);
    frame.setAttribute('preserveAspectRatio', 'xMidYMid meet');
    if (!/%\s*$/.test(frame.getAttribute('width') ?? '%')) frame.setAttribute('width', '100%');
    if (!/%\s*$/.test(frame.getAttribute('height') ?? '%')) frame.setAttribute('height', '100%');
    const title = named(frame, 'title')[0];
    if (title) title.textContent = alt;
    else frame.setAttribute('aria-label', alt);
  }
  for (const meta of named(page.doc, 'meta')) {
    if (meta.getAttribute('name') === 'viewport' && /width\s*=\s*\d/.test(meta.getAttribute('content') ?? ''))
      meta.setAttribute('content', `width=${width}, height=${height}`);
  }
}

function svgAround(element: Element): Element | null {
  let at = element.parentNode as Element | null;
  while (at && at.nodeType === 1 && at.localName !== 'svg') at = at.parentNode as Element | null;
  return at?.nodeType === 1 ? at : null;
}

export type NewPage = {
  readonly version: 2 | 3;
  readonly href: string;
  readonly alt: string;
  readonly title: string;
  readonly lang: string;
  /** Pixels of the picture where pages of the book have a fixed layout. */
  readonly viewport: { readonly widthPx: number; readonly heightPx: number } | null;
};

/** A page that shows the whole cover on any screen, never cut and never larger than the screen. */
export function coverPage({ version, href, alt, title, lang, viewport }: NewPage): string {
  const three = version === 3;
  const language = lang ? ` xml:lang="${xml(lang)}"${three ? ` lang="${xml(lang)}"` : ''}` : '';
  const doctype = three
    ? '<!DOCTYPE html>'
    : '<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.1//EN" "http://www.w3.org/TR/xhtml11/DTD/xhtml11.dtd">';
  const size = viewport
    ? `\n    <meta name="viewport" content="width=${viewport.widthPx}, height=${viewport.heightPx}"/>`
    : '';
  return `<?xml version="1.0" encoding="UTF-8"?>
${doctype}
<html xmlns="${NS.xhtml}"${three ? ` xmlns:epub="${NS.ops}"` : ''}${language}>
  <head>${three ? '\n    <meta charset="utf-8"/>' : ''}
    <title>${xml(title)}</title>${size}
    <style type="text/css">
      html, body { margin: 0; padding: 0; height: 100%; }
      .cover { height: 100%; height: 100vh; margin: 0; padding: 0; text-align: center; page-break-inside: avoid; }
      .cover img { max-width: 100%; max-height: 100%;${three ? ' object-fit: contain;' : ''} }
    </style>
  </head>
  <body${three ? ' epub:type="cover"' : ''}>
    <div class="cover"><img src="${xml(href)}" alt="${xml(alt)}"${three ? ' role="doc-cover"' : ''}/></div>
  </body>
</html>
`;
}
