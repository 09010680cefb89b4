'use client';
import { useRouter } from 'next/navigation';
import type { ActionResult, Kept } from '@/contract/action-result';
import type { Formula } from '@/core/formula/formula';
import { kindById, type RailReading, railOf, sayRail } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { US_CUP_ML } from '@/core/pantry/fill';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Shelf } from '@/core/pantry/stock';
import { MILK_POWDERS, MOST_MOISTURE_PCT, moisturePct, type PowderKey } from '@/core/premix/bag';
import { codeWrong } from '@/core/premix/code';
import { fatty, type limitsOf } from '@/core/premix/keeping';
import { type Lot, MOST_PRODUCTS, type PremixSettings } from '@/core/premix/premix';
import type { WorkedPremix } from '@/core/premix/work';
import { grams, percent, type Units } from '@/core/quantity/say';
import type { Refused } from '../kit/answer';
import { act } from '../kit/answer';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { DeleteButton } from '../kit/delete-button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { type RowForm, RowNotices, toldDeleted, useRowForm } from '../kit/row-form';
import { Switch } from '../kit/switch';
import { TableHead } from '../kit/table-head';
import { Day } from '../kit/time';
import { toast } from '../kit/toast';
import { AdditionsView } from './additions';
import { BagCostView } from './bag-cost';
import { MixFindings, ProductFindings } from './mix-findings';
import { type PremixAtHand, type PremixDraft, premixAtHand, premixToSend, premixTyped } from './premix.state';

interface Props {
  readonly id: string | null;
  readonly versionId: string;
  readonly formula: Formula;
  readonly was: {
    readonly name: string;
    readonly settings: PremixSettings;
    readonly revision?: number;
    readonly versionId?: string;
  };
  /** It is made of a newer formula: what was put right in the bag for the old one is looked at anew. */
  readonly anew?: boolean;
  /** Another bag is then another edition. */
  readonly hasLots: boolean;
  readonly house: Kitchen;
  readonly shelf: Shelf;
  /** The lot that was made last; null: none yet. */
  readonly last: Pick<Lot, 'number' | 'cost' | 'bagG'> | null;
  readonly keep: (input: unknown) => Promise<ActionResult<Kept & { readonly id: string }>>;
  readonly drop: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
  /** Keeps an ingredient of the kitchen's own. */
  readonly keepThing?: (input: unknown) => Promise<{ readonly ok: true; readonly id: string } | Refused>;
}

const POWDER_LABELS: Readonly<Record<PowderKey, string>> = {
  milk: 'milk as powder',
  buttermilk: 'buttermilk as powder',
  egg: 'egg as powder',
};

