'use client';
import { useState } from 'react';
import {
  blendsWeighed,
  type LotWeighing,
  type NumberedBag,
  offInBlends,
  sharesOf,
  weighedG,
} from '@/core/premix/blended';
import { numbersSaid, type Sack } from '@/core/premix/premix';
import type { Fill } from '@/core/premix/weigh';
import { grams, percent } from '@/core/quantity/say';
import { typedGrams } from '@/core/quantity/typed';
import type { Refused } from '../kit/answer';
import { act } from '../kit/answer';
import { RefusalNotice, unsigned, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { useRefresh } from '../kit/refresh';
import { useTime } from '../kit/time';
import { toast } from '../kit/toast';
import { useUnits } from '../kit/units';

type Weigh = (input: unknown) => Promise<{ readonly ok: true } | Refused>;

/** The lot that weighings are of, as they are sent. */
interface OfWork {
  readonly id: string;
  readonly premixId: string;
  readonly fills: readonly Fill[];
  readonly made: string;
  readonly blends: number;
  readonly emptied: readonly number[];
}

const fromSacks = (sacks: readonly Sack[]): string => sacks.map((s) => s.lot || 'no lot noted').join(', ');

/** What was weighed into each blend, by whom and out of which sack; any of it is opened and put right with its reason. */
export function LotBlends({
  work,
  weighings,
  bags,
  weigh,
  order,
}: {
  readonly work: OfWork;
  readonly weighings: readonly LotWeighing[];
  /** Empty: none is filled yet. */
  readonly bags: readonly NumberedBag[];
  readonly weigh: Weigh;
  readonly order: Weigh;
}) {
  const units = useUnits();
  const time = useTime();
  const [open, setOpen] = useState<string | null>(null);
  const blends = blendsWeighed(weighings);
  return (
    <section aria-label="Weighed in" className="grid gap-3">
      <h2 className="text-xl">Weighed in, blend by blend</h2>
      {offInBlends(weighings, bags).map((o) => (
        <Notice key={`${o.blend} ${o.name}`} weight="look">
          Blend {o.blend}: {grams(o.grams, units)} of {o.name.toLowerCase()} instead of {grams(o.targetG, units)}
          {o.bags.length > 0 ? `; bags ${numbersSaid(o.bags)}` : ''}.
        </Notice>
      ))}
      {blends.map((b) => {
        const own = bags.filter((x) => x.blends.includes(b.blend)).map((x) => x.number);
        return (
          <details key={b.blend} className="rounded-plate bg-white p-3">
            <summary className="min-h-11 cursor-pointer content-center">
              <strong>Blend {b.blend}</strong>, {grams(b.grams, units)}
              {own.length > 0 ? `: ${own.length === 1 ? 'bag' : 'bags'} ${numbersSaid(own)}` : ''}
            </summary>
            {bags.length > 0 ? (
              <p className="text-[15px] text-soft">
                Its shares:{' '}
                {sharesOf(b)
                  .map((s) => `${s.name.toLowerCase()} ${sharesSaid(s)}`)
                  .join(', ')}
                .
              </p>
            ) : null}
            <ul>
              {b.items
                .flatMap((i) => i.weighings)
                .map((w) => (
                  <li key={w.id} className="grid gap-1 border-b border-line py-1.5">
                    <div className="flex flex-wrap items-center gap-x-3">
                      <span className="min-w-0 flex-1">
                        <strong>{grams(weighedG(w), units)}</strong> {w.name.toLowerCase()}, out of {fromSacks(w.sacks)}
                        <span className="text-soft" suppressHydrationWarning>
                          ; {w.by ? `${w.by}, ` : ''}
                          {time.andDay(w.at.getTime(), Date.now())}
                          {w.scale ? `, ${w.scale.toLowerCase()}` : ''}
                          {w.replaces ? `; put right: ${w.why}` : ''}
                        </span>
                      </span>
                      <Button
                        aria-expanded={open === w.id}
                        aria-label={`Put right: ${grams(weighedG(w), units)} ${w.name.toLowerCase()}, blend ${w.blend}`}
                        onClick={() => setOpen(open === w.id ? null : w.id)}
                      >
                        Put right …
                      </Button>
                    </div>
                    {open === w.id ? <PutRight work={work} was={w} weigh={weigh} onDone={() => setOpen(null)} /> : null}
                  </li>
                ))}
            </ul>
          </details>
        );
      })}
      {work.blends > 1 ? <Order key={work.emptied.join()} work={work} order={order} /> : null}
    </section>
  );
}

/** "1.06 % (0.90 % meant)". */
const sharesSaid = ({ pct, meantPct }: { readonly pct: number; readonly meantPct: number }): string =>
  percent(pct) === percent(meantPct) ? percent(pct) : `${percent(pct)} (${percent(meantPct)} meant)`;

/** In which order the blends were emptied into the bags: one after the other, unless somebody says so. */
function Order({ work, order }: { readonly work: OfWork; readonly order: Weigh }) {
  const refresh = useRefresh();
  const asking = useAsking();
  const said = work.emptied.join(', ');
  const [typed, setTyped] = useState({ emptied: said, who: '', why: '' });
  const send = async (): Promise<void> => {
    const emptied = typed.emptied
      .split(/[\s,;]+/)
      .filter(Boolean)
      .map(Number);
    const whole = emptied.length === work.blends && emptied.every(Number.isInteger);
    if (
      asking.found({
        ...(!whole && { emptied: `Each of the ${work.blends} blends once, a comma between.` }),
        ...unsigned(typed.who, typed.why),
      })
    )
      return;
    const { who, why } = typed;
    const a = await asking.ask((requestId) =>
      act('order-lot', 'the order of blends', order, { workId: work.id, emptied, who, why, requestId }),
    );
    if (!a?.ok) return;
    toast('Noted: bags belong to blends in that order');
    refresh();
  };
  const field = (key: keyof typeof typed) => ({
    value: typed[key],
    error: asking.errors[key],
    onChange: (e: { readonly target: { readonly value: string } }) => {
      asking.touched();
      setTyped({ ...typed, [key]: e.target.value });
    },
  });
  return (
    <details>
      <summary className="min-h-11 cursor-pointer content-center font-semibold text-rim">
        {said ? `Blends were emptied in the order ${said}` : 'Blends were emptied in another order …'}
      </summary>
      <div className="flex flex-wrap items-start gap-3">
        <Field label="In this order" className="w-44" placeholder="2, 1" {...field('emptied')} />
        <Field label="Who" className="w-36" maxLength={80} {...field('who')} />
        <Field label="Why" className="min-w-44 flex-1" maxLength={300} {...field('why')} />
        <Button className="mt-7 min-h-11" disabled={asking.busy} onClick={() => void send()}>
          Note the order
        </Button>
      </div>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </details>
  );
}

interface TypedRow {
  readonly lot: string;
  readonly grams: string;
}

/** One weighing, with what really went in, by whom and why. */
function PutRight({
  work,
  was,
  weigh,
  onDone,
}: {
  readonly work: OfWork;
  readonly was: LotWeighing;
  readonly weigh: Weigh;
  readonly onDone: () => void;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  const [rows, setRows] = useState<readonly TypedRow[]>(was.sacks.map((s) => ({ lot: s.lot, grams: String(s.grams) })));
  const [who, setWho] = useState(was.by?.split(', ')[0] ?? '');
  const [why, setWhy] = useState('');
  const read = rows.map((r) => typedGrams(r.grams) ?? Number.NaN);
  const set = (n: number, part: Partial<TypedRow>): void => {
    asking.touched();
    setRows(rows.map((r, k) => (k === n ? { ...r, ...part } : r)));
  };
  const send = async (): Promise<void> => {
    const wrong = Object.fromEntries(read.flatMap((g, n) => (g > 0 ? [] : [[`g${n}`, 'A number of grams.']])));
    if (
      asking.found({
        ...wrong,
        ...unsigned(who, why),
      })
    )
      return;
    const sacks = rows.map((r, n) => ({ lot: r.lot.trim(), grams: read[n] ?? 0 }));
    const { id: workId, premixId, fills, made } = work;
    const a = await asking.ask((requestId) =>
      act('weigh-lot', `a weighing of ${was.name.toLowerCase()}`, weigh, {
        workId,
        premixId,
        fills,
        made,
        key: was.key,
        sacks,
        replaces: was.id,
        who,
        why,
        requestId,
      }),
    );
    if (!a?.ok) return;
    toast('Put right; what it was stays beside it');
    onDone();
    refresh();
  };
  return (
    <div className="grid gap-2">
      {rows.map((r, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: sacks stand in the order they were opened
        <div key={n} className="flex flex-wrap items-start gap-3">
          <Field
            label={`Weighed, sack ${n + 1}`}
            unit="g"
            inputMode="decimal"
            className="w-36"
            value={r.grams}
            error={asking.errors[`g${n}`]}
            onChange={(e) => set(n, { grams: e.target.value })}
          />
          <Field
            label="Its lot"
            className="w-44"
            maxLength={40}
            value={r.lot}
            onChange={(e) => set(n, { lot: e.target.value })}
          />
        </div>
      ))}
      <div className="flex flex-wrap items-start gap-3">
        <Button className="mt-7 min-h-11" onClick={() => setRows([...rows, { lot: '', grams: '' }])}>
          Another sack of it
        </Button>
        <Field
          label="Who"
          className="w-36"
          value={who}
          error={asking.errors.who}
          onChange={(e) => setWho(e.target.value)}
        />
        <Field
          label="Why"
          className="min-w-44 flex-1"
          value={why}
          error={asking.errors.why}
          onChange={(e) => setWhy(e.target.value)}
        />
        <Button className="mt-7 min-h-11" disabled={asking.busy} onClick={() => void send()}>
          Write it in
        </Button>
      </div>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </div>
  );
}
