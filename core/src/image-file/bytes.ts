/** Big-endian readers; they throw nothing: past the end they read 0, and callers check lengths first. */
export const u16 = (b: Uint8Array, at: number): number => (b[at] << 8) | b[at + 1];
export const u32 = (b: Uint8Array, at: number): number =>
  ((b[at] << 24) | (b[at + 1] << 16) | (b[at + 2] << 8) | b[at + 3]) >>> 0;
export const u16le = (b: Uint8Array, at: number): number => b[at] | (b[at + 1] << 8);
export const u24le = (b: Uint8Array, at: number): number => b[at] | (b[at + 1] << 8) | (b[at + 2] << 16);
export const u32le = (b: Uint8Array, at: number): number => (u24le(b, at) | (b[at + 3] << 24)) >>> 0;

export function put32(b: Uint8Array, at: number, value: number): void {
  b[at] = value >>> 24;
  b[at + 1] = value >>> 16;
  b[at + 2] = value >>> 8;
  b[at + 3] = value;
}

export function ascii(b: Uint8Array, at: number, length: number): string {
  let text = '';
  for (let i = at; i < Math.min(b.length, at + length); i++) text += String.fromCharCode(b[i]);
  return text;
}

export const bytesOf = (text: string): Uint8Array<ArrayBuffer> => Uint8Array.from(text, (ch) => ch.charCodeAt(0) & 255);

export function concat(parts: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(parts.reduce((n, part) => n + part.length, 0));
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
  }
  return out;
}
