import { useState } from 'react';
import { Button } from './button';
import { Dialog } from './dialog';
import { TextField } from './field';

/** Asks for a name before something is kept; it starts with the usual one each time it opens. */
export function NameDialog(props: {
  title: string;
  description: string;
  label: string;
  usual: string;
  onClose(): void;
  onKeep(name: string): void;
}) {
  const [name, setName] = useState(props.usual);
  return (
    <Dialog open onClose={props.onClose} title={props.title} description={props.description}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          props.onKeep(name.trim() || props.usual);
        }}
      >
        <TextField label={props.label} value={name} maxLength={80} autoFocus onChange={setName} />
        <Button kind="ink" type="submit" className="self-end">
          Keep it
        </Button>
      </form>
    </Dialog>
  );
}
