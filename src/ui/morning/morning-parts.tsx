'use client';
/** What of a solved morning stands on the screen and on paper: plates, who does what, what lies where. */
import type { ReactNode } from 'react';
import { clockOf } from '@/core/morning/morning';
import type { KitchenPerson, PersonMark } from '@/core/morning/people';
import type { MorningPlan } from '@/core/morning/plan';
import { type MovedSteps, onSurface, personSteps, type ShownStep } from '@/core/morning/show';
import type { SolvedMorning } from '@/core/morning/solve';
import type { EveningStep } from '@/core/morning/work';
import { allergenName } from '@/core/pantry/ingredient';
import { counted } from '@/core/quantity/say';
import { PersonMarkIcon } from '../drawings/person-mark';
import { TableHead } from '../kit/table-head';
import { useUnits } from '../kit/units';
import { Wide } from '../kit/wide';

interface DishCalled {
  readonly id: string;
  readonly name: string;
}

export interface MorningShown {
  readonly plan: MorningPlan;
  readonly solved: SolvedMorning;
  /** In the plan's order. */
  readonly dishes: readonly DishCalled[];
  readonly surfaces: readonly { readonly name: string; readonly places: number }[];
  readonly people: readonly KitchenPerson[];
  readonly evening: readonly EveningStep[];
}

/** Dishes are told apart by a letter, in the order of the plan. */
export const letterOf = (dishes: readonly DishCalled[], id: string | null): string =>
  String.fromCharCode(
    65 +
      Math.max(
        0,
        dishes.findIndex((d) => d.id === id),
      ),
  );

export const useClock = (): ((min: number) => string) => {
  const { clock } = useUnits();
  return (min) => clockOf(min, clock);
};

/** What is done the evening before; nothing where nothing is. */
export const Evening = ({ evening, dishes }: MorningShown) =>
  evening.length === 0 ? null : (
    <section aria-label="The evening before" className="rounded-plate bg-white p-4">
      <h2 className="mb-1 text-xl">The evening before</h2>
      <ul>
        {evening.map((s) => (
          <li
            key={`${s.bowl} ${s.name}`}
            className="flex items-baseline gap-2 border-b border-line py-1 last:border-b-0"
          >
            {s.dish === '' ? null : <DishMark letter={letterOf(dishes, s.dish)} />}
            <span className="min-w-0 flex-1">{s.name}</span>
            <span className="whitespace-nowrap text-soft tabular-nums">{Math.max(1, Math.round(s.min))} min</span>
          </li>
        ))}
      </ul>
    </section>
  );

/** How many steps a change has moved, and whose. */
export function movedWords({ steps, people }: MovedSteps, how?: 'would move'): string {
  if (steps === 0) return how ? 'Nothing else would move.' : 'Nothing has moved.';
  const whose = people.length === 0 ? '' : `, most of them ${people.slice(0, 2).join('’s and ')}’s`;
  return `${counted(steps, 'steps')} ${how ?? (steps === 1 ? 'has moved' : 'have moved')}${whose}.`;
}

