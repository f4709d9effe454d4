import { type Edit, fault } from '../../base';
import type { Doc } from '../document';
import { Part } from '../parts';

/**
 * Writes fields of one part; `kind`, `id` and `order` stay. Faults: `part-gone`, `part-locked` (unless the change
 * unlocks, hides or shows it), `part-value` when the result is no valid part.
 */
export function setPart(id: string, fields: Record<string, unknown>): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[id];
    if (!part) return fault('part-gone');
    if (part.locked && fields.locked !== false && !('hidden' in fields)) return fault('part-locked');
    const parsed = Part.safeParse({ ...part, ...fields, id: part.id, kind: part.kind, order: part.order });
    if (!parsed.success) return fault('part-value', { field: String(parsed.error.issues[0]?.path.join('.') ?? '') });
    const next = parsed.data as unknown as Record<string, unknown>;
    const now = part as unknown as Record<string, unknown>;
    // Only what differs is written, so that patches stay small.
    for (const name of Object.keys(fields)) {
      if (JSON.stringify(now[name]) !== JSON.stringify(next[name])) now[name] = next[name];
    }
  };
}
