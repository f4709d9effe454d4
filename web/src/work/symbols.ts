import { type Silhouettes, readPacket, readSilhouettes, readSymbols } from '@yosomi/core/symbols';
import { useQuery } from '@tanstack/react-query';
import { fetchBytes } from '../platform/http';
import { SILHOUETTES_URL, SYMBOLS_URL, packetUrl } from '../platform/symbol-file';

async function fetchJson(url: string): Promise<unknown> {
  const bytes = await fetchBytes(url);
  if (!bytes) throw new Error('symbols');
  return JSON.parse(new TextDecoder().decode(bytes));
}

/** Files that ship are read once. */
const SHIPPED = { staleTime: Infinity, gcTime: Infinity, retry: false } as const;

/** The symbols that ship; an error where their file cannot be reached. */
export const useSymbols = () =>
  useQuery({ ...SHIPPED, queryKey: ['symbols'], queryFn: async () => readSymbols(await fetchJson(SYMBOLS_URL)) });

/** The names of the detailed silhouettes; an error where their file cannot be reached. */
export const useSilhouettes = () =>
  useQuery({
    ...SHIPPED,
    queryKey: ['silhouettes'],
    queryFn: async () => readSilhouettes(await fetchJson(SILHOUETTES_URL)),
  });

/** The outlines of one packet of silhouettes, once it is wanted. */
export const usePacket = (of: Silhouettes, packet: number | null) =>
  useQuery({
    ...SHIPPED,
    queryKey: ['silhouettes', packet],
    queryFn: async () => readPacket(await fetchJson(packetUrl(packet ?? 0)), of, packet ?? 0),
    enabled: packet !== null,
  });
