import { FINAL, defaultScene } from '@yosomi/core/mockup';
import { noOthers, startFromWords, subjectsOf } from '@yosomi/core/recipe';
import { emptyBrief } from '@yosomi/core/book';
import { describe, expect, it } from 'vitest';
import { lastStage } from './staged';

const brief = { ...emptyBrief, title: 'T', author: 'A' };
const book = startFromWords({ id: 'staged-book', identifier: 'urn:x:12345', now: '2026-11-27T10:00:00Z', brief });
const scene = defaultScene;
const job = { artKey: 'a', scene, subjects: subjectsOf(book, scene, noOthers), widthPx: 60, heightPx: 60 };

describe('the stage that a tracer keeps', () => {
  it('is the same for the same picture, and another one for each thing that changes it', () => {
    const staged = lastStage();
    const first = staged(job, FINAL);
    expect(staged({ ...job }, { ...FINAL })).toBe(first);
    for (const other of [{ strips: FINAL.strips - 1 }, { cells: 9 }, { lens: 3 }]) {
      const changed = staged(job, { ...FINAL, ...other });
      expect(changed, JSON.stringify(other)).not.toBe(staged(job, FINAL));
    }
    expect(staged({ ...job, widthPx: 61 }, FINAL)).not.toBe(staged(job, FINAL));
  });
});
