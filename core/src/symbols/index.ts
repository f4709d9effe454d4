export { KNOWN_WORDS, broughtToMind } from './lexicon';
export * from './search';
export * from './symbol';