/** A premix: what is in the bag, what it asks for as each product, how long it keeps. */
export function PremixForm(props: Props) {
  const { id, versionId, formula, was, anew = false, hasLots, house, shelf, keep, drop, keepThing } = props;
  const router = useRouter();
  const form = useRowForm<PremixDraft>(
    `premix:${id ?? versionId}${anew ? `:${versionId}` : ''}`,
    id === null ? null : { revision: was.revision, base: { name: was.name, settings: was.settings } },
    () => ({
      name: was.name,
      settings: anew ? { ...was.settings, bagged: null } : was.settings,
      typed: premixTyped(was.settings),
    }),
  );
  const { name, settings, typed } = form.typed;
  const { now, errors: bad } = premixToSend(settings, typed);
  const at = premixAtHand(now, formula, house, shelf);
  const anotherBag =
    JSON.stringify([settings.powders, settings.bagged]) !==
      JSON.stringify([was.settings.powders, was.settings.bagged]) ||
    (was.versionId !== undefined && versionId !== was.versionId);

  const submit = async (): Promise<void> => {
    const a = await form.save(
      bad,
      (sent) => act('keep-premix', name, keep, { id, versionId, name, settings: now, ...sent }),
      id === null,
    );
    if (!a) return;
    if (a.merged.length === 0) toast('Kept');
    if (id === null) router.push(`/premix/${a.id}`);
  };
  const remove = async (): Promise<boolean> => {
    const a = await form.ask(() => act('drop-premix', `${was.name} deleted`, drop, { id }), true);
    if (!a?.ok) return false;
    const again = { id: null, versionId, name: was.name, settings: was.settings, seen: null };
    toldDeleted(
      `${was.name} is deleted`,
      () => act('keep-premix', was.name, keep, { ...again, requestId: crypto.randomUUID() }),
      (back) => router.push(`/premix/${back}`),
    );
    router.push('/premix');
    return true;
  };
  const toPantry = async (): Promise<void> => {
    if (!at || !keepThing) return;
    const members = at.worked.mix.map((m) => ({
      ingredientId: m.ingredient.id,
      parts: Math.max(0.01, Math.round(100 * m.grams) / 100),
    }));
    const a = await form.ask(
      () => keepThing({ id: null, name: was.name, packet: { by: 'blend', category: 'flour', members } }),
      true,
    );
    if (!a?.ok) return;
    toast('In the pantry: it can stand on any formula’s line');
    router.push(`/pantry/${a.id}`);
  };
  if (!at)
    return (
      <Notice weight="stop" role="alert">
        Nothing of this formula goes into a bag: a premix needs flour with an amount.
      </Notice>
    );
  const part: Part = {
    ...props,
    at,
    now,
    form,
    set: (x) => form.set({ settings: { ...settings, ...x } }),
    number: (key, of) => ({
      value: typed[key],
      error: form.errors[`settings.${of}`],
      onChange: (e) => form.set({ typed: { ...typed, [key]: e.target.value } }),
    }),
  };
  const { worked } = at;
  return (
    <Form noValidate className="grid items-start gap-x-8 gap-y-5 lg:grid-cols-[26rem_1fr]" act={submit}>
      <div className="grid gap-4">
        <SizePart {...part} />
        <PowdersPart {...part} />
        <BagPart {...part} />
        <Keeping limits={at.limits} fat={fatty(worked.bag)} />
        <WrittenPart {...part} />
        {hasLots && anotherBag ? (
          <Notice weight="note">
            Another bag: kept, it is the next version of this mix. Lots that are made stay what they are.
          </Notice>
        ) : null}
        <RowNotices of={form} />
        <div className="flex flex-wrap gap-3">
          <Button look={id === null ? 'now' : 'plain'} size="work" type="submit" disabled={form.busy}>
            {form.busy ? 'Keeping' : id === null ? 'Keep this premix' : 'Keep the changes'}
          </Button>
          {id !== null && keepThing && worked.mix.length > 1 ? (
            <Button size="work" disabled={form.busy} onClick={() => void toPantry()}>
              Into the pantry, as an ingredient
            </Button>
          ) : null}
          {id !== null && !hasLots ? (
            <DeleteButton
              name={was.name}
              says="No lot was made of it: nothing else goes with it."
              of={form}
              onDelete={remove}
            />
          ) : null}
        </div>
      </div>
      <ProductsPart {...part} />
    </Form>
  );
}

interface Part extends Props {
  readonly at: PremixAtHand;
  /** The settings as typed. */
  readonly now: PremixSettings;
  readonly form: RowForm<PremixDraft>;
  readonly set: (part: Partial<PremixSettings>) => void;
  /** A field of a number. */
  readonly number: (
    key: 'bag' | 'density' | 'months',
    of: keyof PremixSettings,
  ) => {
    readonly value: string;
    readonly error: string | undefined;
    readonly onChange: (e: { readonly target: { readonly value: string } }) => void;
  };
}

/** Its name, what a bag holds, and how dense it lies. */
function SizePart({ form, number, now, at: { worked }, house: { units } }: Part) {
  return (
    <>
      <Field label="Name" {...form.text('name')} />
      <div className="flex gap-3">
        <Field label="A bag holds" unit="g" inputMode="decimal" className="flex-1" {...number('bag', 'bagG')} />
        <Field
          label="A millilitre of it"
          unit="g"
          inputMode="decimal"
          className="flex-1"
          {...number('density', 'densityGPerMl')}
          hint={
            now.densityGPerMl === null
              ? `worked out: ${worked.densityGPerMl.toFixed(2)}`
              : `a cup ${grams(worked.densityGPerMl * US_CUP_ML, units)}`
          }
        />
      </div>
    </>
  );
}

