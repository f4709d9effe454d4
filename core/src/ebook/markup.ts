import { hasIllegalXml, legalXml } from '../base';
import { DOMParser, type Document, type Element, XMLSerializer } from '@xmldom/xmldom';

/** Most bytes of one text file of a book that is read as markup. */
export const MOST_MARKUP = 24 * 1024 * 1024;

export const NS = {
  opf: 'http://www.idpf.org/2007/opf',
  dc: 'http://purl.org/dc/elements/1.1/',
  ops: 'http://www.idpf.org/2007/ops',
  xhtml: 'http://www.w3.org/1999/xhtml',
  svg: 'http://www.w3.org/2000/svg',
  xlink: 'http://www.w3.org/1999/xlink',
} as const;

/** Text of a file by its byte order mark, else by the encoding it declares, else UTF-8; null where that is not known. */
export function textOf(bytes: Uint8Array): string | null {
  const declared = /^[^<]*<\?xml[^>]*encoding\s*=\s*["']([\w.:-]{1,40})["']/.exec(ascii(bytes.subarray(0, 200)))?.[1];
  const label =
    bytes[0] === 0xff && bytes[1] === 0xfe
      ? 'utf-16le'
      : bytes[0] === 0xfe && bytes[1] === 0xff
        ? 'utf-16be'
        : bytes[0] === 0xef && bytes[1] === 0xbb
          ? 'utf-8'
          : (declared ?? 'utf-8');
  try {
    return new TextDecoder(label).decode(bytes).replace(/^\ufeff/, '');
  } catch {
    return null;
  }
}

const ascii = (bytes: Uint8Array): string => String.fromCharCode(...bytes);

/**
 * Parses markup of a book; null where it is no well-formed XML, or declares entities: a table of those has no place in a
 * book and can unfold without end. The few that every reader knows (&nbsp; and such) are understood in pages.
 */
export function parseMarkup(
  text: string | null,
  type: 'text/xml' | 'application/xhtml+xml' = 'text/xml',
): Document | null {
  if (!text || /<!ENTITY/i.test(text) || hasIllegalXml(text) || tooDeep(text)) return null;
  try {
    let broken = false;
    const parser = new DOMParser({ onError: (level) => void (broken ||= level !== 'warning') });
    const doc = parser.parseFromString(text, type);
    return broken || !doc.documentElement ? null : doc;
  } catch {
    return null;
  }
}

/** How deep elements of a page may lie in each other, and how many a page may have: a book has far fewer, an attack far more. */
const MOST_DEPTH = 400;
const MOST_TAGS = 400_000;

/** True where markup is nested or filled beyond all books: told by its tags alone, before it is parsed. */
function tooDeep(text: string): boolean {
  let [depth, tags] = [0, 0];
  for (let at = text.indexOf('<'); at >= 0; at = text.indexOf('<', at + 1)) {
    const next = text.charCodeAt(at + 1);
    if (next === 0x21 || next === 0x3f) continue;
    if (++tags > MOST_TAGS) return true;
    if (next === 0x2f) depth--;
    else {
      const end = text.indexOf('>', at);
      if (end < 0 || text.charCodeAt(end - 1) !== 0x2f) depth++;
    }
    if (depth > MOST_DEPTH) return true;
  }
  return false;
}

/** A document as UTF-8 with a declaration that says so, without what XML forbids. */
export function writeMarkup(doc: Document): Uint8Array<ArrayBuffer> {
  const text = legalXml(new XMLSerializer().serializeToString(doc)).replace(/^\s*<\?xml[^>]*\?>\s*/, '');
  return new TextEncoder().encode(`<?xml version="1.0" encoding="UTF-8"?>\n${text}\n`);
}

/** Elements of a local name, in any namespace or none: many books leave namespaces out. */
export function named(within: Document | Element, name: string): Element[] {
  const found: Element[] = [];
  const walk = (node: { childNodes: ArrayLike<unknown> }): void => {
    for (const child of Array.from(node.childNodes)) {
      const one = child as Element;
      if (one.nodeType !== 1) continue;
      if ((one.localName ?? one.nodeName) === name) found.push(one);
      walk(one);
    }
  };
  walk(within);
  return found;
}

export const words = (attribute: string | null): string[] => (attribute ?? '').split(/\s+/).filter(Boolean);

/** Adds an element after the last of its siblings, on a line of its own. */
export function append(parent: Element, child: Element): void {
  const doc = parent.ownerDocument;
  if (!doc) return;
  const last = parent.lastChild;
  const indent =
    parent.firstChild?.nodeType === 3 ? (/\n[ \t]*$/.exec(parent.firstChild.nodeValue ?? '')?.[0] ?? '') : '';
  if (last?.nodeType === 3 && indent) {
    parent.insertBefore(doc.createTextNode(indent), last);
    parent.insertBefore(child, last);
  } else parent.appendChild(child);
}

/** Takes an element out, with the white space before it. */
export function remove(element: Element): void {
  const before = element.previousSibling;
  if (before?.nodeType === 3 && !(before.nodeValue ?? '').trim()) before.parentNode?.removeChild(before);
  element.parentNode?.removeChild(element);
}
