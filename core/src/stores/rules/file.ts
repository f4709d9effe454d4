import type { Finding } from '../../base';
import type { ImageInfo } from '../../image-file';
import type { Profile } from '../profile';
import { graveFirst, must, should } from './severity';

type Subject = { readonly info: ImageInfo; readonly bytes: number; readonly profile: Profile };
type Rule = (subject: Subject) => Finding | null;

const size = (s: { widthPx: number; heightPx: number }): string => `${s.widthPx} x ${s.heightPx}`;
const round = (n: number): number => Math.round(n * 1000) / 1000;

/** One rule, one code. Each reads the finished bytes' own account of themselves. */
const RULES: readonly Rule[] = [
  ({ info, profile }) =>
    profile.formats.includes(info.format)
      ? null
      : must('store-format', { found: info.format, wanted: profile.formats.join(', ') }),
  ({ info, profile: { exact, ideal } }) =>
    exact && (info.widthPx !== ideal.widthPx || info.heightPx !== ideal.heightPx)
      ? must('store-exact-size', { found: size(info), wanted: size(ideal) })
      : null,
  ({ info, profile: { least } }) =>
    least && (info.widthPx < least.widthPx || info.heightPx < least.heightPx)
      ? must('store-too-small', { found: size(info), wanted: size(least) })
      : null,
  ({ info, profile: { most } }) =>
    most && (info.widthPx > most.widthPx || info.heightPx > most.heightPx)
      ? must('store-too-big', { found: size(info), wanted: size(most) })
      : null,
  ({ info, profile: { leastShortSidePx: least } }) =>
    least && Math.min(info.widthPx, info.heightPx) < least
      ? must('store-short-side', { found: Math.min(info.widthPx, info.heightPx), wanted: least })
      : null,
  ({ info, profile: { mostSidePx: most } }) =>
    most && Math.max(info.widthPx, info.heightPx) > most
      ? must('store-long-side', { found: Math.max(info.widthPx, info.heightPx), wanted: most })
      : null,
  ({ info, profile: { ratio } }) => {
    if (!ratio) return null;
    const found = info.heightPx / info.widthPx;
    // Half a pixel of rounding in either side is no other ratio, unless the store wants one ratio exactly.
    const slack = ratio.low === ratio.high ? 1e-9 : (0.5 / info.widthPx) * (1 + found);
    if (found >= ratio.low - slack && found <= ratio.high + slack) return null;
    const data = { found: round(found), low: round(ratio.low), high: round(ratio.high) };
    return ratio.must ? must('store-ratio', data) : should('store-ratio', data);
  },
  // A picture that lies is no cover of a store that asks for upright ones, however gently.
  ({ info, profile: { ideal, ratio } }) =>
    ratio && ideal.heightPx > ideal.widthPx && info.widthPx > info.heightPx
      ? must('store-lying', { found: size(info) })
      : null,
  ({ bytes, profile: { mostBytes } }) =>
    bytes > mostBytes ? must('store-bytes', { found: bytes, wanted: mostBytes }) : null,
  ({ info }) =>
    info.colour === 'cmyk' || info.colour === 'grey' ? must('store-colour', { found: info.colour }) : null,
  ({ info }) => (info.bitDepth === 8 ? null : must('store-bit-depth', { found: info.bitDepth, wanted: 8 })),
  ({ info }) => (info.alpha ? must('store-alpha', {}) : null),
  ({ info }) => (info.animated ? must('store-animated', {}) : null),
  ({ info }) => (info.orientation === 1 ? null : must('store-orientation', { found: info.orientation })),
  ({ info }) => {
    if (info.profile === null) return should('store-no-profile', {});
    return /sRGB/i.test(info.profile) ? null : should('store-profile', { found: info.profile });
  },
  // WebP and AVIF have no place for a density.
  ({ info, profile: { ppi } }) =>
    ppi && info.ppi !== ppi && info.format !== 'webp' && info.format !== 'avif'
      ? should('store-density', { found: info.ppi ?? 0, wanted: ppi })
      : null,
  ({ info, profile: { baseline } }) => (baseline && info.progressive ? must('store-progressive', {}) : null),
  ({ info }) => (info.metadata.length > 0 ? should('store-metadata', { found: info.metadata.join(', ') }) : null),
];

/** What a finished image's own account of itself means to a store, the grave things first. None means that it takes it. */
export function checkImage(info: ImageInfo, bytes: number, profile: Profile): Finding[] {
  return graveFirst(RULES.map((rule) => rule({ info, bytes, profile })));
}
