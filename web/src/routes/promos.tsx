import { slug } from '@yosomi/core/base';
import { onPromo, promoFollowing } from '@yosomi/core/recipe';
import { useMemo, useState } from 'react';
import { AddPart } from '../features/front/add-part';
import { Inspector } from '../features/front/inspector';
import { PartsPanel } from '../features/front/parts-panel';
import { Table } from '../features/front/table';
import { useFrontActions } from '../features/front/use-front-actions';
import { usePromoMockup } from '../features/promos/use-promo-mockup';
import { usePromoView } from '../features/promos/use-promo-view';
import { sayFault, say } from '../messages/say';
import { saveFile } from '../platform/files';
import { useBook, useSession } from '../state/session';
import { Button } from '../ui/button';
import { Group } from '../ui/group';
import { Side, Sides } from '../ui/sides';
import { useCoverColours } from '../work/queries';
import { press } from '../work/workers';

const NONE = new Map<string, never>();
const NO_MORE = [] as const;

export function PromosPage() {
  const book = useBook();
  const [width, setWidth] = useState(540);
  const [ground, setGround] = useState(0);
  const [saving, setSaving] = useState(false);
  const mockup = usePromoMockup(book);
  const { view, fresh, failed } = usePromoView(book, mockup.data, width);
  const { data: colours } = useCoverColours(book);
  const edit = useSession((s) => s.edit);
  const doc = view?.doc ?? book.promo;
  const on = useMemo(() => onPromo(doc), [doc]);
  useFrontActions({ doc, on, frames: view?.frames ?? NONE, extra: NO_MORE });
  const waiting = mockup.isFetching || !fresh;

  const save = async (kind: 'png' | 'jpeg'): Promise<void> => {
    if (!mockup.data) return;
    setSaving(true);
    try {
      const pixels = await press().promoPixels(book, mockup.data);
      const name = `${slug(book.brief.title)}-promo-${book.promo.widthPx}x${book.promo.heightPx}.${kind === 'png' ? 'png' : 'jpg'}`;
      if (kind === 'png') {
        const made = await press().png(pixels, false);
        if (!made.ok) return sayFault(made.fault);
        saveFile(made.value.bytes, name, 'image/png');
      } else saveFile(await press().jpeg(pixels), name, 'image/jpeg');
      say(`Saved ${name}`);
    } catch {
      sayFault({ code: 'work-failed', data: {} });
    } finally {
      setSaving(false);
    }
  };

  return (
    <main className="flex min-h-0 flex-1" data-fresh={fresh && !mockup.isFetching}>
      <h1 className="sr-only">Promos</h1>
      <Sides names={['Parts', 'Inspector']}>
        <Side name="Parts">
          <PartsPanel doc={doc} frames={view?.frames ?? NONE} reports={NONE} added={[]}>
            <AddPart doc={doc} on={on} colour={colours?.[0] ?? '#16181b'} />
          </PartsPanel>
        </Side>
        <Table
          doc={doc}
          on={on}
          bitmap={view?.bitmap ?? null}
          frames={view?.frames ?? NONE}
          label={`Promo for ${book.brief.title.trim() || 'this book'}`}
          onWidth={setWidth}
          onDragging={() => {}}
          ground={ground}
          onGround={setGround}
          guides={false}
          footer={
            <span className="text-xs" role="status">
              {mockup.isError || failed
                ? 'The promo could not be made. Undo the last step or reload.'
                : mockup.isFetching
                  ? 'Making the book in 3D'
                  : waiting
                    ? 'Painting'
                    : ''}
            </span>
          }
        />
        <Side name="Inspector">
          <div className="flex w-[288px] shrink-0 flex-col">
            <div className="min-h-0 flex-1">
              <Inspector
                doc={doc}
                on={on}
                frames={view?.frames ?? NONE}
                reports={NONE}
                findings={view?.findings ?? []}
                added={[]}
                colours={colours ?? []}
                empty={
                  <>
                    <h2 className="px-4 pt-4 text-base font-semibold">The promo</h2>
                    <Group title="Where its colours come from">
                      <label className="flex items-center gap-2">
                        <input
                          type="checkbox"
                          className="size-4 accent-ink"
                          checked={book.promoFollows}
                          onChange={(e) =>
                            edit(
                              e.target.checked ? 'Colours follow the cover' : 'Colours stay',
                              promoFollowing(doc, e.target.checked),
                            )
                          }
                        />
                        Colours follow the cover
                      </label>
                      <p className="text-ink-2">A colour chosen by hand ends this.</p>
                    </Group>
                    <Group title="What to do">
                      <p>
                        Choose a part to change it. Double-click words to type on them. The book in 3D follows the cover
                        and the scene of Mockups.
                      </p>
                    </Group>
                  </>
                }
              />
            </div>
            <div className="flex gap-2 border-t border-l border-line p-4">
              <Button
                kind="ink"
                className="flex-1"
                disabled={!mockup.data || mockup.isFetching || saving}
                onClick={() => void save('png')}
              >
                {saving ? 'Saving' : 'Save PNG'}
              </Button>
              <Button
                className="flex-1"
                disabled={!mockup.data || mockup.isFetching || saving}
                onClick={() => void save('jpeg')}
              >
                Save JPEG
              </Button>
            </div>
          </div>
        </Side>
      </Sides>
    </main>
  );
}
