import {
  type Doc,
  type Part,
  type WordsPart,
  fillForm,
  inOrder,
  outlineOf,
  runAlong,
  runBeside,
  runwayOf,
} from '@yosomi/core/cover';
import { findCut, hyphensTag } from '@yosomi/core/text';
import { Check } from '../../ui/check';
import { ColourField } from '../../ui/colour-field';
import { Group } from '../../ui/group';
import { Menu, type MenuGroup } from '../../ui/menu';
import { NumberField } from '../../ui/number-field';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { useSession } from '../../state/session';
import { nameOf } from './part-names';
import type { On } from './use-set';

type Set = (what: string, fields: Partial<WordsPart>, merge?: string | false) => void;

/** Where words run, and how their lines are made. */
export function WordsLines(props: { part: WordsPart; doc: Doc; on: On; set: Set; words: string; language: string }) {
  const { part, doc, on, set, words, language } = props;
  const free = part.baseline?.kind !== 'along' && part.baseline?.kind !== 'curve' && part.room === null;
  const across = part.setting === 'across' && part.baseline === null;
  return (
    <Group title="How its lines run" folded>
      <Segmented
        label="Lines"
        value={!free ? null : part.baseline ? 'arc' : part.setting}
        onChange={(value) =>
          value === 'arc'
            ? set('Lines', { setting: 'across', room: null, baseline: { kind: 'arc', bend: 0.4 } })
            : value && set('Lines', { setting: value, room: null, baseline: null })
        }
        options={[
          { value: 'across', label: 'Across' },
          { value: 'down', label: 'Down' },
          { value: 'up', label: 'Up' },
          { value: 'stacked', label: 'Stack' },
          { value: 'arc', label: 'Arc' },
        ]}
      />
      {part.baseline?.kind === 'arc' && (
        <Slider
          label="Bend"
          value={part.baseline.bend}
          least={-1}
          most={1}
          step={0.01}
          onChange={(bend) => set('Bend', { baseline: { kind: 'arc', bend } }, 'bend')}
          format={(v) => `${Math.round(v * 100)}`}
        />
      )}
      <Where part={part} doc={doc} on={on} set={set} />
      {across && (
        <>
          <Check
            label="All lines equally wide"
            checked={part.justified}
            onChange={(justified) => set('Equal lines', { justified })}
          />
          <Hyphens part={part} set={set} language={language} />
          <FirstLetter part={part} doc={doc} set={set} words={words} />
        </>
      )}
    </Group>
  );
}

/** Words on an outline: over its top outside, under its foot outside, or within its foot. */
const ON_OUTLINE = {
  top: { back: false, from: 0, gap: 0.3 },
  under: { back: true, from: 0, gap: -1 },
  within: { back: true, from: 0, gap: 0.3 },
} as const;

