import type { Flow, Place } from './flow';
import { type Block, type BlockOf, ownWords } from './manuscript';
import type { Panel } from './rows';
import type { Voice } from './setting';

const ownWordsIn = (blocks: readonly Block[]): number => blocks.flatMap(ownWords).join(' ').length;

function inPanel(flow: Flow, kind: Panel['kind'], place: Place, pad: number, voice: Voice, tag: number): Place {
  const panel = flow.panel(kind, place);
  const both = kind === 'bar' || kind === 'quote' ? pad : 2 * pad;
  return {
    ...place,
    x: place.x + pad,
    width: place.width - both,
    panels: [...place.panels, panel],
    tag,
    voice,
    deep: kind === 'deep' || place.deep,
  };
}

/** White within a panel, before its first row or after its last. */
function pad(flow: Flow, steps: number, place: Place, first: boolean): void {
  if (!first) flow.keepNext();
  flow.push({ height: steps, marks: [], panels: place.panels });
  if (first) flow.keepNext();
}

export function putQuote(flow: Flow, { blocks }: BlockOf<'quote'>, place: Place): void {
  const { look, size, colours } = flow.design;
  const tag = flow.tag('BlockQuote', place.tag);
  const large = look.quote === 'large' && ownWordsIn(blocks) < 260;
  const voice = large
    ? flow.voice('italic', size * 1.36, place.deep ? place.voice.colour : colours.accent)
    : { ...flow.voice('italic', size), colour: place.voice.colour };
  flow.gap(2);
  const inset = size * 1.6;
  const within: Place =
    look.quote === 'bar'
      ? inPanel(flow, 'quote', place, inset, voice, tag)
      : { ...place, x: place.x + inset, width: place.width - 2 * inset, voice, tag };
  blocks.forEach((block, i) => flow.put(flow, block, within, blocks[i - 1] ?? null));
  flow.close();
  flow.gap(2);
}

export function putTip(flow: Flow, { blocks }: BlockOf<'tip'>, place: Place): void {
  const { look, size, colours } = flow.design;
  const tag = flow.tag('Div', place.tag);
  const deep = look.tip === 'deep';
  const voice = deep ? { ...place.voice, colour: colours.onDeep } : place.voice;
  const within = inPanel(flow, look.tip, place, size * 1.25, voice, tag);
  const padded = look.tip !== 'bar';
  flow.gap(2);
  if (padded) pad(flow, 1, within, true);
  flow.close();
  blocks.forEach((block, i) => {
    flow.put(flow, block, within, blocks[i - 1] ?? null);
  });
  flow.close();
  if (padded) pad(flow, 1, within, false);
  flow.gap(2);
}
