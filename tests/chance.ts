import fc from 'fast-check';

/**
 * Properties are tried on the same cases in every run, so that a change is judged by itself and not
 * by luck. `CHANCE=1 npx vitest run` tries others; a failure prints the seed that leads to it.
 */
const { CHANCE } = process.env;
if (!CHANCE) fc.configureGlobal({ seed: 20_261 });
