'use client';
import type { Side } from '@/core/batch/sides';
import { grams, type Units } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Field } from '../kit/field';
import { Link } from '../kit/link';
import { wrong } from './plan.state';

export interface Beside {
  readonly sideId: string;
  /** As typed; null: everyone at the table. */
  readonly people: string | null;
}

/** People for each side; an error where it can't be read. */
export function readBeside(beside: readonly Beside[], atTable: number | null) {
  const errors: Record<string, string> = {};
  const read = beside.map((b, n) => {
    const text = b.people ?? (atTable === null ? '' : String(atTable));
    const why = wrong(text, 'People', 100_000, true);
    if (why) errors[`sides.${n}.people`] = why;
    return { sideId: b.sideId, people: typedNumber(text, '') };
  });
  return { sides: Object.keys(errors).length > 0 ? null : read, errors };
}

/** Sauces, butters and fillings that are made for the same table. */
export function BesidePart({
  beside,
  set,
  sides,
  atTable,
  errors,
  units,
}: {
  readonly beside: readonly Beside[];
  readonly set: (beside: readonly Beside[]) => void;
  readonly sides: readonly Side[];
  /** People that are fed; null where the plan counts none. */
  readonly atTable: number | null;
  readonly errors: Readonly<Record<string, string>>;
  readonly units: Units;
}) {
  const left = sides.filter((s) => !beside.some((b) => b.sideId === s.id));
  const byId = new Map(sides.map((s) => [s.id, s]));
  return (
    <section aria-label="Sauces and sides" className="grid gap-2">
      {beside.map((b, n) => {
        const side = byId.get(b.sideId);
        const text = b.people ?? (atTable === null ? '' : String(atTable));
        return (
          <div key={b.sideId} className="grid grid-cols-[1fr_6rem_auto] items-start gap-2">
            <p className="mt-6 min-w-0 font-semibold [overflow-wrap:anywhere]">
              {side?.name}
              <span className="block text-sm font-normal text-soft">
                {side && typedNumber(text, '') > 0
                  ? `${grams(side.servingG * typedNumber(text, ''), units)}, ${grams(side.servingG, units)} each`
                  : ''}
              </span>
            </p>
            <Field
              label="People"
              aria-label={`People for ${side?.name ?? ''}`}
              inputMode="numeric"
              value={text}
              onChange={(e) => set(beside.map((x, k) => (k === n ? { ...x, people: e.target.value } : x)))}
              error={errors[`sides.${n}.people`]}
            />
            <Button
              look="bare"
              className="mt-6"
              aria-label={`Leave out ${side?.name ?? ''}`}
              onClick={() => set(beside.filter((_, k) => k !== n))}
            >
              Leave out
            </Button>
          </div>
        );
      })}
      {left.length > 0 ? (
        <Choice
          label="Sauces and sides"
          value=""
          placeholder="Add a sauce, butter or filling"
          onChange={(id) => set([...beside, { sideId: id, people: null }])}
          options={left.map((s) => ({ value: s.id, label: s.name }))}
        />
      ) : null}
      {sides.length === 0 ? (
        <p className="text-sm text-soft">
          Sauces, butters and fillings for the same table are kept under{' '}
          <Link className="font-semibold text-rim underline" href="/sides">
            Sauces and sides
          </Link>
          .
        </p>
      ) : null}
    </section>
  );
}
