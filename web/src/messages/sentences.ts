import type { Fault, Finding } from '@yosomi/core/base';
import { EBOOK_SENTENCES } from './ebook-sentences';
import { TABLE_SENTENCES } from './table-sentences';
import { roleText, slotText } from './role-names';

type Data = Fault['data'];
type Sentence = (data: Data) => string;

const bytes = (n: string | number): string => {
  const size = Number(n);
  return size >= 1024 * 1024 ? `${(size / 1024 / 1024).toFixed(1)} MB` : `${Math.round(size / 1024)} KB`;
};

const STORE_FIELDS: Readonly<Record<string, string>> = {
  ideal: 'its best size',
  exact: 'whether only that size is taken',
  least: 'its least size',
  most: 'its largest size',
  leastShortSidePx: 'its least shorter side',
  mostSidePx: 'its longest side',
  ratio: 'its ratio',
  formats: 'its formats',
  mostBytes: 'its most bytes',
  ppi: 'its pixels to the inch',
  name: 'its name',
  id: 'its id',
  thumb: 'its size in lists',
  epubPixels: 'its pixels in an ebook',
  content: 'its rules of content',
  widthPx: 'width',
  heightPx: 'height',
  schema: 'its version',
};

/** A place in a file of stores, such as "stores.0.least.widthPx", as a person reads it. */
function storeField(where: string): string {
  const [, number, ...path] = where.split('.');
  const fields = path.filter((one) => !/^\d+$/.test(one)).map((one) => STORE_FIELDS[one] ?? one);
  return `look at store ${Number(number ?? 0) + 1}${fields.length > 0 ? `, ${fields.join(', ')}` : ''}`;
}

