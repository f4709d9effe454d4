import { base64, xml } from '../base';
import type { Element, Node } from '@xmldom/xmldom';
import { formatOf } from '../image-file';
import type { Epub } from './open-epub';
import { named } from './markup';
import { readPage, readText } from './pages';
import { resolveHref } from './paths';

/** Elements of a page that a reader of ours shows; everything else is left out, scripts and forms with all they hold. */
const SHOWN = new Set(
  (
    'a abbr aside b bdi bdo blockquote br caption cite code col colgroup dd del dfn div dl dt em figcaption figure footer h1 h2 h3 h4 h5 h6 ' +
    'header hr i img ins kbd li main mark nav ol p pre q rp rt ruby s samp section small span strong sub sup table tbody td tfoot th thead tr u ul var wbr ' +
    'svg g image title desc path rect circle ellipse line polygon polyline text tspan'
  ).split(' '),
);
/** Elements whose content is no text for people. */
const DROPPED = new Set([
  'script',
  'style',
  'iframe',
  'object',
  'embed',
  'form',
  'audio',
  'video',
  'template',
  'noscript',
  'foreignobject',
]);
const ATTRIBUTES = new Set(
  (
    'alt aria-label class colspan dir id lang role rowspan style title width height viewbox preserveaspectratio x y d fill stroke stroke-width ' +
    'points cx cy r rx ry x1 x2 y1 y2 transform text-anchor font-size start value'
  ).split(' '),
);

/** Most bytes of pictures that one page is shown with. */
const MOST_PICTURES = 24 * 1024 * 1024;
const MOST_STYLES = 400_000;
const MOST_DEPTH = 200;

/** Functions of CSS that take an address, in every spelling with a maker's prefix. */
const FETCHING = /(?:-\w+-)?(?:url|src|image|image-set|cross-fade|element|paint|attr|env|var)\s*\(/i;

/** Takes out calls of such functions with all that is between their brackets, however deep those are nested. */
function withoutFetching(css: string): string {
  let left = css;
  let out = '';
  for (let found = FETCHING.exec(left); found; found = FETCHING.exec(left)) {
    out += `${left.slice(0, found.index)}none`;
    let at = found.index + found[0].length;
    for (let depth = 1; depth > 0 && at < left.length; at++) {
      if (left[at] === '(') depth++;
      else if (left[at] === ')') depth--;
    }
    left = left.slice(at);
  }
  return out + left;
}

/** An escape of CSS: up to six hexadecimal digits and a space, or any character. */
const ESCAPE = /\\(?:([0-9a-f]{1,6})\s?|([\s\S])|$)/gi;
const unescaped = (_: string, digits?: string, plain?: string): string =>
  digits ? String.fromCodePoint(Math.min(0x10ffff, Number.parseInt(digits, 16) || 0xfffd)) : (plain ?? '');

/** Styles without anything that could fetch, and without what would leave the page. Escapes are read first: they could hide a name. */
const safeStyle = (css: string): string =>
  withoutFetching(css.replace(/\/\*[\s\S]*?\*\//g, '').replace(ESCAPE, unescaped))
    .replace(/@(import|font-face|charset|namespace)[^;{]*(\{[^}]*\}|;)/gi, '')
    .replace(/expression|behaviou?r|-moz-binding|javascript:|<|\\/gi, '')
    .replace(/position\s*:\s*fixed/gi, 'position: static');

const TYPES = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' } as const;

/**
 * A page of a book as one document that can harm nobody: only known elements and attributes, pictures of the book as data,
 * styles without addresses, links that lead nowhere, and a policy that forbids everything else. Null where it cannot be read.
 */
export async function readerPage(epub: Epub, path: string): Promise<string | null> {
  const page = await readPage(epub, path);
  if (!page) return null;
  let room = MOST_PICTURES;
  const pictures = new Map<string, string>();
  for (const { path: file } of page.shown) {
    const entry = epub.files.get(file);
    if (!entry || pictures.has(file) || entry.bytes > room) continue;
    const bytes = await epub.archive.read(entry.name, room);
    const format = bytes.ok ? formatOf(bytes.value) : null;
    if (!bytes.ok || typeof format !== 'string') continue;
    room -= bytes.value.length;
    pictures.set(file, `data:${TYPES[format]};base64,${base64(bytes.value)}`);
  }
  const exists = (file: string): boolean => epub.files.has(file);
  const dataOf = (href: string | null): string | undefined => {
    const file = href === null ? null : resolveHref(path, href, exists);
    return file === null ? undefined : pictures.get(file);
  };
  const write = (node: Node, depth: number): string => {
    if (node.nodeType === 3) return xml(node.nodeValue ?? '');
    if (node.nodeType !== 1 || depth > MOST_DEPTH) return '';
    const element = node as Element;
    const name = (element.localName ?? element.nodeName).toLowerCase();
    if (DROPPED.has(name)) return '';
    const inner = Array.from(element.childNodes)
      .map((child) => write(child, depth + 1))
      .join('');
    if (!SHOWN.has(name)) return inner;
    let attributes = '';
    for (const one of Array.from(element.attributes)) {
      const key = (one.localName ?? one.nodeName).toLowerCase();
      if (key === 'style') attributes += ` style="${xml(safeStyle(one.value))}"`;
      else if (ATTRIBUTES.has(key) && !FETCHING.test(one.value))
        attributes += ` ${key === 'viewbox' ? 'viewBox' : key === 'preserveaspectratio' ? 'preserveAspectRatio' : key}="${xml(one.value)}"`;
    }
    if (name === 'img') return `<img${attributes} src="${dataOf(element.getAttribute('src')) ?? ''}">`;
    if (name === 'image') {
      const shown = dataOf(element.getAttribute('xlink:href') ?? element.getAttribute('href'));
      return shown ? `<image${attributes} href="${shown}"/>` : '';
    }
    if (name === 'br' || name === 'hr' || name === 'wbr' || name === 'col') return `<${name}${attributes}>`;
    return `<${name}${attributes}>${inner}</${name}>`;
  };
  const body = named(page.doc, 'body')[0];
  const styles = await stylesOf(epub, path, page.doc);
  return `<!DOCTYPE html><html><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src data:; style-src 'unsafe-inline'"><style>${styles}</style></head><body style="${xml(safeStyle(body?.getAttribute('style') ?? ''))}" class="${xml(body?.getAttribute('class') ?? '')}">${
    body
      ? Array.from(body.childNodes)
          .map((child) => write(child, 0))
          .join('')
      : ''
  }</body></html>`;
}

async function stylesOf(epub: Epub, path: string, doc: Parameters<typeof named>[0]): Promise<string> {
  let css = '';
  for (const link of named(doc, 'link')) {
    if (!/stylesheet/i.test(link.getAttribute('rel') ?? '')) continue;
    const file = resolveHref(path, link.getAttribute('href') ?? '', (p) => epub.files.has(p));
    css += (file === null ? null : await readText(epub, file)) ?? '';
  }
  for (const style of named(doc, 'style')) css += style.textContent ?? '';
  return safeStyle(css.slice(0, MOST_STYLES));
}

/** Pages of a book in their order, cover first where it is; those that readers skip are left out. */
export const readerPages = ({ pkg, files }: Epub): string[] =>
  pkg.spine.flatMap(({ element, item }) =>
    item && files.has(item.path) && element.getAttribute('linear') !== 'no' ? [item.path] : [],
  );
