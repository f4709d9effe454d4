import { type Fault, type Result, fail, ok, slug } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import { type Campaign, type Format, formatsOf, messageFor, stillShares } from '@yosomi/core/promo';
import {
  type Others,
  PROMO_FILES,
  type PromoFormat,
  type PromoWish,
  campaignPage,
  promoJob,
  promoName,
  titleFolders,
  titleStem,
} from '@yosomi/core/recipe';
import { say, sayFault } from '../../messages/say';
import { readOthers } from '../../persist/others';
import { saveBlob, saveFile } from '../../platform/files';
import type { ZipEntry } from '../../work/picture-files';
import { promoMakers } from '../../work/promos';
import { press, presses } from '../../work/workers';

/** "under 500 KB", "0.5 MB" or "500": most bytes of a file; null for no limit. A bare number is in KB. */
export function readLimit(text: string): number | null {
  const found = /(\d+(?:[.,]\d+)?)\s*(kb|mb|k|m|b)?/i.exec(text);
  if (!found) return null;
  const unit = found[2]?.[0].toLowerCase() ?? 'k';
  const bytes = Number(found[1].replace(',', '.')) * { k: 1024, m: 1024 * 1024, b: 1 }[unit as 'k' | 'm' | 'b'];
  return bytes >= 1 ? Math.round(bytes) : null;
}

type Job = {
  readonly book: Book;
  readonly campaign: Campaign;
  readonly others: Others;
  readonly wish: PromoWish;
  readonly signal: AbortSignal;
  readonly onProgress: (done: number) => void;
};

/** All formats of a campaign as files, with a page that shows each with its words. Faults: those of a promo; `name` and `format` say where. */
async function campaignFiles({ book, campaign, others, wish, signal, onProgress }: Job): Promise<Result<ZipEntry[]>> {
  const makers = promoMakers(signal);
  const [ending] = PROMO_FILES[wish.format];
  const formats = formatsOf(campaign);
  const made = new Map<Format, Result<Uint8Array>>();
  let next = 0;
  await Promise.all(
    presses().map(async (own) => {
      while (next < formats.length && !signal.aborted && ![...made.values()].some((one) => !one.ok)) {
        const format = formats[next++];
        const job = await promoJob(makers, book, { campaign, format }, others);
        const file = job.ok ? await own.promoFile(job.value, wish) : job;
        made.set(
          format,
          file.ok
            ? ok(file.value.bytes)
            : { ok: false, fault: { ...file.fault, data: { ...file.fault.data, format: format.name } } },
        );
        onProgress(made.size / (formats.length + 0.5));
      }
    }),
  );
  const entries: ZipEntry[] = [];
  const files = new Map<string, string>();
  for (const format of formats) {
    const file = made.get(format);
    // Only what was stopped has none.
    if (!file) return fail('trace-stopped');
    if (!file.ok) return file;
    const name = `${promoName(book, { campaign, format })}.${ending}`;
    entries.push({ name, bytes: file.value });
    files.set(format.id, name);
  }
  const page = new TextEncoder().encode(campaignPage(book, campaign, files, book.updatedAt.slice(0, 10)));
  return ok([{ name: 'index.html', bytes: page }, ...entries]);
}

async function saveZip(entries: readonly ZipEntry[], name: string, signal: AbortSignal): Promise<boolean> {
  const zip = await press().zip(entries, null);
  if (signal.aborted) return false;
  if (!zip.ok) {
    sayFault(zip.fault);
    return false;
  }
  saveBlob(zip.value, name);
  return true;
}

/** All formats of a campaign in one zip; a format that could not be made is said. */
export async function saveCampaign(job: Job): Promise<void> {
  const { book, campaign, signal } = job;
  const files = await campaignFiles(job);
  if (signal.aborted) return;
  if (!files.ok) return sayFault(files.fault);
  const name = `${titleStem(book)}-${slug(campaign.name, 30) || 'promo'}.zip`;
  const count = formatsOf(campaign).length;
  if (await saveZip(files.value, name, signal))
    say(`Saved ${name} with ${count === 1 ? '1 format' : `${count} formats`}`);
}

