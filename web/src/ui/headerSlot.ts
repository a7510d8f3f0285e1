import { createContext } from 'react';

/** The head of the window, into which the open page writes its tabs, its title and its actions. */
export const HeaderSlot = createContext<HTMLElement | null>(null);
