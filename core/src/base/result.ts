/** An expected failure: a code for the sentence table and the numbers the sentence needs. */
export type Fault = { readonly code: string; readonly data: Readonly<Record<string, string | number>> };

export type Result<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly fault: Fault };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

export const fault = (code: string, data: Fault['data'] = {}): Fault => ({ code, data });

export const fail = (code: string, data: Fault['data'] = {}): { ok: false; fault: Fault } => ({
  ok: false,
  fault: { code, data },
});

/** Closes a union: the compiler refuses the call while a kind is not handled. */
export function never(value: never): never {
  throw new Error(`Unhandled kind: ${JSON.stringify(value)}`);
}
