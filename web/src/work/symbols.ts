import { readSymbols } from '@yosomi/core/symbols';
import { useQuery } from '@tanstack/react-query';
import { fetchBytes } from '../platform/http';
import { SYMBOLS_URL } from '../platform/symbol-file';

/** The symbols that ship, read once; an error where their file cannot be reached. */
export const useSymbols = () =>
  useQuery({
    queryKey: ['symbols'],
    queryFn: async () => {
      const bytes = await fetchBytes(SYMBOLS_URL);
      if (!bytes) throw new Error('symbols');
      return readSymbols(JSON.parse(new TextDecoder().decode(bytes)));
    },
    staleTime: Infinity,
    gcTime: Infinity,
    retry: false,
  });
