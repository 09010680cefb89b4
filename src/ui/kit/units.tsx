'use client';
import { createContext, type ReactNode, useContext } from 'react';
import { FRESH_UNITS, type Units } from '@/core/quantity/say';

const Context = createContext<Units>(FRESH_UNITS);
const Scaleless = createContext(false);

/** What the house weighs and reads in, for everything under it. */
export const UnitsProvider = ({
  units,
  scaleless = false,
  children,
}: {
  readonly units: Units;
  readonly scaleless?: boolean;
  readonly children: ReactNode;
}) => (
  <Context.Provider value={units}>
    <Scaleless.Provider value={scaleless}>{children}</Scaleless.Provider>
  </Context.Provider>
);

/** Whether the house has no scale: it is not shown weights it can't weigh. */
export const useScaleless = (): boolean => useContext(Scaleless);

export const useUnits = (): Units => useContext(Context);
