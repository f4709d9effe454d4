/** Bytes in base 64 (RFC 4648), a part at a time: a whole picture would be too many arguments. */
export function base64(bytes: Uint8Array): string {
  let text = '';
  for (let i = 0; i < bytes.length; i += 0x6000) text += String.fromCharCode(...bytes.subarray(i, i + 0x6000));
  return btoa(text);
}
