import { type Finding, type Result, fail, ok } from '@yosomi/core/base';
import { checkOpened, openEpub } from '@yosomi/core/ebook';
import { readDelivered } from '@yosomi/core/image-file';
import {
  IMAGE_FILES,
  PLAIN_LEAST,
  PLAIN_MOST,
  examineImage,
  plainFile,
  plainFormatOf,
  repairImage,
  storeImage,
  verdictOf,
} from '@yosomi/core/recipe';
import type { Profile, StoreFormat } from '@yosomi/core/stores';
import { NodeStudio } from '@yosomi/node-kit';
import type { Arguments } from './arguments';
import { type Command, done, flag, wholeFlag, word } from './command';
import { readBytes, readProject, writeBytes } from './files';
import { nowText, storeFlag } from './stores';

const PLAIN_ENDINGS = ['png', 'jpg', 'jpeg', 'webp', 'tif', 'tiff', 'pdf', 'svg'];

/** Grave findings of a file that was made: it is not written then. */
function refusal(findings: readonly Finding[]): ReturnType<typeof fail> | null {
  const failed = findings.filter((f) => f.severity === 'must');
  return failed.length > 0 ? fail('store-refused', { codes: failed.map((f) => f.code).join(', ') }) : null;
}

export const coverExport: Command = {
  name: 'cover export',
  usage: 'cover export BOOK.yosomi --store ID --out F [--stores S.json]',
  flags: ['store', 'out', 'stores'],
  switches: [],
  writes: { out: null },
  async run(args) {
    const file = word(args, 0, 'title file');
    if (!file.ok) return file;
    const target = targetOf(args);
    if (!target.ok) return target;
    const { profile, out, format } = target.value;
    const project = readProject(file.value);
    if (!project.ok) return project;
    const studio = new NodeStudio(project.value.files);
    const made = await storeImage(project.value.book, profile, studio, format);
    if (!made.ok) return made;
    const refused = refusal(made.value.findings);
    if (refused) return refused;
    const written = writeBytes(out, made.value.bytes);
    return written.ok ? done() : written;
  },
};

export const coverSave: Command = {
  name: 'cover save',
  usage: 'cover save BOOK.yosomi --out F [--width W] [--height H]',
  flags: ['out', 'width', 'height'],
  switches: [],
  writes: { out: PLAIN_ENDINGS },
  async run(args) {
    const file = word(args, 0, 'title file');
    if (!file.ok) return file;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const [width, height] = [
      wholeFlag(args, 'width', PLAIN_LEAST, PLAIN_MOST, null),
      wholeFlag(args, 'height', PLAIN_LEAST, PLAIN_MOST, null),
    ];
    if (!width.ok) return width;
    if (!height.ok) return height;
    const project = readProject(file.value);
    if (!project.ok) return project;
    const { book, files } = project.value;
    const { widthPx, heightPx } = book.cover;
    // One side alone keeps the ratio.
    const size = {
      widthPx: width.value ?? Math.round(((height.value ?? heightPx) * widthPx) / heightPx),
      heightPx: height.value ?? Math.round(((width.value ?? widthPx) * heightPx) / widthPx),
    };
    const format = plainFormatOf(out.value);
    if (!format) return fail('ending-wrong', { flag: 'out', found: '', wanted: PLAIN_ENDINGS.join(', ') });
    const made = await plainFile(book, format, size, nowText(), new NodeStudio(files));
    if (!made.ok) return made;
    const written = writeBytes(out.value, made.value.bytes);
    const said = made.value.findings.filter((f) => f.severity !== 'note');
    return written.ok ? done(said.map((f) => `${f.code} ${JSON.stringify(f.data)}`).join('\n')) : written;
  },
};

/** The store, the file and the format that the options name. */
function targetOf(args: Arguments): Result<{ profile: Profile; out: string; format: StoreFormat }> {
  const profile = storeFlag(args);
  if (!profile.ok) return profile;
  const out = flag(args, 'out');
  if (!out.ok) return out;
  const format = formatOf(out.value, profile.value);
  return format.ok ? ok({ profile: profile.value, out: out.value, format: format.value }) : format;
}

