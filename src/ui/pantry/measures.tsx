'use client';
import type { ActionResult } from '@/contract/action-result';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { measureName, spreadOfWeighings } from '@/core/pantry/calibrate';
import { CONVENTION_NAMES } from '@/core/pantry/conventions';
import { kitchenName } from '@/core/pantry/ingredient';
import type { OwnMeasure } from '@/core/pantry/own';
import { findIngredient } from '@/core/pantry/pantry';
import { isFollowed } from '@/core/pantry/weigh';
import { counted, grams, millilitres } from '@/core/quantity/say';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { DeleteButton } from '../kit/delete-button';
import { Switch } from '../kit/switch';
import { toast } from '../kit/toast';
import { toastUndoAct } from '../kit/undo';

/**
 * The measures this kitchen has weighed or answered for: what each holds, how sure that is, and whether amounts follow
 * it.
 */
export function Measures({
  house,
  filling,
  switchMeasure,
  dropMeasure,
  bringBack,
}: {
  readonly house: Kitchen;
  /** Formulas that fill a cup the kitchen's own way, whatever the house does. */
  readonly filling: number;
  readonly switchMeasure: (input: unknown) => Promise<ActionResult>;
  readonly dropMeasure: (input: unknown) => Promise<ActionResult>;
  /** What was forgotten just now, whole. */
  readonly bringBack: (input: unknown) => Promise<ActionResult>;
}) {
  const asking = useAsking();
  const measures = house.conventions.own?.measures ?? [];
  const follow = async (m: OwnMeasure, used: boolean): Promise<void> => {
    const a = await asking.ask(() =>
      act('switch-measure', `${measureName(m)}, in use or not`, switchMeasure, { id: m.id, used }),
    );
    if (a?.ok) toast(used ? 'In use: amounts follow it' : 'Not in use: the table stands');
  };
  const forget = async (m: OwnMeasure): Promise<boolean> => {
    const { id, ...back } = m;
    const a = await asking.ask(() => act('drop-measure', `${measureName(m)} forgotten`, dropMeasure, { id }));
    if (!a?.ok) return false;
    toastUndoAct(
      'Forgotten',
      () => act('measure-back', `${measureName(m)} remembered again`, bringBack, back),
      () => toast('Remembered again'),
    );
    return true;
  };
  if (measures.length === 0)
    return (
      <p className="text-soft">
        Nothing is weighed yet: cups, spoons and ladles are as the table has them. Begin with the cup you measure flour
        with.
      </p>
    );
  const ofWhat = (m: OwnMeasure): string => {
    if (m.ingredientId === null) return 'anything';
    const i = findIngredient(m.ingredientId, house.conventions.own);
    return i ? kitchenName(i).toLowerCase() : 'something no longer in the pantry';
  };
  const holds = (m: OwnMeasure, x: number): string =>
    m.ingredientId === null ? millilitres(x) : grams(x, house.units);
  return (
    <div className="grid gap-2">
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
      <ul>
        {measures.map((m) => (
          <li key={m.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-1.5">
            <span className="min-w-0 flex-1 basis-56">
              <strong>{measureName(m)}</strong> of {ofWhat(m)}
              <span className="block text-[15px] text-soft">
                {m.weighings.length > 0
                  ? `${m.weighings.length} weighed, within ${spreadOfWeighings(m.weighings).rangePct.toFixed(1)} %`
                  : `answered, not weighed: ${holds(m, m.low)} to ${holds(m, m.high)}`}
                {m.used && !isFollowed(m, house.conventions) ? (
                  <span className="block">
                    {filling > 0 ? `Followed by ${counted(filling, 'formulas')} alone: the` : 'Not followed: the'} house
                    fills its cups {CONVENTION_NAMES.flourFill[house.conventions.flourFill]}.
                  </span>
                ) : null}
              </span>
            </span>
            <strong className="w-24 text-right text-lg whitespace-nowrap">{holds(m, m.each)}</strong>
            <Switch label="in use" on={isFollowed(m, house.conventions)} onSwitch={(used) => void follow(m, used)} />
            <DeleteButton
              bare
              label="Forget"
              name={`${measureName(m)} of ${ofWhat(m)}`}
              says="Amounts written in it are as the table has them again."
              of={asking}
              onDelete={() => forget(m)}
            />
          </li>
        ))}
      </ul>
    </div>
  );
}
