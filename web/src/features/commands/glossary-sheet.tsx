import { GLOSSARY } from '../../messages/glossary';
import { Dialog } from '../../ui/dialog';

/** The words of the trade, explained. */
export function GlossarySheet(props: { open: boolean; onClose(): void }) {
  return (
    <Dialog
      open={props.open}
      onClose={props.onClose}
      title="What the words mean"
      description="Words of the trade that are used here."
      wide
    >
      <dl className="columns-1 gap-8 min-[700px]:columns-2">
        {GLOSSARY.map(({ term, means }) => (
          <div key={term} className="mb-3 break-inside-avoid">
            <dt className="font-semibold">{term}</dt>
            <dd className="text-ink-2">{means}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
