'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { writtenGrams } from '@/core/card/rewrite';
import { EMPTY_FORMULA, type Entry } from '@/core/formula/formula';
import { KINDS, kindById, schoolOf } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { TallyPart } from '@/core/formula/tally';
import { US_CUP_ML } from '@/core/pantry/fill';
import { type Ingredient, kitchenName } from '@/core/pantry/ingredient';
import { nameFor } from '@/core/pantry/naming';
import { unmixed } from '@/core/premix/foreign';
import { additionsFor, USUAL } from '@/core/premix/products';
import { dryOf } from '@/core/premix/work';
import { grams } from '@/core/quantity/say';
import type { Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Notice } from '../kit/notice';
import { AdditionsView } from './additions';

const OPTIONS = KINDS.flatMap((k) =>
  k.schools.map((s) => ({
    value: `${k.id} ${s.id}`,
    label: k.schools.length > 1 ? `${k.pieces}, ${s.name}` : k.pieces,
  })),
);
const FORMULA_G = 500;
/** Apart by less than this in 100 g of mix is told by nobody. */
const TOLD_G = 1;

/** What a mix known by its panel needs to reach a kind's zone; and the formula that is. */
export function ForeignMix({
  mixes,
  house,
  save,
}: {
  readonly mixes: readonly Ingredient[];
  readonly house: Kitchen;
  readonly save: (
    input: unknown,
  ) => Promise<{ readonly ok: true; readonly saved: { readonly formulaId: string } } | Refused>;
}) {
  const router = useRouter();
  const [mixId, setMix] = useState(mixes[0]?.id ?? '');
  const [product, setProduct] = useState(OPTIONS[0]?.value ?? '');
  const asking = useAsking();
  const mix = mixes.find((m) => m.id === mixId);
  const [kindId, schoolId] = product.split(' ');
  const kind = KINDS.find((k) => k.id === kindId);
  if (!mix || !kind) return null;
  const u = unmixed(mix);
  const at = (parts: readonly TallyPart[]) =>
    additionsFor(parts, { kind: kind.id, school: schoolId ?? '' }, { ...USUAL, ...dryOf(house) });
  const additions = at(u ? u.partsAt(u.flourG.best) : [{ ingredient: mix, grams: 100 }]);
  // how far that goes apart with how much of it is flour
  const ends = u ? [at(u.partsAt(u.flourG.low)), at(u.partsAt(u.flourG.high))] : [];
  const ranges = additions.parts.flatMap((p) => {
    const all = ends.map((e) => e.parts.find((x) => x.ingredient.id === p.ingredient.id)?.grams ?? 0);
    const [low, high] = [Math.min(...all, p.grams), Math.max(...all, p.grams)];
    return high - low < TOLD_G
      ? []
      : [`${grams(low, house.units)} to ${grams(high, house.units)} of ${kitchenName(p.ingredient).toLowerCase()}`];
  });
  const toBench = async (): Promise<void> => {
    const parts = [{ ingredient: mix, grams: 100 }, ...additions.parts];
    const entries = parts.map((p, n): Entry => {
      const { name, ingredientId } = nameFor(p.ingredient.id, house.conventions);
      return {
        key: `l${n + 1}`,
        text: `${writtenGrams((p.grams * FORMULA_G) / 100)} ${name}`,
        ...(ingredientId ? { ingredientId } : {}),
      };
    });
    const formula = {
      ...EMPTY_FORMULA,
      name: `${kitchenName(mix)} as ${kindById(kind.id).pieces}`.slice(0, 120),
      kind: kind.id,
      school: schoolOf(kind, schoolId ?? null).id,
      entries,
    };
    const a = await asking.ask(
      () =>
        save({ formulaId: null, basedOn: null, knownNewest: null, changeNote: 'worked out from the packet', formula }),
      true,
    );
    if (a?.ok) router.push(`/formulas/${a.saved.formulaId}`);
  };
  return (
    <div className="grid max-w-3xl gap-4">
      <div className="flex flex-wrap gap-4">
        <Choice
          label="The mix"
          value={mixId}
          onChange={setMix}
          options={mixes.map((m) => ({ value: m.id, label: kitchenName(m) }))}
        />
        <Choice label="Is to become" value={product} onChange={setProduct} options={OPTIONS} />
      </div>
      {u ? (
        <p>
          By its panel 100 g of it hold about <strong>{grams(u.flourG.best, house.units)}</strong> of flour (
          {Math.round(u.flourG.low)} to {Math.round(u.flourG.high)}), {grams(u.sugarG, house.units)} of sugar,{' '}
          {u.fatG.toFixed(1)} g of fat besides the flour’s and {u.saltG.toFixed(1)} g of salt. The ratios below count
          that much as flour.
        </p>
      ) : null}
      <h2 className="text-xl">What it asks for</h2>
      <AdditionsView
        additions={additions}
        bagG={FORMULA_G}
        densityGPerMl={mix.gPerUsCup ? mix.gPerUsCup / US_CUP_ML : null}
        units={house.units}
      />
      {ranges.length > 0 ? (
        <p className="text-[15px] text-soft">
          By how much of it is flour: {ranges.join(', ')} to 100 g. Begin with less, and look.
        </p>
      ) : null}
      {mix.unknown?.includes('soda') ? (
        <Notice weight="look">
          Its packet says it is leavened, not by how much: its own rise, salt in it and directions are the packet’s
          word. Test one before a crowd.
        </Notice>
      ) : null}
      {mix.allergensUnstated ? (
        <Notice weight="look">Nobody has read its packet for allergens yet: do that in the pantry.</Notice>
      ) : null}
      <RefusalNotice text={asking.refusal} />
      <Button
        look="now"
        size="work"
        className="justify-self-start"
        disabled={asking.busy}
        onClick={() => void toBench()}
      >
        {asking.busy ? 'Writing the card' : 'Put it on the bench'}
      </Button>
    </div>
  );
}
