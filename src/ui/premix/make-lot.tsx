'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { scalesOf } from '@/core/pantry/gear';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Shelf } from '@/core/pantry/stock';
import { itemsFor } from '@/core/premix/bag';
import { blendSteps, blendsFor, tooFine } from '@/core/premix/blend';
import { limitsOf } from '@/core/premix/keeping';
import { MOST_BAGS, type PremixSettings } from '@/core/premix/premix';
import type { WorkedPremix } from '@/core/premix/work';
import { grams, gramsExact } from '@/core/quantity/say';
import { typedGrams, typedNumber } from '@/core/quantity/typed';
import type { Refused } from '../kit/answer';
import { Refusal, useAsking } from '../kit/asking';
import { useCopied } from '../kit/browser-copy';
import { Button, lookOf } from '../kit/button';
import { Choice, Taps } from '../kit/choice';
import { DayField } from '../kit/date-fields';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { Switch } from '../kit/switch';
import { useTime } from '../time';

interface Typed {
  readonly by: 'bags' | 'kg' | 'all';
  /** All there is of this drives it. */
  readonly of?: string;
  readonly amount: string;
  /** g in a bag of this lot, as typed; empty: as the product has it. */
  readonly size?: string;
  /** The packets' own lots, by ingredient. */
  readonly own: Readonly<Record<string, string>>;
  /** g that really went in, as typed, by ingredient. */
  readonly weighed?: Readonly<Record<string, string>>;
  readonly madeBy?: string;
  /** Sieve rests, as typed. */
  readonly rest?: string;
  readonly checked: string;
  readonly note: string;
  readonly take: boolean;
}

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
    amount: '10',
    own: {},
    madeBy: '',
    checked: '',
    note: '',
    take: true,
  }));
  const { by, amount, own, checked, note, take, madeBy = '', of = '', size = '', weighed = {}, rest = '' } = typed;
  const restG = typedGrams(rest) ?? 0;
  const bagG = size.trim() === '' ? settings.bagG : (typedGrams(size) ?? Number.NaN);
  const wrongSize = Number.isNaN(bagG) || bagG < 20 || bagG > 25_000 ? 'From 20 g to 25 kg.' : null;
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
  const bags = by === 'bags' ? n : Math.floor(mixG / bagG + 1e-9);
  const wrong =
    wrongSize !== null
      ? wrongSize
      : Number.isNaN(n)
        ? 'Write a number.'
        : by === 'bags' && !Number.isInteger(n)
          ? 'Bags come whole.'
          : bags < 1
            ? by !== 'bags'
              ? `Less than one bag of ${grams(bagG, units)}.`
              : 'At least one bag.'
            : bags > MOST_BAGS
              ? `At most ${MOST_BAGS} bags in a lot.`
              : null;
  const lotG = wrong ? null : bags * bagG;
  const parts = lotG === null ? [] : itemsFor(worked.bag, lotG);
  const short = parts.flatMap((p) => {
    const has = shelf[p.ingredient.id]?.onHandG ?? null;
    return has !== null && has < p.grams - 0.05 ? [{ name: kitchenName(p.ingredient), g: p.grams - has }] : [];
  });
  const unnoted = parts.flatMap((p) => ((shelf[p.ingredient.id]?.onHandG ?? null) === null ? [kitchenName(p.ingredient)] : []));
  const fine = lotG === null ? [] : tooFine(worked.bag, lotG, scalesOf(house.gear));
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
  const best = made ? limitsOf(worked.bag, shelf, made, settings.months)[0] : undefined;
  const over = by !== 'bags' && lotG !== null ? mixG - lotG : 0;

  // what was really weighed, where it is another than planned
  const went = Object.fromEntries(
    parts.flatMap((p) => {
      const g = typedGrams(weighed[p.ingredient.id] ?? '');
      return g === null ? [] : [[p.ingredient.id, g] as const];
    }),
  );
  const badRest = !(restG >= 0);
  const badWeight = Object.values(went).some((g) => !(g > 0));

  const submit = async (): Promise<void> => {
    if (wrong || badWeight || badRest) return;
    const took = take ? (short.length > 0 ? 'anyway' : 'enough') : 'no';
    const a = await asking.ask(
      (requestId) => make({ premixId, bags, bagG, made, ingredientLots: own, weighed: went, restG, madeBy, checked, note, take: took, requestId }),
      true,
    );
    if (a?.ok) {
      drop();
      toast('The lot is in the book');
      router.push(`/premix/lots/${a.id}`);
    } else if (a?.fields.take) router.refresh();
  };
  return (
    <form
      noValidate
      aria-label="Make a lot"
      className="grid gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
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
            {bags} {bags === 1 ? 'bag' : 'bags'} of {grams(bagG, units)}, <strong>{grams(lotG, units)}</strong> in all
            {over >= 1 ? `; ${grams(over, units)} would be left for no whole bag, and is not made` : ''}
            {best ? `; best before ${time.day(best.date)} (${best.why})` : ''}.
          </p>
        )}
      </div>
      {lotG === null ? null : (
        <>
          {short.length > 0 ? (
            <Notice weight="look">
              Short on the shelf: {short.map((s) => `${s.name} ${grams(s.g, units)}`).join(', ')}.{take ? ' Made as it is, the lot takes what there is.' : ''}
            </Notice>
          ) : null}
          {unnoted.length > 0 ? (
            <Notice weight="note">Nobody has noted how much there is of {unnoted.join(', ').toLowerCase()}: nothing of that comes off the shelf.</Notice>
          ) : null}
          {fine.map((f) => (
            <Notice key={f.ingredient.id} weight="look">
              {gramsExact(f.grams)} of {kitchenName(f.ingredient).toLowerCase()} can’t be weighed well on a scale of {f.stepG} g steps: make{' '}
              {grams(f.lotG, units)} or more, or use a finer scale.
            </Notice>
          ))}
          <section aria-label="Blend">
            <div className="flex flex-wrap items-center justify-between gap-3">
              <h3 className="text-lg">Blend it in this order</h3>
              <a href={`/premix/${premixId}/blend?bags=${bags}&bag=${bagG}`} target="_blank" rel="noreferrer" className={lookOf('plain')}>
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
                    {s.parts.map((p) => `${grams(p.grams, units)} ${kitchenName(p.ingredient).toLowerCase()}`).join(', ')}
                    {s.last ? (all.length === 1 ? ', all together' : '') : k === 0 ? ', sieved and whisked' : ', folded and sieved'}
                    <span className="text-soft"> ({grams(s.massG, units)})</span>
                  </span>
                </li>
              ))}
            </ol>
            <p className="mt-1 text-[15px]">
              Then turned through ten times. Check: a spoon from the top, the middle and the bottom, each in hot water, foams alike; if one does not, mix on.
            </p>
          </section>
          <section aria-label="Lots of its ingredients">
            <h3 className="text-lg">Weigh, and note each packet’s lot</h3>
            <ul>
              {parts.map((p) => (
                <li
                  key={p.ingredient.id}
                  className="grid grid-cols-[6rem_minmax(0,1fr)] items-center gap-y-1 sm:grid-cols-[6rem_minmax(0,1fr)_16rem] gap-x-3 border-b border-line py-1"
                >
                  <strong className="text-right text-lg whitespace-nowrap">{grams(p.grams, units)}</strong>
                  <span className="min-w-0 [overflow-wrap:anywhere]">{kitchenName(p.ingredient)}</span>
                  <span className="col-span-2 flex gap-2 sm:col-span-1">
                    <input
                      aria-label={`Weighed of ${kitchenName(p.ingredient)}, grams`}
                      placeholder="weighed"
                      inputMode="decimal"
                      maxLength={12}
                      aria-invalid={went[p.ingredient.id] !== undefined && !((went[p.ingredient.id] ?? 0) > 0)}
                      className="hold min-h-11 w-full min-w-0 px-3 placeholder:text-soft aria-invalid:border-berry"
                      value={weighed[p.ingredient.id] ?? ''}
                      onChange={(e) => set({ weighed: { ...weighed, [p.ingredient.id]: e.target.value } })}
                    />
                    <input
                      aria-label={`Lot of ${kitchenName(p.ingredient)}`}
                      placeholder="its lot"
                      maxLength={40}
                      className="hold min-h-11 w-full min-w-0 px-3 placeholder:text-soft"
                      value={own[p.ingredient.id] ?? ''}
                      onChange={(e) => set({ own: { ...own, [p.ingredient.id]: e.target.value } })}
                    />
                  </span>
                </li>
              ))}
            </ul>
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
            <Field label="Made by" className="w-44" maxLength={80} value={madeBy} error={errors.madeBy} onChange={(e) => set({ madeBy: e.target.value })} />
            <Field
              label="Checked: what the spoons showed, and by whom"
              className="min-w-72 flex-1"
              value={checked}
              error={errors.checked}
              onChange={(e) => set({ checked: e.target.value })}
            />
            <Field label="Note" className="min-w-72 flex-1" value={note} error={errors.note} onChange={(e) => set({ note: e.target.value })} />
          </div>
        </>
      )}
      <Refusal text={badWeight ? 'One of the weights is no number of grams.' : asking.refusal} />
      <div className="flex flex-wrap items-center gap-4">
        <Button look="now" size="work" type="submit" disabled={busy || wrong !== null || badWeight || badRest}>
          {busy ? 'Writing' : 'Put this lot in the book'}
        </Button>
        <Switch label="take it off the shelf" on={take} onSwitch={(v) => set({ take: v })} />
      </div>
    </form>
  );
}
