export * from './manuscript';
export * from './booklet';
export { DROPPED, type Dropped, type DroppedKind } from './taking';
export {
  type Chapter,
  type Chosen,
  type TakenText,
  type TextDraft,
  chaptersIn,
  fits,
  picturesInDraft,
  sumOf,
  takenFrom,
} from './draft';
export { fromMarkdownText, fromPlainText, readMarkdown, readPlain, unlessTooDeep } from './markdown';
export * from './link';
export * from './html';
export * from './docx';
export * from './sheets';
export * from './look';
export * from './looks';
export * from './colours';
export * from './design';
export * from './page';
export * from './pages';
export * from './page-ink';
export * from './spreads';
export * from './xhtml';
export { pagesOf, type Row } from './rows';
