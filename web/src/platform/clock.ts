/** Now as ISO 8601 in UTC without fractions. */
export const nowIso = (): string => new Date().toISOString().replace(/\.\d+Z$/, 'Z');
export const nowMs = (): number => Date.now();
