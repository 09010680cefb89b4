'use client';
import { createContext, type ReactNode, useContext } from 'react';
import { FRESH_UNITS, type Units } from '@/core/quantity/say';

const Context = createContext<Units>(FRESH_UNITS);

/** What the house weighs and reads in, for everything under it. */
export const UnitsProvider = ({ units, children }: { readonly units: Units; readonly children: ReactNode }) => (
  <Context.Provider value={units}>{children}</Context.Provider>
);

export const useUnits = (): Units => useContext(Context);
