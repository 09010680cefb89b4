'use client';
import { useState } from 'react';
import { Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import {
  LEAST_LOTS,
  LOT_MEASURE_WORDS,
  LOT_MEASURES,
  type LotMeasure,
  type LotTest,
  offLot,
  offLotSaid,
  type TestedLot,
  testedLots,
} from '@/core/premix/lot-test';
import { capital } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import type { Refused } from '../kit/answer';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { TICK } from '../kit/chart';
import { Field, PEOPLE_LIST } from '../kit/field';
import { Notice } from '../kit/notice';
import { useRefresh } from '../kit/refresh';
import { TableHead } from '../kit/table-head';
import { useTime } from '../kit/time';
import { toast } from '../kit/toast';

type Send = (input: unknown) => Promise<{ readonly ok: true } | Refused>;
type Typed = Readonly<Record<LotMeasure | 'who' | 'note', string>>;
const EMPTY: Typed = { flowS: '', acrossMm: '', heightMm: '', foamMm: '', who: '', note: '' };

/** One piece and one spoon of a lot, noted, and held against the mix's other lots before it is sold. */
export function LotTests({
  lotId,
  number,
  tests,
  test,
  strike,
}: {
  readonly lotId: string;
  readonly number: string;
  /** Of every lot of the mix. */
  readonly tests: readonly LotTest[];
  readonly test: Send;
  readonly strike: Send;
}) {
  const refresh = useRefresh();
  const time = useTime();
  const asking = useAsking();
  const [typed, setTyped] = useState<Typed>(EMPTY);
  const lots = testedLots(tests);
  const own = tests.filter((t) => t.number === number);
  const off = offLot(number, lots);
  const send = async (): Promise<void> => {
    const read = LOT_MEASURES.map(
      (m) => [m, typed[m].trim() === '' ? null : typedNumber(typed[m], LOT_MEASURE_WORDS[m].unit)] as const,
    );
    const wrong = Object.fromEntries(
      read.flatMap(([m, x]) => (Number.isNaN(x ?? 0) ? [[`values.${m}`, 'Write a number.']] : [])),
    );
    if (asking.found(read.every(([, x]) => x === null) ? { 'values.flowS': 'Write one of them at least.' } : wrong))
      return;
    const { who, note } = typed;
    const values = Object.fromEntries(read);
    const a = await asking.ask((id) =>
      act('test-lot', `a test of lot ${number}`, test, { id, lotId, values, who, note }),
    );
    if (!a?.ok) return;
    toast('Noted');
    setTyped(EMPTY);
    refresh();
  };
  const field = (m: LotMeasure | 'who' | 'note') => ({
    value: typed[m],
    error: asking.errors[m in LOT_MEASURE_WORDS ? `values.${m}` : m],
    onChange: (e: { readonly target: { readonly value: string } }) => {
      asking.touched();
      setTyped({ ...typed, [m]: e.target.value });
    },
  });
  return (
    <section aria-label="Tests" className="grid gap-2">
      <h2 className="text-xl">Tested before it is sold</h2>
      {off.map((o) => (
        <Notice key={o.measure} weight="look">
          {offLotSaid(o)} Look into it before it leaves.
        </Notice>
      ))}
      {own.length === 0 ? (
        <p className="text-soft">
          Not tested yet: bake one piece by the label, and stir a spoon of mix into hot water. From {LEAST_LOTS} tested
          lots on, one that is off is told here.
        </p>
      ) : (
        <ul>
          {own.map((t) => (
            <li key={t.id} className="flex flex-wrap items-center gap-x-3 border-b border-line py-1">
              <span className={`min-w-0 flex-1 ${t.struck ? 'text-soft line-through' : ''}`}>
                <strong>
                  {LOT_MEASURES.flatMap((m) =>
                    t.values[m] === null
                      ? []
                      : [`${LOT_MEASURE_WORDS[m].short} ${t.values[m]} ${LOT_MEASURE_WORDS[m].unit}`],
                  ).join(', ')}
                </strong>
                <span className="text-soft" suppressHydrationWarning>
                  ; {t.who ? `${t.who}, ` : ''}
                  {time.andDay(t.at.getTime(), Date.now())}
                  {t.note ? `; ${t.note}` : ''}
                  {t.struck ? ' (struck out)' : ''}
                </span>
              </span>
              {t.struck ? null : <Strike id={t.id} strike={strike} />}
            </li>
          ))}
        </ul>
      )}
      <details>
        <summary className="min-h-11 cursor-pointer content-center font-semibold text-rim">Note a test</summary>
        <div className="grid gap-2">
          <div className="flex flex-wrap items-start gap-3">
            {LOT_MEASURES.map((m) => (
              <Field
                key={m}
                label={LOT_MEASURE_WORDS[m].label}
                unit={LOT_MEASURE_WORDS[m].unit}
                inputMode="decimal"
                className="w-40"
                {...field(m)}
              />
            ))}
            <Field label="Tested by" list={PEOPLE_LIST} className="w-40" maxLength={80} {...field('who')} />
            <Field label="And what was seen" className="min-w-44 flex-1" maxLength={300} {...field('note')} />
          </div>
          <RefusalNotice text={asking.refusal} waits={asking.waits} />
          <Button className="justify-self-start" disabled={asking.busy} onClick={() => void send()}>
            Note this test
          </Button>
        </div>
      </details>
      {lots.length > 1 ? <OverLots lots={lots} number={number} /> : null}
    </section>
  );
}

function Strike({ id, strike }: { readonly id: string; readonly strike: Send }) {
  const refresh = useRefresh();
  const asking = useAsking();
  const send = async (): Promise<void> => {
    const a = await asking.ask(() => act('strike-test', 'a test struck out', strike, { testId: id }));
    if (a?.ok) refresh();
  };
  return (
    <>
      <Button look="bare" disabled={asking.busy} onClick={() => void send()}>
        Strike out
      </Button>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </>
  );
}

/** What was measured, drawn over the mix's lots, and the same as a table. */
function OverLots({ lots, number }: { readonly lots: readonly TestedLot[]; readonly number: string }) {
  const drawn = LOT_MEASURES.filter((m) => lots.filter((l) => l.values[m] !== null).length > 1);
  return (
    <details>
      <summary className="min-h-11 cursor-pointer content-center font-semibold text-rim">Lot by lot</summary>
      <div className="grid gap-x-4 sm:grid-cols-2" aria-hidden="true">
        {drawn.map((m) => (
          <div key={m}>
            <p className="text-sm font-semibold text-soft">
              {capital(LOT_MEASURE_WORDS[m].short)}, {LOT_MEASURE_WORDS[m].unit}
            </p>
            <div className="h-28 w-full">
              <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 260, height: 112 }}>
                <LineChart
                  data={lots.map((l) => ({ lot: l.number, value: l.values[m] }))}
                  margin={{ top: 6, right: 12, bottom: 0, left: 0 }}
                  accessibilityLayer={false}
                >
                  <XAxis dataKey="lot" tick={TICK} stroke="var(--color-soft)" interval="preserveStartEnd" />
                  <YAxis
                    width={44}
                    domain={[
                      (low: number) => Math.floor(Math.max(0, low - 2 * LOT_MEASURE_WORDS[m].reads)),
                      (high: number) => Math.ceil(high + 2 * LOT_MEASURE_WORDS[m].reads),
                    ]}
                    allowDecimals={false}
                    tickCount={3}
                    tick={TICK}
                    stroke="var(--color-soft)"
                  />
                  <Line
                    dataKey="value"
                    connectNulls
                    stroke="var(--color-rim)"
                    strokeWidth={2}
                    isAnimationActive={false}
                    dot={{ r: 4, fill: 'var(--color-rim)' }}
                  />
                </LineChart>
              </ResponsiveContainer>
            </div>
          </div>
        ))}
      </div>
      <table className="w-full text-left">
        <caption className="sr-only">Tests, lot by lot</caption>
        <TableHead
          columns={[
            'Lot',
            ...LOT_MEASURES.map((m) => ({ right: `${LOT_MEASURE_WORDS[m].short}, ${LOT_MEASURE_WORDS[m].unit}` })),
          ]}
        />
        <tbody>
          {lots.map((l) => (
            <tr key={l.number} className="border-b border-line">
              <th scope="row" className="py-1 pr-3 font-normal">
                {l.number}
                {l.number === number ? ' (this one)' : ''}
              </th>
              {LOT_MEASURES.map((m) => (
                <td key={m} className="pr-3 text-right">
                  {l.values[m] === null ? '' : Math.round(10 * (l.values[m] ?? 0)) / 10}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
