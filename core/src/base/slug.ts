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

/**
 * A file name stem of lower-case ASCII letters, digits and single hyphens, at most `limit` characters,
 * cut between words where it can be. "book" when nothing readable is left.
 */
export function slug(text: string, limit = 60): string {
  const plain = [...text.normalize('NFC').toLowerCase()]
    .map((ch) => LETTERS[ch] ?? ch)
    .join('')
    .normalize('NFD')
    .replace(/[\u0300-\u036f'’]/g, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  if (plain.length <= limit) return plain || 'book';
  const cut = plain.slice(0, limit + 1);
  const end = cut.lastIndexOf('-');
  return (end > limit / 3 ? cut.slice(0, end) : cut.slice(0, limit)).replace(/-+$/, '');
}

/** Letters and digits of a text as words, without case, accents and the ways of writing a quotation mark. */
export const bareWords = (text: string): string =>
  text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/\p{M}/gu, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
