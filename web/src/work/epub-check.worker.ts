import { EpubCheck } from '@likecoin/epubcheck-ts';
import { expose } from 'comlink';

/** One message of the checker: where, and how grave it finds it. */
export type CheckMessage = {
  readonly id: string;
  readonly grave: boolean;
  readonly text: string;
  readonly path: string;
};

/** Checks a whole ebook by the rules of the EPUB standard. A worker of its own, so that to stop it is to end it. */
const api = {
  async check(file: Blob): Promise<readonly CheckMessage[]> {
    const { messages } = await EpubCheck.validate(new Uint8Array(await file.arrayBuffer()));
    return messages
      .filter(({ severity }) => severity === 'fatal' || severity === 'error' || severity === 'warning')
      .map(({ id, severity, message, location }) => ({
        id,
        grave: severity !== 'warning',
        text: message,
        path: location?.path ?? '',
      }));
  },
};

export type EpubCheckApi = typeof api;
expose(api);
