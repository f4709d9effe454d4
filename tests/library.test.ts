import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { DESK } from '@yosomi/core/desk';
import { NEARLY, alikeDistance, alikeMark } from '@yosomi/core/library';
import { paintPicture } from '@yosomi/core/paintings';
import type { Raster } from '@yosomi/core/pixels';
import { NodeStudio } from '@yosomi/node-kit';
import { pixelsOf } from './fixtures/pictures';

const HOW_MANY = 6;
const studio = new NodeStudio(new Map());
const painted = (at: number): Raster | null => {
  const one = DESK.filter(({ hand }) => hand === 'photographic' || hand === 'gouache')[at * 5];
  return one ? paintPicture(one, 160, (ink, px) => studio.paint(ink, px, new Map())) : null;
};
const pictures = Array.from({ length: HOW_MANY }, (_, at) => painted(at) ?? []).flat();

describe('pictures that are nearly the same', () => {
  it('are told by their looks after another program has saved them smaller, coarser, lighter, softer or grey', async () => {
    expect(pictures).toHaveLength(HOW_MANY);
    for (const picture of pictures) {
      const { width, height } = picture;
      const plain = sharp(Buffer.from(picture.data), { raw: { width, height, channels: 4 } }).removeAlpha();
      const mark = alikeMark(picture);
      for (const [how, file] of [
        ['coarse', plain.clone().jpeg({ quality: 25 })],
        ['small', plain.clone().resize(90).png()],
        ['large', plain.clone().resize(410).webp()],
        ['light', plain.clone().linear(1.08, 8).png()],
        ['soft', plain.clone().blur(1.2).png()],
        ['grey', plain.clone().grayscale().png()],
      ] as const) {
        const other = alikeMark(await pixelsOf(new Uint8Array(await file.toBuffer())));
        expect(alikeDistance(mark, other), how).toBeLessThanOrEqual(NEARLY);
      }
      const turned = alikeMark(await pixelsOf(new Uint8Array(await plain.clone().flop().png().toBuffer())));
      expect(alikeDistance(mark, turned), 'the other way round').toBeGreaterThan(NEARLY);
    }
  });

  it('are no others', () => {
    pictures.forEach((one, at) => {
      for (const other of pictures.slice(0, at))
        expect(alikeDistance(alikeMark(one), alikeMark(other))).toBeGreaterThan(NEARLY);
    });
  });
});
