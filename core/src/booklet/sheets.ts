/** The sheets that booklets are made on. Lengths in points (1/72 in); `body` is the size of their text. */
export type Sheet = {
  readonly id: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly body: number;
  /** Margins: at the head, at the foot, and at either side. */
  readonly head: number;
  readonly foot: number;
  readonly side: number;
  /** Read as a bound book: left pages are mirrored. */
  readonly bound: boolean;
};

const MM = 72 / 25.4;

export const SHEETS: readonly Sheet[] = [
  { id: 'letter', name: 'Letter', width: 612, height: 792, body: 11.2, head: 74, foot: 82, side: 66, bound: false },
  { id: 'a4', name: 'A4', width: 210 * MM, height: 297 * MM, body: 11.2, head: 78, foot: 88, side: 62, bound: false },
  { id: 'a5', name: 'A5', width: 148 * MM, height: 210 * MM, body: 9.8, head: 54, foot: 62, side: 46, bound: true },
  { id: '6x9', name: '6 x 9 in', width: 432, height: 648, body: 10.4, head: 58, foot: 66, side: 50, bound: true },
  { id: 'square', name: 'Square', width: 576, height: 576, body: 11.2, head: 58, foot: 64, side: 58, bound: false },
  { id: 'screen', name: 'Screen 16:9', width: 960, height: 540, body: 15, head: 58, foot: 60, side: 76, bound: false },
];
export const SHEET_IDS = ['letter', 'a4', 'a5', '6x9', 'square', 'screen'] as const;
export type SheetId = (typeof SHEET_IDS)[number];
export const findSheet = (id: SheetId): Sheet => SHEETS.find((sheet) => sheet.id === id) ?? SHEETS[0];