/** A sentence for every code: what is wrong, in numbers, and what to do. */
export const SENTENCES: Readonly<Record<string, Sentence>> = {
  ...EBOOK_SENTENCES,
  ...TABLE_SENTENCES,
  'picture-unknown': () => 'This picture is not in the title any more.',
  'origin-gone': () => 'This work is not there any more.',
  'origins-full': (d) => `A title names at most ${d.most} works. Take one out first.`,
  'campaign-gone': () => 'This campaign is not there any more. Choose another one.',
  'campaigns-full': (d) => `A title holds up to ${d.most} campaigns. Remove one first.`,
  'wordings-full': (d) => `A message has up to ${d.most} wordings. Remove one first.`,
  'wording-last': () => 'A message keeps one wording. Change this one instead.',
  'format-unknown': () => 'This format is not known. Choose one of the list.',
  'formats-full': (d) => `A campaign has up to ${d.most} formats. Take one out first.`,
  'format-last': () => 'A campaign keeps one format. Add another one first.',
  'format-size': () => 'Type width and height in pixels, such as 1200 x 300: 120 to 6000 px, from 1 : 3 to 4 : 1.',
  'clipboard-refused': () => 'The browser did not take the picture to the clipboard. Save it as a PNG instead.',
  'motion-cannot': () => 'Nothing in this format moves that way. Choose another motion, or another look.',
  'film-too-large': (d) =>
    `The film has ${bytes(d.found)} even at its lowest quality, more than ${bytes(d.most)}. Make it shorter, or choose MP4.`,
  'film-codec': (d) =>
    `This browser cannot write ${String(d.format) === 'mp4' ? 'MP4' : 'WebM'} of this size. Choose another file format.`,
  'film-room': () => 'There is no room on this device to make the film. Make it shorter, or free some room first.',
  'look-asks': () => 'This look needs something that this title or message does not have. Choose another one.',
  'look-full': () => 'The words do not fit this look here. Shorten them, or choose another look.',
  'promo-small': (d) =>
    `These words can be read from ${d.from} px on, and the format is seen about ${d.seen} px wide. Make them larger or fewer.`,
  'promo-left-out': (d) =>
    `${slotText(d.name)} is left out: at about ${d.seen} px wide there is no room to read it. Shorten the other words to bring it back.`,
  'promo-other-look': () => 'The look of the campaign has no room for these words here, so another one stands in.',
  'file-empty': () => 'This file is empty. Choose another one.',
  'file-large': (d) => `This file has ${d.mb} MB. Pictures up to ${d.most} MB can be used.`,
  'svg-script': () => 'This SVG holds a script, so it was not opened. Save it as a PNG and try again.',
  'image-format': (d) =>
    d.found === 'no picture'
      ? 'This file is not a picture that can be read. Use a JPEG, PNG or WebP.'
      : `This is ${d.found} file. Save it as a JPEG, PNG or WebP and try again.`,
  'image-truncated': (d) =>
    `This ${d.format} file ends too early: part of it is missing. Get a whole copy and try again.`,
  'image-damaged': (d) => `This ${d.format} file is damaged and cannot be read. Get another copy and try again.`,
  'image-large': (d) =>
    `This picture has ${d.widthPx} x ${d.heightPx} px. Up to ${d.most} million pixels can be used: make it smaller and try again.`,
  'image-small': (d) =>
    `This picture has only ${d.widthPx} x ${d.heightPx} px. It needs at least ${d.least} px on its shorter side.`,
  'title-large': (d) => `This file has ${d.mb} MB. Title files up to ${d.most} MB can be opened.`,
  'project-not': () => 'This is not a Yosomi title. Choose a file that ends in .yosomi.',
  'project-damaged': () => 'This title file is damaged and cannot be opened. Nothing on your Shelf was changed.',
  'edit-wrong': () => 'This change would have left the title in a state that cannot be kept, so it was not made.',
  'project-newer': (d) =>
    `This title was saved by a newer Yosomi (version ${d.found}, this one reads ${d.known}). Update Yosomi and open it again.`,
  'project-large': (d) => `This title file unpacks to more than ${d.most} MB, so it was not opened.`,
  'project-picture': (d) =>
    `The picture "${d.name}" in this title file is missing or damaged. Nothing on your Shelf was changed.`,
  'picture-missing': (d) =>
    Number(d.count) > 1
      ? `${d.count} pictures, among them "${d.name}", are not in this browser any more, so nothing is made without them. Choose them again on the Front.`
      : `The picture "${d.name}" is not in this browser any more, so nothing is made without it. Choose it again on the Front.`,
  'pages-gone': () =>
    'A page of the booklet is shown, which has no text any more. Choose what is on it in Mockups, or write the text again.',
  'volume-gone': (d) =>
    `The picture shows ${d.count === 1 ? 'a title' : `${d.count} titles`} that ${d.count === 1 ? 'is' : 'are'} not on your Shelf, so it is not made. Put ${d.count === 1 ? 'it' : 'them'} back there, or choose what is on each thing in Mockups.`,
  'picture-lost': () =>
    'The picture of this part is not in this browser any more. Choose it again, or remove the part.',
  'title-gone': () => 'This title is not on your Shelf any more.',
  'title-saved-without': (d) =>
    `The file was saved without ${d.count === 1 ? `"${d.name}", which is` : `${d.count} pictures or fonts, which are`} not in this browser any more. Choose ${d.count === 1 ? 'it' : 'them'} again to have a whole file.`,
  'store-unread': () => 'The browser could not read this title. Reload the page, and try again.',
  'title-removed': () => 'This title was removed from the Shelf. Put it back from the removed titles there.',
  'title-open': () => 'This title is open in another window. Close it there first.',
  'history-lost': (d) =>
    `${d.count === 1 ? 'One earlier step' : `${d.count} earlier steps`} of this title could not be read, so Undo ends there. The title itself is whole.`,
  'history-damaged': (d) => `The step "${d.label}" is damaged and cannot be undone. The title itself is as it was.`,
  'text-empty': () => 'There are no words in it. Choose another file, or type the text here.',
  'text-long': (d) =>
    `This text is too long: up to ${d.most} letters, about 400 pages, can be used. Give it headings and choose some of its chapters, or part it into several titles.`,
  'text-format': () => 'This is no text that can be read. Choose a Markdown, plain text, HTML, DOCX or EPUB file.',
  'booklet-empty': () => 'The booklet has no text yet. Type or paste it under Booklet.',
  'booklet-gone': () => 'This title has no booklet any more. Undo the last step to have it back.',
  'look-unknown': (d) => `There is no look called "${d.look}".`,
  'link-wrong': () =>
    'This is no address that can be followed. Type one such as https://example.com or name@example.com.',
  'pages-letters': (d) => `No font here has these letters of the text: ${d.letters}.`,
  'pages-word': (d) => `"${d.word}" is wider than its line, so it was divided between letters.`,
  'pages-picture': (d) => `A picture on page ${d.page} is not in this browser any more. Choose it again.`,
  'pages-coarse': (d) =>
    `A picture on page ${d.page} has only ${d.ppi} pixels to the inch. Choose a larger one for print.`,
  'pages-button': (d) =>
    `The button "${d.label}" on page ${d.page} leads nowhere. Type its address, such as https://example.com.`,
  'pages-alt': (d) => `A picture on page ${d.page} has no words for readers who cannot see it. Say what it shows.`,
  'title-missing': () => 'The book has no title yet. Type one in the Brief.',
  'title-long': (d) => `The title has ${d.found} letters. Up to ${d.most} can be used.`,
  'store-full': () =>
    'The browser has no room left, so this is not stored. It is tried again by itself. Save the title as a file, or remove old titles for good.',
  'store-failed': () =>
    'The browser could not store this. It is tried again by itself. Save the title as a file to be safe.',
  'size-range': (d) => `Each side can have ${d.least} to ${d.most} px.`,
  'names-empty': () => 'Type a pattern, such as {title}-{store}.',
  'names-unknown': (d) =>
    `There is nothing called {${d.name}}. Use {title}, {author}, {series}, {number}, {store}, {width} or {height}.`,
  'store-unknown': (d) => `There is no store called "${d.store}".`,
  'part-gone': () => 'This part is not there any more.',
  'part-locked': () => 'This part is locked. Unlock it to change it.',
  'part-value': () => 'This value is out of range, so nothing was changed.',
  'part-exists': () => 'This part is there already.',
  'ground-stays': () => 'A cover always has a ground. Change its colour instead.',
  'font-damaged': () => 'This font file is damaged. Get another copy and try again.',
  'font-format': () => 'This is not a font that can be used. Choose a TTF, OTF or WOFF2 file.',
  'font-large': (d) => `This font file is larger than ${d.most} MB. Choose a smaller one.`,
  'svg-damaged': () => 'This SVG cannot be read. Save it again as a plain SVG, or use a PNG.',
  'svg-large': (d) => `This SVG is too large or has too many shapes (limit ${d.most}). Simplify it, or use a PNG.`,
  'svg-empty': () => 'This SVG has no shapes that can be drawn. Turn its words into outlines and save it again.',
  'svg-path': () => 'This drawing has an outline that cannot be read.',
  'trace-empty': () => 'No outlines were found. Use a picture of the mark on a plain ground, with more colours.',
  'trace-many': (d) =>
    `The tracing has more than ${d.most} outlines: this looks like a picture and not a mark. Use fewer colours.`,
  'title-elsewhere': () => 'This title was changed in another window.',
  'house-wrong': () => 'The house style that is kept here cannot be read, so it was left as it is.',
  'house-newer': () => 'The house style was made by a newer Yosomi, so it was not changed. Update Yosomi.',
  'house-full': () => 'The house style is full. Remove something from it first.',
  'pin-marks': (d) => `There are ${d.most} marks already. Clear some, or undo.`,
  'pin-mesh': () => 'The face folds over itself. Move the points of the bend back, or undo.',
  'pin-photo': () => 'The photograph is missing or damaged. Open it again.',
  'pin-size': () => 'The photograph in this file has other pixels than its faces were made for.',
  'pin-stopped': () => 'Stopped.',
  'pin-newer': (d) =>
    `This pinned photograph was made by a newer Yosomi (version ${d.found}); this one knows ${d.known}.`,
  'pin-wrong': () => 'This pinned photograph is damaged. Open the photograph anew.',
  'pin-picture': (d) => `A picture is missing in this file: ${d.name}.`,
  'pin-file-not': () => 'This is no pinned photograph. Choose an OpenRaster file that was saved here.',
  'pin-file-large': (d) => `This file unpacks to more than ${d.most} MB.`,
  'pin-corners': () => 'These corners make no face. Put them on the corners of the cover, one after the other.',
  'side-gone': () => 'This side is made from the front now. Choose it again to edit it.',
  'size-there': () => 'There is a size of this shape already. Open that one.',
  'cover-finished': () => 'A finished cover has no other sizes: nothing in it can be placed anew.',
  'sibling-gone': () => 'This size is not there any more.',
  'project-face': (d) =>
    `The font "${d.name}" in this title file is missing or damaged. Nothing on your Shelf was changed.`,
  'budget-too-small': (d) =>
    `The cover does not fit into ${bytes(d.most)}, even at the lowest quality that is still fit to show.`,
  'scenes-wrong': () => 'What is kept here for all titles cannot be read, so it was left as it is.',
  'scene-full': (d) => `A scene holds ${d.most} things at most. Take one out first.`,
  'thing-gone': () => 'That thing is not in the scene any more.',
  'thing-last': () => 'One thing has to stay in the scene.',
  'scene-newer': () => 'A scene was made by a newer Yosomi. It was left as it is. Update Yosomi to use it.',
  'kept-newer': () => 'What is kept here was written by a newer Yosomi, so it was left as it is. Update Yosomi.',
  'kept-wrong': () => 'What is kept here cannot be read, so it was left as it is.',
  'scenes-newer': () =>
    'What is kept here for all titles was written by a newer Yosomi, so it was left as it is. Update Yosomi.',
  'library-room': () => 'The browser has no room left for it. Remove titles or pictures for good, then add it again.',
  'library-full': (d) => `${d.most} pictures are kept already. Remove some first.`,
  'scenes-full': (d) => `${d.most} scenes are kept already. Remove one first.`,
  'scene-wrong': () => 'This scene is damaged and cannot be used. Choose another one.',
  'webp-missing': () => 'This browser cannot write WebP. Choose PNG or JPEG.',
  'trace-stopped': () => 'The picture was not finished. Try again.',
  'guide-value': () => 'These guides do not fit on the page, so nothing was changed.',
  'guides-full': () => 'There are 60 guides, which is as many as are kept. Take some away first.',
  'line-short': () => 'Draw the line longer, along the horizon or an upright edge.',
  'brush-full': () => 'This picture has 120 strokes, which is as many as it keeps. Remove some first.',
  'part-no-line': () => 'Words can run along a curve or round a shape or picture. This part has no line.',
  'part-no-form': () => 'Words can fill a shape, a picture or a closed curve. This part has no outline.',
  'style-value': () => 'Give the style a name of up to 60 letters.',
  'style-known': ({ name }) =>
    `There is a style “${name}” already. Choose another name, or give these words that style.`,
  'style-gone': () => 'This style is not there any more.',
  'curve-closed': () => 'A closed curve has no end to join. Open it first, under Its points.',
  'curve-long': (d) => `Together they have more than ${String(d.most)} points. Remove some first.`,
  'work-failed': () => 'Something went wrong while this was made. Nothing of yours is lost: try again.',

  'pictures-many': (d) => `A sheet takes up to ${d.most} pictures. Take one off first.`,
  'favourites-full': (d) => `Up to ${d.most} favourites are kept. Put one back first.`,
  'letters-foreign': () =>
    'No face here has all letters of these words. Add a font of your own that has them on the Front, under Face.',
  'sheet-empty': () => 'No cover came out that reads. Shorten the title, take another picture, or ask for less.',
  'sketch-unknown': () => 'This cover was made by a rule that is not here any more.',
  'sketch-misfit': (d) =>
    d.why === 'pictures'
      ? 'This design needs a picture. Add one on the Sketches of this title.'
      : 'The words of this title do not fit this design.',
  'sketch-contrast': () => 'The words of this title would not read in this design.',
  'sketch-covers': () => 'The words would lie on what the picture is about.',
  'sketch-faint': () => 'The picture would hardly be seen.',
  'words-small': (d) => `Set at ${d.px} px, smaller than ${d.least} px. Shorten the words or give them more room.`,
  'words-below-least': (d) =>
    `Set at ${d.px} px, below the ${d.least} px you asked for. Shorten the words or give them more room.`,
  'picture-sliver': (d) => `The picture leaves a sliver of ${d.px} px at the ${d.edge} edge.`,
  'face-missing': () =>
    'The font of these words is not on this device, so they are set in another face. Add it again, or choose another.',
  'faces-many': (d) => `The cover uses ${d.count} families of type (${d.names}). Two are calmer.`,
  'words-hidden': (d) =>
    `Only ${d.percent} % of these letters can be seen: something lies over them, cuts them off or fades them. Bring the words to the front.`,
  'words-overflow': (d) => `At ${d.px} px the words do not fit their place. Set them smaller, or as large as fits.`,
  'letters-missing': (d) => `No face has these letters: ${d.letters}. They are shown as empty boxes.`,
  'letters-borrowed': (d) => `This face lacks ${d.letters}, so those words are set in Noto Serif.`,
  'contrast-low': (d) =>
    `Contrast is ${d.ratio} : 1 where it is lowest; words need ${d.wanted} : 1. Choose another colour or move them.`,
  'words-outside': (d) => `These words reach ${d.px} px over the ${d.edge} edge of the cover, where they are cut off.`,
  'words-unsafe': (d) =>
    `These words reach ${d.px} px into the margin at the ${d.edge}, where covers are cut or covered.`,
  'cover-empty': () => 'Nothing stands on this cover yet. Add words or a picture, or take a cover from Sketches.',
  'title-not-shown': () => 'The cover does not show the title of the book. Add it with Add a part, Title.',
  'reads-contrast': (d) =>
    `The ${roleText(d.role)} reads badly: its contrast is ${d.ratio} : 1 where it is lowest, and ${d.wanted} : 1 is needed.`,
  'reads-hidden': (d) => `The ${roleText(d.role)} reads badly: only ${d.percent} % of its letters can be seen.`,
  'reads-outside': (d) => `The ${roleText(d.role)} is cut off: it reaches ${d.px} px over the ${d.edge} edge.`,
  'store-thumb-rest': (d) =>
    `At ${d.wanted} px these cannot be read: ${String(d.roles).split(', ').map(roleText).join(', ')}.`,
  'scrim-added': (d) => `A scrim of ${d.percent} % from the ${d.edge} was added so that the words read.`,

  'store-format': (d) =>
    `The file is ${String(d.found).toUpperCase()}; the store takes ${String(d.wanted).toUpperCase()}.`,
  'store-exact-size': (d) => `The picture has ${d.found} px; the store wants exactly ${d.wanted} px.`,
  'store-too-small': (d) => `The picture has ${d.found} px; the store wants at least ${d.wanted} px.`,
  'store-too-big': (d) => `The picture has ${d.found} px; the store wants at most ${d.wanted} px.`,
  'store-short-side': (d) => `The shorter side has ${d.found} px; the store wants at least ${d.wanted} px.`,
  'store-long-side': (d) => `The longer side has ${d.found} px; the store wants at most ${d.wanted} px.`,
  'store-lying': (d) => `The picture has ${d.found} px: it is wider than high, and the store shows upright covers.`,
  'store-ratio': (d) => `Height over width is ${d.found}; the store wants ${d.low} to ${d.high}.`,
  'store-bytes': (d) => `The file has ${bytes(d.found)}; the store takes up to ${bytes(d.wanted)}.`,
  'store-colour': (d) =>
    `The file is ${d.found === 'grey' ? 'greyscale' : 'in colours for print (CMYK)'}; the store wants RGB.`,
  'store-bit-depth': (d) =>
    `The file has ${d.found} bits for each colour; the store wants ${d.wanted}. A copy that is made here has them.`,
  'store-alpha': () => 'The file can be see-through; the store wants none of that. A copy that is made here is not.',
  'store-orientation': (d) =>
    `The file is stored lying and asks to be turned (${d.found}); some stores do not do that. A copy that is made here is upright.`,
  'store-no-profile': () =>
    'The file does not say how its colours are meant (no colour profile). A copy that is made here says it.',
  'store-profile': (d) =>
    `The colours are meant for "${d.found}"; screens and stores want sRGB. A copy that is made here has it.`,
  'store-density': (d) =>
    `The file says ${d.found === 0 ? 'nothing of' : d.found} pixels to the inch; the store asks for ${d.wanted}. It changes no pixel.`,
  'store-progressive': () =>
    'The JPEG is of the kind that comes up little by little (progressive); the store wants the plain kind.',
  'store-animated': () => 'The file holds several pictures; the store wants one.',
  'store-pale-edge': (d) => `The cover is nearly white at its edges (${d.edges}), so it vanishes on a white page.`,
  'store-empty-border': (d) => `There is an empty white border of ${d.px} px at the ${d.edge}; the store wants none.`,
  'store-address': (d) => `The cover shows an address (${d.found}); the store wants none.`,
  'store-price': (d) => `The cover shows a price (${d.found}); the store wants none.`,
  'store-phone': (d) => `The cover shows a phone number (${d.found}); the store wants none.`,
  'store-rank': (d) => `The cover claims a rank (${d.found}); the store wants none.`,
  'store-object': () => 'The cover shows an object with a cover on it; the store wants a flat cover.',
  'store-words-match': (d) => `The ${d.field} "${d.wanted}" is not on the cover; the store compares them.`,
  'store-words-unread': () =>
    'The words of a finished picture cannot be read here: compare them with the Brief by eye.',
  'store-thumb': (d) =>
    d.found === 0
      ? `The title has too little contrast to read at ${d.wanted} px wide.`
      : `The title reads from ${d.found} px wide; the store shows covers ${d.wanted} px wide.`,
  'store-metadata': (d) => `The file carries notes of a camera or program (${d.found}); covers should carry none.`,
  'png-size': () => 'The PNG has another size than it should. Make it again.',
  'png-opaque': () => 'The PNG should have a clear background and has none. Make it again.',
  'png-transparent': () => 'The PNG is see-through in places and should not be. Make it again.',
  'links-live': (d) => (d.count === 1 ? 'One live link.' : `${d.count} live links.`),
  'encoded-lossy': (d) => {
    const alike =
      Number(d.percent) >= 98
        ? 'it looks just like the cover'
        : Number(d.percent) >= 95
          ? 'hardly a difference can be seen'
          : 'it looks softer than the cover, for the store allows few bytes';
    return `${d.format}: ${alike}.`;
  },
  'encoded-lossless': (d) => `${d.format}: exactly the cover, nothing lost.`,
  'edge-line': () => 'A thin grey line was drawn round it, so that it does not vanish on a white page.',
  'words-outlines': (d) =>
    d.count === 1
      ? 'One shape stays sharp at any size.'
      : `${d.count} shapes, words among them, stay sharp at any size.`,
  'repair-words': () => 'Only what the file says of itself was put right; its picture is untouched.',
  'repair-upright': () => 'Turned upright.',
  'repair-colour': (d) => `Colours were taken from ${d.from} to sRGB, the colours of screens.`,
  'repair-still': () => 'It held several pictures; only the first is kept.',
  'repair-opaque': () => 'What was see-through now lies on white.',
  'repair-fitted': (d) => `Shown whole within ${d.size} px, on its own edge colour.`,
  'repair-cut': (d) => `Cut to ${d.size} px where it is calmest.`,
  'repair-carried': (d) => `Shown whole within ${d.size} px, its own ground carried on beyond its edges.`,
  'repair-smaller': (d) => `Made smaller, to ${d.size} px.`,
  'repair-format': (d) => `Written as ${d.to}; it was ${d.from}.`,
  'check-format': (d) => `This is ${d.found}. Choose a JPEG, PNG, WebP, AVIF, TIFF, EPUB or PDF.`,
  'send-offline': () => 'The stand-in store cannot be reached. Start the server and try again.',
  'send-unknown': (d) => `The server has no stand-in for the store "${d.store}".`,
  'send-busy': () => 'The stand-in store is busy. Try again in a moment.',
  'send-refused': (d) => `The stand-in store did not take the file (status ${d.status}).`,
  'stores-not': () => 'This is no file of stores. Choose one that was saved here.',
  'stores-newer': (d) => `These stores were saved by a newer Yosomi (${d.found}; this one reads ${d.known}).`,
  'stores-wrong': (d) => `This file of stores is not right: ${storeField(String(d.where))}. Nothing was taken in.`,
  'stores-twice': (d) => `This file has the store "${d.id}" twice. Nothing was taken in.`,
  'package-lacks': (d) =>
    `The zip lacks ${d.count === 1 ? 'one file that is' : `${d.count} files that are`} not made, or older than the cover; its README names ${d.count === 1 ? 'it' : 'them'}.`,
  'package-empty': () => 'None of these files is made yet. Make them first.',
  'demo-unread': () => 'The demo books could not be fetched. They are tried again when you come back to the Shelf.',
  'package-missing': (d) => `The browser had no room to keep ${d.name}. Make it again, or save it by itself.`,
  'wishes-wrong': () => 'Your stores and names that are kept here cannot be read, so they were left as they are.',
  'wishes-newer': () =>
    'Your stores and names were written by a newer Yosomi, so they were not changed. Update Yosomi.',
  'wishes-full': () => 'There are too many stores of your own. Remove one first.',
  'work-stopped': () => 'Stopped. Nothing was written.',
  'zip-not': () => 'This is no zip file.',
  'zip-damaged': (d) => `This file is damaged${d.name ? ` at ${d.name}` : ''}. Get another copy and try again.`,
  'zip-many': (d) => `This file holds more than ${d.most} files, so it was not opened.`,
  'zip-large': (d) => `This file unpacks to more than ${d.most} MB, so it was not opened.`,
  'zip-name': (d) => `A file in it would leave its folder (${d.name}), so it was not opened.`,
  'zip-twice': (d) => `Two files in it have the name ${d.name}. Get another copy and try again.`,
  'zip-overlap': () => 'Files in it lie over each other, so it was not opened.',
  'zip-locked': () => 'This file is locked with a password. Get an open copy and try again.',
  'zip-missing': (d) => `There is no ${d.name} in this file.`,
  'cover-fitted': () => 'The finished cover has another ratio, so it is shown whole on its own edge colour.',
  'cover-recomposed': () => 'Composed anew for this ratio; nothing is stretched.',
  'cover-enlarged': (d) =>
    `The cover file is ${d.from} px wide and was enlarged to ${d.to} px. Use a larger file if you have one.`,
};

export function sentenceOf(one: Fault | Finding): string {
  return SENTENCES[one.code]?.(one.data) ?? `Something went wrong (${one.code}).`;
}
