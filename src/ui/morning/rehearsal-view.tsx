'use client';
/** A planned morning rehearsed: how long guests wait and what is left, the plan beside others, one of them taken. */
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { MorningChange } from '@/core/morning/changes';
import { AS_IT_GOES, type Rehearsed, type RehearsedPlan, type Varies } from '@/core/morning/rehearse';
import { listAnd, percent } from '@/core/quantity/say';
import { RefusalNotice } from '../kit/asking';
import { Button } from '../kit/button';
import { ManyTaps, Taps } from '../kit/choice';
import { later, useLater } from '../kit/later';
import { Wide } from '../kit/wide';
import { useClock } from './morning-parts';
import { behindWords, rehearsalRows, waitWords } from './rehearsal.state';
import { startRehearsals } from './rehearsing';
import { type KeepsMorning, useTake } from './use-take';

interface Plan {
  readonly label: string;
  readonly change: MorningChange | null;
  readonly rehearsed: RehearsedPlan;
}

interface Props extends KeepsMorning {
  /** The plan as it is, then others. */
  readonly plans: readonly Plan[];
}

const MORNINGS = 300;
/** Plans side by side, that of now among them. */
const MOST_PLANS = 3;
const COME = [
  { value: '0', label: 'all at once' },
  { value: '10', label: 'over 10 min' },
  { value: '20', label: 'over 20 min' },
  { value: '40', label: 'over 40 min' },
] as const;
const ORDERS = [
  { value: 'chosen', label: 'each chooses' },
  { value: 'planned', label: 'just as planned' },
] as const;
const chart = later(() => import('./rehearsal-chart'));

/** Seeds that lie apart, one for each press: parts of the golden section. */
const seedOf = (n: number): number => (0.3 + n * 0.618033988749895) % 1;

interface Going {
  readonly results: ReadonlyMap<number, Rehearsed>;
  /** Mornings that are done, of all; null: nothing is under way. */
  readonly done: number | null;
  readonly stop: () => void;
}

/** How much the minutes of dishes vary whose batches have taught it: " (regatta cakes by 12 %, as batches here did)". */
function learnedSaid(plans: readonly Plan[]): string {
  const dishes = (plans[0]?.rehearsed.dishes ?? []).flatMap((d) =>
    d.heatSd === null ? [] : [`${d.name} by ${percent(Math.round(100 * d.heatSd))}`],
  );
  return dishes.length === 0 ? '' : ` (${listAnd(dishes)}, as batches here did)`;
}

