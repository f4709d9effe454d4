import { never } from '../base';
import { type Affine, type Rect, compose, intersect, outset, pathBounds, rectAround, union } from '../plane';
import type { InkItem } from './ink';

/** How far a blur reaches, in standard deviations: three box blurs end there. */
const BLUR_REACH = 3;

/** A box, in the frame of `outer`, outside which an item draws nothing; never smaller than what is drawn. */
export function inkBounds(item: InkItem, outer: Affine): Rect {
  const m = item.transform ? compose(outer, item.transform) : outer;
  switch (item.kind) {
    case 'fill':
      return rectAround(m, pathBounds(item.path));
    case 'stroke':
      return rectAround(m, outset(pathBounds(item.path), item.widthPx * (item.join === 'miter' ? 2 : 0.5)));
    case 'image':
      return rectAround(m, item.to);
    case 'group': {
      const own = union(item.items.map((one) => inkBounds(one, m)).filter((r) => r.width > 0 || r.height > 0));
      const cut = item.mask ? intersect(own, union(item.mask.map((one) => inkBounds(one, m)))) : own;
      return outset(cut, item.blurPx * BLUR_REACH * Math.hypot(m[0], m[1]));
    }
    default:
      return never(item);
  }
}
