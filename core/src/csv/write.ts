import Papa from 'papaparse';

/**
 * A table as CSV (RFC 4180, UTF-8 with its mark, so that spreadsheets read its letters right). A cell that a spreadsheet would take for a
 * formula begins with an apostrophe.
 */
export const tableText = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  `\ufeff${Papa.unparse({ fields: [...head], data: rows.map((row) => [...row]) }, { escapeFormulae: /^'*[=+\-@]/, newline: '\r\n' })}\r\n`;
