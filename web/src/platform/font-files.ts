import { findCut } from '@yosomi/core/text';
import subsetter from 'harfbuzzjs/dist/harfbuzz-subset.wasm?url';

const urls = import.meta.glob<string>('../../../assets/fonts/*/*.ttf', {
  query: '?url',
  import: 'default',
  eager: true,
});

/** Address of what cuts fonts down. */
export const SUBSETTER_URL = subsetter;

/** Address of a shipped font file. Throws on an unknown cut: documents name shipped ones only. */
export function fontUrl(cut: string): string {
  const file = findCut(cut)?.cut.file;
  const url = file && urls[`../../../assets/fonts/${file}`];
  if (!url) throw new Error(`no such font: ${cut}`);
  return url;
}
