import { type Result, fail, ok } from '../base';
import { type Doc, type PartSeed, docOf } from '../cover';
import { PromoBoard } from './board';
import { DEFAULT_LOOK } from './campaign';
import { type PromoLook, canShow } from './look';
import { findLook } from './looks';
import { middleOf } from './looks/arranged';
import type { Slot } from './message';
import type { PromoSetting } from './setting';

export type Ruled = {
  readonly doc: Doc;
  /** Words that could not be read there and are left out. */
  readonly dropped: readonly Slot[];
  /** The look that it is composed by: another than was asked for where that cannot serve. */
  readonly look: string;
};

/** A promo by one look. Faults: `look-asks` where it cannot serve this cover or message, `look-full` where the words do not fit. */
export function rulePromo(look: PromoLook, setting: PromoSetting): Result<Ruled> {
  const board = new PromoBoard(setting);
  if (!canShow(look, board)) return fail('look-asks', { look: look.id });
  const drawn = look.draw(board);
  if (!drawn) return fail('look-full', { look: look.id, format: setting.format.id });
  if (board.has('badge') && !drawn.parts.some(({ id }) => id === 'badge')) return rulePromo(look, withoutSeal(setting));
  return ok({ doc: docFrom(setting, drawn.parts), dropped: drawn.dropped, look: look.id });
}

/** Where a look has no place for a seal, its words (a price, "3 days") stand with the other facts: they are never lost in silence. */
function withoutSeal(setting: PromoSetting): PromoSetting {
  const { badge = '', facts, ...slots } = setting.slots;
  return { ...setting, slots: { ...slots, facts: [badge, facts].filter(Boolean).join(' · ') } };
}

const docFrom = ({ format }: PromoSetting, parts: readonly PartSeed[]): Doc =>
  docOf(format.widthPx, format.heightPx, parts);

/** What is tried where a look cannot serve: each has more room for words than the one before. */
const INSTEAD = [DEFAULT_LOOK, 'said', 'plain'] as const;

/** A promo by the look that is asked for, else by one that can serve, and at the last the book alone. `settingFor` gives a look its colours. */
export function ruleAnyway(lookId: string, settingFor: (look: PromoLook) => PromoSetting): Ruled {
  for (const id of [lookId, ...INSTEAD]) {
    const look = findLook(id);
    if (!look) continue;
    const ruled = rulePromo(look, settingFor(look));
    if (ruled.ok) return ruled.value;
  }
  const alone = findLook(DEFAULT_LOOK)!;
  const setting = settingFor(alone);
  const board = new PromoBoard(setting);
  const book = board.book('standing', board.safe);
  const dropped = (Object.keys(setting.slots) as Slot[]).filter((slot) => board.has(slot));
  return { doc: docFrom(setting, [...board.ground(middleOf(board, book.box)), book.part]), dropped, look: alone.id };
}
