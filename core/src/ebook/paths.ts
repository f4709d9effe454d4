/** The folder of a path within an archive: empty, or ending in a slash. */
export const folderOf = (path: string): string => path.slice(0, path.lastIndexOf('/') + 1);

const decoded = (text: string): string => {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
};

/** Joins a folder and a relative path; dots are worked out, and nothing climbs above the root. */
function join(folder: string, path: string): string {
  const parts: string[] = [];
  for (const part of `${path.startsWith('/') ? '' : folder}${path}`.split('/')) {
    if (part === '..') parts.pop();
    else if (part !== '' && part !== '.') parts.push(part);
  }
  return parts.join('/');
}

/**
 * The file that an href of a document names: decoded exactly once, without fragment and query. Where there is no such file
 * but one whose name is the href as it is written, it is that: some writers forget to encode. Null for other addresses.
 */
export function resolveHref(from: string, href: string, exists: (path: string) => boolean): string | null {
  const plain = href.trim().replace(/[?#].*$/s, '');
  if (plain === '' || /^[a-z][a-z0-9+.-]*:/i.test(plain)) return null;
  const path = join(folderOf(from), decoded(plain));
  if (exists(path)) return path;
  const literal = join(folderOf(from), plain);
  return exists(literal) ? literal : path;
}

/** How a document names a file, encoded once. */
export function hrefTo(from: string, path: string): string {
  const here = folderOf(from).split('/').slice(0, -1);
  const there = path.split('/');
  let same = 0;
  while (same < here.length && same < there.length - 1 && here[same] === there[same]) same++;
  return [...here.slice(same).map(() => '..'), ...there.slice(same).map(encodeURIComponent)].join('/');
}

/** A path that is not taken yet: "cover.jpg", "cover-2.jpg", ... Names that differ only in case count as taken. */
export function freePath(folder: string, stem: string, ending: string, taken: (path: string) => boolean): string {
  for (let n = 1; ; n++) {
    const path = `${folder}${stem}${n === 1 ? '' : `-${n}`}.${ending}`;
    if (!taken(path)) return path;
  }
}
