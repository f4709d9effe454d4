import { slug } from '@yosomi/core/base';
import { demoHouse } from '@yosomi/core/demo';
import { type Book, type Project, readBook } from '@yosomi/core/project';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useRef, useState } from 'react';
import { sayFault, say } from '../../messages/say';
import { db } from '../../persist/db';
import { changeHouse } from '../../persist/keeps';
import { filesOf, removeTitle, saveProject } from '../../persist/titles';
import { saveFile } from '../../platform/files';
import { demoList, fetchBytes } from '../../platform/http';
import { press, studio } from '../../work/workers';

export type Shelf = { readonly books: readonly Book[]; readonly unreadable: number };

/** All titles, the last changed first; null until they are read. */
export function useShelf(): Shelf | null {
  return (
    useLiveQuery(async () => {
      const rows = await db.titles.orderBy('updatedAt').reverse().toArray();
      const read = rows.map((row) => readBook(row.book));
      const books = read.flatMap((r) => (r.ok ? [r.value] : []));
      return { books, unreadable: read.length - books.length };
    }) ?? null
  );
}

/** Puts the demo books on the Shelf; those that are there already are left as they are. */
export async function addDemoBooks(): Promise<number> {
  const { files } = await demoList();
  let added = 0;
  // The last one stored is the first one shown.
  for (const name of [...files].reverse()) {
    const bytes = await fetchBytes(`/demo/${name}`);
    const project = bytes && (await studio.unpack(bytes));
    if (!project || !project.ok) {
      sayFault(project ? project.fault : { code: 'work-failed', data: {} });
      continue;
    }
    if (await db.titles.get(project.value.book.id)) continue;
    const saved = await saveProject(project.value);
    if (!saved.ok) {
      sayFault(saved.fault);
      break;
    }
    added++;
  }
  // The house style that the demo books share comes with them, unless there is one already.
  const house = await changeHouse((now) => (now.name || now.colours.length + now.marks.length > 0 ? now : demoHouse));
  if (!house.ok) sayFault(house.fault);
  return added;
}

/** On an empty Shelf, asks the server whether it was started with demo data, and adds it once. */
export function useDemoOnFirstVisit(shelf: Shelf | null): 'loading' | 'none' | 'offered' {
  const [state, setState] = useState<'loading' | 'none' | 'offered'>('none');
  const asked = useRef(false);
  useEffect(() => {
    if (!shelf || asked.current) return;
    asked.current = true;
    void (async () => {
      const list = await demoList();
      if (list.files.length === 0) return;
      setState('offered');
      if (!list.autoload || shelf.books.length > 0 || localStorage.getItem('demo-added')) return;
      setState('loading');
      await addDemoBooks();
      localStorage.setItem('demo-added', 'yes');
      setState('offered');
    })();
  }, [shelf]);
  return state;
}

export async function saveTitleAs(book: Book): Promise<void> {
  try {
    const bytes = await press().pack({ book, files: await filesOf(book) });
    saveFile(bytes, `${slug(book.brief.title)}.yosomi`, 'application/zip');
  } catch {
    sayFault({ code: 'work-failed', data: {} });
  }
}

export async function removeFromShelf(book: Book): Promise<void> {
  try {
    const removed = await removeTitle(book.id);
    const back = async (project: Project): Promise<void> => {
      const saved = await saveProject(project);
      if (!saved.ok) sayFault(saved.fault);
    };
    say(
      `"${book.brief.title || 'Untitled'}" was removed.`,
      removed ? { label: 'Put it back', run: () => void back(removed) } : undefined,
    );
  } catch {
    sayFault({ code: 'store-failed', data: {} });
  }
}
