import type { Shared, Step } from '@yosomi/core/base';
import { say, sayFault } from '../messages/say';
import { followHouse } from '../persist/house-steps';
import { followStored } from '../persist/titles';
import { nowIso } from '../platform/clock';

/** One after the other: back and again at once would meet each other half way. */
let line: Promise<unknown> = Promise.resolve();

const titles = (count: number): string => `${count} ${count === 1 ? 'title' : 'titles'}`;

/** Takes what was made in several titles at once back in all but `own`, or makes it again, and says where that could not be. */
export function follow(
  { id, titles: all }: Shared,
  way: 'undo' | 'redo',
  own: string | null,
  onStep: (done: number, of: number) => void = () => {},
): Promise<void> {
  const run = async (): Promise<void> => {
    let moved = own === null ? 0 : 1;
    const left: string[] = [];
    for (const [i, title] of all.entries()) {
      onStep(i, all.length);
      if (title === own) continue;
      const done = await followStored(title, id, way, nowIso());
      if (!done.ok) sayFault(done.fault);
      else if (done.value.kind === 'moved') moved++;
      else if (done.value.kind === 'left') left.push(done.value.name.trim() || 'Untitled');
    }
    const house = await followHouse(id, way);
    if (!house.ok) sayFault(house.fault);
    const became = house.ok ? house.value : 'none';
    const what = way === 'undo' ? 'Taken back in' : 'Made again in';
    const others =
      left.length === 0
        ? ''
        : ` Changed since, and left as ${left.length === 1 ? 'it is' : 'they are'}: ${left.join(', ')}.`;
    const where = [
      ...(moved > 0 || became !== 'moved' ? [titles(moved)] : []),
      ...(became === 'moved' ? ['the house style'] : []),
    ];
    const kept = became === 'left' ? ' The house style was changed since, and is left as it is.' : '';
    say(`${what} ${where.join(' and in ')}.${others}${kept}`);
  };
  const next = line.then(run).catch(() => sayFault({ code: 'work-failed', data: {} }));
  line = next;
  return next;
}

/** The same for each of the steps that others share, the last one first where they are taken back. */
export function followAll(steps: readonly Step[], way: 'undo' | 'redo', own: string): void {
  for (const { shared } of steps) if (shared && shared.titles.some((id) => id !== own)) void follow(shared, way, own);
}
