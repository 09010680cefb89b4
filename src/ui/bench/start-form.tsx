'use client';
import { useId, useMemo, useState } from 'react';
import { workedOn } from '@/core/balance/bench';
import {
  isSour,
  LIFT_NAMES,
  type LiftFrom,
  START_FLOURS,
  START_LIQUIDS,
  type StartFrom,
  startFormula,
  usualFlour,
  usualLift,
  usualLiquid,
} from '@/core/balance/start';
import type { Formula } from '@/core/formula/formula';
import { type KindId, kindById, POUR_WORDS, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { formulaLines } from '@/core/formula/lines';
import { kitchenName } from '@/core/pantry/ingredient';
import { ingredient } from '@/core/pantry/pantry';
import { grams } from '@/core/quantity/say';
import { KindDrawing } from '../drawings/kind';
import { Button } from '../kit/button';
import { Choice, Taps } from '../kit/choice';
import { Field } from '../kit/field';

const option = (id: string) => ({ value: id, label: kitchenName(ingredient(id)) });
const LIFTS = Object.keys(LIFT_NAMES) as LiftFrom[];

/**
 * A formula from nothing: flour, liquid and size for the kind and school chosen above, worked while they are chosen.
 * Another kind begins anew (the caller keys it so).
 */
export function StartForm({
  house,
  kindId,
  schoolId,
  onStart,
}: {
  readonly house: Kitchen;
  readonly kindId: KindId;
  readonly schoolId: string;
  readonly onStart: (f: Formula) => void;
}) {
  const pieces = kindId === 'oven' ? '1' : '12';
  const [flourId, setFlourId] = useState<string>(usualFlour(schoolId));
  const [liquidId, setLiquidId] = useState<string>(usualLiquid(schoolId));
  const [lift, setLift] = useState<LiftFrom>(usualLift(kindId, usualLiquid(schoolId), house.ways));
  const [by, setBy] = useState<'pieces' | 'flour'>('pieces');
  const [amount, setAmount] = useState(pieces);
  const sizeId = useId();
  const school = schoolOf(kindById(kindId), schoolId);
  const n = Number(amount.trim().replace(',', '.'));
  const error =
    amount.trim() === ''
      ? 'Write a number.'
      : !Number.isFinite(n) || n <= 0
        ? 'A number, more than nothing.'
        : by === 'pieces' && !Number.isInteger(n)
          ? 'Pieces come whole.'
          : n > (by === 'pieces' ? 5000 : 100_000)
            ? `At most ${by === 'pieces' ? '5,000 pieces' : '100,000 g'}.`
            : null;
  const formula = useMemo(() => {
    if (error) return null;
    const from: StartFrom = {
      kind: kindId,
      school: schoolId,
      flourId,
      liquidId,
      lift,
      size: by === 'pieces' ? { by, pieces: n } : { by, grams: n },
    };
    return startFormula(from, house);
  }, [kindId, schoolId, flourId, liquidId, lift, by, n, error, house]);
  return (
    <section aria-label="From nothing" className="grid gap-x-8 gap-y-4 rounded-plate bg-white p-4 lg:grid-cols-2">
      <div className="flex flex-col gap-3">
        <div className="flex flex-wrap gap-3">
          <Choice label="Flour" value={flourId} onChange={setFlourId} options={START_FLOURS.map(option)} />
          <Choice
            label="Liquid"
            value={liquidId}
            onChange={(l) => {
              setLiquidId(l);
              setLift((was) => (was === 'whites' || was === 'eggs' ? was : usualLift(kindId, l, house.ways)));
            }}
            options={START_LIQUIDS.map(option)}
          />
        </div>
        <div className="flex">
          <Choice
            label="Raised by"
            value={lift}
            onChange={setLift}
            options={LIFTS.filter((l) => isSour(liquidId) || (l !== 'soda' && l !== 'both')).map((l) => ({
              value: l,
              label: LIFT_NAMES[l],
            }))}
          />
        </div>
        <div className="flex flex-col gap-1">
          <span id={sizeId} className="text-sm font-semibold text-soft">
            Size
          </span>
          <Taps
            label="Size"
            value={by}
            onChange={(v) => {
              if (v === '') return;
              setBy(v);
              setAmount(v === 'pieces' ? pieces : '500');
            }}
            options={[
              { value: 'pieces', label: 'so many pieces' },
              { value: 'flour', label: 'so much flour' },
            ]}
          />
        </div>
        <Field
          label={by === 'pieces' ? 'Pieces' : 'Flour'}
          unit={by === 'pieces' ? (school.portionMl ? `of ${usualPortionMl(school)} ml` : 'pans of 26 cm') : 'g'}
          inputMode="decimal"
          value={amount}
          error={error ?? undefined}
          onChange={(e) => setAmount(e.target.value.slice(0, 9))}
          className="max-w-64"
        />
      </div>
      {formula ? (
        <Preview formula={formula} house={house} kindId={kindId} onStart={() => onStart(formula)} />
      ) : (
        <p className="text-soft">The formula stands here as soon as the size is a number.</p>
      )}
    </section>
  );
}

function Preview({
  formula,
  house,
  kindId,
  onStart,
}: {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly kindId: KindId;
  readonly onStart: () => void;
}) {
  const { analysis: a } = workedOn({ formula, house, end: null });
  return (
    <div className="flex flex-col gap-3">
      <div className="flex items-start gap-3">
        <KindDrawing kind={kindId} className="w-14 shrink-0 text-rim" />
        <p>
          {grams(a.tally.massG, a.units)} of batter that{' '}
          {a.thickness ? POUR_WORDS[a.thickness.pour] : 'does not pour yet'}.{' '}
          {a.findings.length === 0 ? (
            <span className="text-herb">✓ Nothing is out of line.</span>
          ) : (
            a.findings[0]?.message
          )}
        </p>
      </div>
      <ul aria-label="Starting lines" className="rounded-hold border border-line px-3 py-2">
        {formulaLines(formula, house).map((l) => (
          <li key={l.key}>{l.text}</li>
        ))}
      </ul>
      <Button look="now" onClick={onStart} className="self-start">
        Put it on the bench
      </Button>
      <p className="text-sm text-soft">
        Worked from the zones for what you chose, in whole eggs and plain grams. A place to start, not a law.
      </p>
    </div>
  );
}
