/** A value of a content stream (ISO 32000, 7.8.2). */
export type Operand =
  | number
  | { readonly kind: 'name'; readonly name: string }
  | { readonly kind: 'string'; readonly bytes: Uint8Array }
  | readonly Operand[]
  | null;

const SPACE = new Set([0, 9, 10, 12, 13, 32]);
const DELIMITER = new Set([...'()<>[]{}/%'].map((ch) => ch.charCodeAt(0)));
const ends = (byte: number | undefined): boolean => byte === undefined || ENDS[byte] === 1;
/** Bytes that end a word, and what each is as a digit of sixteen, or -1. */
const ENDS = Uint8Array.from({ length: 256 }, (_, byte) => (SPACE.has(byte) || DELIMITER.has(byte) ? 1 : 0));
const HEX = Int8Array.from({ length: 256 }, (_, byte) =>
  '0123456789abcdef'.indexOf(String.fromCharCode(byte).toLowerCase()),
);
const MOST_DEPTH = 40;
const ESCAPES: Readonly<Record<string, number>> = { n: 10, r: 13, t: 9, b: 8, f: 12 };

/** Reads a content stream, operator by operator; what is damaged is passed over. */
export class Operators {
  #at = 0;
  constructor(readonly bytes: Uint8Array) {}

  *[Symbol.iterator](): Generator<{ readonly op: string; readonly operands: readonly Operand[] }> {
    let operands: Operand[] = [];
    for (;;) {
      this.#skip();
      const byte = this.bytes[this.#at];
      if (byte === undefined) return;
      const word = this.#value(0);
      if (typeof word !== 'string') {
        if (operands.length < 4000) operands.push(word);
        continue;
      }
      if (word === 'BI') this.#passImage();
      yield { op: word, operands };
      operands = [];
    }
  }

  #skip(): void {
    for (;;) {
      const byte = this.bytes[this.#at];
      if (byte === undefined) return;
      if (byte <= 32 && ENDS[byte] === 1) this.#at++;
      else if (byte === 0x25) {
        while (this.#at < this.bytes.length && this.bytes[this.#at] !== 10 && this.bytes[this.#at] !== 13) this.#at++;
      } else return;
    }
  }

  /** A value, or the letters of an operator. */
  #value(depth: number): Operand | string {
    const { bytes } = this;
    switch (bytes[this.#at]) {
      case 0x2f:
        return { kind: 'name', name: this.#name() };
      case 0x28:
        return { kind: 'string', bytes: this.#literal() };
      case 0x3c:
        return bytes[this.#at + 1] === 0x3c ? this.#list(2, depth) : { kind: 'string', bytes: this.#hex() };
      case 0x5b:
        return this.#list(1, depth);
      case 0x5d:
      case 0x3e:
      case 0x29:
      case 0x7b:
      case 0x7d:
        this.#at++;
        return null;
      default:
        return this.#word();
    }
  }

  /** A number, or the letters of an operator. */
  #word(): Operand | string {
    const { bytes } = this;
    const start = this.#at;
    let at = start;
    const sign = bytes[at] === 0x2d ? -1 : 1;
    if (bytes[at] === 0x2d || bytes[at] === 0x2b) at++;
    let [value, share, digits] = [0, 0, 0];
    for (; ; at++) {
      const byte = bytes[at];
      if (byte >= 48 && byte <= 57) {
        digits++;
        if (share === 0) value = value * 10 + byte - 48;
        else {
          value += (byte - 48) * share;
          share /= 10;
        }
      } else if (byte === 0x2e && share === 0) share = 0.1;
      else break;
    }
    const number = digits > 0;
    while (!ENDS[bytes[at] ?? 0]) at++;
    this.#at = at;
    if (number) return sign * value;
    let word = '';
    for (let i = start; i < Math.min(at, start + 60); i++) word += String.fromCharCode(bytes[i]);
    return word === 'true' || word === 'false' || word === 'null' ? null : word;
  }

  /** An array, or a dictionary as the list of its keys and values. */
  #list(width: 1 | 2, depth: number): Operand[] {
    this.#at += width;
    const list: Operand[] = [];
    for (;;) {
      this.#skip();
      const byte = this.bytes[this.#at];
      if (byte === undefined) return list;
      if (byte === (width === 1 ? 0x5d : 0x3e)) {
        this.#at += width;
        return list;
      }
      if (depth > MOST_DEPTH) {
        this.#at++;
        continue;
      }
      const value = this.#value(depth + 1);
      list.push(typeof value === 'string' ? null : value);
    }
  }

  #name(): string {
    const start = ++this.#at;
    while (!ends(this.bytes[this.#at])) this.#at++;
    const raw = String.fromCharCode(...this.bytes.subarray(start, Math.min(this.#at, start + 200)));
    return raw.replace(/#([0-9a-f]{2})/gi, (_, code: string) => String.fromCharCode(Number.parseInt(code, 16)));
  }

  #literal(): Uint8Array {
    const out: number[] = [];
    let depth = 0;
    for (;;) {
      const byte = this.bytes[this.#at++];
      if (byte === undefined) break;
      if (byte === 0x28 && depth++ === 0) continue;
      if (byte === 0x29 && --depth === 0) break;
      if (byte !== 0x5c) {
        out.push(byte);
        continue;
      }
      const next = this.bytes[this.#at++];
      const ch = String.fromCharCode(next ?? 0);
      if (ch >= '0' && ch <= '7') {
        let code = next - 48;
        for (let i = 0; i < 2 && this.bytes[this.#at] >= 48 && this.bytes[this.#at] <= 55; i++)
          code = code * 8 + this.bytes[this.#at++] - 48;
        out.push(code & 255);
      } else if (ch === '\r') {
        if (this.bytes[this.#at] === 10) this.#at++;
      } else if (ch !== '\n' && next !== undefined) out.push(ESCAPES[ch] ?? next);
    }
    return Uint8Array.from(out);
  }

  #hex(): Uint8Array {
    const { bytes } = this;
    const out: number[] = [];
    let [high, at] = [-1, this.#at + 1];
    for (; at < bytes.length && bytes[at] !== 0x3e; at++) {
      const digit = HEX[bytes[at]];
      if (digit < 0) continue;
      if (high < 0) high = digit;
      else {
        out.push(high * 16 + digit);
        high = -1;
      }
    }
    if (high >= 0) out.push(high * 16);
    this.#at = at + 1;
    return Uint8Array.from(out);
  }

  /** Passes over a picture that lies in the stream: its end stands between white space, before something that can be read. */
  #passImage(): void {
    const { bytes } = this;
    for (; this.#at < bytes.length; this.#at++)
      if (bytes[this.#at] === 0x49 && bytes[this.#at + 1] === 0x44 && ends(bytes[this.#at + 2])) break;
    for (this.#at += 3; this.#at < bytes.length; this.#at++) {
      if (bytes[this.#at] !== 0x45 || bytes[this.#at + 1] !== 0x49) continue;
      if (!SPACE.has(bytes[this.#at - 1]) || !ends(bytes[this.#at + 2])) continue;
      const next = bytes.subarray(this.#at + 2, this.#at + 12);
      // Data of a picture may hold these letters; text of a stream follows only the real end.
      if (next.every((byte) => SPACE.has(byte) || (byte >= 32 && byte < 127))) {
        this.#at += 2;
        return;
      }
    }
  }
}