export function Plates({ plan, solved, dishes }: MorningShown) {
  const clock = useClock();
  return (
    <Wide label="Plates">
      <h2 className="mb-1 text-xl">Plates</h2>
      <table aria-label="Plates by wave" className="w-full tabular-nums">
        <TableHead columns={['Dish', ...plan.waves.map((w) => ({ right: `${clock(w.at)}, ${w.covers} covers` }))]} />
        <tbody>
          {dishes.map((d) => {
            const without = plan.dishes.find((x) => x.id === d.id)?.without ?? [];
            return (
              <tr key={d.id} className="border-b border-line last:border-b-0">
                <th scope="row" className="min-w-36 py-1.5 pr-3 text-left font-normal">
                  <DishMark letter={letterOf(dishes, d.id)} /> {d.name}
                  {without.length > 0 ? (
                    <span className="text-sm text-soft">, without {without.map(allergenName).join(', ')}</span>
                  ) : null}
                </th>
                {plan.waves.map((w, n) => {
                  const p = solved.plates.find((x) => x.dish === d.id && x.wave === n);
                  const late = p && p.ready < p.wanted;
                  return (
                    <td key={w.at} className="py-1.5 pr-3 text-right whitespace-nowrap last:pr-0">
                      {p ? (
                        <span className={late ? 'font-bold text-berry' : ''}>
                          {late ? `${p.ready} of ${p.wanted}` : p.wanted}
                          {late ? (p.at === null ? ', no place' : `, last ${clock(p.at)}`) : ''}
                        </span>
                      ) : (
                        '–'
                      )}
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
    </Wide>
  );
}

export const DishMark = ({ letter }: { readonly letter: string }) => (
  <span
    aria-hidden
    className="inline-flex size-6 shrink-0 items-center justify-center rounded-full border-2 border-rim bg-white text-sm font-bold text-rim"
  >
    {letter}
  </span>
);

function whatShown(s: ShownStep, dishes: readonly DishCalled[]): string {
  if (s.loads === 0) return s.name;
  const what = dishes.find((d) => d.id === s.dish)?.name ?? s.name;
  return `${what}: ${counted(s.pieces, 'pieces')}${s.loads > 1 ? `, in ${s.loads} goes` : ''}`;
}

/** @param sheets on paper, a sheet for each */
export function People({
  plan,
  solved,
  dishes,
  people,
  sheets = null,
  around = null,
}: MorningShown & {
  /** Each on a sheet of its own, of this morning. */
  readonly sheets?: string | null;
  /** Steps that are no load are drawn by this, around their words: here they can be put elsewhere. */
  readonly around?: ((step: ShownStep, words: ReactNode) => ReactNode) | null;
}) {
  const clock = useClock();
  const markOf = (personId: string | null | undefined): PersonMark | null =>
    people.find((p) => p.id === personId)?.mark ?? null;
  return (
    <section aria-label="Who does what">
      <h2 className="mb-2 text-xl">Who does what</h2>
      <div className={`grid gap-3 sm:grid-cols-2 ${sheets ? 'print:block' : ''}`}>
        {plan.people.map((p) => {
          const mine = personSteps(solved.steps, p.name);
          const mark = markOf(p.personId);
          return (
            <section
              key={p.name}
              aria-label={p.name}
              className={`min-w-0 rounded-plate bg-white p-3 ${sheets ? 'print:break-before-page' : ''}`}
            >
              <h3 className="mb-1 flex items-center gap-2 text-lg [overflow-wrap:anywhere]">
                {mark ? <PersonMarkIcon mark={mark} /> : null}
                {p.name}
                {sheets && mine.length > 0 ? (
                  <a
                    href={`/mornings/${sheets}/calendar?who=${encodeURIComponent(p.name)}`}
                    download
                    className="ml-auto inline-flex min-h-11 items-center text-sm font-semibold text-rim underline print:hidden"
                  >
                    For a calendar<span className="sr-only">, {p.name}</span>
                  </a>
                ) : null}
              </h3>
              {mine.length === 0 ? (
                <p className="text-soft">Nothing to do: a hand to spare.</p>
              ) : (
                <ol className="grid gap-0.5 text-[15px]">
                  {mine.map((s) => (
                    <li
                      key={s.id}
                      className="grid grid-cols-[4.5rem_1fr] gap-1 border-b border-line py-0.5 last:border-b-0"
                    >
                      <span className="font-semibold whitespace-nowrap tabular-nums">{clock(s.from)}</span>
                      <span className="min-w-0 [overflow-wrap:anywhere]">
                        {around && s.loads === 0 ? (
                          around(s, <StepWords of={s} dishes={dishes} />)
                        ) : (
                          <StepWords of={s} dishes={dishes} />
                        )}
                      </span>
                    </li>
                  ))}
                </ol>
              )}
            </section>
          );
        })}
      </div>
    </section>
  );
}

function StepWords({ of: s, dishes }: { readonly of: ShownStep; readonly dishes: readonly DishCalled[] }) {
  const clock = useClock();
  return (
    <>
      {whatShown(s, dishes)}
      {s.on ? <span className="text-soft">, {s.on}</span> : null}
      {s.loads > 0 ? <span className="text-soft">, to {clock(s.to)}</span> : null}
    </>
  );
}

const HOUR_MIN = 60;

export function Surfaces({ plan, solved, dishes, surfaces }: MorningShown) {
  const clock = useClock();
  const ovens = [...new Set(solved.steps.flatMap((s) => (s.oven ? [s.oven] : [])))].map((name) => ({
    name,
    places: 0,
  }));
  const rows = [...surfaces.filter((s) => !ovens.some((o) => o.name === s.name)), ...ovens]
    .map((s) => ({ ...s, lies: onSurface(solved.steps, s.name) }))
    .filter((s) => s.lies.length > 0);
  if (rows.length === 0) return null;
  const from = Math.floor(Math.min(...rows.flatMap((r) => r.lies.map((x) => x.from))) / HOUR_MIN) * HOUR_MIN;
  const to = Math.ceil(Math.max(...rows.flatMap((r) => r.lies.map((x) => x.to))) / HOUR_MIN) * HOUR_MIN;
  const pct = (min: number): string => `${(100 * (min - from)) / (to - from)}%`;
  const hours = Array.from({ length: (to - from) / HOUR_MIN + 1 }, (_, n) => from + n * HOUR_MIN);
  return (
    <Wide label="What lies where">
      <h2 className="mb-2 text-xl">What lies where</h2>
      <div className="min-w-[36rem] pr-6">
        <div aria-hidden className="relative ml-36 h-5 text-sm text-soft tabular-nums">
          {hours.map((h) => (
            <span key={h} className="absolute -translate-x-1/2 whitespace-nowrap" style={{ left: pct(h) }}>
              {clock(h)}
            </span>
          ))}
        </div>
        {rows.map((r) => (
          <div key={r.name} className="flex items-center border-b border-line py-1 last:border-b-0">
            <span className="w-36 shrink-0 pr-2 leading-tight [overflow-wrap:anywhere]">
              {r.name}
              {r.places > 0 ? <span className="block text-sm text-soft">{counted(r.places, 'places')}</span> : null}
            </span>
            <ol className="relative h-9 flex-1">
              {r.lies.map((s) => {
                const without = plan.dishes.find((d) => d.id === s.dish)?.without ?? [];
                const said = `${clock(s.from)} to ${clock(s.to)}: ${whatShown(s, dishes)}${without.length > 0 ? `, without ${without.map(allergenName).join(', ')}` : ''}`;
                return (
                  <li
                    key={s.id}
                    title={said}
                    style={{ left: pct(s.from), width: `calc(${pct(s.to)} - ${pct(s.from)})` }}
                    className={`absolute inset-y-0.5 flex items-center justify-center overflow-hidden rounded-[4px] border-2 border-rim text-sm font-bold ${
                      s.loads > 0
                        ? without.length > 0
                          ? 'bg-white text-rim [background-image:repeating-linear-gradient(45deg,transparent_0_6px,var(--color-line)_6px_8px)]'
                          : 'bg-rim text-white'
                        : 'border-dashed bg-wash text-soft'
                    }`}
                  >
                    <span aria-hidden>{s.loads > 0 ? letterOf(dishes, s.dish) : ''}</span>
                    <span className="sr-only">{said}</span>
                  </li>
                );
              })}
            </ol>
          </div>
        ))}
        <p className="mt-2 text-sm text-soft">
          Letters are the dishes, as under Plates. Striped: made without something that others hold. Dashed: heating,
          cleaning, or keeping warm. Whoever is allergic decides with you; the house’s rule and the local food code
          stand above this plan.
        </p>
      </div>
    </Wide>
  );
}
