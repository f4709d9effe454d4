/** An address that a reader can follow, as it is written; null for what runs something, opens files, or is none. */
export const safeLink = (url: string): string | null =>
  /^(https?:\/\/[^\s/?#]+\S*|mailto:[^\s@]+@\S+)$/i.test(url.trim()) ? url.trim().slice(0, 2000) : null;

/** What somebody types as an address: "example.com/page" and "name@example.com" are meant as what they look like. */
export function typedLink(typed: string): string | null {
  const url = typed.trim();
  if (/^[^\s@/:]+@[^\s@/]+\.\S+$/.test(url)) return safeLink(`mailto:${url}`);
  return safeLink(/^[^\s/:]+\.[^\s/:]{2,}(:\d+)?([/?#]\S*)?$/.test(url) ? `https://${url}` : url);
}
