import type { Book } from '@yosomi/core/project';
import { wordsOf } from '@yosomi/core/book';

const safe = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/"/g, '&quot;');

/**
 * What a cover becomes that is built of words and a picture instead of being one image: a reader sets the words in its own
 * face and size, one under the other, and puts the picture where there is room.
 */
export function reflowedCover({ brief, cover }: Book, picture: string | null): string {
  const ground = Object.values(cover.parts).find((p) => p.kind === 'ground');
  const colour = ground?.kind === 'ground' && ground.paint.kind === 'flat' ? ground.paint.colour : '#ffffff';
  const line = (field: 'series' | 'subtitle' | 'author' | 'publisher', tag: string): string => {
    const text = wordsOf(brief, field).trim();
    return text ? `<${tag}>${safe(text)}</${tag}>` : '';
  };
  const image = picture ? `<img alt="" src="${picture}">` : `<div class="empty" style="background:${colour}"></div>`;
  return `<!DOCTYPE html><html><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src data:; style-src 'unsafe-inline'"><style>
body { font: 22px/1.45 Georgia, serif; margin: 26px; color: #111; }
img, .empty { display: block; width: 62%; height: auto; min-height: 180px; margin: 0 0 14px; }
h1 { font-size: 1.5em; margin: 0.4em 0; }
p { margin: 0.3em 0; }
</style></head><body>${line('series', 'p')}${image}<h1>${safe(brief.title || 'Untitled')}</h1>${line('subtitle', 'p')}${line('author', 'p')}${line('publisher', 'p')}</body></html>`;
}

/** The id of the picture that a cover shows first; null where it is type alone. */
export function firstPicture({ cover }: Book): string | null {
  const part = Object.values(cover.parts).find((p) => p.kind === 'picture' && !p.hidden);
  return part?.kind === 'picture' && part.source.kind === 'asset' ? part.source.asset : null;
}
