'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { scalesOf } from '@/core/pantry/gear';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Shelf } from '@/core/pantry/stock';
import { itemsFor } from '@/core/premix/bag';
import { blendSteps, blendsFor, tooFine } from '@/core/premix/blend';
import { limitsOf } from '@/core/premix/keeping';
import { MOST_BAGS, MOST_SIZES, type PremixSettings, type Sack } from '@/core/premix/premix';
import { type Fill, fillsOf, massOfFills, putIn, readSacks, weighingsOf } from '@/core/premix/weigh';
import type { WorkedPremix } from '@/core/premix/work';
import { grams, gramsExact } from '@/core/quantity/say';
import { typedGrams, typedNumber } from '@/core/quantity/typed';
import type { Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { useCopied } from '../kit/browser-copy';
import { Button, lookOf } from '../kit/button';
import { Choice, Taps } from '../kit/choice';
import { DayField } from '../kit/date-fields';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { Switch } from '../kit/switch';
import { useTime } from '../kit/time';
import { toast } from '../kit/toast';
import { LotSacks, sackGrams, type TypedSack } from './lot-sacks';
import { LotWeighIn } from './lot-weigh-in';

interface Typed {
  readonly by: 'bags' | 'kg' | 'all';
  /** All there is of this drives it. */
  readonly of: string;
  readonly amount: string;
  /** g in a bag of this lot, as typed; empty: as the product has it. */
  readonly size: string;
  /** Bags of other sizes, as typed. */
  readonly others: readonly { readonly size: string; readonly bags: string }[];
  /** The packets, by ingredient. */
  readonly sacks: Readonly<Record<string, readonly TypedSack[]>>;
  /** What the weigh-in wrote, by weighing. */
  readonly notes: Readonly<Record<string, Sack>>;
  readonly madeBy: string;
  /** Sieve rests, as typed. */
  readonly rest: string;
  readonly checked: string;
  readonly note: string;
  readonly take: boolean;
}

const BAG_G = [20, 25_000] as const;
const badSize = (g: number): boolean => !(g >= BAG_G[0] && g <= BAG_G[1]);

/** Making a lot: how much of each, in which order, from which lots of ingredients; and its number. */
export function MakeLot({
  premixId,
  settings,
  worked,
  house,
  shelf,
  make,
}: {
  readonly premixId: string;
  readonly settings: PremixSettings;
  readonly worked: WorkedPremix;
  readonly house: Kitchen;
  readonly shelf: Shelf;
  readonly make: (input: unknown) => Promise<{ readonly ok: true; readonly id: string } | Refused>;
}) {
  const time = useTime();
  const router = useRouter();
  const { units } = house;
  // what is noted while a lot is weighed outlives a reload
  const [typed, setTyped, drop] = useCopied<Typed>(`lot:${premixId}`, () => ({
    by: 'bags',
    of: '',
    amount: '10',
    size: '',
    others: [],
    sacks: {},
    notes: {},
    rest: '',
    madeBy: '',
    checked: '',
    note: '',
    take: true,
  }));
  const { by, of, amount, size, others, sacks, notes, madeBy, rest, checked, note, take } = typed;
  const weighing = Object.keys(notes).length > 0;
  const [weighIn, setWeighIn] = useState(false);
  const restG = typedGrams(rest) ?? 0;
  const bagG = size.trim() === '' ? settings.bagG : (typedGrams(size) ?? Number.NaN);
  const more = others.map((o): Fill => ({ bagG: typedGrams(o.size) ?? Number.NaN, bags: typedNumber(o.bags, 'bags') }));
  const wrongMore = more.map((f, n) => ({
    size: badSize(f.bagG)
      ? 'From 20 g to 25 kg.'
      : f.bagG === bagG || more.some((x, k) => k < n && x.bagG === f.bagG)
        ? 'That size is there already.'
        : undefined,
    bags: Number.isInteger(f.bags) && f.bags >= 1 && f.bags <= MOST_BAGS ? undefined : `From 1 to ${MOST_BAGS}.`,
  }));
  const badMore = wrongMore.some((w) => w.size || w.bags);
  const wrongSize = badSize(bagG) ? 'From 20 g to 25 kg.' : null;
  const [made, setMade] = useState(house.today ?? '');
  const asking = useAsking();
  const { errors, busy } = asking;
  const set = (part: Partial<Typed>): void => {
    asking.touched();
    setTyped(part);
  };
  const drives = worked.bag.items.find((i) => i.ingredient.id === of) ?? worked.bag.items[0];
  const n = by === 'all' ? (typedGrams(amount) ?? Number.NaN) : typedNumber(amount, by === 'kg' ? 'kg' : 'bags');
  // g of mix that so much of it all makes
  const mixG = by === 'all' ? n / (drives?.share ?? 1) : 1000 * n;
  const filled =
    by === 'bags' ? { fills: [{ bagG, bags: n }, ...more], overG: 0 } : fillsOf(mixG, bagG, badMore ? [] : more);
  const { fills } = filled;
  const bags = fills.find((f) => f.bagG === bagG)?.bags ?? 0;
  const wrong =
    wrongSize !== null
      ? wrongSize
      : Number.isNaN(n)
        ? 'Write a number.'
        : by === 'bags' && !Number.isInteger(n)
          ? 'Bags come whole.'
          : bags < 1
            ? by !== 'bags'
              ? `Less than one bag of ${grams(bagG, units)}${more.length > 0 ? ' besides the others' : ''}.`
              : 'At least one bag.'
            : bags > MOST_BAGS
              ? `At most ${MOST_BAGS} bags in a lot.`
              : null;
  const lotG = wrong || badMore ? null : massOfFills(fills);
  const planned = lotG === null ? [] : itemsFor(worked.bag, lotG);
  const blends =
    lotG === null
      ? null
      : blendsFor(
          worked.bag,
          lotG,
          worked.densityGPerMl,
          house.gear.filter((g) => g.sort === 'bowl'),
          scalesOf(house.gear),
        );
  const list = blends ? weighingsOf(blends) : [];
  const parts = putIn(planned, list, notes);
  const short = parts.flatMap((p) => {
    const has = shelf[p.ingredient.id]?.onHandG ?? null;
    return has !== null && has < p.grams - 0.05 ? [{ name: kitchenName(p.ingredient), g: p.grams - has }] : [];
  });
  const unnoted = parts.flatMap((p) =>
    (shelf[p.ingredient.id]?.onHandG ?? null) === null ? [kitchenName(p.ingredient)] : [],
  );
  const fine = lotG === null ? [] : tooFine(worked.bag, lotG, scalesOf(house.gear));
  const best = made ? limitsOf(worked.bag, shelf, made, settings.months)[0] : undefined;
  const over = lotG === null ? 0 : filled.overG;

  const badRest = !(restG >= 0);
  // each thing's sacks: as weighed in, or as typed
  const unclear: Record<string, string> = {};
  const went: Record<string, readonly { readonly lot: string; readonly grams: number | null }[]> = {};
  for (const { ingredient: i, grams: g, sacks: weighed } of parts) {
    const rows = (sacks[i.id] ?? [])
      .filter((r) => r.lot.trim() !== '' || r.grams.trim() !== '')
      .map((r) => ({ lot: r.lot, grams: sackGrams(r) }));
    if (weighed.length > 0) went[i.id] = weighed;
    else if (rows.length > 0) went[i.id] = rows;
    if (weighed.length > 0) continue;
    if (rows.some((r) => r.grams !== null && !(r.grams > 0))) unclear[`sacks.${i.id}`] = 'A number of grams.';
    else if (rows.length > 0 && !readSacks(g, rows))
      unclear[`sacks.${i.id}`] = 'Write the grams of all sacks but one: that one has the rest.';
  }
  const open = list.filter((w) => !notes[w.key]).length;
  const badWeight = Object.keys(unclear).length > 0;

  const submit = async (): Promise<void> => {
    if (wrong || badMore || badWeight || badRest) return;
    const took = take ? (short.length > 0 ? 'anyway' : 'enough') : 'no';
    const a = await asking.ask(
      (requestId) => make({ premixId, fills, made, sacks: went, restG, madeBy, checked, note, take: took, requestId }),
      true,
    );
    if (a?.ok) {
      drop();
      toast('The lot is in the book');
      router.push(`/premix/lots/${a.id}`);
    } else if (a?.fields.take) router.refresh();
  };
  return (
    <Form noValidate aria-label="Make a lot" className="grid gap-4" act={submit}>
      <fieldset disabled={weighing} className="contents">
        <div className="flex flex-wrap items-end gap-3">
          <Taps
            label="So much"
            value={by}
            onChange={(v) => {
              const has = v === 'all' && drives ? shelf[drives.ingredient.id]?.onHandG : null;
              if (v) set({ by: v, ...(has && { amount: `${Math.floor(has)} g` }) });
            }}
            options={[
              { value: 'bags', label: 'so many bags' },
              { value: 'kg', label: 'so many kilograms' },
              { value: 'all', label: 'all there is of' },
            ]}
          />
        </div>
        {by === 'all' ? (
          <Choice
            label="All there is of"
            value={drives?.ingredient.id ?? ''}
            onChange={(id) => {
              const has = shelf[id]?.onHandG;
              set({ of: id, ...(has && { amount: `${Math.floor(has)} g` }) });
            }}
            options={worked.bag.items.map((i) => ({ value: i.ingredient.id, label: kitchenName(i.ingredient) }))}
          />
        ) : null}
        <div className="flex flex-wrap items-start gap-3">
          <Field
            label={by === 'bags' ? 'Bags' : by === 'all' ? 'There is' : 'Kilograms'}
            inputMode="decimal"
            className="w-32"
            inputClass="text-xl font-semibold !min-h-14"
            value={amount}
            error={wrongSize === null ? (wrong ?? errors.bags) : undefined}
            onChange={(e) => set({ amount: e.target.value })}
          />
          <Field
            label="In a bag"
            unit="g"
            inputMode="decimal"
            className="w-32"
            inputClass="!min-h-14"
            value={size}
            placeholder={String(settings.bagG)}
            error={wrongSize ?? errors.bagG}
            onChange={(e) => set({ size: e.target.value })}
          />
          {others.map((o, n) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: sizes stand in the order they were asked for
            <span key={n} className="flex items-start gap-2 rounded-plate bg-white px-3 pb-2">
              <Field
                label={`Bags, size ${n + 2}`}
                inputMode="numeric"
                className="w-24"
                value={o.bags}
                error={wrongMore[n]?.bags}
                onChange={(e) => set({ others: others.map((x, k) => (k === n ? { ...x, bags: e.target.value } : x)) })}
              />
              <Field
                label={`In a bag, size ${n + 2}`}
                unit="g"
                inputMode="decimal"
                className="w-32"
                value={o.size}
                error={wrongMore[n]?.size}
                onChange={(e) => set({ others: others.map((x, k) => (k === n ? { ...x, size: e.target.value } : x)) })}
              />
              <Button
                className="mt-7"
                aria-label={`Leave out size ${n + 2}`}
                onClick={() => set({ others: others.filter((_, k) => k !== n) })}
              >
                ×
              </Button>
            </span>
          ))}
          {others.length + 1 < MOST_SIZES ? (
            <Button className="mt-7 min-h-11" onClick={() => set({ others: [...others, { size: '', bags: '1' }] })}>
              Bags of another size too
            </Button>
          ) : null}
          <DayField
            label="Made on"
            className="w-44"
            inputClass="!min-h-14"
            value={made}
            error={errors.made}
            onDay={(day) => {
              asking.touched();
              setMade(day);
            }}
          />
          {lotG === null ? null : (
            <p className="mt-8">
              {fills.map((f) => `${f.bags} ${f.bags === 1 ? 'bag' : 'bags'} of ${grams(f.bagG, units)}`).join(', ')},{' '}
              <strong>{grams(lotG, units)}</strong> in all
              {over >= 1 ? `; ${grams(over, units)} would be left for no whole bag, and is not made` : ''}
              {best ? `; best before ${time.day(best.date)} (${best.why})` : ''}.
            </p>
          )}
        </div>
      </fieldset>
      {weighing ? (
        <p className="flex flex-wrap items-center gap-3">
          Weighed in: {list.length - open} of {list.length}. The amount stays as it is while it is weighed.
          <Button onClick={() => set({ notes: {} })}>Forget what was weighed</Button>
        </p>
      ) : null}
      {weighIn && list.length > 0 && blends ? (
        <LotWeighIn
          list={list}
          blends={blends.count}
          notes={notes}
          lotOf={(id) => sacks[id]?.[0]?.lot ?? ''}
          onNotes={(to) => set({ notes: to })}
          onDone={() => setWeighIn(false)}
        />
      ) : null}
      {lotG === null ? null : (
        <>
          {short.length > 0 ? (
            <Notice weight="look">
              Short in stock: {short.map((s) => `${s.name} ${grams(s.g, units)}`).join(', ')}.
              {take ? ' Made as it is, the lot takes what there is.' : ''}
            </Notice>
          ) : null}
          {unnoted.length > 0 ? (
            <Notice weight="note">
              Nobody has noted how much there is of {unnoted.join(', ').toLowerCase()}: nothing of that comes out of
              stock.
            </Notice>
          ) : null}
          {fine.map((f) => (
            <Notice key={f.ingredient.id} weight="look">
              {gramsExact(f.grams)} of {kitchenName(f.ingredient).toLowerCase()} can’t be weighed well on a scale of{' '}
              {f.stepG} g steps: make {grams(f.lotG, units)} or more, or use a finer scale.
            </Notice>
          ))}
          <section aria-label="Blend">
            <div className="flex flex-wrap items-center justify-between gap-3">
              <h3 className="text-lg">Blend it in this order</h3>
              <a
                href={`/premix/${premixId}/blend?${fills.map((f) => `fill=${f.bags}x${f.bagG}`).join('&')}`}
                target="_blank"
                rel="noreferrer"
                className={lookOf('plain')}
              >
                Blend sheet<span className="sr-only"> (PDF, opens in a new tab)</span>
              </a>
            </div>
            {blends && blends.count > 1 ? (
              <p>
                In {blends.count} blends of {grams(blends.eachG, units)}
                {blends.bowl ? `, as ${blends.bowl.name.toLowerCase()} takes it` : ''}; the sheet has each.
              </p>
            ) : null}
            <ol className="grid gap-1">
              {blendSteps(worked.bag, lotG).map((s, k, all) => (
                <li key={s.massG} className="grid grid-cols-[1.6rem_1fr] gap-x-2 border-b border-line py-1.5">
                  <strong>{k + 1}</strong>
                  <span>
                    {k === 0 ? '' : 'Into that: '}
                    {s.parts
                      .map((p) => `${grams(p.grams, units)} ${kitchenName(p.ingredient).toLowerCase()}`)
                      .join(', ')}
                    {s.last
                      ? all.length === 1
                        ? ', all together'
                        : ''
                      : k === 0
                        ? ', sieved and whisked'
                        : ', folded and sieved'}
                    <span className="text-soft"> ({grams(s.massG, units)})</span>
                  </span>
                </li>
              ))}
            </ol>
            <p className="mt-1 text-[15px]">
              Then turned through ten times. Check: a spoon from the top, the middle and the bottom, each in hot water,
              foams alike; if one does not, mix on.
            </p>
          </section>
          <section aria-label="Lots of its ingredients">
            <div className="flex flex-wrap items-center justify-between gap-3">
              <h3 className="text-lg">Weigh, and note each packet’s lot</h3>
              {weighIn ? null : (
                <Button onClick={() => setWeighIn(true)}>
                  {weighing ? 'Go on weighing in' : 'Weigh it in, blend by blend'}
                </Button>
              )}
            </div>
            <LotSacks
              parts={parts}
              typed={sacks}
              errors={{ ...errors, ...unclear }}
              units={units}
              onSacks={(id, rows) => set({ sacks: { ...sacks, [id]: rows } })}
            />
            {weighing && open > 0 ? (
              <Notice weight="look">
                {open} of {list.length} weighings are not noted: they go into the book as planned.
              </Notice>
            ) : null}
          </section>
          <div className="flex flex-wrap gap-3">
            <Field
              label="Sieve rests"
              unit="g"
              inputMode="decimal"
              className="w-32"
              value={rest}
              error={badRest ? 'A number of grams.' : errors.restG}
              onChange={(e) => set({ rest: e.target.value })}
            />
            <Field
              label="Made by"
              className="w-44"
              maxLength={80}
              value={madeBy}
              error={errors.madeBy}
              onChange={(e) => set({ madeBy: e.target.value })}
            />
            <Field
              label="Checked: what the spoons showed, and by whom"
              className="min-w-72 flex-1"
              value={checked}
              error={errors.checked}
              onChange={(e) => set({ checked: e.target.value })}
            />
            <Field
              label="Note"
              className="min-w-72 flex-1"
              value={note}
              error={errors.note}
              onChange={(e) => set({ note: e.target.value })}
            />
          </div>
        </>
      )}
      <RefusalNotice text={badWeight ? 'Something above is not clear yet: it says so at its place.' : asking.refusal} />
      <div className="flex flex-wrap items-center gap-4">
        <Button
          look="now"
          size="work"
          type="submit"
          disabled={busy || wrong !== null || badMore || badWeight || badRest}
        >
          {busy ? 'Writing' : 'Put this lot in the book'}
        </Button>
        <Switch label="take it from stock" on={take} onSwitch={(v) => set({ take: v })} />
      </div>
    </Form>
  );
}
