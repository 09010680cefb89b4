import type { ReactNode } from 'react';
import { waysIn, withWay } from '@/core/formula/act-edits';
import type { Formula } from '@/core/formula/formula';
import type { Kind } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { WAY_IDS } from '@/core/formula/schools';
import { againstKind, type Ways } from '@/core/formula/ways';
import type { Conventions } from '@/core/pantry/conventions';
import { ownFill } from '@/core/pantry/fill';
import { Choice } from '../kit/choice';
import { TypedNumber } from '../kit/typed-number';
import { AS_THE_HOUSE, CONVENTION_FIELDS, fillNames, WayChoice, type WayValue, wrongAltitude } from '../kit/way-fields';

/** Where a chosen way goes against what a kind is, said where it is chosen. */
function AgainstKind({ ways, kind }: { readonly ways: Ways; readonly kind: Kind }) {
  const against = againstKind(ways, kind.id);
  if (against.length === 0) return null;
  return (
    <ul className="mb-3 grid gap-1 text-[15px]">
      {against.map((a) => (
        <li key={a.matter}>
          <strong>{a.matter}:</strong> {a.choice} goes against {kind.pieces}: {a.why}.
        </li>
      ))}
    </ul>
  );
}

export interface WaysOf {
  readonly formula: Formula;
  /** Of the end that is looked at. */
  readonly kind: Kind;
  readonly house: Kitchen;
  readonly onChange: (part: Pick<Formula, 'conventions'> | Pick<Formula, 'edits'>) => void;
}

/** Every way and measure, each as the house has it or of this formula's own. */
export function WaysPanel({ formula, kind, house, onChange }: WaysOf) {
  const ownWays = waysIn(formula.edits);
  const { altitudeM } = ownWays;
  const c = { ...house.conventions, ...formula.conventions };
  const w = { ...house.ways, ...ownWays };
  const pickMeasure = (key: keyof Conventions, value: string): void => {
    const { [key]: _, ...rest } = formula.conventions;
    onChange({ conventions: (value === AS_THE_HOUSE ? rest : { ...rest, [key]: value }) as Partial<Conventions> });
  };
  const pickWay = (key: keyof Ways, value: WayValue | undefined): void =>
    onChange({ edits: withWay(formula.edits, key, value) });
  const measure = (key: keyof Conventions): ReactNode => {
    const f = CONVENTION_FIELDS[key];
    const names = key === 'flourFill' ? fillNames(ownFill(house.conventions) !== null, c.flourFill) : f.names;
    const houseHas = house.conventions[key];
    return (
      <Choice
        key={key}
        label={f.label}
        value={formula.conventions[key] ?? AS_THE_HOUSE}
        onChange={(v) => pickMeasure(key, v)}
        options={[
          { value: AS_THE_HOUSE, label: `house: ${names[houseHas] ?? houseHas}` },
          ...Object.entries(names).map(([value, label]) => ({ value, label })),
        ]}
      />
    );
  };
  return (
    <>
      <p className="mb-3 text-[15px] text-soft">
        Where cooks differ and a number depends on it. What is left at “house” follows the house.
      </p>
      <AgainstKind ways={w} kind={kind} />
      <div className="grid gap-3 sm:grid-cols-2">
        {(Object.keys(CONVENTION_FIELDS) as (keyof Conventions)[]).map(measure)}
        {WAY_IDS.map((k) => (
          <WayChoice key={k} way={k} value={ownWays[k]} house={house.ways[k]} onChange={(v) => pickWay(k, v)} />
        ))}
        <div className="flex flex-col gap-1">
          <span className="text-sm font-semibold text-soft">
            Altitude, m (empty: the house’s {house.ways.altitudeM})
          </span>
          <TypedNumber
            label="Altitude of this formula, metres"
            value={altitudeM === undefined ? '' : String(altitudeM)}
            wrong={wrongAltitude}
            onCommit={(x) => pickWay('altitudeM', x)}
            onEmpty={() => pickWay('altitudeM', undefined)}
            className="h-11 border-rim bg-white px-2.5 !text-left"
          />
        </div>
      </div>
    </>
  );
}
