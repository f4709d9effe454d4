import { FILM_FILES, promoName } from '@yosomi/core/recipe';
import { say, sayFault } from '../../messages/say';
import { saveFile } from '../../platform/files';
import { type FilmJob, makeFilm } from '../../work/films';

/** Makes a film and saves it. */
export async function saveFilm(job: FilmJob): Promise<void> {
  const made = await makeFilm(job);
  if (job.signal.aborted) return;
  if (!made.ok) return sayFault(made.fault);
  const [ending, type] = FILM_FILES[job.format];
  const name = `${promoName(job.book, job.at)}-${job.motion.kind}.${ending}`;
  saveFile(made.value, name, type);
  say(`Saved ${name}`);
}
