/** A text as it is searched: without regard to case, to how accents are written, to kinds of quotes, dashes and spaces. */
export type Letters = {
  readonly text: string;
  /** Where each of its units begins and ends in the text as it was. */
  readonly starts: Uint32Array;
  readonly ends: Uint32Array;
};

/** What nobody sees: soft hyphens, marks of zero width, joiners, directions. */
const UNSEEN = /[\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2064\ufeff]/;
const SAME: Readonly<Record<string, string>> = {
  '’': "'",
  '‘': "'",
  ʼ: "'",
  '‛': "'",
  '“': '"',
  '”': '"',
  '„': '"',
  '‐': '-',
  '‑': '-',
  '‒': '-',
  '–': '-',
  '—': '-',
};

export function lettersOf(source: string): Letters {
  let text = '';
  const starts: number[] = [];
  const ends: number[] = [];
  for (let at = 0; at < source.length;) {
    const ch = String.fromCodePoint(source.codePointAt(at) ?? 0);
    const end = at + ch.length;
    if (/\s/.test(ch)) {
      if (text.endsWith(' ')) ends[ends.length - 1] = end;
      else {
        text += ' ';
        starts.push(at);
        ends.push(end);
      }
    } else if (!UNSEEN.test(ch)) {
      const folded = SAME[ch] ?? (ch <= '\u007f' ? ch.toLowerCase() : ch.toLowerCase().normalize('NFKD'));
      text += folded;
      for (let i = 0; i < folded.length; i++) {
        starts.push(at);
        ends.push(end);
      }
    }
    at = end;
  }
  return { text, starts: Uint32Array.from(starts), ends: Uint32Array.from(ends) };
}
