'use client';
import { type Ingredient, kitchenName } from '@/core/pantry/ingredient';
import { MOST_SACKS } from '@/core/premix/premix';
import { addSacks, type PutIn } from '@/core/premix/weigh';
import { grams, type Units } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { sackGrams, type TypedSack } from './lot.state';

/** Each thing's packets: their lots, and what went in of each. What the weigh-in wrote stands as it was weighed. */
export function LotSacks({
  parts,
  typed,
  errors,
  units,
  onSacks,
}: {
  readonly parts: readonly PutIn[];
  readonly typed: Readonly<Record<string, readonly TypedSack[]>>;
  readonly errors: Readonly<Record<string, string>>;
  readonly units: Units;
  readonly onSacks: (id: string, sacks: readonly TypedSack[]) => void;
}) {
  return (
    <ul>
      {parts.map((p) => (
        <li
          key={p.ingredient.id}
          className="grid grid-cols-[6rem_minmax(0,1fr)] items-start gap-x-3 gap-y-1 border-b border-line py-1 sm:grid-cols-[6rem_minmax(0,1fr)_19rem]"
        >
          <strong className="pt-2 text-right text-lg whitespace-nowrap">{grams(p.grams, units)}</strong>
          <span className="min-w-0 pt-2.5 [overflow-wrap:anywhere]">{kitchenName(p.ingredient)}</span>
          {p.sacks.length > 0 ? (
            <span className="col-span-2 pt-2.5 sm:col-span-1">
              weighed:{' '}
              {addSacks(p.sacks)
                .map((s) => `${grams(s.grams, units)} of ${s.lot || 'no lot noted'}`)
                .join(', ')}
            </span>
          ) : (
            <Sacks
              of={p.ingredient}
              rows={typed[p.ingredient.id] ?? []}
              error={errors[`sacks.${p.ingredient.id}`]}
              onRows={(rows) => onSacks(p.ingredient.id, rows)}
            />
          )}
        </li>
      ))}
    </ul>
  );
}

const BLANK: TypedSack = { lot: '', grams: '' };

function Sacks({
  of,
  rows,
  error,
  onRows,
}: {
  readonly of: Ingredient;
  readonly rows: readonly TypedSack[];
  readonly error: string | undefined;
  readonly onRows: (rows: readonly TypedSack[]) => void;
}) {
  const name = kitchenName(of);
  const all = rows.length > 0 ? rows : [BLANK];
  const set = (n: number, part: Partial<TypedSack>): void =>
    onRows(all.map((r, k) => (k === n ? { ...r, ...part } : r)));
  return (
    <span className="col-span-2 grid gap-1 sm:col-span-1">
      {all.map((r, n) => {
        const which = all.length > 1 ? `, sack ${n + 1}` : '';
        const g = sackGrams(r);
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: sacks stand in the order they are opened
          <span key={n} className="flex gap-2">
            <input
              autoComplete="off"
              aria-label={`Weighed of ${name}${which}, grams`}
              placeholder={all.length > 1 ? 'grams' : 'weighed'}
              inputMode="decimal"
              maxLength={12}
              aria-invalid={g !== null && !(g > 0)}
              className="hold min-h-11 w-28 min-w-0 px-3 placeholder:text-soft aria-invalid:border-berry"
              value={r.grams}
              onChange={(e) => set(n, { grams: e.target.value })}
            />
            <input
              autoComplete="off"
              aria-label={`Lot of ${name}${which}`}
              placeholder="its lot"
              maxLength={40}
              className="hold min-h-11 w-full min-w-0 flex-1 px-3 placeholder:text-soft"
              value={r.lot}
              onChange={(e) => set(n, { lot: e.target.value })}
            />
            {n > 0 ? (
              <Button
                aria-label={`Leave out sack ${n + 1} of ${name}`}
                onClick={() => onRows(all.filter((_, k) => k !== n))}
              >
                ×
              </Button>
            ) : null}
          </span>
        );
      })}
      {error ? (
        <span role="alert" className="text-[15px] font-semibold text-berry">
          {error}
        </span>
      ) : null}
      {all.length < MOST_SACKS && (all[0]?.lot ?? '') !== '' ? (
        <Button className="justify-self-start" onClick={() => onRows([...all, BLANK])}>
          Another sack of it
        </Button>
      ) : null}
    </span>
  );
}