/** What of the wet goes into the bag as powder. */
function PowdersPart({ form, set, at: { worked } }: Part) {
  const { powders } = form.typed.settings;
  if (worked.bag.couldBe.length === 0) return null;
  return (
    <fieldset className="grid gap-1">
      <legend className="text-sm font-semibold text-soft">In the bag too</legend>
      {worked.bag.couldBe.map((k) => (
        <Switch
          key={k}
          label={POWDER_LABELS[k]}
          on={powders[k]}
          onSwitch={(on) => set({ powders: { ...powders, [k]: on }, bagged: null })}
        />
      ))}
      {powders.milk ? (
        <Choice
          label="Which milk powder"
          value={powders.milkAs ?? 'as'}
          onChange={(v) => {
            const { milkAs: _, ...rest } = powders;
            set({ powders: v === 'as' ? rest : { ...rest, milkAs: v }, bagged: null });
          }}
          options={[
            { value: 'as' as const, label: 'as the milk is' },
            ...MILK_POWDERS.map((v) => ({ value: v, label: `${v} milk powder` })),
          ]}
        />
      ) : null}
    </fieldset>
  );
}

/** What is in the bag, whether it keeps dry, and what a bag lifts and makes. */
function BagPart({ formula, at: { worked, bagG, perBag, portionMl }, house: { units } }: Part) {
  const own = worked.products[0];
  const moisture = moisturePct(worked.bag);
  return (
    <>
      <BagTable worked={worked} bagG={bagG} units={units} />
      {worked.bag.open.length > 0 ? (
        <Notice weight="look">
          Not in it, without an amount: {worked.bag.open.map((t) => `“${t.slice(0, 50)}”`).join(', ')}.
        </Notice>
      ) : null}
      {worked.bag.whipped ? (
        <Notice weight="note">Whites that are whipped stay fresh eggs, at the bench.</Notice>
      ) : null}
      {moisture > MOST_MOISTURE_PCT ? (
        <Notice weight="look">
          {percent(moisture)} water in the bag: over {MOST_MOISTURE_PCT} % it cakes and spoils.
        </Notice>
      ) : (
        <p className="text-[15px]">{percent(moisture)} water in the bag: dry enough to keep.</p>
      )}
      {bagG && own ? <BagLift worked={worked} lift={railOf(own.analysis, 'lift')} bagG={bagG} units={units} /> : null}
      {bagG && perBag !== null ? (
        <p>
          A bag makes <strong>{perBag}</strong> {kindById(formula.kind).pieces} of {portionMl} ml.
        </p>
      ) : null}
    </>
  );
}

/** What stands on its label besides, and what a bag costs. */
function WrittenPart({ form, number, set, now, at: { worked, bagG, perBag }, shelf, last, house: { units } }: Part) {
  const { settings, typed } = form.typed;
  return (
    <>
      <div className="flex gap-3">
        <Field
          label="The house’s own rule"
          unit="months at most"
          inputMode="numeric"
          className="flex-1"
          {...number('months', 'months')}
        />
      </div>
      <Field
        label="Code on the label"
        hint="a trade number of 8 or 13 digits as bars, anything else as a square"
        value={settings.code}
        maxLength={80}
        onChange={(e) => set({ code: e.target.value })}
        error={form.errors['settings.code'] ?? codeWrong(settings.code) ?? undefined}
      />
      <Field
        label="How it is kept"
        value={settings.storage}
        onChange={(e) => set({ storage: e.target.value })}
        error={form.errors['settings.storage']}
      />
      {bagG ? (
        <BagCostView
          bag={worked.bag}
          settings={now}
          typed={typed.costs}
          errors={form.errors}
          shelf={shelf}
          pieces={perBag}
          units={units}
          last={last}
          sizes={typed.sizes ?? []}
          onSizes={(sizes) => form.set({ typed: { ...typed, sizes } })}
          onType={(f, text) => form.set({ typed: { ...typed, costs: { ...typed.costs, [f]: text } } })}
        />
      ) : null}
    </>
  );
}

