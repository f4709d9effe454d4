import type { Busyness } from '@yosomi/core/compose';
import { Bitmap } from '../../ui/bitmap';
import { useEffect, useState } from 'react';

/** The calm places of the picture in pale blue, the calmest the fullest. */
export function QuietMap({ map }: { map: Busyness }) {
  const [bitmap, setBitmap] = useState<ImageBitmap | null>(null);
  useEffect(() => {
    let current = true;
    const { columns, rows, cells } = map;
    const mean = cells.reduce((sum, v) => sum + v, 0) / cells.length;
    const image = new ImageData(columns, rows);
    cells.forEach((v, i) => {
      const calm = Math.max(0, 1 - v / (mean || 1));
      image.data.set([164, 221, 237, Math.round(215 * calm)], i * 4);
    });
    void createImageBitmap(image).then((made) => current && setBitmap(made));
    return () => {
      current = false;
    };
  }, [map]);
  return (
    <div aria-hidden className="pointer-events-none absolute inset-0 bg-ink/35">
      <Bitmap bitmap={bitmap} label="" className="block h-full w-full" />
    </div>
  );
}
