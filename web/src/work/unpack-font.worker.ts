import { expose, transfer } from 'comlink';
import decompress from 'woff2-encoder/decompress';

/**
 * Unpacks WOFF2 files. It has a worker of its own because the decoder builds functions from strings: the server lets
 * this one file do that and gives it no way to the network.
 */
const api = {
  async unpack(packed: Uint8Array<ArrayBuffer>): Promise<Uint8Array<ArrayBuffer> | null> {
    const plain = await decompress(packed).catch(() => null);
    if (!plain) return null;
    const bytes = new Uint8Array(plain);
    return transfer(bytes, [bytes.buffer]);
  },
};

export type UnpackerApi = typeof api;
expose(api);