/** The format that a file's ending names. Faults: `format-unknown`, `format-not-taken`. */
function formatOf(file: string, profile: Profile): Result<StoreFormat> {
  const ending = /\.(\w+)$/.exec(file)?.[1].toLowerCase() ?? '';
  const spelled = { jpeg: 'jpg', tiff: 'tif' }[ending] ?? ending;
  const format = (Object.keys(IMAGE_FILES) as StoreFormat[]).find((one) => IMAGE_FILES[one][0] === spelled);
  if (!format) return fail('format-unknown', { ending });
  if (profile.formats.includes(format)) return ok(format);
  return fail('format-not-taken', {
    format: format.toUpperCase(),
    store: profile.name,
    wanted: profile.formats.join(', ').toUpperCase(),
  });
}

export const encode: Command = {
  name: 'encode',
  usage: 'encode IN --store ID --out F [--stores S.json] [--json]',
  flags: ['store', 'out', 'stores'],
  switches: ['json'],
  writes: { out: null },
  async run(args) {
    const file = word(args, 0, 'picture');
    if (!file.ok) return file;
    const target = targetOf(args);
    if (!target.ok) return target;
    const { profile, out, format } = target.value;
    const bytes = readBytes(file.value);
    if (!bytes.ok) return bytes;
    const made = await repairImage(bytes.value, profile, new NodeStudio(new Map()), format);
    if (!made.ok) return made;
    const refused = refusal(made.value.findings);
    if (refused) return refused;
    const written = writeBytes(out, made.value.bytes);
    if (!written.ok) return written;
    return done(args.switches.has('json') ? report(profile, {}, made.value.bytes, made.value.findings) : '');
  },
};

function report(profile: Profile, about: object, bytes: Uint8Array, findings: readonly Finding[]): string {
  const verdict = verdictOf(findings);
  return JSON.stringify({ store: profile.id, verdict, file: { ...about, bytes: bytes.length }, findings }, null, 2);
}

export const check: Command = {
  name: 'check',
  usage: 'check FILE --store ID [--stores S.json] [--json]',
  flags: ['store', 'stores'],
  switches: ['json'],
  async run(args) {
    const file = word(args, 0, 'file');
    if (!file.ok) return file;
    const profile = storeFlag(args);
    if (!profile.ok) return profile;
    const bytes = readBytes(file.value);
    if (!bytes.ok) return bytes;
    const read = await examine(bytes.value, profile.value);
    if (!read.ok) return read;
    const { about, findings } = read.value;
    const verdict = verdictOf(findings);
    const print = args.switches.has('json')
      ? report(profile.value, about, bytes.value, findings)
      : [
          `${profile.value.name}: ${verdict}`,
          ...findings.map((f) => `  ${f.severity} ${f.code} ${JSON.stringify(f.data)}`),
        ].join('\n');
    return ok({ print, passed: verdict !== 'fails' });
  },
};

/** What a file is and what the store would say to it: an image by the store's rules, an EPUB by how it holds its cover. */
async function examine(
  bytes: Uint8Array<ArrayBuffer>,
  profile: Profile,
): Promise<Result<{ about: Record<string, string | number>; findings: readonly Finding[] }>> {
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) {
    const opened = await openEpub(new Blob([bytes]));
    if (!opened.ok) return opened;
    const findings = await checkOpened(opened.value, profile.epubPixels ?? undefined);
    return ok({ about: { format: 'epub' }, findings });
  }
  const info = readDelivered(bytes);
  if (!info.ok) return info;
  const { format, widthPx, heightPx } = info.value;
  const found = await examineImage(bytes, profile, new NodeStudio(new Map()));
  return found.ok ? ok({ about: { format, widthPx, heightPx }, findings: found.value.findings }) : found;
}
