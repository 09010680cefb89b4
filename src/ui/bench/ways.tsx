'use client';
import { ChevronDown } from 'lucide-react';
import { Popover } from 'radix-ui';
import type { Formula } from '@/core/formula/formula';
import { type Kitchen, WAY_NAMES, type Ways } from '@/core/formula/ways';
import { CONVENTION_NAMES, type Conventions } from '@/core/pantry/conventions';
import { Choice } from '../kit/choice';

const HOUSE = 'house';

interface WayField {
  readonly label: string;
  readonly names: Readonly<Record<string, string>>;
}

/** What is asked, in the order it is asked: for a formula and for the house alike. */
export const CONVENTION_FIELDS: { readonly [K in keyof Conventions]: WayField } = {
  cup: { label: 'Cup', names: CONVENTION_NAMES.cup },
  flourFill: { label: 'Flour fill', names: CONVENTION_NAMES.flourFill },
  egg: { label: 'Egg', names: CONVENTION_NAMES.egg },
  salt: { label: 'Salt', names: CONVENTION_NAMES.salt },
  powder: { label: 'Baking powder', names: CONVENTION_NAMES.powder },
};
export const WAY_FIELDS: { readonly [K in keyof Ways]: WayField } = {
  rest: { label: 'Rest', names: WAY_NAMES.rest },
  warmth: { label: 'Egg and milk', names: WAY_NAMES.warmth },
  whites: { label: 'Whites', names: WAY_NAMES.whites },
};

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
  const c = { ...house.conventions, ...formula.conventions };
  const w = { ...house.ways, ...formula.ways };
  const said = [
    CONVENTION_NAMES.cup[c.cup],
    `flour ${CONVENTION_NAMES.flourFill[c.flourFill]}`,
    `${CONVENTION_NAMES.egg[c.egg]} eggs`,
    `rest: ${WAY_NAMES.rest[w.rest]}`,
    ...(w.warmth === 'cold' ? ['cold'] : []),
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
            {Object.entries(CONVENTION_FIELDS).map(([k, f]) => field('conventions', k, f, formula.conventions, house.conventions[k as keyof Conventions]))}
            {Object.entries(WAY_FIELDS).map(([k, f]) => field('ways', k, f, formula.ways, house.ways[k as keyof Ways]))}
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
