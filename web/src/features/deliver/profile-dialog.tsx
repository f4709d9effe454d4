import { CONTENT_RULES, FORMATS, PROFILES, Profile, type StoreFormat, nonsense } from '@yosomi/core/stores';
import { useState } from 'react';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { NumberField } from '../../ui/number-field';
import { CONTENT_NAMES } from './demand-words';

const MB = 1024 * 1024;

/** Where a profile contradicts itself, as a sentence. */
const NONSENSE: Readonly<Record<string, string>> = {
  name: 'Another store has this name.',
  ratio: 'The ideal pixels lie outside the ratio.',
  least: 'The ideal pixels are fewer than the least.',
  most: 'The ideal pixels are more than the most.',
  leastShortSidePx: 'The shorter side of the ideal pixels is below the least.',
  mostSidePx: 'The longer side of the ideal pixels is above the most.',
  exact: 'Where only the ideal pixels are taken there is no least.',
};

const FORMAT_NAMES: Record<StoreFormat, string> = {
  jpeg: 'JPEG',
  png: 'PNG',
  webp: 'WebP',
  avif: 'AVIF',
  tiff: 'TIFF',
};

/** What a store asks, to be changed. A store that ships with the product can be put back. */
export function ProfileDialog(props: {
  profile: Profile;
  isNew: boolean;
  /** Names of the other stores. */
  others: readonly string[];
  changed: boolean;
  onKeep(profile: Profile): void;
  onRemove(): void;
  onClose(): void;
}) {
  const [profile, setProfile] = useState(props.profile);
  const set = (change: Partial<Profile>): void => setProfile((now) => ({ ...now, ...change }));
  const ships = PROFILES.some((p) => p.id === profile.id);
  const parsed = Profile.safeParse(profile);
  const same = props.others.some((name) => name.trim().toLowerCase() === profile.name.trim().toLowerCase());
  const wrong = parsed.success ? (same ? 'name' : nonsense(parsed.data)) : 'shape';
  const toggled = <T,>(list: readonly T[], one: T, on: boolean): T[] => [
    ...list.filter((o) => o !== one),
    ...(on ? [one] : []),
  ];
  const { ideal, ratio, least } = profile;
  const side = (label: string, value: number, onChange: (px: number) => void) => (
    <NumberField label={label} unit="px" value={value} least={1} most={10_000} onChange={onChange} />
  );
  return (
    <Dialog
      open
      wide
      onClose={props.onClose}
      title={props.isNew ? 'A new store' : profile.name}
      description="What the store asks of a cover image."
    >
      <div className="grid grid-cols-2 gap-x-8 gap-y-3">
        <TextField label="Name" value={profile.name} maxLength={80} autoFocus onChange={(name) => set({ name })} />
        <div className="flex flex-col gap-1.5">
          <p className="font-semibold">Formats</p>
          <div className="flex flex-wrap gap-x-4 gap-y-1">
            {FORMATS.map((format) => (
              <Check
                key={format}
                label={FORMAT_NAMES[format]}
                checked={profile.formats.includes(format)}
                onChange={(on) => set({ formats: toggled(profile.formats, format, on) })}
              />
            ))}
          </div>
        </div>
        <div className="flex flex-col gap-2">
          {side('Ideal width', ideal.widthPx, (widthPx) => set({ ideal: { ...ideal, widthPx } }))}
          {side('Ideal height', ideal.heightPx, (heightPx) => set({ ideal: { ...ideal, heightPx } }))}
          <Check
            label="No other pixels are taken"
            checked={profile.exact}
            onChange={(exact) => set({ exact, least: exact ? null : least })}
          />
          <Check
            label="A least size"
            disabled={profile.exact}
            checked={least !== null}
            onChange={(on) =>
              set({
                least: on ? { widthPx: Math.round(ideal.widthPx / 2), heightPx: Math.round(ideal.heightPx / 2) } : null,
              })
            }
          >
            {least && side('Least width', least.widthPx, (widthPx) => set({ least: { ...least, widthPx } }))}
            {least && side('Least height', least.heightPx, (heightPx) => set({ least: { ...least, heightPx } }))}
          </Check>
          <Check
            label="A largest size"
            checked={profile.most !== null}
            onChange={(on) => set({ most: on ? { widthPx: ideal.widthPx * 2, heightPx: ideal.heightPx * 2 } : null })}
          >
            {profile.most &&
              side('Most width', profile.most.widthPx, (widthPx) =>
                set({ most: profile.most && { ...profile.most, widthPx } }),
              )}
            {profile.most &&
              side('Most height', profile.most.heightPx, (heightPx) =>
                set({ most: profile.most && { ...profile.most, heightPx } }),
              )}
          </Check>
          <Check
            label="A least shorter side"
            checked={profile.leastShortSidePx !== null}
            onChange={(on) => set({ leastShortSidePx: on ? Math.min(ideal.widthPx, ideal.heightPx) : null })}
          >
            {profile.leastShortSidePx !== null &&
              side('Shorter side from', profile.leastShortSidePx, (leastShortSidePx) => set({ leastShortSidePx }))}
          </Check>
          <Check
            label="A longest side"
            checked={profile.mostSidePx !== null}
            onChange={(on) => set({ mostSidePx: on ? 10_000 : null })}
          >
            {profile.mostSidePx !== null &&
              side('Longer side up to', profile.mostSidePx, (mostSidePx) => set({ mostSidePx }))}
          </Check>
          <Check
            label="A ratio"
            checked={ratio !== null}
            onChange={(on) =>
              set({
                ratio: on
                  ? {
                      low: Math.floor((ideal.heightPx / ideal.widthPx) * 98) / 100,
                      high: Math.ceil((ideal.heightPx / ideal.widthPx) * 102) / 100,
                      must: true,
                    }
                  : null,
              })
            }
          >
            {ratio && (
              <NumberField
                label="Height to width from"
                digits={2}
                step={0.01}
                least={0.1}
                most={10}
                value={ratio.low}
                onChange={(low) => set({ ratio: { ...ratio, low } })}
              />
            )}
            {ratio && (
              <NumberField
                label="to"
                digits={2}
                step={0.01}
                least={0.1}
                most={10}
                value={ratio.high}
                onChange={(high) => set({ ratio: { ...ratio, high } })}
              />
            )}
            {ratio && (
              <Check
                label="Others are refused"
                checked={ratio.must}
                onChange={(must) => set({ ratio: { ...ratio, must } })}
              />
            )}
          </Check>
        </div>
        <div className="flex flex-col gap-2">
          <NumberField
            label="Most bytes"
            unit="KB"
            value={Math.round(profile.mostBytes / 1024)}
            least={1}
            most={204_800}
            onChange={(kb) => set({ mostBytes: Math.min(200 * MB, kb * 1024) })}
          />
          <Check
            label="Only JPEG that is not progressive"
            checked={profile.baseline}
            onChange={(baseline) => set({ baseline })}
          />
          <Check
            label="A line round pale covers"
            checked={profile.edgeLine}
            onChange={(edgeLine) => set({ edgeLine })}
          />
          <Check
            label="Pixels to the inch"
            checked={profile.ppi !== null}
            onChange={(on) => set({ ppi: on ? 300 : null })}
          >
            {profile.ppi !== null && (
              <NumberField
                label="To the inch"
                value={profile.ppi}
                least={1}
                most={2400}
                onChange={(ppi) => set({ ppi })}
              />
            )}
          </Check>
          <Check
            label="The title reads in lists"
            checked={profile.thumb !== null}
            onChange={(on) => set({ thumb: on ? { widthPx: 120, greys: null } : null })}
          >
            {profile.thumb && (
              <NumberField
                label="At a width of"
                unit="px"
                value={profile.thumb.widthPx}
                least={30}
                most={600}
                onChange={(widthPx) => set({ thumb: { greys: profile.thumb?.greys ?? null, widthPx } })}
              />
            )}
            {profile.thumb && (
              <Check
                label="On screens of 16 greys"
                checked={profile.thumb.greys !== null}
                onChange={(on) => set({ thumb: { widthPx: profile.thumb?.widthPx ?? 120, greys: on ? 16 : null } })}
              />
            )}
          </Check>
          <Check
            label="Most pixels in an ebook"
            checked={profile.epubPixels !== null}
            onChange={(on) => set({ epubPixels: on ? 5_600_000 : null })}
          >
            {profile.epubPixels !== null && (
              <NumberField
                label="Million pixels"
                digits={1}
                step={0.1}
                least={0.1}
                most={100}
                value={profile.epubPixels / 1e6}
                onChange={(mp) => set({ epubPixels: Math.round(mp * 1e6) })}
              />
            )}
          </Check>
          <p className="pt-1 font-semibold">What it says</p>
          {CONTENT_RULES.map((rule) => (
            <Check
              key={rule}
              label={CONTENT_NAMES[rule]}
              checked={profile.content.includes(rule)}
              onChange={(on) => set({ content: toggled(profile.content, rule, on) })}
            />
          ))}
        </div>
      </div>
      {wrong && (
        <p role="alert" className="text-fail">
          {wrong === 'shape'
            ? profile.formats.length === 0
              ? 'Choose at least one format.'
              : 'Give the store a name.'
            : NONSENSE[wrong]}
        </p>
      )}
      <div className="flex justify-between gap-2">
        {ships ? (
          <Button kind="quiet" disabled={!props.changed} onClick={props.onRemove}>
            As it came
          </Button>
        ) : (
          <Button kind="quiet" disabled={props.isNew} onClick={props.onRemove}>
            Remove this store
          </Button>
        )}
        <Button kind="ink" disabled={wrong !== null} onClick={() => parsed.success && props.onKeep(parsed.data)}>
          Keep it
        </Button>
      </div>
    </Dialog>
  );
}
