const MOST_RANGES = 12;

/** Numbers as people write them: "3-5, 9"; a list that is too long to read ends in dots. */
export function numberRanges(numbers: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const one of [...new Set(numbers)].sort((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last && one === last[1] + 1) last[1] = one;
    else runs.push([one, one]);
  }
  const said = runs.slice(0, MOST_RANGES).map(([from, to]) => (from === to ? `${from}` : `${from}-${to}`));
  return `${said.join(', ')}${runs.length > MOST_RANGES ? ' ...' : ''}`;
}