/** One message for several titles: a folder for each in one zip. Answers what could not be made, title by title. */
export async function saveForTitles(
  job: Omit<Job, 'book' | 'others'> & { readonly books: readonly Book[] },
): Promise<readonly { readonly title: string; readonly fault: Fault }[]> {
  const { books, campaign, wish, signal, onProgress } = job;
  const entries: ZipEntry[] = [];
  const failed: { title: string; fault: Fault }[] = [];
  const folders = titleFolders(books);
  // What is open may be newer than what is stored.
  const now = new Map(books.map((one) => [one.id, one]));
  for (const [i, book] of books.entries()) {
    const title = book.brief.title.trim() || 'Untitled';
    const files = await campaignFiles({
      book,
      campaign: messageFor(campaign, { has: (id) => (book.assets[id] ?? book.faces[id]) !== undefined }),
      others: new Map([...(await readOthers(book))].map(([id, stored]) => [id, now.get(id) ?? stored])),
      wish,
      signal,
      onProgress: (done) => onProgress((i + done) / books.length),
    });
    if (signal.aborted) return [];
    if (!files.ok) {
      failed.push({ title, fault: files.fault });
      continue;
    }
    const folder = folders.get(book.id);
    entries.push(...files.value.map((one): ZipEntry => ({ ...one, name: `${folder}/${one.name}` })));
  }
  const name = `${slug(campaign.name, 30) || 'promo'}-${books.length - failed.length}-titles.zip`;
  if (entries.length > 0 && (await saveZip(entries, name, signal))) say(`Saved ${name}`);
  return failed;
}

/** One format of a reveal as a series of numbered stills, from hidden to shown, in one zip. */
export async function saveStills(job: Omit<Job, 'wish'> & { readonly format: string }): Promise<void> {
  const { book, campaign, others, signal, onProgress } = job;
  const format = formatsOf(campaign).find((one) => one.id === job.format);
  if (!format) return sayFault({ code: 'campaign-gone', data: {} });
  const makers = promoMakers(signal);
  const shares = stillShares(campaign.reveal.stills);
  const entries: ZipEntry[] = [];
  for (const [i, share] of shares.entries()) {
    const still = { ...campaign, reveal: { ...campaign.reveal, share } };
    const at = { campaign: still, format };
    const ready = await promoJob(makers, book, at, others);
    if (signal.aborted) return;
    if (!ready.ok) return sayFault(ready.fault);
    const file = await press().promoFile(ready.value, { format: 'png', mostBytes: null });
    if (signal.aborted) return;
    if (!file.ok) return sayFault(file.fault);
    const number = String(i + 1).padStart(2, '0');
    entries.push({ name: `${number}-${promoName(book, at)}.png`, bytes: file.value.bytes });
    onProgress((i + 1) / (shares.length + 0.5));
  }
  const name = `${promoName(book, { campaign, format })}-reveal.zip`;
  if (await saveZip(entries, name, signal)) say(`Saved ${name} with ${shares.length} stills`);
}

/** One format as a file. */
export async function saveFormat(job: Omit<Job, 'onProgress'> & { readonly format: string }): Promise<void> {
  const { book, campaign, others, wish, signal } = job;
  const format = formatsOf(campaign).find((one) => one.id === job.format);
  if (!format) return sayFault({ code: 'campaign-gone', data: {} });
  const at = { campaign, format };
  const ready = await promoJob(promoMakers(signal), book, at, others);
  if (signal.aborted) return;
  if (!ready.ok) return sayFault(ready.fault);
  const file = await press().promoFile(ready.value, wish);
  if (signal.aborted) return;
  if (!file.ok) return sayFault(file.fault);
  const [ending, type] = PROMO_FILES[wish.format];
  const name = `${promoName(book, at)}.${ending}`;
  saveFile(file.value.bytes, name, type);
  say(`Saved ${name}`);
}

/** One format as a picture on the clipboard. Browsers take PNG there. */
export async function copyFormat(job: Omit<Job, 'onProgress' | 'wish'> & { readonly format: string }): Promise<void> {
  const { book, campaign, others, signal } = job;
  const format = formatsOf(campaign).find((one) => one.id === job.format);
  if (!format) return sayFault({ code: 'campaign-gone', data: {} });
  const ready = await promoJob(promoMakers(signal), book, { campaign, format }, others);
  if (signal.aborted) return;
  if (!ready.ok) return sayFault(ready.fault);
  const file = await press().promoFile(ready.value, { format: 'png', mostBytes: null });
  if (!file.ok) return sayFault(file.fault);
  try {
    await navigator.clipboard.write([
      new ClipboardItem({ 'image/png': new Blob([file.value.bytes], { type: 'image/png' }) }),
    ]);
    say(`Copied ${format.name.toLowerCase()}`);
  } catch {
    sayFault({ code: 'clipboard-refused', data: {} });
  }
}

export const SAVE_FORMATS: readonly { readonly value: PromoFormat; readonly label: string }[] = [
  { value: 'png', label: 'PNG' },
  { value: 'jpeg', label: 'JPEG' },
  { value: 'webp', label: 'WebP' },
  { value: 'pdf', label: 'PDF' },
];
