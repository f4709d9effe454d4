import { type Ink, type InkItem, fill, flat, image } from '../ink';
import { compose, joinPaths, rectPath, scale, transformPath, translate } from '../plane';
import type { Shaper } from '../text';
import type { Mark, Page, Pages } from './page';

function itemOf(mark: Mark, shaper: Shaper): InkItem {
  switch (mark.kind) {
    case 'fill':
      return fill(mark.path, flat(mark.colour, mark.opacity));
    case 'picture':
      return image(mark.image, mark.from, mark.to);
    case 'text': {
      const letters = mark.glyphs.map(({ glyph, x, dx, dy }) =>
        transformPath(
          shaper.outline(mark.cut, glyph),
          compose(translate(mark.x + x + dx, mark.y + dy), scale(mark.size)),
        ),
      );
      return fill(joinPaths(letters), flat(mark.colour));
    }
  }
}

/** A page as a display list, one pixel a point: the same letters in the same places as in the file. */
export function pageInk({ width, height }: Pages, page: Page, shaper: Shaper): Ink {
  const sheet = fill(rectPath({ x: 0, y: 0, width, height }), flat('#ffffff'));
  return { widthPx: width, heightPx: height, items: [sheet, ...page.marks.map((mark) => itemOf(mark, shaper))] };
}
