'use client';
import { freeGearId, type Gear } from '@/core/pantry/gear';
import { act } from '../kit/answer';
import { useAsking } from '../kit/asking';
import { useKitchenGear } from '../kit/gear';
import { useRefresh } from '../kit/refresh';
import { toastUndoAct } from '../kit/undo';

/** Notes one more piece of gear; what others have noted meanwhile stays. */
export function useNoteGear(): {
  readonly refusal: string | null;
  readonly waits: boolean;
  readonly busy: boolean;
  readonly note: (g: Gear) => void;
} {
  const kitchen = useKitchenGear();
  const refresh = useRefresh();
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
    refresh();
    toastUndoAct(`${g.name}: noted under House`, () => send(before, after), refresh);
  };
  return { refusal, waits, busy, note: (g) => void note(g) };
}
