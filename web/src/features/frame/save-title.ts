import { titleStem } from '@yosomi/core/recipe';
import { type Book, missingFiles } from '@yosomi/core/project';
import { say, sayFault } from '../../messages/say';
import { filesOf } from '../../persist/assets';
import { saveFile } from '../../platform/files';
import { press } from '../../work/workers';

/** Saves a title as one file; what it lacks is said. */
export async function saveTitleAs(book: Book): Promise<void> {
  try {
    const files = await filesOf(book);
    const bytes = await press().pack({ book, files });
    const name = `${titleStem(book)}.yosomi`;
    saveFile(bytes, name, 'application/zip');
    const missing = missingFiles({ book, files });
    if (missing.length === 0) return say(`Saved ${name}`);
    const [first] = missing;
    sayFault({ code: 'title-saved-without', data: { name: first.name, count: missing.length } });
  } catch {
    sayFault({ code: 'work-failed', data: {} });
  }
}
