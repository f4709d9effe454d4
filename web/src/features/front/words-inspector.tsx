import type { Finding } from '@yosomi/core/base';
import { textOf } from '@yosomi/core/compose';
import { type Doc, type WordsPart, alignWords, bringInside, placeBehind } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import type { WordsReport } from '@yosomi/core/recipe';
import { familyOf } from '@yosomi/core/text';
import { useFrom, useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { ColourField } from '../../ui/colour-field';
import { TextField } from '../../ui/field';
import { NumberField } from '../../ui/number-field';
import { Group } from '../../ui/group';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { Verdict } from '../../ui/verdict';
import { useFaceOffers } from '../../work/queries';
import { Accents } from './accents';
import { FaceMenu } from './face-menu';
import { FindingList } from './finding-list';
import { ContrastFixes } from './fixes';
import { inkOf, lyingInk } from './ink-of';
import { MixGroup } from './mix-group';
import { nameOf } from './part-names';
import { PairSpaces } from './pair-spaces';
import { PlaceGroup } from './place-group';
import { QuietButton } from './quiet-button';
import { SettingFields } from './setting-fields';
import { type On, useSet } from './use-set';
import { WordsEffects } from './words-effects';
import { WordsLines } from './words-lines';
import { StyleRow } from './words-style';
import { writeWords } from './write-words';

export function WordsInspector(props: {
  part: WordsPart;
  doc: Doc;
  on: On;
  frames: ReadonlyMap<string, Rect>;
  report: WordsReport | undefined;
  findings: readonly Finding[];
  swatches: readonly string[];
  /** Whether looks have names here. */
  styles: boolean;
}) {
  const { part, doc, on, frames, report, findings, swatches, styles } = props;
  const brief = useFrom((b) => b.brief);
  const edit = useSession((s) => s.edit);
  const set = useSet(part, on);
  const family = familyOf(part.cut);
  const { data: offers } = useFaceOffers(part.cut);
  const words = textOf(part, brief);
  const name = nameOf(part).toLowerCase();
  // What fits is known once it is painted; what is set is known at once.
  const sizePx = Math.round(
    part.size === null ? (report?.sizePx ?? part.maxSize * doc.widthPx) : part.size * doc.widthPx,
  );
  const frame = frames.get(part.id) ?? { x: 0, y: 0, width: 0, height: 0 };
  const setPx = report?.sizePx ?? sizePx;
  const ink = inkOf(part, frame, setPx);
  const lying = lyingInk(part, frame, setPx);
  // Words along a part are where its line is.
  const along = part.baseline?.kind === 'along';
  const low = findings.some((f) => f.code === 'contrast-low');
  return (
    <>
      <Group title="What it says">
        <TextField
          label={`${nameOf(part)} text`}
          hideLabel
          lines={words.length > 28 || words.includes('\n') ? 3 : 1}
          value={words}
          onChange={(text) => void edit(`Write ${name}`, writeWords(part, text, on), `write-${part.id}`)}
          hint={part.says.kind === 'brief' ? 'From the Brief: changes everywhere.' : 'Only here.'}
        />
        {part.says.kind === 'brief' && (
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
        {styles && <StyleRow part={part} doc={doc} on={on} />}
        <FaceMenu parts={[part]} on={on} sample={words} />
        {family && family.cuts.length > 1 && (
          <Segmented
            label="Weight"
            value={part.cut}
            onChange={(cut) => set('Weight', { cut })}
            options={family.cuts.map((c) => ({ value: c.id, label: `${c.weight}${c.italic ? ' it.' : ''}` }))}
          />
        )}
        {family?.widths && (
          <Slider
            label="Width"
            value={part.wide ?? 100}
            least={family.widths[0]}
            most={family.widths[1]}
            step={1}
            onChange={(wide) => set('Width of letters', { wide }, 'wide')}
            format={(v) => `${v} %`}
          />
        )}
        <div className="flex items-center gap-2">
          <div className="flex-1">
            <NumberField
              label="Size"
              unit="px"
              value={sizePx}
              least={8}
              most={doc.widthPx}
              onChange={(px, d) => set('Size', { size: px / doc.widthPx }, d && 'size')}
            />
          </div>
          <button
            type="button"
            aria-pressed={part.size === null}
            onClick={() =>
              set('Size', part.size === null ? { size: sizePx / doc.widthPx } : { size: null, maxSize: 1 })
            }
            className="rounded-sm border border-edge bg-card px-2.5 py-1.5 aria-pressed:bg-ink aria-pressed:font-semibold aria-pressed:text-card"
          >
            As fits
          </button>
        </div>
        {part.size === null && (
          <Check
            label="Tell me when it gets small"
            hint="Warns when a longer text is set smaller than you want."
            checked={part.leastSize !== null}
            onChange={(yes) => set('Least size', { leastSize: yes ? 0.03 : null })}
          >
            <NumberField
              label="Never below"
              unit="px"
              value={Math.round((part.leastSize ?? 0.03) * doc.widthPx)}
              least={8}
              most={doc.widthPx}
              onChange={(v, d) => set('Least size', { leastSize: v / doc.widthPx }, d && 'least')}
            />
          </Check>
        )}
        <SettingFields
          tracking={{ value: part.tracking, mixed: false }}
          leading={{ value: part.leading, mixed: false }}
          set={set}
        />
        <Segmented
          label="Space between letters"
          named
          value={part.kerning}
          onChange={(kerning) => set('Space between letters', { kerning })}
          options={[
            { value: 'face', label: 'As the face has it' },
            { value: 'optical', label: 'By eye' },
          ]}
        />
        <PairSpaces part={part} words={words} set={set} />
        <Segmented
          label="Set to"
          value={part.align}
          onChange={(align) => void edit('Alignment', on(alignWords(part.id, align, ink)))}
          options={[
            { value: 'left', label: 'Left' },
            { value: 'centre', label: 'Centre' },
            { value: 'right', label: 'Right' },
          ]}
        />
        <ColourField
          label="Colour"
          value={part.colour}
          swatches={swatches}
          onChange={(colour, d) => set('Colour', { colour, fill: null }, d && 'colour')}
        />
        <Check label="All capitals" checked={part.upper} onChange={(upper) => set('Capitals', { upper })} />
        {(offers?.smallCaps || part.smallCaps) && (
          <Check
            label="Small capitals"
            checked={part.smallCaps}
            onChange={(smallCaps) => set('Small capitals', { smallCaps })}
          />
        )}
        {(offers?.alternates || part.alternates) && (
          <Check
            label="Other letter shapes"
            hint="Takes the second forms of letters that this face has."
            checked={part.alternates}
            onChange={(alternates) => set('Letter shapes', { alternates })}
          />
        )}
        {offers?.figures && /[0-9]/.test(words) && (
          <Segmented
            label="Figures"
            named
            value={part.figures}
            onChange={(figures) => set('Figures', { figures })}
            options={[
              { value: 'face', label: 'As it has them' },
              { value: 'lining', label: 'Lining' },
              { value: 'old-style', label: 'Old style' },
            ]}
          />
        )}
      </Group>
      <WordsLines part={part} doc={doc} on={on} set={set} words={words} language={brief.language} />
      <Group title="Words set apart" folded>
        {part.role === 'title' && (
          <Check
            label="Set small words apart"
            hint="The, of, and: in another face, size or colour."
            checked={part.minor !== null}
            onChange={(yes) =>
              set('Small words', {
                minor: yes
                  ? { cut: family?.cuts.find((c) => c.italic)?.id ?? part.cut, scale: 0.7, colour: part.colour }
                  : null,
              })
            }
          >
            {part.minor && (
              <>
                <ColourField
                  label="Colour of small words"
                  value={part.minor.colour}
                  swatches={swatches}
                  onChange={(colour, d) =>
                    part.minor && set('Small words', { minor: { ...part.minor, colour } }, d && 'minor')
                  }
                />
                <Slider
                  label="Size"
                  value={part.minor.scale}
                  least={0.3}
                  most={1.2}
                  step={0.01}
                  onChange={(scale) => part.minor && set('Small words', { minor: { ...part.minor, scale } }, 'minor-s')}
                  format={(v) => `${Math.round(v * 100)} %`}
                />
              </>
            )}
          </Check>
        )}
        <Accents part={part} words={words.split(/\s+/).filter(Boolean)} set={set} swatches={swatches} />
      </Group>
      <WordsEffects part={part} doc={doc} set={set} swatches={swatches} />
      <PlaceGroup part={part} doc={doc} frame={frames.get(part.id)} frames={frames} on={on}>
        {!along && <QuietButton part={part} on={on} frames={frames} sizePx={setPx} />}
      </PlaceGroup>
      <MixGroup part={part} doc={doc} frames={frames} on={on}>
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
      <div className="flex flex-col gap-3 p-4 empty:hidden">
        <FindingList
          findings={findings}
          renderFixes={(f) =>
            f.code === 'scrim-added' ? (
              <Button kind="link" onClick={() => set('Scrim', { support: 'none' })}>
                Leave it off
              </Button>
            ) : (f.code === 'words-outside' || f.code === 'words-unsafe') && !along ? (
              <Button kind="link" onClick={() => void edit('Bring it inside', on(bringInside(part.id, lying)))}>
                Bring it inside
              </Button>
            ) : f.code === 'words-hidden' ? (
              <Button kind="link" onClick={() => void edit('To the very front', on(placeBehind([part.id], null)))}>
                Bring it to the very front
              </Button>
            ) : f.code === 'words-overflow' ? (
              <Button kind="link" onClick={() => set('Size', { size: null, maxSize: 1 })}>
                As large as fits
              </Button>
            ) : null
          }
        />
        {low && <ContrastFixes part={part} on={on} />}
      </div>
    </>
  );
}
