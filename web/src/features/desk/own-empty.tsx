import type { ReactNode } from 'react';
import { Button } from '../../ui/button';
import { NoneFit } from './none-fit';
import { ownChanged } from './own-rev';

/** Why nothing is shown, and what to do. */
export function OwnEmpty(props: {
  nothing: boolean;
  /** They could not be looked through. */
  failed: boolean;
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
      {props.failed ? (
        <div role="alert" className="flex flex-col items-start gap-3">
          <p>Your pictures could not be read just now. They stay stored.</p>
          <Button onClick={ownChanged}>Try again</Button>
        </div>
      ) : props.reading ? (
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
        <NoneFit hides={props.hides} onAll={props.onAll} />
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
