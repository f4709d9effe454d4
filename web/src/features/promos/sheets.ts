import {
  type Campaign,
  type Format,
  type LookFamily,
  LOOKS,
  type PromoLook,
  type Style,
  TONES,
  type ToneName,
  findLook,
} from '@yosomi/core/promo';
import type { PromoAsk } from '../../work/promos';
import { FAMILY_NAMES, TONE_NAMES } from './names';

/** One choice on a sheet: what is painted for it, and what taking it changes. */
export type Choice = {
  readonly id: string;
  readonly name: string;
  readonly taken: boolean;
  readonly ratio: number;
  readonly look: string;
  readonly ask: PromoAsk;
  readonly take: { readonly style: Partial<Style> } | { readonly wording: number };
};
export type Section = { readonly title: string; readonly choices: readonly Choice[] };

/** What the sheet of looks shows: one family or all; or one look on other grounds with those like it. */
export type LooksShown = { readonly family: LookFamily | null; readonly like: string | null };

type Made = { readonly campaign: Campaign; readonly format: Format; readonly widthPx: number };

/** Looks are compared as the rule composes them, without what was changed by hand in one of them. */
const choiceOf = (
  { campaign, format, widthPx }: Made,
  id: string,
  name: string,
  style: Partial<Style>,
  taken: boolean,
): Choice => ({
  id,
  name,
  taken,
  ratio: format.widthPx / format.heightPx,
  look: style.look ?? campaign.style.look,
  ask: { id, at: { campaign: { ...campaign, style: { ...campaign.style, ...style }, made: {} }, format }, widthPx },
  take: { style },
});

const lookChoice = (made: Made, look: PromoLook): Choice =>
  choiceOf(made, look.id, look.name, { look: look.id }, made.campaign.style.look === look.id);

export const FAMILIES_OF_LOOKS = [...new Set(LOOKS.map(({ family }) => family))];

export function looksSheet(made: Made, { family, like }: LooksShown): Section[] {
  const liked = like === null ? undefined : findLook(like);
  if (liked) return likeSheet(made, liked);
  return FAMILIES_OF_LOOKS.filter((one) => family === null || one === family).map((one) => ({
    title: FAMILY_NAMES[one],
    choices: LOOKS.filter((look) => look.family === one).map((look) => lookChoice(made, look)),
  }));
}

/** One look on every ground, and the other looks of its family. */
function likeSheet(made: Made, look: PromoLook): Section[] {
  const { style } = made.campaign;
  const on = (tone: ToneName): Choice => {
    const fields = { look: look.id, tone, colour: null, backing: { kind: 'look' as const } };
    const taken =
      style.look === look.id && style.tone === tone && style.colour === null && style.backing.kind === 'look';
    return choiceOf(made, `${look.id}@${tone}`, TONE_NAMES[tone], fields, taken);
  };
  const print = { look: look.id, colour: null, backing: { kind: 'cover' as const } };
  const printed = style.look === look.id && style.backing.kind === 'cover';
  return [
    {
      title: `${look.name}, on other grounds`,
      choices: [...TONES.map(on), choiceOf(made, `${look.id}@cover`, 'The cover’s picture', print, printed)],
    },
    {
      title: `More of this kind: ${FAMILY_NAMES[look.family].toLowerCase()}`,
      choices: LOOKS.filter((one) => one.family === look.family && one !== look).map((one) => lookChoice(made, one)),
    },
  ];
}

/** So many formats of each favourite stand beside each other. */
const COMPARED = 4;

/** Every favourite look in several formats, to be compared. */
export function keptSheet(made: Made, formats: readonly Format[]): Section[] {
  const shown = [made.format, ...formats.filter((one) => one !== made.format)].slice(0, COMPARED);
  return LOOKS.filter((look) => made.campaign.favourites.includes(look.id)).map((look) => ({
    title: look.name,
    choices: shown.map((format) => ({
      ...lookChoice({ ...made, format }, look),
      name: format.name,
      ...idOf(look, format, made),
    })),
  }));
}

function idOf(look: PromoLook, format: Format, made: Made): Pick<Choice, 'id' | 'ask'> {
  const id = `${look.id}/${format.id}`;
  return { id, ask: { ...lookChoice({ ...made, format }, look).ask, id } };
}

/** The wordings of a message beside each other. */
export function wordingsSheet({ campaign, format, widthPx }: Made, names: readonly string[]): Section[] {
  const { message } = campaign;
  return [
    {
      title: `${format.name}, in every wording`,
      choices: message.wordings.map((_, wording) => {
        const id = `wording-${wording}`;
        const at = { campaign: { ...campaign, message: { ...message, shown: wording } }, format };
        return {
          id,
          name: names[wording],
          taken: message.shown === wording,
          ratio: format.widthPx / format.heightPx,
          look: campaign.style.look,
          ask: { id, at, widthPx },
          take: { wording },
        };
      }),
    },
  ];
}
