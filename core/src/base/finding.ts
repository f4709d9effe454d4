/** Something a person should know about their work: a code with its numbers; the sentence is made at the edge. */
export type Finding = {
  readonly code: string;
  readonly severity: 'must' | 'should' | 'note';
  /** The part it is about, null for the whole. */
  readonly part: string | null;
  readonly data: Readonly<Record<string, string | number>>;
};

export const finding = (
  code: string,
  severity: Finding['severity'],
  part: string | null,
  data: Finding['data'] = {},
): Finding => ({ code, severity, part, data });
