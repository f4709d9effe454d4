import { Button } from '../../ui/button';

/** What is chosen leaves nothing of what the words find. */
export function NoneFit({ hides, onAll }: { hides: number; onAll(): void }) {
  return (
    <div className="flex flex-col items-start gap-3">
      <p>
        Nothing fits all that is chosen. {hides === 1 ? 'One picture fits' : `${hides} pictures fit`} the words alone.
      </p>
      <Button onClick={onAll}>Drop the choices</Button>
    </div>
  );
}
