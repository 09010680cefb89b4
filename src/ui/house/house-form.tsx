'use client';
import { useState } from 'react';
import { toast } from 'sonner';
import { boilsAtC, type ChosenWay, gasRoomAt, type Kitchen } from '@/core/formula/ways';
import type { Conventions } from '@/core/pantry/conventions';
import type { Gear } from '@/core/pantry/gear';
import { TOOL_NAMES, TOOLS, type ToolId } from '@/core/pantry/tools';
import { temperature, type Units } from '@/core/quantity/say';
import { CONVENTION_FIELDS, fillNames, WAY_FIELDS, wrongAltitude } from '../bench/ways';
import { answerOf } from '../kit/answer';
import { Choice, ManyTaps } from '../kit/choice';
import { Notice } from '../kit/notice';
import { TypedNumber } from '../kit/typed-number';
import { GearList } from './gear-list';

type House = Pick<Kitchen, 'conventions' | 'ways' | 'units' | 'gear' | 'drawer'>;
interface Change {
  readonly conventions?: Partial<Conventions>;
  readonly ways?: Partial<Kitchen['ways']>;
  readonly units?: Partial<Units>;
  readonly gear?: readonly Gear[];
  readonly drawer?: readonly ToolId[];
}

interface Props {
  readonly house: Kitchen;
  readonly save: (change: Change) => Promise<{ readonly ok: true } | { readonly ok: false; readonly message: string }>;
}

const WHY: Readonly<Record<string, string>> = {
  cup: 'Sets spoons and pints with it.',
  tablespoon: 'Australian ones hold a third more.',
  flourFill: 'A cup of flour is 115 to 160 g by how it is filled. Weigh yours under Pantry, My measures.',
  egg: 'What “an egg” weighs without its shell.',
  salt: 'A teaspoon of flakes holds half of what fine salt does.',
  powder: 'How much soda “baking powder” carries, and how soon it works.',
  rest: 'What a rest gains in thickness, and what it loses in lift.',
  warmth: 'How thick it pours, and how fast the leavening runs.',
  whites: 'How much air folded whites bring.',
  joining: 'Changes the steps at the bowl, how far it is mixed, and the rest.',
  check: 'Target against actual for every line, with initials, before wet meets dry.',
  largeBowl: 'We scale it straight: the chemistry does not know the size of the bowl.',
};

const UNIT_FIELDS = {
  weight: { label: 'Weights', names: { g: 'grams', oz: 'ounces' } },
  temperature: { label: 'Temperatures', names: { C: 'Celsius, °C', F: 'Fahrenheit, °F' } },
  currency: { label: 'Money', names: { '€': '€', '£': '£', $: '$', kr: 'kr', CHF: 'CHF', zł: 'zł', R: 'R', '¥': '¥', '₹': '₹' } },
} as const;
const UNIT_WHY: Readonly<Record<string, string>> = {
  weight: 'In ounces the sheets to weigh by have the grams beside them.',
  temperature: '',
  currency: 'What prices in the pantry are in.',
};

/** Where cooks differ, as this house has it. Each choice is kept as soon as it is made; formulas that say nothing follow. */
export function HouseForm({ house, save }: Props) {
  const [now, setNow] = useState<House>({ conventions: house.conventions, ways: house.ways, units: house.units, gear: house.gear, drawer: house.drawer });
  const [refusal, setRefusal] = useState<string | null>(null);
  const keep = async (change: Change): Promise<void> => {
    setNow((n) => ({
      conventions: { ...n.conventions, ...change.conventions },
      ways: { ...n.ways, ...change.ways },
      units: { ...n.units, ...change.units },
      gear: change.gear ?? n.gear,
      drawer: change.drawer ?? n.drawer,
    }));
    setRefusal(null);
    const answer = await answerOf(() => save(change), 'Choose again in a moment: it is not kept yet.');
    if (answer.ok) toast('Kept for the whole house');
    else setRefusal(answer.message);
  };
  const row = (key: string, label: string, why: string | undefined, names: Readonly<Record<string, string>>, value: string, put: (v: string) => void) => (
    <div key={key} className="max-w-md">
      <Choice label={label} value={value} onChange={put} options={Object.entries(names).map(([v, l]) => ({ value: v, label: l }))} />
      {why ? <p className="pt-1 text-[15px] text-soft">{why}</p> : null}
    </div>
  );
  const { altitudeM } = now.ways;
  return (
    <div className="grid gap-6">
      <p className="max-w-3xl text-soft">
        A formula that says nothing of its own follows these; the Bench lets each have its own. Schools of a kind (even, tall, crisp) are chosen with the
        formula.
      </p>
      {refusal ? (
        <Notice weight="stop" role="alert">
          {refusal}
        </Notice>
      ) : null}
      <div className="grid items-start gap-x-10 gap-y-6 md:grid-cols-2">
        <section aria-label="Measures" className="grid gap-3">
          <h2 className="text-xl">Measures</h2>
          {Object.entries(CONVENTION_FIELDS).map(([k, f]) =>
            row(
              k,
              f.label,
              WHY[k],
              k === 'flourFill' ? fillNames(now.conventions, now.conventions.flourFill) : f.names,
              now.conventions[k as keyof Conventions],
              (v) => void keep({ conventions: { [k]: v } }),
            ),
          )}
        </section>
        <div className="grid gap-6">
          <section aria-label="Ways of working" className="grid gap-3">
            <h2 className="text-xl">Ways of working</h2>
            {Object.entries(WAY_FIELDS).map(([k, f]) => row(k, f.label, WHY[k], f.names, now.ways[k as ChosenWay], (v) => void keep({ ways: { [k]: v } })))}
            <div>
              <span className="text-sm font-semibold text-soft">Altitude</span>
              <div className="flex w-36 items-center gap-2">
                <TypedNumber
                  label="Altitude, metres"
                  value={String(altitudeM)}
                  wrong={wrongAltitude}
                  onCommit={(x) => void keep({ ways: { altitudeM: x } })}
                  className="h-11 border-rim bg-white px-2.5"
                />
                <span className="text-soft">m</span>
              </div>
              <p className="pt-1 text-[15px] text-soft">
                {altitudeM > 0
                  ? `Here gas takes ${gasRoomAt(altitudeM).toFixed(2)} times the room it does at the sea, so the zones for lift stand that much lower; water boils near ${temperature(boilsAtC(altitudeM), now.units)}.`
                  : 'High up the same gas takes more room, and less leavening is wanted.'}
              </p>
            </div>
          </section>
          <section aria-label="Units" className="grid gap-3">
            <h2 className="text-xl">Units</h2>
            {Object.entries(UNIT_FIELDS).map(([k, f]) =>
              row(k, f.label, UNIT_WHY[k], f.names, now.units[k as keyof Units], (v) => void keep({ units: { [k]: v } })),
            )}
          </section>
        </div>
      </div>
      <section aria-label="The drawer" className="grid gap-2">
        <h2 className="text-xl">The drawer</h2>
        <p className="text-[15px] text-soft">What there is to measure with, level full. A batch in cups and spoons is taken with these alone.</p>
        <ManyTaps
          label="The drawer"
          values={now.drawer}
          onChange={(drawer) => void keep({ drawer: TOOLS.filter((t) => drawer.includes(t)) })}
          options={TOOLS.map((t) => ({ value: t, label: TOOL_NAMES[t] }))}
        />
      </section>
      <GearList gear={now.gear} units={now.units} onGear={(gear) => void keep({ gear })} />
    </div>
  );
}
