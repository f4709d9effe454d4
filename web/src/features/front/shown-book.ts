import type { Book } from '@yosomi/core/project';
import { createContext } from 'react';

/** The title with the cover as it is on the table: at a sibling's ratio where one is open; null where no cover is shown. */
export const ShownBook = createContext<Book | null>(null);
