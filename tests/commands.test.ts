import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { STEPS } from '../web/src/features/frame/steps';
import { rank } from '../web/src/features/commands/rank';

type Offered = { readonly label: string; readonly also?: string; readonly group: string };

/** What the Front offers, read from where it is offered, with the steps: the list that a person searches. */
function offered(): Offered[] {
  const list: Offered[] = STEPS.map((s) => ({ label: `Go to ${s.label}`, also: s.also, group: 'Steps' }));
  for (const file of [
    'features/commands/commands.tsx',
    'features/front/use-front-actions.ts',
    'features/front/front-dialogs.ts',
    'routes/front.tsx',
  ]) {
    const text = readFileSync(join(import.meta.dirname, '../web/src', file), 'utf8');
    for (const m of text.matchAll(/label: '([^']+)'(?:,\s*also: '([^']*)')?(?:,\s*group: '([^']*)')?/g))
      list.push({ label: m[1], also: m[2], group: m[3] ?? '' });
  }
  for (const [name, also] of [
    ['light table', 'grey neutral'],
    ['white', 'light bright'],
    ['black', 'dark night'],
    ['store page', 'cream shop'],
  ])
    list.push({ label: `Look at it on ${name}`, also: `background table ${also}`, group: 'Cover' });
  return list;
}
const all = offered();
const best = (typed: string): string =>
  all.map((one) => ({ label: one.label, score: rank(one, typed) })).reduce((a, b) => (b.score > a.score ? b : a)).label;

describe('the command list', () => {
  it('is read with all that is offered', () => expect(all.length).toBeGreaterThan(40));

  it.each([
    ['deliver', 'Go to Deliver'],
    ['Deliver', 'Go to Deliver'],
    ['front', 'Go to Front'],
    ['glance', 'Go to Glance'],
    ['mock', 'Go to Mockups'],
    ['3d', 'Go to Mockups'],
    ['promo', 'Go to Promos'],
    ['ad', 'Go to Promos'],
    ['brief', 'Go to Brief'],
    ['sketches', 'Go to Sketches'],
    ['ideas', 'Go to Sketches'],
    ['thumbnail', 'Go to Glance'],
    ['epub', 'Go to Deliver'],
    ['author', 'Go to Brief'],
    ['png', 'Save picture'],
    ['PNG', 'Save picture'],
    ['jpeg', 'Save picture'],
    ['pdf', 'Save picture'],
    ['save', 'Save picture'],
    ['save png', 'Save picture'],
    ['export', 'Save picture'],
    ['download', 'Save picture'],
    ['svg', 'Save picture'],
    ['size', 'Size of the front'],
    ['resize', 'Size of the front'],
    ['pixels', 'Size of the front'],
    ['width', 'Size of the front'],
    ['undo', 'Undo'],
    ['redo', 'Redo'],
    ['dark', 'Look at it on black'],
    ['black', 'Look at it on black'],
    ['white', 'Look at it on white'],
    ['grey', 'Look at it on light table'],
    ['history', 'History'],
    ['versions', 'Versions'],
    ['snapshot', 'Versions'],
    ['brand', 'House style'],
    ['logo', 'House style'],
    ['house', 'House style'],
    ['duplicate', 'Duplicate'],
    ['clone', 'Duplicate'],
    ['delete', 'Remove'],
    ['erase', 'Remove'],
    ['paste', 'Paste parts'],
    ['copy', 'Copy parts'],
    ['group', 'Group'],
    ['ungroup', 'Ungroup'],
    ['lock', 'Lock or unlock'],
    ['hide', 'Hide or show'],
    ['shelf', 'Back to the Shelf'],
    ['home', 'Back to the Shelf'],
    ['pen', 'Draw a curve'],
    ['draw', 'Draw a curve'],
    ['safe', 'Show the safe area and guides'],
    ['margin', 'Show the safe area and guides'],
    ['columns', 'Guides'],
    ['keys', 'Show the shortcuts'],
    ['glossary', 'What the words mean'],
    ['explain', 'What the words mean'],
    ['photo', 'Put the cover on a photograph'],
    ['reader', 'See the ebook in a reader'],
    ['validate', 'Check a cover, an EPUB or a PDF'],
    ['requirements', 'See what each store asks'],
    ['all', 'Select all parts'],
  ])('"%s" finds "%s" first', (typed, label) => expect(best(typed)).toBe(label));

  it('finds nothing for words that nothing has', () => {
    for (const typed of ['xyzzy', 'save xyzzy', '%%%'])
      expect(Math.max(...all.map((one) => rank(one, typed)))).toBe(typed === '%%%' ? 0.5 : 0);
  });
});
