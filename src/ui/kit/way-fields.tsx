'use client';
/** What a house measures and mixes by, as it is asked: of the house itself, and of one formula. */
import { choicesOf, MATTERS, type WayId } from '@/core/formula/schools';
import { MOST_ALTITUDE_M, MOST_REST_MIN, wayName } from '@/core/formula/ways';
import { CONVENTION_NAMES, type Conventions } from '@/core/pantry/conventions';
import { Choice } from './choice';
import { TypedNumber } from './typed-number';

export const AS_THE_HOUSE = 'house';

interface MeasureField {
  readonly label: string;
  readonly names: Readonly<Record<string, string>>;
}

/** What is asked, in the order it is asked: for a formula and for the house alike. */
export const CONVENTION_FIELDS: { readonly [K in keyof Conventions]: MeasureField } = {
  cup: { label: 'Cup', names: CONVENTION_NAMES.cup },
  tablespoon: { label: 'Tablespoon', names: CONVENTION_NAMES.tablespoon },
  flourFill: { label: 'Flour into the cup', names: CONVENTION_NAMES.flourFill },
  egg: { label: 'Egg', names: CONVENTION_NAMES.egg },
  salt: { label: 'Salt', names: CONVENTION_NAMES.salt },
  powder: { label: 'Baking powder', names: CONVENTION_NAMES.powder },
};

export type WayValue = string | number;
/** Stands for any number of minutes among the named rests. */
const MINUTES = 'minutes';
const FIRST_MINUTES = 20;

/**
 * One matter that cooks disagree about; a rest may be any number of minutes. @param house what the house has;
 * undefined: this is the house
 */
export function WayChoice({
  way,
  value,
  house,
  onChange,
}: {
  readonly way: WayId;
  /** Undefined: as the house has it. */
  readonly value: WayValue | undefined;
  readonly house?: WayValue | undefined;
  readonly onChange: (v: WayValue | undefined) => void;
}) {
  const { name } = MATTERS[way];
  const timed = typeof value === 'number';
  return (
    <div className="flex flex-col gap-1">
      <Choice
        label={name}
        value={value === undefined ? AS_THE_HOUSE : timed ? MINUTES : value}
        onChange={(v) => onChange(v === AS_THE_HOUSE ? undefined : v === MINUTES ? FIRST_MINUTES : v)}
        options={[
          ...(house === undefined ? [] : [{ value: AS_THE_HOUSE, label: `house: ${wayName(way, house)}` }]),
          ...choicesOf(way).map(([id, c]) => ({ value: id, label: c.name })),
          ...(way === 'rest' ? [{ value: MINUTES, label: timed ? wayName('rest', value) : 'so many minutes' }] : []),
        ]}
      />
      {timed ? (
        <span className="flex w-36 items-center gap-2">
          <TypedNumber
            label="Rest, minutes"
            value={String(value)}
            wrong={(x) =>
              Number.isInteger(x) && x >= 0 && x <= MOST_REST_MIN ? null : `Whole minutes, at most ${MOST_REST_MIN}.`
            }
            onCommit={onChange}
            className="h-11 border-rim bg-white px-2.5"
          />
          <span className="text-soft">min</span>
        </span>
      ) : null}
    </div>
  );
}

/**
 * Ways of filling a cup that can be chosen: the kitchen's own once it has weighed one (or is set to it). @param weighed
 * it has
 */
export const fillNames = (weighed: boolean, now: string | undefined): Readonly<Record<string, string>> => {
  const { own, ...named } = CONVENTION_NAMES.flourFill;
  return weighed || now === 'own' ? { own, ...named } : named;
};

/** Why an altitude can't be taken; null when it can. */
export const wrongAltitude = (x: number): string | null =>
  x < 0 ? 'Not below the sea.' : x > MOST_ALTITUDE_M ? `At most ${MOST_ALTITUDE_M} m.` : null;
