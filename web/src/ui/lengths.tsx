import { type ReactNode, createContext, useContext } from 'react';
import { across } from './measure';

/** What a person measures things in. */
export type LengthUnit = 'mm' | 'in';

type Lengths = { readonly unit: LengthUnit; set(unit: LengthUnit): void };

const Context = createContext<Lengths>({ unit: 'mm', set: () => {} });

export const useLengths = (): Lengths => useContext(Context);

export const LengthsProvider = ({ value, children }: { value: Lengths; children: ReactNode }) => (
  <Context value={value}>{children}</Context>
);

/** "31.8 mm" or "1.25 in". */
export const lengthText = (mm: number, unit: LengthUnit): string =>
  `${Number(across(mm, 'mm', unit)!.toFixed(unit === 'in' ? 2 : 1))} ${unit}`;
