import { type Random, makeId } from '@yosomi/core/base';

const random: Random = () => crypto.getRandomValues(new Uint32Array(1))[0] / 4294967296;

export const freshId = (): string => makeId(random);
export const freshUrn = (): string => `urn:uuid:${crypto.randomUUID()}`;
