/** Letters that decomposition does not take apart, and Cyrillic by the common reading. */
const LETTERS: Record<string, string> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ł: 'l',
  ı: 'i',
  а: 'a',
  б: 'b',
  в: 'v',
  г: 'g',
  д: 'd',
  е: 'e',
  ё: 'yo',
  ж: 'zh',
  з: 'z',
  и: 'i',
  й: 'y',
  к: 'k',
  л: 'l',
  м: 'm',
  н: 'n',
  о: 'o',
  п: 'p',
  р: 'r',
  с: 's',
  т: 't',
  у: 'u',
  ф: 'f',
  х: 'kh',
  ц: 'ts',
  ч: 'ch',
  ш: 'sh',
  щ: 'shch',
  ъ: '',
  ы: 'y',
  ь: '',
  э: 'e',
  ю: 'yu',
  я: 'ya',
  і: 'i',
  ї: 'yi',
  є: 'ye',
  ґ: 'g',
};

/** Most bytes of a stem: file systems take 255 of a whole name, and a letter may have four. */
const MOST_BYTES = 180;
const bytesOf = (text: string): number => new TextEncoder().encode(text).length;

/**
 * A file name stem of lower-case letters, digits and single hyphens, at most `limit` characters and 180 bytes, cut between words where
 * it can be. Latin and Cyrillic letters become plain ones; those of other scripts stay as they are, composed (NFC). "book" when
 * nothing readable is left.
 */
export function slug(text: string, limit = 60): string {
  const plain = [...text.normalize('NFC').toLowerCase()]
    .map((ch) => LETTERS[ch] ?? ch)
    .join('')
    .normalize('NFD')
    .replace(/([a-z])[\u0300-\u036f]+/g, '$1')
    .normalize('NFC')
    .replace(/['’]/g, '')
    .replace(/[^\p{L}\p{M}\p{N}]+/gu, '-')
    // A mark that stands on nothing would stand on the hyphen before it.
    .replace(/(^|-)\p{M}+/gu, '$1')
    .replace(/-{2,}/g, '-')
    .replace(/^-+|-+$/g, '');
  if (plain.length <= limit && bytesOf(plain) <= MOST_BYTES) return plain || 'book';
  const cut = beginning(plain, limit, MOST_BYTES);
  const end = plain[cut.length] === '-' ? cut.length : cut.lastIndexOf('-');
  return (end > limit / 3 ? cut.slice(0, end) : cut).replace(/-+$/, '') || 'book';
}

const letters = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/** The beginning of a text, at most so many characters and bytes: never between the halves of a letter, nor before its marks. */
export function beginning(text: string, characters: number, bytes: number): string {
  let cut = '';
  for (const { segment } of letters.segment(text)) {
    if (cut.length + segment.length > characters || bytesOf(cut + segment) > bytes) break;
    cut += segment;
  }
  return cut;
}

/** Letters and digits of a text as words, without case, accents and the ways of writing a quotation mark. */
export const bareWords = (text: string): string =>
  text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/\p{M}/gu, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
