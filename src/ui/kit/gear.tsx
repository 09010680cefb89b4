'use client';
/** The kitchen's gear, and the way to keep more of it, wherever it is asked for. */
import { createContext, type ReactNode, useContext } from 'react';
import type { ActionResult, Kept } from '@/contract/action-result';
import type { Gear } from '@/core/pantry/gear';

interface KitchenGear {
  readonly gear: readonly Gear[];
  readonly save: (input: unknown) => Promise<ActionResult<Kept>>;
}
const Context = createContext<KitchenGear | null>(null);

export const GearProvider = ({ children, ...of }: KitchenGear & { readonly children: ReactNode }) => (
  <Context.Provider value={of}>{children}</Context.Provider>
);

export const useKitchenGear = (): KitchenGear | null => useContext(Context);
