import { createContext } from 'react';

/** Lets a colour field ask for a colour from the picture on screen; null where there is none to pick from. */
export const PickContext = createContext<{ pick(take: (hex: string) => void): void } | null>(null);
