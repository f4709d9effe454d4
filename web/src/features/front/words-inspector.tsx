import type { Edit, Finding } from '@yosomi/core/base';
import { textOf } from '@yosomi/core/compose';
import { type Doc, type WordsPart, setPart } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import type { Book } from '@yosomi/core/project';
import type { WordsReport } from '@yosomi/core/recipe';
import { FAMILIES, type FaceGroup, familyOf } from '@yosomi/core/text';
import { useEffect } from 'react';
import { sentenceOf } from '../../messages/sentences';
import { faceStyle, showFace } from '../../platform/face-preview';
import { useBook, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { ColourField } from '../../ui/colour-field';
import { NumberField, TextField } from '../../ui/field';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { Segmented } from '../../ui/segmented';
import { Verdict } from '../../ui/verdict';
import { MixGroup } from './mix-group';
import { nameOf } from './part-names';
import { writeWords } from './write-words';

const GROUPS: Record<FaceGroup, string> = {
  storied: 'For stories and poems',
  stately: 'Stately, for big words',
  carved: 'Carved, all capitals',
  plain: 'Plain and clear',
  loud: 'Loud and narrow',
};

export function WordsInspector(props: {
  part: WordsPart;
  doc: Doc;
  on(edit: Edit<Doc>): Edit<Book>;
  frame: Rect | undefined;
  report: WordsReport | undefined;
  findings: readonly Finding[];
  swatches: readonly string[];
}) {
  const { part, doc, on, frame, report, findings, swatches } = props;
  const { brief } = useBook();
  const edit = useSession((s) => s.edit);
  const set = (what: string, fields: Partial<WordsPart>, merge: string | null = null): void =>
    void edit(`${what} of ${nameOf(part).toLowerCase()}`, on(setPart(part.id, fields)), merge && `${merge}-${part.id}`);
  const family = familyOf(part.cut);
  useEffect(() => {
    if (family) showFace(family.cuts[0].id);
  }, [family]);
  const words = textOf(part, brief);
  const bound = part.says.kind === 'brief';
  const sizePx = Math.round(report?.sizePx ?? (part.size ?? part.maxSize) * doc.widthPx);
  const x = Math.round(frame?.x ?? part.area.x * doc.widthPx);
  const y = Math.round(frame?.y ?? part.area.y * doc.heightPx);
  const place = (nx: number, ny: number): void => {
    const area = {
      ...part.area,
      x: part.area.x + (nx - x) / doc.widthPx,
      y: part.follows ? ny / doc.heightPx : part.area.y + (ny - y) / doc.heightPx,
    };
    set('Place', { area, ...(part.follows && ny !== y ? { follows: null, alignY: 'top' as const } : {}) }, 'place');
  };
  return (
    <>
      <Group title="What it says">
        <TextField
          label={`${nameOf(part)} text`}
          hideLabel
          lines={words.length > 28 || words.includes('\n') ? 3 : 1}
          value={words}
          onChange={(text) =>
            void edit(`Write ${nameOf(part).toLowerCase()}`, writeWords(part, text, on), `write-${part.id}`)
          }
          hint={bound ? 'From the Brief: changes everywhere.' : 'Only here.'}
        />
        {bound && (
          <Button
            kind="link"
            className="self-start"
            onClick={() => set('Words', { says: { kind: 'own', text: words } })}
          >
            Write something else here only
          </Button>
        )}
      </Group>
      <Group title="How it is set">
        <Menu
          label="Face"
          onOpen={() => FAMILIES.forEach((f) => showFace(f.cuts[0].id))}
          value={family?.id ?? ''}
          onChange={(id) => {
            const next = FAMILIES.find((f) => f.id === id);
            if (!next) return;
            const heavy = (familyOf(part.cut)?.cuts.find((c) => c.id === part.cut)?.weight ?? 500) >= 600;
            const upright = next.cuts.filter((c) => !c.italic);
            const cut = heavy ? upright[upright.length - 1] : upright[0];
            const italic = next.cuts.find((c) => c.italic) ?? cut;
            set('Face', { cut: cut.id, minor: part.minor && { ...part.minor, cut: italic.id } });
          }}
          groups={(Object.keys(GROUPS) as FaceGroup[]).map((group) => ({
            title: GROUPS[group],
            options: FAMILIES.filter((f) => f.group === group).map((f) => ({
              value: f.id,
              label: f.name,
              sample: words.split('\n')[0].slice(0, 40),
              style: faceStyle(f.cuts[0].id),
            })),
          }))}
        />
        {family && family.cuts.length > 1 && (
          <Segmented
            label="Weight"
            value={part.cut}
            onChange={(cut) => set('Weight', { cut })}
            options={family.cuts.map((c) => ({ value: c.id, label: `${c.weight}${c.italic ? ' it.' : ''}` }))}
          />
        )}
        <div className="flex items-center gap-2">
          <div className="flex-1">
            <NumberField
              label="Size"
              unit="px"
              value={sizePx}
              least={8}
              most={1600}
              onChange={(px, dragging) => set('Size', { size: px / doc.widthPx }, dragging ? 'size' : null)}
            />
          </div>
          <button
            type="button"
            aria-pressed={part.size === null}
            onClick={() =>
              set('Size', {
                size: part.size === null ? sizePx / doc.widthPx : null,
                ...(part.size === null ? {} : { maxSize: 1 }),
              })
            }
            className="rounded-sm border border-edge bg-card px-2.5 py-1.5 aria-pressed:bg-ink aria-pressed:font-semibold aria-pressed:text-card"
          >
            As fits
          </button>
        </div>
        <NumberField
          label="Tracking"
          value={Math.round(part.tracking * 1000)}
          least={-200}
          most={1000}
          step={5}
          onChange={(v, d) => set('Tracking', { tracking: v / 1000 }, d ? 'tracking' : null)}
        />
        <NumberField
          label="Leading"
          value={part.leading}
          least={0.5}
          most={3}
          step={0.02}
          digits={2}
          onChange={(v, d) => set('Leading', { leading: Math.round(v * 100) / 100 }, d ? 'leading' : null)}
        />
        <Segmented
          label="Set to"
          value={part.align}
          onChange={(align) => set('Alignment', { align })}
          options={[
            { value: 'left', label: 'Left' },
            { value: 'centre', label: 'Centre' },
            { value: 'right', label: 'Right' },
          ]}
        />
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-ink"
            checked={part.upper}
            onChange={(e) => set('Capitals', { upper: e.target.checked })}
          />
          All capitals
        </label>
        <ColourField
          label="Colour"
          value={part.colour}
          swatches={swatches}
          onChange={(colour, d) => set('Colour', { colour }, d ? 'colour' : null)}
        />
        {part.role === 'title' && (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-ink"
              checked={part.minor !== null}
              onChange={(e) =>
                set('Small words', {
                  minor: e.target.checked
                    ? { cut: family?.cuts.find((c) => c.italic)?.id ?? part.cut, scale: 0.7, colour: part.colour }
                    : null,
                })
              }
            />
            Set small words apart
          </label>
        )}
        {part.minor && (
          <ColourField
            label="Colour of small words"
            value={part.minor.colour}
            swatches={swatches}
            onChange={(colour, d) =>
              part.minor && set('Colour', { minor: { ...part.minor, colour } }, d ? 'minor' : null)
            }
          />
        )}
      </Group>
      <Group title="Where it sits">
        <NumberField
          label="Left"
          unit="px"
          value={x}
          least={-doc.widthPx}
          most={doc.widthPx}
          onChange={(v) => place(v, y)}
        />
        <NumberField
          label="Top"
          unit="px"
          value={y}
          least={-doc.heightPx}
          most={doc.heightPx}
          onChange={(v) => place(x, v)}
        />
        <NumberField
          label="Room across"
          unit="px"
          value={Math.round(part.area.width * doc.widthPx)}
          least={16}
          most={doc.widthPx * 2}
          onChange={(v, d) => set('Room', { area: { ...part.area, width: v / doc.widthPx } }, d ? 'room' : null)}
        />
        <NumberField
          label="Room down"
          unit="px"
          value={Math.round(part.area.height * doc.heightPx)}
          least={16}
          most={doc.heightPx * 2}
          onChange={(v, d) => set('Room', { area: { ...part.area, height: v / doc.heightPx } }, d ? 'room' : null)}
        />
        <NumberField
          label="Turn"
          unit="°"
          value={Math.round((part.turnRad * 180) / Math.PI)}
          least={-180}
          most={180}
          onChange={(v, d) => set('Turn', { turnRad: (v * Math.PI) / 180 }, d ? 'turn' : null)}
        />
      </Group>
      <MixGroup part={part} on={on}>
        {report && (
          <p>
            <Verdict grade={report.worstTenth >= 4.5 ? 'pass' : 'fail'}>
              Contrast <b className="font-mono">{report.typical.toFixed(1)} : 1</b>
            </Verdict>{' '}
            <span className="text-ink-2">
              worst tenth <span className="font-mono">{report.worstTenth.toFixed(1)}</span>
            </span>
          </p>
        )}
        {part.support === 'none' && (
          <Button kind="link" className="self-start" onClick={() => set('Scrim', { support: 'auto' })}>
            Let a scrim be added behind it
          </Button>
        )}
      </MixGroup>
      {findings.length > 0 && (
        <ul className="flex flex-col gap-2 p-4">
          {findings.map((f) => (
            <li
              key={f.code}
              className={`border-l-3 px-3 py-2 ${f.severity === 'must' ? 'border-fail bg-fail-wash' : f.severity === 'should' ? 'border-may bg-may-wash' : 'border-blue bg-blue-wash'}`}
            >
              {sentenceOf(f)}
              {f.code === 'scrim-added' && (
                <Button kind="link" className="ml-1" onClick={() => set('Scrim', { support: 'none' })}>
                  Leave it off
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
