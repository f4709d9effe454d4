/** Hands a file to the person's browser to save. */
export const saveFile = (bytes: Uint8Array<ArrayBuffer>, name: string, type: string): void =>
  saveBlob(new Blob([bytes], { type }), name);

export function saveBlob(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

export async function bytesOfFile(file: Blob): Promise<Uint8Array<ArrayBuffer>> {
  return new Uint8Array(await file.arrayBuffer());
}

/** A file name without folders and ending, for a first title. */
export const stemOf = (name: string): string =>
  name
    .replace(/^.*[\\/]/, '')
    .replace(/\.[^.]+$/, '')
    .replace(/[-_]+/g, ' ')
    .trim();
