import { FILM_FILES, promoJob, promoName } from '@yosomi/core/recipe';
import { say, sayFault } from '../../messages/say';
import { saveBlob, saveFile } from '../../platform/files';
import { type FilmJob, makeFilm } from '../../work/films';
import { promoMakers } from '../../work/promos';
import { press } from '../../work/workers';

/** Makes a film and saves it; with its still, both go into a zip. */
export async function saveFilm(job: FilmJob & { readonly withStill: boolean }): Promise<void> {
  const { book, at, others, motion, format, signal } = job;
  const made = await makeFilm(job);
  if (signal.aborted) return;
  if (!made.ok) return sayFault(made.fault);
  const [ending, type] = FILM_FILES[format];
  const base = promoName(book, at);
  const name = `${base}-${motion.kind}.${ending}`;
  if (!job.withStill) {
    saveFile(made.value, name, type);
    return say(`Saved ${name}`);
  }
  const still = await promoJob(promoMakers(signal), book, at, others);
  if (signal.aborted) return;
  if (!still.ok) return sayFault(still.fault);
  const poster = await press().promoFile(still.value, { format: 'jpeg', mostBytes: null });
  if (signal.aborted) return;
  if (!poster.ok) return sayFault(poster.fault);
  const entries = [
    { name, bytes: made.value },
    { name: `${base}-${motion.kind}-still.jpg`, bytes: poster.value.bytes },
  ];
  const zip = await press().zip(entries, null);
  if (!zip.ok) return sayFault(zip.fault);
  saveBlob(zip.value, `${base}-${motion.kind}.zip`);
  say(`Saved ${base}-${motion.kind}.zip with the film and its still`);
}
