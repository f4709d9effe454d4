import {
  type Library,
  type LibraryAsk,
  type OwnPicture,
  OwnPictures,
  libraryOf,
  searchLibrary,
} from '@yosomi/core/library';
import { expose } from 'comlink';

/** What a tile shows of a picture before anything is read for it. */
export type Found = Pick<OwnPicture['asset'], 'id' | 'name' | 'widthPx' | 'heightPx'>;

export type OwnHits = { readonly found: readonly Found[]; readonly hides: number };

/** What there is to choose from. */
export type LibraryFacts = Pick<Library, 'folders' | 'tags'> & {
  readonly count: number;
  /** How many have one that is nearly the same. */
  readonly near: number;
  /** How many are stored that cannot be read. */
  readonly unread: number;
};

let coming: { pictures: OwnPicture[]; unread: number } = { pictures: [], unread: 0 };
let library: Library = libraryOf([]);

const brief = ({ asset: { id, name, widthPx, heightPx } }: OwnPicture): Found => ({ id, name, widthPx, heightPx });

const api = {
  begin: (): void => {
    coming = { pictures: [], unread: 0 };
  },
  /** Some of what is stored, as it is. */
  some(values: readonly unknown[]): void {
    for (const value of values) {
      const read = OwnPictures.read(value);
      if (read.ok) coming.pictures.push(read.value);
      else coming.unread++;
    }
  },
  /** From now on this is what is searched. */
  end(): LibraryFacts {
    library = libraryOf(coming.pictures);
    const { folders, tags, near, pictures } = library;
    return { folders, tags: tags.slice(0, 40), count: pictures.length, near: near.size, unread: coming.unread };
  },
  search(ask: LibraryAsk): OwnHits {
    const { found, hides } = searchLibrary(library, ask);
    return { found: found.map(brief), hides };
  },
  nearOf: (id: string): Found[] => (library.near.get(id) ?? []).map(brief),
};

export type LibraryApi = typeof api;
expose(api);
