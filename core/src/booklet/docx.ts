import { zipSync } from 'fflate';
import { openArchive } from '../archive';
import { type Result, fail, ok } from '../base';

/** A document of a word processor as a page of the web, with its pictures by the names under which it shows them. */
export type DocxText = {
  readonly html: string;
  readonly pictures: readonly { readonly name: string; readonly bytes: Uint8Array<ArrayBuffer> }[];
};

const MIB = 1024 * 1024;
export const MOST_DOCX = 100 * MIB;
/** Markup of the text, and all that is unpacked in one. */
const MOST_PART = 40 * MIB;
const MOST_ALL = 240 * MIB;

/** The parts that say something of a text: no macros, no embedded files, no fonts. */
const READ =
  /^(\[Content_Types\]\.xml|_rels\/\.rels|word\/[\w.-]+\.xml|word\/_rels\/[\w.-]+\.rels|word\/media\/[\w.-]+)$/i;
/** The part that holds the words. */
const BODY = ['word/document', 'xml'].join('.');
const STYLES = [
  "p[style-name='Title'] => h1:fresh",
  "p[style-name='Subtitle'] => p:fresh",
  "p[style-name='Quote'] => blockquote > p:fresh",
  "p[style-name='Intense Quote'] => blockquote > p:fresh",
];

/**
 * Reads a DOCX: words with their styles, as accepted changes leave them. Only the parts that hold text and pictures are unpacked, bounded,
 * and handed on. Faults: those of `openArchive`, `text-format`, `text-long`.
 */
export async function readDocx(file: Blob): Promise<Result<DocxText>> {
  if (file.size > MOST_DOCX) return fail('text-format');
  const archive = await openArchive(file);
  if (!archive.ok) return archive;
  const parts: Record<string, Uint8Array> = {};
  let all = 0;
  for (const { name } of archive.value.entries) {
    if (!READ.test(name)) continue;
    const read = await archive.value.read(name, MOST_PART);
    if (!read.ok) return read;
    all += read.value.length;
    if (all > MOST_ALL) return fail('zip-large', { name, most: MOST_ALL / MIB });
    parts[name] = read.value;
  }
  if (!parts[BODY]) return fail('text-format');
  const bytes = zipSync(parts, { level: 0 }) as Uint8Array<ArrayBuffer>;
  const pictures: { name: string; bytes: Uint8Array<ArrayBuffer> }[] = [];
  try {
    const { default: mammoth } = await import('mammoth');
    // A browser asks for the one, Node for the other.
    const input = { arrayBuffer: bytes.buffer, buffer: bytes } as unknown as { arrayBuffer: ArrayBuffer };
    const { value } = await mammoth.convertToHtml(input, {
      styleMap: STYLES,
      externalFileAccess: false,
      convertImage: mammoth.images.imgElement(async (image) => {
        const name = `picture-${pictures.length + 1}`;
        pictures.push({ name, bytes: new Uint8Array(await image.readAsArrayBuffer()) });
        return { src: name };
      }),
    });
    return ok({ html: value, pictures });
  } catch {
    return fail('text-format');
  }
}
