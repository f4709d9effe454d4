/** Text made safe for XML content and quoted attributes; characters that XML 1.0 forbids are dropped. */
export function xml(text: string): string {
  return [...text]
    .filter((ch) => {
      const c = ch.codePointAt(0) ?? 0;
      return (
        c === 9 || c === 10 || c === 13 || (c >= 0x20 && c !== 0xfffe && c !== 0xffff && !(c >= 0xd800 && c <= 0xdfff))
      );
    })
    .join('')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;');
}
