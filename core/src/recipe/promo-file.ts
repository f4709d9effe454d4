import { type Finding, type Result, beginning, finding, ok, slug, xml } from '../base';
import { dressJpeg, srgbProfile } from '../image-file';
import { outlinesOnTop } from '../ink';
import { coverPage } from '../pdf';
import { centreOf, rectAround, rotateAbout } from '../plane';
import type { Book } from '../project';
import { type Campaign, OWN_FORMAT, formatsOf } from '../promo';
import { BEST_QUALITY } from '../stores';
import { type Delivered, SCREEN_PPI } from './delivered';
import { pngFile } from './deliverables';
import { encodeWithin } from './encode';
import { type PromoJob, imagesOf } from './make';
import { titleStem } from './names';
import { type PromoAt, composePromo, wordsAt } from './promo';
import type { Studio } from './studio';

export const PROMO_FORMATS = ['png', 'jpeg', 'webp', 'pdf'] as const;
export type PromoFormat = (typeof PROMO_FORMATS)[number];
export const PROMO_FILES: Readonly<Record<PromoFormat, readonly [ending: string, type: string]>> = {
  png: ['png', 'image/png'],
  jpeg: ['jpg', 'image/jpeg'],
  webp: ['webp', 'image/webp'],
  pdf: ['pdf', 'application/pdf'],
};

/** How a promo is wanted as a file; `mostBytes` null sets no limit. */
export type PromoWish = { readonly format: PromoFormat; readonly mostBytes: number | null };

const NO_LIMIT = 500 * 1024 * 1024;
/** Pages are measured in inches: so many pixels each. */
const PAGE_PPI = 300;

/** A promo as a file: sRGB and density, nothing else about it; as a PDF its words stay outlines and its button leads on. What is to be looked at in it is `promoFindings`. Fault: `budget-too-small`. */
export async function promoFile(job: PromoJob, wish: PromoWish, studio: Studio): Promise<Result<Delivered>> {
  const { book, at, others } = job;
  const { widthPx } = at.format;
  const pictures = imagesOf(job.pictures, studio);
  const { composition, images, doc } = await composePromo(book, at, pictures, widthPx, others, studio);
  if (wish.format !== 'pdf') {
    const pixels = studio.paint(composition.ink, widthPx, images);
    // A tenth fewer bytes are not worth two thirds of the time where nobody counts them.
    if (wish.format === 'png' && wish.mostBytes === null) return pngFile(pixels, false);
    const limits = { mostBytes: wish.mostBytes ?? NO_LIMIT, ppi: SCREEN_PPI };
    const made = await encodeWithin(pixels, wish.format, limits, studio);
    return made.ok ? ok({ bytes: made.value.bytes, findings: [] }) : made;
  }
  const { rest, outlines } = outlinesOnTop(composition.ink);
  const picture = studio.paint(rest, widthPx, images);
  const jpeg = dressJpeg(await studio.encodeJpeg(picture, BEST_QUALITY, false), PAGE_PPI, srgbProfile());
  const links = Object.values(doc.parts).flatMap((part) => {
    const frame = composition.frames.get(part.id);
    if (!part.link || part.hidden || !frame || frame.width === 0) return [];
    const { x, y } = centreOf(frame);
    return [{ url: part.link, frame: rectAround(rotateAbout(part.turnRad, x, y), frame) }];
  });
  const { title, author, publisher, language } = book.brief;
  const page = {
    jpeg,
    widthPx: picture.width,
    heightPx: picture.height,
    ppi: PAGE_PPI,
    bleedPx: 0,
    outlines,
    links,
    title: wordsAt(book, at).headline ?? title,
    author,
    publisher,
    language,
    modified: book.updatedAt,
  };
  const notes: Finding[] = links.length > 0 ? [finding('links-live', 'note', null, { count: links.length })] : [];
  return ok({ bytes: await coverPage(page), findings: notes });
}

/** The name of a promo's file, without an ending. */
export const promoName = (book: Book, { campaign, format }: PromoAt): string => {
  const size = `${format.widthPx}x${format.heightPx}`;
  const id = format.id.startsWith(OWN_FORMAT) ? 'own' : format.id;
  // Together they stay under what file systems take, whatever script they are in.
  const title = beginning(titleStem(book), 60, 110).replace(/-+$/, '');
  return `${title}-${beginning(slug(campaign.name, 30), 30, 80) || 'promo'}-${id}-${size}`;
};

/** Words for whoever cannot see a promo: what it says and what it shows. A person's own text comes first. */
export function promoAlt(book: Book, at: PromoAt): string {
  const own = at.campaign.alt[at.format.id];
  if (own !== undefined) return own;
  const { headline, line, by, facts, badge, call, link } = wordsAt(book, at);
  const { title, author, language } = book.brief;
  const sentence = (text: string | undefined): string => (!text ? '' : /[.!?…”»]$/u.test(text) ? text : `${text}.`);
  const english = language.startsWith('en');
  const shown = !title.trim()
    ? ''
    : english
      ? `The book ${title}${author.trim() ? ` by ${author}` : ''}.`
      : `${[title, author].filter((t) => t.trim()).join(', ')}.`;
  const leads = call ? sentence([call, link].filter(Boolean).join(': ')) : sentence(link);
  return [sentence(headline), sentence(by), sentence(line), sentence(facts), sentence(badge), shown, leads]
    .filter(Boolean)
    .join(' ')
    .slice(0, 500);
}

/** The words of a promo to paste beside it. */
export function promoText(book: Book, at: PromoAt): string {
  const { headline, line, by, facts, call, link } = wordsAt(book, at);
  const leads = [call, link].filter(Boolean).join(': ');
  return [headline, by, line, facts, leads].filter(Boolean).join('\n');
}

/** A page that shows every format of a campaign with its words to paste; it has no script and needs nothing but the files beside it. */
export function campaignPage(
  book: Book,
  campaign: Campaign,
  files: ReadonlyMap<string, string>,
  changedAt: string,
): string {
  const { language, title } = book.brief;
  const name = campaign.name.trim() || 'Promo';
  const figures = formatsOf(campaign).flatMap((format) => {
    const file = files.get(format.id);
    if (!file) return [];
    const at = { campaign, format };
    const { widthPx, heightPx } = format;
    return [
      `<section>
<h2>${xml(format.name)} <small>${widthPx} x ${heightPx}</small></h2>
<a href="${xml(file)}"><img src="${xml(file)}" alt="${xml(promoAlt(book, at))}" width="${widthPx}" height="${heightPx}"></a>
<h3>Text to paste</h3>
<pre>${xml(promoText(book, at))}</pre>
<h3>Alt text</h3>
<p>${xml(promoAlt(book, at))}</p>
</section>`,
    ];
  });
  return `<!doctype html>
<html lang="${xml(language)}">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<title>${xml(`${name}: ${title || 'Untitled'}`)}</title>
<style>
body{margin:2rem auto;max-width:60rem;padding:0 1rem;font:1rem/1.5 system-ui,sans-serif;background:#f7f7f5;color:#16181b}
section{margin:2.5rem 0;padding-top:1rem;border-top:1px solid #c9cac8}
h2 small{font-weight:400;color:#55585c}h3{margin:.8rem 0 .2rem;font-size:.85rem;color:#55585c}
img{max-width:100%;max-height:32rem;width:auto;height:auto;display:block}
pre{white-space:pre-wrap;font:inherit;margin:0}
</style>
<h1>${xml(name)}</h1>
<p>${xml(title || 'Untitled')}, as of ${xml(changedAt)}</p>
${figures.join('\n')}
</html>
`;
}
