import type { Book } from '@yosomi/core/project';
import { type Others, type PromoAt, promoKey } from '@yosomi/core/recipe';
import { useEffect, useRef, useState } from 'react';
import type { PictureKeys } from '../../work/promos';
import { studio } from '../../work/workers';
import type { Seen } from './campaign-panel';

const REST_MS = 700;

/** What is found in the formats, measured one by one while nothing changes; `ready` says that their pictures are there. */
export function useSeen(
  book: Book,
  others: Others,
  ats: readonly PromoAt[],
  keys: PictureKeys,
  ready: boolean,
): readonly Seen[] {
  const [seen, setSeen] = useState<readonly Seen[]>([]);
  const known = useRef(new Map<string, readonly Seen[]>());
  const all = ats.map((at) => promoKey(book, at, others)).join(' ');
  const latest = useRef({ book, others, ats, keys });
  useEffect(() => {
    latest.current = { book, others, ats, keys };
  });
  useEffect(() => {
    if (!ready) return;
    let current = true;
    const measure = async (): Promise<void> => {
      const now = latest.current;
      const before = known.current.get(all);
      if (before) return setSeen(before);
      const found: Seen[] = [];
      for (const at of now.ats) {
        const findings = await studio.promoSeen(now.book, [...now.others.values()], at, now.keys);
        if (!current) return;
        if (findings.length > 0) found.push({ format: at.format.id, findings });
      }
      known.current.clear();
      known.current.set(all, found);
      setSeen(found);
    };
    const timer = setTimeout(() => void measure().catch(() => {}), REST_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [all, ready]);
  return seen;
}
