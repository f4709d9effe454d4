import { join } from 'node:path';
import { type Result, change, fail, ok } from '@yosomi/core/base';
import {
  type FilmWish,
  LEAST_SECONDS,
  MOST_SECONDS,
  MOTIONS,
  type Motion,
  gifFilm,
  webpFilm,
} from '@yosomi/core/motion';
import type { Book } from '@yosomi/core/project';
import {
  type Campaign,
  FIELDS,
  FORMATS,
  LOOKS,
  MESSAGE_KINDS,
  type MessageField,
  type MessageKind,
  TONES,
  findFormat,
  formatsOf,
  newCampaign,
  readPrice,
  setField,
  setStyle,
} from '@yosomi/core/promo';
import {
  type Delivered,
  type Makers,
  type Others,
  PROMO_FILES,
  PROMO_FORMATS,
  type PromoAt,
  type PromoFormat,
  campaignPage,
  oneThread,
  imagesOf,
  paintMotion,
  promoFindings,
  promoFile,
  promoJob,
  promoName,
} from '@yosomi/core/recipe';
import { NodeStudio, encodeFrame, momentFile } from '@yosomi/node-kit';
import type { Arguments } from './arguments';
import { type Command, done, flag, wholeFlag, word } from './command';
import { makeFolder, readProject, writeAll } from './files';

/** Options that are fields of the message, as they are typed. */
const TEXTS = ['headline', 'line', 'call', 'link', 'badge', 'quotation', 'name', 'where', 'place'] as const;
const FIELD_FLAGS = [...TEXTS, 'date', 'time', 'days', 'price'] as const;

const oneOf = <T extends string>(args: Arguments, name: string, known: readonly T[]): Result<T | null> => {
  const found = args.flags.get(name);
  if (found === undefined) return ok(null);
  const value = known.find((one) => one === found);
  return value === undefined ? fail('choice-wrong', { flag: name, found, known: known.join(', ') }) : ok(value);
};

/** The message, look and formats that the options ask for, over a campaign of the title or a new one. */
function campaignFrom(args: Arguments, book: Book): Result<Campaign> {
  const named = args.flags.get('campaign');
  const kind = oneOf(args, 'kind', MESSAGE_KINDS);
  if (!kind.ok) return kind;
  const known = Object.values(book.promos);
  const own = known.find((one) => one.id === named || one.name === named);
  if (named !== undefined && !own)
    return fail('choice-wrong', { flag: 'campaign', found: named, known: known.map((one) => one.name).join(', ') });
  const start = own ?? newCampaign('promo', 'Promo', kind.value ?? 'announcement');
  const base: Campaign = { ...start, message: { ...start.message, kind: kind.value ?? start.message.kind } };
  const look = oneOf(
    args,
    'look',
    LOOKS.map((one) => one.id),
  );
  const tone = oneOf(args, 'tone', TONES);
  if (!look.ok) return look;
  if (!tone.ok) return tone;
  const made = change(base, (campaign) => {
    for (const name of FIELD_FLAGS) {
      const text = args.flags.get(name);
      const refused = text === undefined ? undefined : setField(name, valueOf(name, text))(campaign);
      if (refused) return refused;
    }
    if (args.switches.has('free')) campaign.message.free = true;
    return setStyle({
      ...(look.value ? { look: look.value } : {}),
      ...(tone.value ? { tone: tone.value } : {}),
    })(campaign);
  });
  if (!made.ok) return fail('field-wrong', made.fault.data);
  return withFormats(made.value.next, args.flags.get('formats'));
}

function valueOf(name: MessageField, text: string): Parameters<typeof setField>[1] {
  if (name === 'days') return /^\d+$/.test(text) ? Number(text) : -1;
  // What is no price is refused like any field that is not written as it should be.
  return name === 'price' ? (readPrice(text, 'USD') ?? text) : text;
}

function withFormats(campaign: Campaign, wanted: string | undefined): Result<Campaign> {
  if (wanted === undefined) return ok(campaign);
  if (wanted === 'all') return ok({ ...campaign, formats: FORMATS.map((one) => one.id) });
  const ids = wanted.split(',').map((id) => id.trim());
  const unknown = ids.find((id) => !findFormat(id, campaign.own));
  if (unknown !== undefined)
    return fail('choice-wrong', { flag: 'formats', found: unknown, known: FORMATS.map((one) => one.id).join(', ') });
  return ok({ ...campaign, formats: [...new Set(ids)] });
}

const FILMS_HERE = ['gif', 'webp'] as const;
type FilmHere = (typeof FILMS_HERE)[number];

type Made = Promise<Result<Pick<Delivered, 'bytes' | 'findings'>>>;
type Wanted = { readonly makers: Makers; readonly book: Book; readonly at: PromoAt; readonly others: Others };

async function stillFile(
  { makers, book, at, others }: Wanted,
  format: PromoFormat,
  mostBytes: number | null,
  studio: NodeStudio,
): Made {
  const job = await promoJob(makers, book, at, others);
  if (!job.ok) return job;
  const made = await promoFile(job.value, { format, mostBytes }, studio);
  if (!made.ok) return made;
  const seen = await promoFindings(book, at, imagesOf(job.value.pictures, studio), others, studio);
  return ok({ bytes: made.value.bytes, findings: [...made.value.findings, ...seen] });
}