/** By an open curve, by a form, or in the words' own place. */
function Where({ part, doc, on, set }: { part: WordsPart; doc: Doc; on: On; set: Set }) {
  const edit = useSession((s) => s.edit);
  const others = inOrder(doc)
    .filter((other) => other.kind === 'shape' || other.kind === 'curve' || other.kind === 'picture')
    .reverse()
    .slice(0, 24);
  const named = (list: readonly Part[], other: Part): string => {
    const like = list.filter((one) => nameOf(one) === nameOf(other));
    return like.length > 1 ? `${nameOf(other)} ${like.indexOf(other) + 1}` : nameOf(other);
  };
  const options = (kind: string, how: string, fits: (other: Part) => boolean): { value: string; label: string }[] =>
    others.filter(fits).map((other) => {
      const called = named(others, other);
      return { value: `${kind} ${other.id}`, label: `${how} ${other.name ? called : called.toLowerCase()}` };
    });
  const closed = (other: Part): boolean => outlineOf(other, doc) !== null;
  const groups: MenuGroup[] = [
    { title: 'By themselves', options: [{ value: 'own', label: 'In their own place' }] },
    { title: 'Along a line', options: options('along', 'Along', (other) => runwayOf(other, doc, false) !== null) },
    { title: 'In a form', options: options('inside', 'Inside', closed) },
    { title: 'Beside a form', options: options('beside', 'Beside', closed) },
  ].filter((group) => group.options.length > 0);
  const { baseline, room } = part;
  if (baseline?.kind === 'curve')
    groups[0] = {
      title: 'By themselves',
      options: [{ value: 'curve', label: 'On a line of their own' }, ...groups[0].options],
    };
  const now =
    baseline?.kind === 'along'
      ? `along ${baseline.part}`
      : baseline?.kind === 'curve'
        ? 'curve'
        : room
          ? `${room.kind} ${room.part}`
          : 'own';
  const known = groups.some((group) => group.options.some((option) => option.value === now));
  const choose = (value: string): void => {
    const [kind, id] = value.split(' ');
    if (kind === 'own') return set('Place of lines', { baseline: null, room: null });
    const bind = { along: runAlong, inside: fillForm, beside: runBeside }[kind];
    if (bind) void edit(`Lines ${kind} ${nameOf(doc.parts[id]).toLowerCase()}`, on(bind(part.id, id)));
  };
  return (
    <>
      <div className="flex flex-col gap-1">
        <p className="font-semibold">Where they run</p>
        <Menu label="Where the lines run" value={known ? now : 'own'} groups={groups} onChange={choose} />
        {others.length === 0 && (
          <p className="text-xs text-ink-2">Add a shape or draw a curve, and words can run along it or fill it.</p>
        )}
      </div>
      {baseline?.kind === 'along' && (
        <>
          {closed(doc.parts[baseline.part] ?? part) ? (
            <Segmented
              label="Where on its outline"
              named
              value={!baseline.back ? 'top' : baseline.gap < 0 ? 'under' : 'within'}
              onChange={(value) => set('Place on the outline', { baseline: { ...baseline, ...ON_OUTLINE[value] } })}
              options={[
                { value: 'top', label: 'Over it' },
                { value: 'under', label: 'Under it' },
                { value: 'within', label: 'Within' },
              ]}
            />
          ) : (
            <Check
              label="The other way round"
              checked={baseline.back}
              onChange={(back) => set('Way of the line', { baseline: { ...baseline, back } })}
            />
          )}
          <Slider
            label="Moved along"
            value={baseline.from}
            least={-0.5}
            most={0.5}
            step={0.005}
            onChange={(from) => set('Place on the line', { baseline: { ...baseline, from } }, 'along-from')}
            format={(v) => `${Math.round(v * 100)} %`}
          />
          <Slider
            label="Off the line"
            value={baseline.gap}
            least={-2}
            most={2}
            step={0.05}
            onChange={(gap) => set('Distance from the line', { baseline: { ...baseline, gap } }, 'along-gap')}
            format={(v) => v.toFixed(2)}
          />
        </>
      )}
      {room && (
        <NumberField
          label={room.kind === 'inside' ? 'Margin' : 'Distance'}
          unit="px"
          value={Math.round(room.gap * doc.widthPx)}
          least={0}
          most={Math.round(doc.widthPx * 0.3)}
          onChange={(px, d) => set('Margin', { room: { ...room, gap: px / doc.widthPx } }, d && 'room-gap')}
        />
      )}
    </>
  );
}

function Hyphens({ part, set, language }: { part: WordsPart; set: Set; language: string }) {
  const tag = hyphensTag(language);
  const named = new Intl.DisplayNames(['en'], { type: 'language' }).of(tag ?? language) ?? language;
  return (
    <Check
      label="Divide long words"
      hint={
        tag
          ? `At the ends of lines, by the rules of ${named}.`
          : `The rules of ${named} are not known here. Words stay whole.`
      }
      checked={part.hyphens}
      disabled={tag === null && !part.hyphens}
      onChange={(hyphens) => set('Divided words', { hyphens })}
    />
  );
}

function FirstLetter(props: { part: WordsPart; doc: Doc; set: Set; words: string }) {
  const { part, doc, set, words } = props;
  const { initial } = part;
  const cuts = [
    ...new Set(Object.values(doc.parts).flatMap((other) => (other.kind === 'words' ? [other.cut] : []))),
  ].filter((cut) => cut !== part.cut);
  const few = words.trim().split(/\s+/).length < 6;
  return (
    <Check
      label="Large first letter"
      hint={few && !initial ? 'For texts of several lines.' : 'As high as so many lines. It follows the words.'}
      checked={initial !== null}
      onChange={(yes) => set('First letter', { initial: yes ? { lines: 3, cut: null, colour: null } : null })}
    >
      {initial && (
        <>
          <NumberField
            label="Lines"
            value={initial.lines}
            least={2}
            most={8}
            onChange={(lines, d) => set('First letter', { initial: { ...initial, lines } }, d && 'initial-lines')}
          />
          <div className="flex flex-col gap-1">
            <p className="font-semibold">Its face</p>
            <Menu
              label="Face of the first letter"
              value={initial.cut ?? 'own'}
              groups={[
                {
                  title: 'Faces on the cover',
                  options: [
                    { value: 'own', label: 'That of the words' },
                    ...cuts.map((cut) => ({ value: cut, label: findCut(cut)?.family.name ?? 'Your own face' })),
                  ],
                },
              ]}
              onChange={(cut) => set('First letter', { initial: { ...initial, cut: cut === 'own' ? null : cut } })}
            />
          </div>
          <ColourField
            label="Colour of the first letter"
            value={initial.colour ?? part.colour}
            swatches={[]}
            onChange={(colour, d) => set('First letter', { initial: { ...initial, colour } }, d && 'initial-colour')}
          />
        </>
      )}
    </Check>
  );
}
