/** Rules of hyphenation, one file a language: Liang's patterns, each as one that runs at once. */
declare module 'hyphen/ca/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/cs/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/da/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/de/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/el/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/en/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/en-gb/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/es/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/fi/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/fr/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/hr/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/it/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/nb/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/nl/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/pl/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/pt/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/ro/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/ru/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/sk/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/sl/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/sv/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/tr/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
declare module 'hyphen/uk/index.js' {
  const rules: import('./hyphens').Rules;
  export default rules;
}