async function filmFile({ makers, book, at, others }: Wanted, motion: Motion, format: FilmHere, wish: FilmWish): Made {
  const moments = momentFile(at.format.widthPx, at.format.heightPx);
  try {
    const painted = await paintMotion(makers, book, at, { motion }, others, { ...wish, put: moments.put });
    if (!painted.ok) return painted;
    const film =
      format === 'gif'
        ? await gifFilm(moments, painted.value, wish)
        : await webpFilm(moments, painted.value, wish, encodeFrame);
    return film.ok ? ok({ bytes: film.value, findings: [] }) : film;
  } finally {
    moments.end();
  }
}

export const promo: Command = {
  name: 'promo',
  usage:
    'promo BOOK.yosomi [OTHER.yosomi]... [--campaign NAME] [--kind K] [--look ID] [--tone T] [--formats all|ID,...] [--headline T] [--line T] [--call T] [--link T] [--badge T] [--quotation T --name T --where T] [--price P | --free] [--date YYYY-MM-DD] [--time HH:MM] [--place T] [--days N] [--as png|jpeg|webp|pdf] [--motion swing|round|light|words|reveal [--seconds N] --as gif|webp] [--max-bytes N] --out DIR',
  flags: ['campaign', 'kind', 'look', 'tone', 'formats', ...FIELD_FLAGS, 'as', 'motion', 'seconds', 'max-bytes', 'out'],
  switches: ['free'],
  async run(args, say) {
    const first = word(args, 0, 'title file');
    if (!first.ok) return first;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const motion = oneOf(args, 'motion', MOTIONS);
    if (!motion.ok) return motion;
    const seconds = wholeFlag(args, 'seconds', LEAST_SECONDS, MOST_SECONDS, null);
    if (!seconds.ok) return seconds;
    // Video is written by browsers alone.
    const format = oneOf<PromoFormat | FilmHere>(args, 'as', motion.value ? FILMS_HERE : PROMO_FORMATS);
    if (!format.ok) return format;
    const most = wholeFlag(args, 'max-bytes', 1000, 500_000_000, null);
    if (!most.ok) return most;
    const files = new Map<string, Uint8Array>();
    const books: Book[] = [];
    for (const file of args.words) {
      const opened = readProject(file);
      if (!opened.ok) return opened;
      books.push(opened.value.book);
      for (const [id, bytes] of opened.value.files) files.set(id, bytes);
    }
    const [book, ...volumes] = books;
    const campaign = campaignFrom(args, book);
    if (!campaign.ok) return campaign;
    const folder = makeFolder(out.value);
    if (!folder.ok) return folder;
    const others = new Map(volumes.map((one) => [one.id, one]));
    const studio = new NodeStudio(files);
    const makers = oneThread(studio);
    const as = format.value ?? (motion.value ? 'gif' : 'png');
    const names = new Map<string, string>();
    for (const one of formatsOf(campaign.value)) {
      const at = { campaign: campaign.value, format: one };
      const wish = { mostBytes: most.value, onProgress: () => {} };
      const own = campaign.value.motion;
      const moves = motion.value && { ...own, kind: motion.value, seconds: seconds.value ?? own.seconds };
      const made = moves
        ? await filmFile({ makers, book, at, others }, moves, as as FilmHere, wish)
        : await stillFile({ makers, book, at, others }, as as PromoFormat, most.value, studio);
      if (!made.ok) return made;
      const name = moves
        ? `${promoName(book, at)}-${moves.kind}.${as}`
        : `${promoName(book, at)}.${PROMO_FILES[as as PromoFormat][0]}`;
      const written = writeAll([[join(out.value, name), made.value.bytes]]);
      if (!written.ok) return written;
      names.set(one.id, name);
      const notes = made.value.findings.filter(({ code }) => code.startsWith('promo-')).map(({ code }) => code);
      say(`${name}  ${made.value.bytes.length} bytes${notes.length > 0 ? `  ${[...new Set(notes)].join(' ')}` : ''}`);
    }
    const page = campaignPage(book, campaign.value, names, book.updatedAt.slice(0, 10));
    const written = writeAll([[join(out.value, 'index.html'), page]]);
    return written.ok ? done(`${names.size} formats, look ${campaign.value.style.look}`) : written;
  },
};

const KIND_FIELDS = (kind: MessageKind): string => FIELDS[kind].join(', ');

export const promoLooks: Command = {
  name: 'promo looks',
  usage: 'promo looks',
  flags: [],
  switches: [],
  run: async () => done(LOOKS.map(({ id, family, name }) => `${id}\t${family}\t${name}`).join('\n')),
};

export const promoFormats: Command = {
  name: 'promo formats',
  usage: 'promo formats',
  flags: [],
  switches: [],
  run: async () =>
    done(
      [
        ...FORMATS.map((f) => `${f.id}\t${f.widthPx} x ${f.heightPx}\tseen ${f.displayPx} px wide\t${f.name}`),
        '',
        ...MESSAGE_KINDS.map((kind) => `${kind}: ${KIND_FIELDS(kind)}`),
      ].join('\n'),
    ),
};
