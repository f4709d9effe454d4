/** Words of the trade that have no plain one, each in a sentence or two. */
export const GLOSSARY: readonly { readonly term: string; readonly means: string }[] = [
  { term: 'Byline', means: 'The line with the name of who wrote the book.' },
  {
    term: 'Bytes, KB, MB',
    means: 'How large a file is. Stores refuse files that are larger than they allow; 1 MB is about a thousand KB.',
  },
  { term: 'CMYK', means: 'Colours mixed from four printing inks. Ebook stores want RGB, the colours of a screen.' },
  {
    term: 'Colour profile',
    means:
      'A note in a picture that says which colours its numbers mean. Files made here use sRGB, the colours of the web.',
  },
  {
    term: 'Contrast',
    means:
      'How far words stand out from what is behind them. 1 : 1 is not to be seen, 21 : 1 is black on white; words need 4.5 : 1.',
  },
  { term: 'Drawn curve', means: 'A line that is drawn by hand and can be bent by its points afterwards.' },
  {
    term: 'EPUB',
    means: 'The file of an ebook that nearly all stores and readers take: pages, pictures and the cover packed in one.',
  },
  {
    term: 'Front, spine, back',
    means:
      'The three outer sides of a book. The front is the cover that shops show; spine and back are seen in mockups.',
  },
  { term: 'Glance', means: 'The cover as small as shops show it, in a list or a row: 200, 120 and 64 px wide.' },
  {
    term: 'JPEG, PNG, WebP, AVIF, TIFF',
    means:
      'Ways to store a picture. JPEG is small and taken everywhere; PNG and TIFF keep every colour exactly and are large.',
  },
  { term: 'Mockup', means: 'A picture of the book as a thing: standing, lying, on a table, in a hand.' },
  {
    term: 'Outlines',
    means:
      'Shapes with sharp edges at any size. Words become outlines in PDF and SVG files, so that no font is needed.',
  },
  { term: 'Pixel, px', means: 'One point of a picture. A cover of 1600 x 2560 px is 1600 points wide and 2560 high.' },
  {
    term: 'Pixels to the inch',
    means:
      'A mark in a file that says how large it is printed. It changes nothing on a screen, but some stores look at it.',
  },
  { term: 'Progressive', means: 'A JPEG that appears coarse first and then finer. Some stores refuse it.' },
  {
    term: 'Ratio',
    means: 'Height over width. A cover of 1600 x 2560 px has 1.6; stores cut or refuse what is far from what they ask.',
  },
  {
    term: 'Role',
    means: 'What words are on a cover: title, subtitle, byline and so on. Stores and readers of EPUBs ask for them.',
  },
  { term: 'Scrim', means: 'A soft veil between picture and words, dark or light, that makes the words read.' },
  { term: 'Strapline', means: 'A short line that sells the book, such as a promise or a question.' },
  { term: 'SVG', means: 'A picture that is made of shapes instead of pixels. It stays sharp at any size.' },
];
