import { OWN_FACE, isOwnCut } from '../text';
import type { Campaign, Style } from './campaign';

/** Whether the other title has a picture or a face of a person's own, by its id. */
type By = { readonly has: (id: string) => boolean };

/** What of a campaign can go to another title: nothing that was drawn or changed over the first one's cover, and no picture or face that the other lacks. */
function carried(from: Campaign, { has }: By): Campaign {
  const { style } = from;
  const lacks = style.backing.kind === 'picture' && !has(style.backing.asset);
  const there = (cut: string): boolean => !isOwnCut(cut) || has(cut.slice(OWN_FACE.length));
  const faces = style.faces && there(style.faces.head) && there(style.faces.text) ? style.faces : null;
  const carriedStyle: Style = { ...style, backing: lacks ? { kind: 'look' } : style.backing, faces, scene: null };
  return { ...from, style: carriedStyle, made: {}, alt: {} };
}

/** A campaign as another title begins with it: its kind, look, formats, motion and button. What it says is that title's own. */
export function lookFor(from: Campaign, by: By): Campaign {
  const { message } = from;
  const said = {
    quotation: null,
    name: null,
    where: null,
    link: null,
    badge: null,
    price: null,
    date: null,
    time: null,
  };
  const wordings = [{ headline: null, line: null }];
  return { ...carried(from, by), message: { ...message, ...said, wordings, shown: 0, place: null, days: null } };
}

/** The same message for another title: words that were typed are said there too, and what came from the Brief comes from the other's. */
export function messageFor(from: Campaign, by: By): Campaign {
  const made = Object.entries(from.made).flatMap(([format, one]) =>
    one.kind === 'ruled' && Object.keys(one.words).length > 0 ? [[format, { ...one, changes: {} }] as const] : [],
  );
  return { ...carried(from, by), made: Object.fromEntries(made) };
}
