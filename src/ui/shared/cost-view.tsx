import type { Worked } from '@/core/analyse-formula';
import {
  type AccountLine,
  besideLines,
  type Cost,
  costOf,
  NUTRIENT_NAMES,
  NUTRIENTS,
  type Nutrition,
  nutritionOf,
} from '@/core/facts/account';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Shelf } from '@/core/pantry/stock';
import { grams, money, type Units } from '@/core/quantity/say';
import { Link } from '../kit/link';
import { TableHead } from '../kit/table-head';

/** "a, b and 3 more". */
const named = (names: readonly string[]): string =>
  names.length > 4 ? `${names.slice(0, 4).join(', ')} and ${names.length - 4} more` : names.join(', ');

export interface CostProps {
  readonly lines: readonly AccountLine[];
  readonly shelf: Shelf;
  readonly units: Units;
  /** Null: it is not made in pieces. */
  readonly pieces: number | null;
  readonly piecesName: string;
  /** Guests it is made for; null or left out: nobody has said. */
  readonly covers?: number | null;
}

/** What a batter costs and holds, in all and by the piece; what is not known is named. */
export function CostView({ lines, shelf, units, pieces, piecesName, covers = null }: CostProps) {
  return (
    <div className="grid gap-3">
      <Money cost={costOf(lines, shelf)} units={units} pieces={pieces} covers={covers} />
      <Beside lines={lines} shelf={shelf} units={units} />
      <Food of={nutritionOf(lines)} pieces={pieces} piecesName={piecesName} />
    </div>
  );
}

/** What each sauce or glaze beside the batter costs, of the whole. */
function Beside({ lines, shelf, units }: Pick<CostProps, 'lines' | 'shelf' | 'units'>) {
  const sides = besideLines(lines).map((s) => ({ name: s.name, cost: costOf(s.lines, shelf) }));
  const priced = sides.filter((s) => s.cost.rows.some((r) => r.cost !== null));
  if (priced.length === 0) return null;
  return (
    <p className="text-[15px]">
      <span className="text-soft">Of that, sauces and sides: </span>
      {priced
        .map((s) => `${s.name} ${s.cost.gaps.length > 0 ? 'at least ' : ''}${money(s.cost.total, units)}`)
        .join('; ')}
      .
    </p>
  );
}

function Money({
  cost,
  units,
  pieces,
  covers,
}: {
  readonly cost: Cost;
  readonly units: Units;
  readonly pieces: number | null;
  readonly covers: number | null;
}) {
  const priced = cost.rows.filter((r) => r.cost !== null).sort((a, b) => (b.cost ?? 0) - (a.cost ?? 0));
  if (priced.length === 0)
    return (
      <p className="text-soft">
        No price is known for any of it. Note what a pack costs and holds in the{' '}
        <Link href="/pantry" className="font-semibold text-rim underline">
          pantry
        </Link>
        .
      </p>
    );
  const least = cost.gaps.length > 0 ? 'at least ' : '';
  return (
    <div>
      <p>
        <span className="text-soft">Costs {least}</span>
        <strong className="text-xl">{money(cost.total, units)}</strong>
        {pieces ? (
          <>
            <span className="text-soft">, a piece {least}</span>
            <strong>{money(cost.total / pieces, units)}</strong>
          </>
        ) : null}
        {covers ? (
          <>
            <span className="text-soft">, a cover {least}</span>
            <strong>{money(cost.total / covers, units)}</strong>
          </>
        ) : null}
        <span className="text-soft">; pan fat, sauces and toppings with amounts are in it.</span>
      </p>
      {cost.gaps.length > 0 ? (
        <p className="text-[15px]">
          <strong>Not in it:</strong> {named(cost.gaps)}: no price, or no amount.
        </p>
      ) : null}
      <details className="mt-1">
        <summary className="cursor-pointer rounded font-semibold text-rim">What costs what</summary>
        <dl className="mt-1 grid grid-cols-[1fr_auto_auto] gap-x-4 text-[15px]">
          {priced.map((r) => (
            <div key={r.ingredient.id} className="contents">
              <dt className="text-soft">{kitchenName(r.ingredient)}</dt>
              <dd className="text-right">{grams(r.grams, units)}</dd>
              <dd className="text-right font-semibold">{money(r.cost ?? 0, units)}</dd>
            </div>
          ))}
        </dl>
      </details>
    </div>
  );
}

const figure = (x: number, unit: string): string =>
  `${unit === 'g' && x < 9.95 ? Number(x.toFixed(1)) : Math.round(x)} ${unit}`;

function Food({
  of: n,
  pieces,
  piecesName,
}: {
  readonly of: Nutrition;
  readonly pieces: number | null;
  readonly piecesName: string;
}) {
  const gaps = [...new Set([...Object.values(n.gaps).flat(), ...n.open])];
  return (
    <div>
      <table className="w-full text-[15px]">
        <TableHead
          light
          columns={['Batter as mixed holds', { right: 'in all' }, pieces ? { right: `in one of ${pieces}` } : null]}
        />
        <tbody>
          {NUTRIENTS.map((k) => {
            const [name, unit] = NUTRIENT_NAMES[k];
            const least = (n.gaps[k]?.length ?? 0) > 0 || n.open.length > 0 ? 'at least ' : '';
            return (
              <tr key={k} className="border-t border-line text-right">
                <th scope="row" className="py-0.5 text-left font-normal text-soft">
                  {name}
                </th>
                <td>
                  {least}
                  {figure(n.of[k], unit)}
                </td>
                {pieces ? (
                  <td className="font-semibold">
                    {least}
                    {figure(n.of[k] / pieces, unit)}
                  </td>
                ) : null}
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-soft">
        Before the heat, without pan fat and toppings
        {pieces ? `; an even share of the bowl for each of the ${piecesName}` : ''}. From composition tables: for a
        label, have it checked.
        {gaps.length > 0 ? ` Not fully known: ${named(gaps)}.` : ''}
      </p>
    </div>
  );
}

/** Cost and nutrition of the formula on the Bench. */
export const BenchCost = ({
  worked: { lines, analysis: a },
  shelf,
  pieces,
}: {
  readonly worked: Worked;
  readonly shelf: Shelf;
  readonly pieces: number | null;
}) => <CostView lines={lines} shelf={shelf} units={a.units} pieces={pieces} piecesName={a.kind?.pieces ?? 'pieces'} />;
