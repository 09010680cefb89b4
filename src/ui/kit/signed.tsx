'use client';
/** Who has signed on this device, as the server told it, and which places are not for them. */
import { createContext, type ReactNode, useContext } from 'react';

interface Signed {
  /** Null: nobody, on a device of a house whose people have PINs. */
  readonly person: { readonly id: string; readonly name: string } | null;
  /** The session that is open; a screen that was left alone is locked until another is. */
  readonly session: string | null;
  readonly locked: boolean;
  /** Places of the frame that their role does not open. */
  readonly shut: readonly string[];
}
const Context = createContext<Signed | null>(null);

/** @param of null: the server's own screen, or a house without PINs, where nobody signs */
export const SignedProvider = ({ of, children }: { readonly of: Signed | null; readonly children: ReactNode }) => (
  <Context.Provider value={of}>{children}</Context.Provider>
);
export const useSigned = (): Signed | null => useContext(Context);

/** Shown where who has signed may go there. */
export function Opens({ to, children }: { readonly to: string; readonly children: ReactNode }) {
  return useSigned()?.shut.includes(to) ? null : children;
}