/** Rehearses plans one after the other in a worker; what was rehearsed with the same guests stays. */
function useRehearsals(plans: readonly Plan[], shown: readonly number[], varies: Varies, seed: number): Going {
  const key = JSON.stringify([varies, seed, plans.map((p) => p.label)]);
  const [had, setHad] = useState<{ readonly key: string; readonly results: ReadonlyMap<number, Rehearsed> }>({
    key,
    results: new Map(),
  });
  const [done, setDone] = useState<number | null>(0);
  const [stopped, setStopped] = useState('');
  const results = had.key === key ? had.results : new Map<number, Rehearsed>();
  const open = shown.filter((n) => !results.has(n));
  const wanted = `${key} ${open.join(' ')}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: begun anew for other plans, guests or numbers alone
  useEffect(() => {
    if (open.length === 0 || stopped === wanted) {
      setDone(null);
      return;
    }
    const going = startRehearsals();
    let ended = false;
    setDone(0);
    void (async () => {
      for (const [k, n] of open.entries()) {
        const plan = plans[n];
        if (!plan) continue;
        const r = await going.ask([plan.rehearsed, varies, MORNINGS, seed], (x) => {
          if (!ended) setDone((k + x / MORNINGS) / open.length);
        });
        if (ended) return;
        setHad((h) => ({ key, results: new Map([...(h.key === key ? h.results : []), [n, r]]) }));
      }
    })();
    return () => {
      ended = true;
      going.end();
    };
  }, [wanted, stopped]);
  return { results, done: open.length === 0 || stopped === wanted ? null : done, stop: () => setStopped(wanted) };
}

export function RehearsalView({ id, revision, plan, plans, keep }: Props) {
  const router = useRouter();
  const clock = useClock();
  const { asking, take } = useTake({ id, revision, plan, keep });
  const Chart = useLater(chart, true);
  const [overMin, setOverMin] = useState<(typeof COME)[number]['value']>('10');
  const [orders, setOrders] = useState<Varies['orders']>('chosen');
  const [draw, setDraw] = useState(0);
  const [others, setOthers] = useState<readonly number[]>(plans.length > 1 ? [1] : []);
  const [drawn, setDrawn] = useState(0);
  const shown = [0, ...others.filter((n) => n < plans.length)];
  const varies: Varies = { ...AS_IT_GOES, overMin: Number(overMin), orders };
  const { results, done, stop } = useRehearsals(plans, shown, varies, seedOf(draw));
  const ready = shown.flatMap((n) => {
    const [p, r] = [plans[n], results.get(n)];
    return p && r ? [{ n, ...p, r }] : [];
  });
  const charted = ready.find((x) => x.n === drawn) ?? ready[0];
  const [now] = ready;
  return (
    <div className="grid gap-4">
      <p role="status" className="min-h-8 text-2xl font-bold">
        {now ? waitWords(now.r) : 'Rehearsing …'}
      </p>
      <section aria-label="How it is rehearsed" className="grid gap-3 rounded-plate bg-white p-4">
        <div className="flex flex-wrap items-center gap-x-6 gap-y-3">
          <div className="grid gap-1">
            <p className="text-sm font-semibold text-soft">Guests of a wave come</p>
            <Taps label="Guests of a wave come" value={overMin} options={COME} onChange={(v) => v && setOverMin(v)} />
          </div>
          <div className="grid gap-1">
            <p className="text-sm font-semibold text-soft">What they take</p>
            <Taps label="What they take" value={orders} options={ORDERS} onChange={(v) => v && setOrders(v)} />
          </div>
        </div>
        {plans.length > 1 ? (
          <div className="grid gap-1">
            <p className="text-sm font-semibold text-soft">Beside the plan, at most {MOST_PLANS - 1}</p>
            <ManyTaps
              label="Plans beside it"
              values={others.map(String)}
              options={plans.slice(1).map((p, n) => ({ value: String(n + 1), label: p.label }))}
              onChange={(v) => setOthers(v.map(Number).slice(-(MOST_PLANS - 1)))}
            />
          </div>
        ) : null}
        <div className="flex flex-wrap items-center gap-3">
          {done === null ? (
            <Button onClick={() => setDraw((n) => n + 1)}>Rehearse with other guests</Button>
          ) : (
            <>
              <progress value={done} max={1} aria-label="Mornings rehearsed" className="h-3 w-48" />
              <Button onClick={stop}>Stop</Button>
            </>
          )}
          <p className="text-sm text-soft">
            {MORNINGS} mornings. Hands vary by about a fifth, the heat by a twelfth{learnedSaid(plans)}; a plate is
            dressed in ten seconds; who would wait over a quarter of an hour takes another dish. Rough guesses of ours:
            what it is good for is to set plans side by side.
          </p>
        </div>
      </section>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
      {ready.length > 0 ? (
        <Wide label="Side by side">
          <table aria-label="Plans side by side" className="w-full tabular-nums">
            <thead className="border-b-2 border-rim">
              <tr>
                <th scope="col" className="py-1 pr-3 text-left text-sm text-soft">
                  <span className="sr-only">What comes of it</span>
                </th>
                {ready.map((x) => (
                  <th key={x.label} scope="col" className="min-w-36 py-1 pr-3 text-right align-bottom last:pr-0">
                    {x.label}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rehearsalRows(
                ready.map((x) => x.r),
                clock,
              ).map((row) => (
                <tr key={row.label} className="border-b border-line last:border-b-0">
                  <th scope="row" className="py-1.5 pr-3 text-left font-normal">
                    {row.label}
                  </th>
                  {row.values.map((v, n) => (
                    <td
                      key={ready[n]?.label}
                      className={`py-1.5 pr-3 text-right last:pr-0 ${row.best.includes(n) ? 'font-bold' : ''}`}
                    >
                      {v}
                    </td>
                  ))}
                </tr>
              ))}
              {ready.some((x) => x.change) ? (
                <tr>
                  <th scope="row">
                    <span className="sr-only">One of them is taken</span>
                  </th>
                  {ready.map((x) => (
                    <td key={x.label} className="pt-3 pr-3 text-right last:pr-0">
                      {x.change ? (
                        <Button
                          look="now"
                          disabled={asking.busy}
                          aria-label={`Take this plan: ${x.label}`}
                          onClick={() => {
                            if (x.change)
                              void take(x.label, [x.change]).then((kept) => kept && router.push(`/mornings/${id}`));
                          }}
                        >
                          Take this plan
                        </Button>
                      ) : null}
                    </td>
                  ))}
                </tr>
              ) : null}
            </tbody>
          </table>
        </Wide>
      ) : null}
      {charted ? (
        <section aria-label="Plates over the morning" className="grid gap-2 rounded-plate bg-white p-4">
          <div className="flex flex-wrap items-center gap-3">
            <h2 className="text-xl">Plates over the morning</h2>
            {ready.length > 1 ? (
              <Taps
                label="Which plan is drawn"
                value={String(charted.n)}
                options={ready.map((x) => ({ value: String(x.n), label: x.label }))}
                onChange={(v) => setDrawn(Number(v))}
              />
            ) : null}
          </div>
          {Chart ? <Chart.default curve={charted.r.curve} clock={clock} /> : <div className="h-72" />}
          <p>{behindWords(charted.r, clock)}</p>
        </section>
      ) : null}
    </div>
  );
}