/** What it asks for at the bench, as each product that it is sold as. */
function ProductsPart({ formula, house, form, set, now, at: { worked, bagG, others } }: Part) {
  const { units } = house;
  const { products } = form.typed.settings;
  return (
    <div className="grid gap-4">
      <h2 className="text-xl">At the bench</h2>
      {worked.products.map((p, n) => (
        <div key={`${p.product.kind} ${p.product.school}`} className="grid justify-items-start gap-1">
          <div className="grid w-full gap-2">
            {n === 0 ? (
              <MixFindings formula={formula} house={house} settings={now} onBagged={(bagged) => set({ bagged })} />
            ) : null}
            <AdditionsView additions={p} bagG={bagG} densityGPerMl={worked.densityGPerMl} own={n === 0} units={units} />
            {n > 0 ? (
              <ProductFindings
                additions={p}
                mix={worked.mix}
                house={house}
                onParts={(parts) =>
                  set({
                    products: products.map((x) =>
                      x.kind === p.product.kind && x.school === p.product.school
                        ? { kind: x.kind, school: x.school, ...(parts && { parts }) }
                        : x,
                    ),
                  })
                }
              />
            ) : null}
          </div>
          {n > 0 ? (
            <Button
              look="bare"
              onClick={() =>
                set({
                  products: products.filter((x) => x.kind !== p.product.kind || x.school !== p.product.school),
                })
              }
            >
              Not from this mix
            </Button>
          ) : null}
        </div>
      ))}
      {products.length < MOST_PRODUCTS ? (
        <Choice
          label="From the same mix"
          value=""
          placeholder="Try another kind"
          onChange={(v) => {
            const o = others.find((x) => `${x.kind} ${x.school}` === v);
            if (o) set({ products: [...products, { kind: o.kind, school: o.school }] });
          }}
          options={others.map((o) => ({ value: `${o.kind} ${o.school}`, label: o.label }))}
        />
      ) : null}
      {worked.bag.beside.length > 0 ? (
        <p className="text-soft">For the pan and to serve, as on the card: {worked.bag.beside.join('; ')}.</p>
      ) : null}
      <p className="text-sm text-soft">
        What is added is worked from the kinds’ zones; the formula’s own stands as on its card. Pour and rise are
        estimates: test a piece before a lot goes out.
      </p>
    </div>
  );
}

function BagTable({
  worked,
  bagG,
  units,
}: {
  readonly worked: WorkedPremix;
  readonly bagG: number | null;
  readonly units: Units;
}) {
  return (
    <table className="w-full text-left">
      <caption className="sr-only">In the bag</caption>
      <TableHead
        columns={['In the bag', { right: 'Share' }, { right: bagG === null ? '' : `In ${grams(bagG, units)}` }]}
      />
      <tbody>
        {worked.bag.items.map((i) => (
          <tr key={i.ingredient.id} className="border-b border-line">
            <th scope="row" className="py-1 pr-3 font-normal">
              {kitchenName(i.ingredient)}
            </th>
            <td className="pr-3 text-right">{percent(100 * i.share)}</td>
            <td className="text-right font-semibold whitespace-nowrap">
              {bagG === null ? '' : grams(i.share * bagG, units)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The leavening in one bag, and whether it lifts the formula's own kind. */
function BagLift({
  worked,
  lift,
  bagG,
  units,
}: {
  readonly worked: WorkedPremix;
  readonly lift: RailReading | null;
  readonly bagG: number;
  readonly units: Units;
}) {
  const leavening = worked.bag.items.filter(
    (i) => i.ingredient.category === 'leavening' || i.ingredient.category === 'acid' || i.ingredient.sodaPct > 0,
  );
  if (leavening.length === 0) return <p className="text-[15px]">No leavening in the bag.</p>;
  const zone = lift?.zone;
  return (
    <p className="text-[15px]">
      Leavening in a bag:{' '}
      {leavening.map((i) => `${kitchenName(i.ingredient).toLowerCase()} ${grams(i.share * bagG, units)}`).join(', ')}
      {lift && lift.unknown.length === 0
        ? `; it gives ${sayRail('lift', lift.tested)} CO2 per 100 g of flour${zone ? `, ${lift.reading?.standing === 'in' ? 'within' : 'outside'} ${sayRail('lift', zone[0])} to ${sayRail('lift', zone[1])}` : ''}`
        : ''}
      .
    </p>
  );
}

function Keeping({ limits, fat }: { readonly limits: ReturnType<typeof limitsOf>; readonly fat: readonly string[] }) {
  const [first, ...rest] = limits;
  if (!first) return null;
  return (
    <div className="text-[15px]">
      <p>
        Made today it is best before{' '}
        <strong>
          <Day day={first.date} />
        </strong>
        : {first.why}.
      </p>
      {rest.length > 0 ? (
        <p className="text-sm text-soft">
          Then{' '}
          {rest
            .slice(0, 3)
            .map((l) => `${l.date}, ${l.why}`)
            .join('; ')}
          .
        </p>
      ) : null}
      {fat.length > 0 ? (
        <p>Its fat turns with time ({fat.join(', ').toLowerCase()}): cool, dark, and smell a bag before it is used.</p>
      ) : null}
    </div>
  );
}
