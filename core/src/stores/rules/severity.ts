import { type Finding, finding } from '../../base';

export const must = (code: string, data: Finding['data'] = {}): Finding => finding(code, 'must', null, data);
export const should = (code: string, data: Finding['data'] = {}): Finding => finding(code, 'should', null, data);
export const note = (code: string, data: Finding['data'] = {}): Finding => finding(code, 'note', null, data);

const GRAVITY = { must: 0, should: 1, note: 2 } as const;

/** Findings without the gaps, the grave ones first, otherwise in their order. */
export const graveFirst = (found: readonly (Finding | null)[]): Finding[] =>
  found.filter((one): one is Finding => one !== null).sort((a, b) => GRAVITY[a.severity] - GRAVITY[b.severity]);
