'use client';
/** The kitchen's gear, and the way to note more of it, wherever it is asked for. */
import { useRouter } from 'next/navigation';
import { createContext, type ReactNode, useContext } from 'react';
import type { ActionResult, Kept } from '@/contract/action-result';
import { freeGearId, type Gear } from '@/core/pantry/gear';
import { act } from './answer';
import { useAsking } from './asking';
import { toastUndoAct } from './undo';

interface KitchenGear {
  readonly gear: readonly Gear[];
  readonly save: (input: unknown) => Promise<ActionResult<Kept>>;
}
const Context = createContext<KitchenGear | null>(null);

export const GearProvider = ({ children, ...of }: KitchenGear & { readonly children: ReactNode }) => (
  <Context.Provider value={of}>{children}</Context.Provider>
);

/** Notes one more piece of gear; what others have noted meanwhile stays. */
export function useNoteGear(): {
  readonly refusal: string | null;
  readonly waits: boolean;
  readonly busy: boolean;
  readonly note: (g: Gear) => void;
} {
  const kitchen = useContext(Context);
  const router = useRouter();
  const asking = useAsking();
  const { refusal, waits, busy } = asking;
  const note = async (g: Gear): Promise<void> => {
    if (!kitchen) return;
    const before = kitchen.gear;
    const after = [...before, { ...g, id: freeGearId(g.name, before) }];
    const send = (change: readonly Gear[], base: readonly Gear[]) =>
      act('set-house', `${g.name}, of the house’s gear`, kitchen.save, {
        change: { gear: change },
        base: { gear: base },
      });
    const a = await asking.ask(() => send(after, before));
    if (!a?.ok) return;
    router.refresh();
    toastUndoAct(
      `${g.name}: noted under House`,
      () => send(before, after),
      () => router.refresh(),
    );
  };
  return { refusal, waits, busy, note: (g) => void note(g) };
}
