/** What XML 1.0 forbids in a document, however it is written (production 2, Char). */
const FORBIDDEN = /[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu;

/** Text without the characters that XML 1.0 forbids: what is left can stand in any document. */
export const legalXml = (text: string): string => text.replace(FORBIDDEN, '');

/** True where a text holds a character that no XML document may hold. */
export const hasIllegalXml = (text: string): boolean => {
  FORBIDDEN.lastIndex = 0;
  return FORBIDDEN.test(text);
};

/** Text made safe for XML content and quoted attributes; characters that XML 1.0 forbids are dropped. */
export const xml = (text: string): string =>
  legalXml(text).replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
