import type { ReactNode } from 'react';
import { Button } from '../../ui/button';

/** Why nothing is shown, and what to do. */
export function OwnEmpty(props: {
  nothing: boolean;
  reading: boolean;
  hides: number;
  words: string;
  everywhere: boolean;
  add: ReactNode;
  onAll(): void;
  onEverywhere(): void;
}) {
  return (
    <div className="flex min-w-0 flex-1 flex-col items-start gap-3 overflow-y-auto bg-table p-6">
      {props.reading ? (
        <p role="status">Reading your pictures</p>
      ) : props.nothing ? (
        <>
          <p className="text-base font-semibold">No pictures of your own yet</p>
          <p className="max-w-md text-ink">
            Drop or paste as many as you like here, or whole folders of them. They are kept for every title, and the
            same picture is kept once.
          </p>
          {props.add}
        </>
      ) : props.hides > 0 ? (
        <>
          <p>
            Nothing fits all that is chosen. {props.hides === 1 ? 'One picture fits' : `${props.hides} pictures fit`}{' '}
            the words alone.
          </p>
          <Button onClick={props.onAll}>Drop the choices</Button>
        </>
      ) : (
        <>
          <p>{props.words ? `No picture here answers “${props.words}”.` : 'No picture lies here.'}</p>
          {props.words && <p>Names, tags, folders, colours and moods are searched.</p>}
          {props.everywhere && <Button onClick={props.onEverywhere}>Look in all folders</Button>}
        </>
      )}
    </div>
  );
}
