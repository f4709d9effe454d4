import type { Fault } from '@yosomi/core/base';

type Sentence = (d: Fault['data']) => string;

/** What can be wrong with the corners of a face. */
const CORNERS: Readonly<Record<string, string>> = {
  count: 'four corners are needed, each with x and y',
  crossed: 'they must go round the face: top left, top right, foot right, foot left',
  flat: 'three of them lie in a line',
  outside: 'they lie outside the photograph',
};

/** What can be wrong with how a face is bent. */
const MESH: Readonly<Record<string, string>> = {
  count: 'it needs a point for each place of a 3 x 3, 4 x 4 or 5 x 5 grid',
  corners: 'its corners must not be moved; move the corners of the face',
  folded: 'the face folds over itself',
};

/** One plain sentence for each way a command can end without its file. */
const SENTENCES: Readonly<Record<string, Sentence>> = {
  'colour-wrong': (d) => `--${d.flag} is a colour like #2b4a6b, not "${d.found}".`,
  'choice-wrong': (d) => `--${d.flag} cannot be "${d.found}". Known are: ${d.known}.`,
  'field-wrong': (d) => `${d.where} is too long or not written as it should be; see "help".`,
  'mark-letters': (d) => `No letters were found. Name up to ${d.most} with --letters.`,
  'mark-unsuited': (d) => `${d.letters} cannot be drawn as "${d.way}". These serve: ${d.known || 'none'}.`,
  'picture-unknown': () => 'This picture is not in the title.',
  'campaign-gone': () => 'This campaign is not in the title.',
  'campaigns-full': (d) => `A title holds up to ${d.most} campaigns.`,
  'flag-unknown': (d) => `There is no option ${d.flag} here; see "help".`,
  'flag-empty': (d) => `The option ${d.flag} needs a value.`,
  'flag-value': (d) => `--${d.flag} must be one of ${d.wanted}, not "${d.found}".`,
  'flag-missing': (d) => `The option --${d.flag} is missing; see "help".`,
  'word-missing': (d) => `Name the ${d.what} after the command; see "help".`,
  'size-wrong': (d) => `--${d.flag} must be a whole number from ${d.low} to ${d.high}.`,
  'command-unknown': (d) => `There is no command "${d.name}"; see "help".`,
  'file-unreadable': (d) => `${d.file} cannot be read.`,
  'file-unwritable': (d) => `${d.file} cannot be written.`,
  'file-name-long': (d) => `The name ${d.file} is too long for this disk.`,
  'file-link': (d) => `${d.file} is a link that points nowhere; name the file itself.`,
  'file-no-file': (d) => `${d.file} is a folder or a device, and no file that can be written.`,
  'file-full': (d) => `There is no room on the disk for ${d.file}.`,
  'out-twice': (d) => `Two options name the same file, ${d.file}.`,
  'ending-wrong': (d) => `--${d.flag} must end in ${d.wanted}${d.found ? `, not .${d.found}` : ''}.`,
  'size-range': (d) => `Each side can have ${d.least} to ${d.most} px.`,
  'face-missing': () => 'The title file lacks a font that its words are set in, so nothing was made.',
  'file-empty': () => 'The file is empty.',
  'file-large': (d) => `The file has ${d.mb} MB; up to ${d.most} MB can be read.`,
  'scene-newer': (d) => `The scene file was made by a newer version (${d.found}; this one reads ${d.known}).`,
  'scene-wrong': (d) => `The scene file is not valid (${d.where}).`,
  'share-wrong': (d) => `--${d.flag} must be a number from 0 to 1.`,
  'corners-wrong': () => '--corners must be eight numbers: x,y of top left, top right, foot right and foot left.',
  'mesh-wrong': (d) => `${d.file} is no bend: see docs/pin.md for what it holds.`,
  'pin-mesh': (d) => `This bend cannot be used: ${MESH[String(d.wrong)] ?? d.wrong}.`,
  'pin-corners': (d) => `These corners make no face: ${CORNERS[String(d.wrong)] ?? d.wrong}.`,
  'pictures-many': (d) => `A sheet takes up to ${d.most} pictures.`,
  'letters-foreign': () => 'No face here has all letters of these words; add a font of your own in the app.',
  'sheet-empty': () => 'No cover came out that reads: shorten the title, or take another picture.',
  'sketch-unknown': (d) => `There is no structure "${d.structure}" here.`,
  'sketch-misfit': () => 'The words do not fit this structure.',
  'sketch-contrast': () => 'The words would not read on this structure.',
  'sketch-covers': () => 'This structure would hide what the picture is about.',
  'sketch-faint': () => 'In this structure and these colours the picture would hardly be seen.',
  'store-unknown': (d) => `There is no store "${d.store}"; the stores are ${d.known}.`,
  'svg-script': () => 'The SVG holds a script; save it as a PNG.',
  'image-format': (d) =>
    `The file is ${d.found === 'no picture' ? 'no picture that can be read' : `${d.found} file`}; use a JPEG, PNG or WebP.`,
  'image-truncated': (d) => `The ${d.format} file ends too early.`,
  'image-damaged': (d) => `The ${d.format} file is damaged.`,
  'image-large': (d) => `The picture has ${d.widthPx} x ${d.heightPx} px; up to ${d.most} million pixels can be read.`,
  'image-small': (d) => `The picture has only ${d.widthPx} x ${d.heightPx} px; its shorter side needs ${d.least}.`,
  'project-twice': (d) => `This is the same title as ${d.file}; it is made once.`,
  'project-not': () => 'This is not a Yosomi title file.',
  'project-damaged': () => 'The title file is damaged.',
  'edit-wrong': (d) => `The change would leave a title that cannot be read (${d.where}).`,
  'project-newer': (d) => `The title file was saved by a newer version (${d.found}; this one reads ${d.known}).`,
  'project-large': (d) => `The title file unpacks to more than ${d.most} MB.`,
  'picture-missing': (d) =>
    `The title file lacks the picture "${d.name}"${Number(d.count) > 1 ? ` and ${Number(d.count) - 1} more` : ''}, so nothing was made.`,
  'volume-gone': (d) =>
    `The picture shows ${d.count === 1 ? 'another title' : `${d.count} other titles`} that ${d.count === 1 ? 'is' : 'are'} not given; name ${d.count === 1 ? 'its file' : 'their files'} too.`,
  'project-face': (d) => `The font "${d.name}" in the title file is missing or damaged.`,
  'project-picture': (d) => `The picture "${d.name}" in the title file is missing or damaged.`,
  'zip-not': () => 'The file is no zip.',
  'zip-damaged': (d) => `The zip is damaged${d.name ? ` at ${d.name}` : ''}.`,
  'zip-many': (d) => `The zip has more than ${d.most} files.`,
  'zip-large': (d) => `The zip unpacks to more than ${d.most} MB.`,
  'zip-name': (d) => `A file in the zip would leave its folder: ${d.name}.`,
  'zip-twice': (d) => `The zip has two files with the name ${d.name}.`,
  'zip-overlap': () => 'Files in the zip lie over each other.',
  'zip-locked': () => 'The zip is locked with a password.',
  'zip-missing': (d) => `There is no ${d.name} in the zip.`,
  'work-stopped': () => 'Stopped.',
  'work-failed': () => 'The picture that was made cannot be read back.',
  'epub-not': () => 'This is no EPUB.',
  'epub-container': () => 'The EPUB does not say where its package file is.',
  'epub-package': () => 'The EPUB has no package file that can be read.',
  'epub-drm': () => 'The EPUB is locked by copy protection, so its cover cannot be changed. Ask for an open copy.',
  'epub-font-key': () => 'Fonts in the EPUB are scrambled with its identifier, so the identifier must stay.',
  'epub-language': (d) => `"${d.found}" is no language code; use one such as en or de-AT.`,
  'epub-date': (d) => `"${d.found}" is no date; use 2026, 2026-11 or 2026-11-26.`,
  'epub-cover-format': (d) => `A cover in an EPUB must be a JPEG or PNG, not ${String(d.found).toUpperCase()}.`,
  'pdf-not': () => 'This is no PDF.',
  'pdf-encrypted': () => 'The PDF is locked with a password, so its pages cannot be changed. Ask for an open copy.',
  'pdf-damaged': () => 'The PDF is damaged.',
  'pdf-pages': (d) => `The PDF has more than ${d.most} pages.`,
  'stores-not': () => 'The stores file is no such file; see docs/stores.md.',
  'stores-newer': (d) => `The stores file was made by a newer version (${d.found}; this one reads ${d.known}).`,
  'stores-wrong': (d) => `The stores file is not valid at ${d.where}.`,
  'stores-twice': (d) => `The stores file has two stores with the id ${d.id}.`,
  'stores-both': () => 'Give --store or --all-stores, not both.',
  'delivered-newer': (d) =>
    `What lies in this folder was made by a newer version (${d.found}; this one reads ${d.known}). Choose another folder.`,
  'delivered-wrong': (d) => `What is noted of this folder cannot be read (${d.where}).`,
  'names-empty': () => 'Names need a pattern, such as {title}-{store}.',
  'names-unknown': (d) => `Names cannot hold {${d.name}}; see docs/stores.md.`,
  'only-wrong': (d) => `--only must be "stores" or "all", not "${d.found}".`,
  'format-unknown': (d) => `The ending ".${d.ending}" names no image format; use jpg, png, webp, avif or tif.`,
  'format-not-taken': (d) => `${d.store} takes no ${d.format}; it takes ${d.wanted}.`,
  'text-empty': () => 'The text has no words.',
  'text-long': (d) => `The text is longer than ${d.most} letters or has too many pieces.`,
  'text-picture': (d) => `The picture ${d.name} that the text shows is not beside it.`,
  'booklet-gone': () => 'The title has no booklet.',
  'look-unknown': (d) => `There is no look called "${d.look}".`,
  'booklet-empty': () => 'The title has no booklet text.',
  'title-missing': () => 'The book has no title; type one in the Brief.',
  'store-refused': (d) => `The store would refuse the cover (${d.codes}).`,
  'film-too-large': (d) => `The film has ${d.found} bytes even at its lowest quality, more than ${d.most}.`,
  'motion-cannot': (d) => `Nothing in this format can move like that (${d.motion}).`,
  'budget-too-small': (d) => `The cover does not fit into ${d.most} bytes.`,
};

export const sentence = (fault: Fault): string => SENTENCES[fault.code]?.(fault.data) ?? `Failed: ${fault.code}.`;

/** Faults of the input itself (exit code 2); every other fault is a refusal (exit code 1). */
const INPUT =
  /^(flag|word|ending|out|size|share|corners|mesh|pin|command|file|scene|svg|image|project|zip|epub|pdf|stores|names|only|delivered|format|pictures|text)-|^store-unknown$/;

export const exitCodeOf = (fault: Fault): 1 | 2 => (INPUT.test(fault.code) ? 2 : 1);
