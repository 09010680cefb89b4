'use client';
import { ChevronDown } from 'lucide-react';
import { Popover } from 'radix-ui';
import type { Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { type ChosenWay, MOST_ALTITUDE_M, WAY_NAMES, type Ways } from '@/core/formula/ways';
import { CONVENTION_NAMES, type Conventions } from '@/core/pantry/conventions';
import { ownFill } from '@/core/pantry/fill';
import { Choice } from '../kit/choice';
import { TypedNumber } from '../kit/typed-number';

const HOUSE = 'house';

interface WayField {
  readonly label: string;
  readonly names: Readonly<Record<string, string>>;
}

/** What is asked, in the order it is asked: for a formula and for the house alike. */
export const CONVENTION_FIELDS: { readonly [K in keyof Conventions]: WayField } = {
  cup: { label: 'Cup', names: CONVENTION_NAMES.cup },
  tablespoon: { label: 'Tablespoon', names: CONVENTION_NAMES.tablespoon },
  flourFill: { label: 'Flour fill', names: CONVENTION_NAMES.flourFill },
  egg: { label: 'Egg', names: CONVENTION_NAMES.egg },
  salt: { label: 'Salt', names: CONVENTION_NAMES.salt },
  powder: { label: 'Baking powder', names: CONVENTION_NAMES.powder },
};
export const WAY_FIELDS: { readonly [K in ChosenWay]: WayField } = {
  rest: { label: 'Rest', names: WAY_NAMES.rest },
  warmth: { label: 'Egg and milk', names: WAY_NAMES.warmth },
  whites: { label: 'Whites', names: WAY_NAMES.whites },
  joining: { label: 'Joining', names: WAY_NAMES.joining },
  check: { label: 'Before joining', names: WAY_NAMES.check },
  largeBowl: { label: 'Very large bowls', names: WAY_NAMES.largeBowl },
};

/** Ways of filling a cup that can be chosen: the kitchen's own once it has weighed one (or is set to it). */
export const fillNames = (c: Kitchen['conventions'], now: string | undefined): Readonly<Record<string, string>> => {
  const { own, ...named } = CONVENTION_NAMES.flourFill;
  return ownFill(c) || now === 'own' ? { own, ...named } : named;
};

/** Why an altitude can't be taken; null when it can. */
export const wrongAltitude = (x: number): string | null => (x < 0 ? 'Not below the sea.' : x > MOST_ALTITUDE_M ? `At most ${MOST_ALTITUDE_M} m.` : null);

/** What this formula is read in and worked by: the house's ways, and what it has of its own. */
export function WaysPopover({
  formula,
  house,
  onChange,
}: {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly onChange: (part: Pick<Formula, 'conventions'> | Pick<Formula, 'ways'>) => void;
}) {
  const own = [...Object.values(formula.conventions), ...Object.values(formula.ways)].length;
  const { altitudeM, ...chosenWays } = formula.ways;
  const c = { ...house.conventions, ...formula.conventions };
  const w = { ...house.ways, ...formula.ways };
  const said = [
    CONVENTION_NAMES.cup[c.cup],
    `flour ${CONVENTION_NAMES.flourFill[c.flourFill]}`,
    `${CONVENTION_NAMES.egg[c.egg]} eggs`,
    `rest: ${WAY_NAMES.rest[w.rest]}`,
    ...(w.warmth === 'cold' ? ['cold'] : []),
    ...(w.altitudeM > 0 ? [`${w.altitudeM} m up`] : []),
  ].join(' · ');
  const pick = <T extends object>(kind: 'conventions' | 'ways', all: T, key: keyof T, value: string): void => {
    const { [key]: _, ...rest } = all;
    const next = value === HOUSE ? rest : { ...rest, [key]: value };
    onChange(kind === 'conventions' ? { conventions: next as Partial<Conventions> } : { ways: next as Partial<Ways> });
  };
  const field = (kind: 'conventions' | 'ways', key: string, f: WayField, of: Readonly<Record<string, string | undefined>>, houseHas: string) => (
    <Choice
      key={key}
      label={f.label}
      value={of[key] ?? HOUSE}
      onChange={(v) => pick(kind, of, key, v)}
      options={[{ value: HOUSE, label: `house: ${f.names[houseHas] ?? houseHas}` }, ...Object.entries(f.names).map(([value, label]) => ({ value, label }))]}
    />
  );
  return (
    <Popover.Root>
      <Popover.Trigger className="flex min-h-9 min-w-0 items-center gap-2 rounded-hold px-2 text-left text-[15px] hover:bg-wash" aria-label={`Ways: ${said}`}>
        <span className="font-semibold text-rim">Ways</span>
        <span className="min-w-0 truncate text-soft">{said}</span>
        {own > 0 ? <span className="shrink-0 rounded bg-wash px-1.5 text-sm text-ink">{own} of its own</span> : null}
        <ChevronDown size={16} aria-hidden className="shrink-0 text-rim" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content align="start" collisionPadding={12} aria-label="Ways of this formula" className="hold z-30 w-[min(38rem,94vw)] p-4 shadow-lg">
          <p className="mb-3 text-[15px] text-soft">Where cooks differ and a number depends on it. What is left at “house” follows the house.</p>
          <div className="grid gap-3 sm:grid-cols-2">
            {Object.entries(CONVENTION_FIELDS).map(([k, f]) =>
              field(
                'conventions',
                k,
                k === 'flourFill' ? { ...f, names: fillNames(house.conventions, c.flourFill) } : f,
                formula.conventions,
                house.conventions[k as keyof Conventions],
              ),
            )}
            {Object.entries(WAY_FIELDS).map(([k, f]) => field('ways', k, f, chosenWays, house.ways[k as ChosenWay]))}
            <div className="flex flex-col gap-1">
              <span className="text-sm font-semibold text-soft">Altitude, m (empty: the house’s {house.ways.altitudeM})</span>
              <TypedNumber
                label="Altitude of this formula, metres"
                value={altitudeM === undefined ? '' : String(altitudeM)}
                wrong={wrongAltitude}
                onCommit={(x) => onChange({ ways: { ...formula.ways, altitudeM: x } })}
                onEmpty={() => onChange({ ways: chosenWays })}
                className="h-11 border-rim bg-white px-2.5 !text-left"
              />
            </div>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
