export { KNOWN_WORDS, NOUN_WORDS, broughtToMind, plainWord } from './lexicon';
export * from './search';
export * from './symbol';
export * from './silhouettes';
