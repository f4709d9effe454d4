import { clamp, smoothstep } from '../plane';
import { type Motion, arrives, loops } from './motion';

export const FRAMES_A_SECOND = 24;

/** One moment of a motion: how far everything has come since the still. */
export type Moment = {
  /** Turn of the things about the upright, rad. */
  readonly turnRad: number;
  /** How far a passing light has come, 0..1; null where none passes. */
  readonly light: number | null;
  /** How far the things turn to either side over the whole motion, rad. */
  readonly sweepRad: number;
  /** How much of a wrapped cover is shown; null leaves it as it is. */
  readonly share: number | null;
  /** Seconds since the first words began to come; all are there from `ALL_THERE` on. */
  readonly words: number;
  /** How far the words have gone again, 0..1. */
  readonly gone: number;
};

/** A motion as frames of equal length. Moments that are equal are there once. */
export type Timeline = {
  readonly moments: readonly Moment[];
  /** The moment of each frame. */
  readonly frames: readonly number[];
  readonly loops: boolean;
  /** The frame that stands for the whole where it cannot be played: one with all the words. */
  readonly poster: number;
};

/** Between the beginnings of one word part and the next, and how long each takes, s. */
const APART = 0.3;
const TAKES = 0.7;
/** No promo has more parts that come apart than this. */
const PARTS = 6;
export const ALL_THERE = APART * (PARTS - 1) + TAKES;
/** How long the words take to go, s. */
const GOES = 0.5;

const SWING_RAD = 0.42;
/** When a light passes: shares of the time. */
const PASSES = [0.25, 0.85] as const;
/** A reveal stays hidden, opens, and stays shown: shares of its time. */
const HIDDEN = 0.14;
const SHOWN = 0.68;
const FIRST_SHARE = 0.04;

/** How much a word part is there, 0..1, and how far it is still below its place, 0..1; `place` numbers the parts in the order in which they come. */
export function arrival({ words, gone }: Moment, place: number): { shown: number; below: number } {
  const t = clamp((words - APART * Math.min(place, PARTS - 1)) / TAKES, 0, 1);
  // It slows down as it arrives.
  const come = 1 - (1 - t) ** 3;
  return { shown: smoothstep(0, 1, t) * (1 - gone), below: 1 - come };
}

/** A motion moment by moment. */
export function timeline(motion: Motion): Timeline {
  const count = Math.round(motion.seconds * FRAMES_A_SECOND);
  const looped = loops(motion);
  const coming = arrives(motion);
  const moments: Moment[] = [];
  const known = new Map<string, number>();
  const frames = Array.from({ length: count }, (_, i) => {
    const moment = momentAt(motion, i / count);
    const key = JSON.stringify(moment);
    const before = known.get(key);
    if (before !== undefined) return before;
    known.set(key, moments.length);
    return moments.push(moment) - 1;
  });
  const whole = moments.map(({ words, gone }) => words >= ALL_THERE && gone === 0);
  const poster =
    looped && coming
      ? Math.max(
          0,
          frames.findIndex((m) => whole[m]),
        )
      : 0;
  return { moments, frames, loops: looped, poster };
}

/** So fine that nobody sees it, and equal on the way there and back. */
const rounded = (v: number): number => Math.round(v * 1e5) / 1e5 + 0;

function momentAt(motion: Motion, at: number): Moment {
  const { kind, seconds } = motion;
  const turn = 2 * Math.PI * at;
  const t = at * seconds;
  const coming = arrives(motion);
  return {
    turnRad: kind === 'swing' ? rounded(SWING_RAD * Math.sin(turn)) : kind === 'round' ? rounded(turn) : 0,
    sweepRad: kind === 'swing' ? SWING_RAD : kind === 'round' ? Math.PI : 0,
    light: kind === 'light' ? rounded(smoothstep(PASSES[0], PASSES[1], at)) : null,
    share: kind === 'reveal' ? rounded(shareAt(at)) : null,
    words: rounded(coming ? Math.min(ALL_THERE, t) : ALL_THERE),
    gone: rounded(coming && loops(motion) ? smoothstep(seconds - GOES, seconds, t) : 0),
  };
}

const shareAt = (at: number): number => FIRST_SHARE + (1 - FIRST_SHARE) * smoothstep(HIDDEN, SHOWN, at);
