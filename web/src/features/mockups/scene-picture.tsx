import type { Scene } from '@yosomi/core/mockup';
import { type Book, readBook } from '@yosomi/core/project';
import { mockupKey, titlesOf } from '@yosomi/core/recipe';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { TriangleAlert } from 'lucide-react';
import { db } from '../../persist/db';
import { Bitmap } from '../../ui/bitmap';
import { press } from '../../work/workers';
import { inTurn } from './in-turn';

/** A small square picture of a scene with a title's own cover, drawn beside the work once it is `ready`; says so when it cannot be. */
export function ScenePicture(props: {
  book: Book;
  scene: Scene;
  px: number;
  ready: boolean;
  label: string;
  className: string;
}) {
  const { book, scene, ready, label, className } = props;
  const px = props.px * Math.min(2, window.devicePixelRatio);
  const { data, isError } = useQuery({
    queryKey: ['scene-thumb', mockupKey(book, { widthPx: px, heightPx: px }, scene)],
    queryFn: () => inTurn(async () => press().sceneThumb(book, scene, await booksOf(titlesOf(scene)), px)),
    enabled: ready,
    staleTime: Infinity,
    gcTime: 60_000,
    placeholderData: keepPreviousData,
  });
  if (isError)
    return (
      <span className={`flex items-center justify-center gap-1.5 text-xs text-ink-2 ${className}`}>
        <TriangleAlert size={14} aria-hidden /> Could not be drawn
      </span>
    );
  return <Bitmap bitmap={data ?? null} label={label} className={className} />;
}

async function booksOf(ids: readonly string[]): Promise<Book[]> {
  const rows = await db.titles.bulkGet([...ids]);
  return rows.flatMap((row) => {
    const read = row && readBook(row.book);
    return read?.ok ? [read.value] : [];
  });
}
