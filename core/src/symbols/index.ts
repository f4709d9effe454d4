export { KNOWN_WORDS, broughtToMind, plainWord } from './lexicon';
export * from './search';
export * from './symbol';
