'use client';
import { useRouter } from 'next/navigation';
import type { ActionResult, Kept } from '@/contract/action-result';
import { piecesOf } from '@/core/batter/volume';
import type { Formula } from '@/core/formula/formula';
import { KINDS, kindById, type RailReading, railOf, sayRail, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { pouredG } from '@/core/formula/tally';
import { US_CUP_ML } from '@/core/pantry/fill';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Shelf } from '@/core/pantry/stock';
import { MILK_POWDERS, MOST_MOISTURE_PCT, moisturePct, type PowderKey } from '@/core/premix/bag';
import { codeWrong } from '@/core/premix/code';
import { fatty, limitsOf } from '@/core/premix/keeping';
import { MOST_PRODUCTS, type PremixSettings } from '@/core/premix/premix';
import { workPremix } from '@/core/premix/work';
import { grams, percent, type Units } from '@/core/quantity/say';
import type { Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { useCopied } from '../kit/browser-copy';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { DeleteButton } from '../kit/delete-button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { Clashes, useRevised } from '../kit/revised';
import { Switch } from '../kit/switch';
import { Day } from '../kit/time';
import { toast, toastUndo } from '../kit/toast';
import { AdditionsView } from './additions';
import { BagCostView } from './bag-cost';
import { MixFindings, ProductFindings } from './mix-findings';
import { premixToSend, premixTyped } from './premix.state';

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
export function PremixForm({
  id,
  versionId,
  formula,
  was,
  anew = false,
  hasLots,
  house,
  shelf,
  keep,
  drop,
  keepThing,
}: Props) {
  const router = useRouter();
  const { units } = house;
  const [{ name, settings, typed }, change, sent] = useCopied(
    `premix:${id ?? versionId}:${anew ? versionId : (was.revision ?? 1)}`,
    () => ({
      name: was.name,
      settings: anew ? { ...was.settings, bagged: null } : was.settings,
      typed: premixTyped(was.settings),
    }),
  );
  const { bag, density, months } = typed;
  const asking = useAsking();
  const revised = useRevised(was.revision ?? 1, { name: was.name, settings: was.settings });
  const { errors, busy, touched } = asking;
  const set = (part: Partial<PremixSettings>): void => {
    touched();
    change({ settings: { ...settings, ...part } });
  };
  const typing =
    (put: (text: string) => void) =>
    (e: { readonly target: { readonly value: string } }): void => {
      touched();
      put(e.target.value);
    };
  const { now, errors: bad } = premixToSend(settings, typed);
  const { bagG, densityGPerMl: measured } = now;
  const worked = workPremix(formula, house, null, {
    ...now,
    densityGPerMl: measured !== null && measured > 0.1 ? measured : null,
  });

  const submit = async (): Promise<void> => {
    if (asking.found(bad)) return;
    const a = await asking.ask(
      (requestId) =>
        keep({
          id,
          versionId,
          name,
          settings: now,
          seen: id === null ? null : revised.seen,
          requestId: id === null ? requestId : null,
        }),
      id === null,
    );
    revised.heard(a);
    if (!a?.ok) return;
    sent();
    if (a.merged.length === 0) toast('Kept');
    if (id === null) router.push(`/premix/${a.id}`);
  };
  const remove = async (): Promise<boolean> => {
    const a = await asking.ask(() => drop({ id }), true);
    if (!a?.ok) return false;
    toastUndo(`${was.name} is deleted`, async () => {
      const back = await keep({
        id: null,
        versionId,
        name: was.name,
        settings: was.settings,
        seen: null,
        requestId: crypto.randomUUID(),
      });
      if (back.ok) router.push(`/premix/${back.id}`);
      else toast(back.message);
    });
    router.push('/premix');
    return true;
  };
  const toPantry = async (): Promise<void> => {
    if (!worked || !keepThing) return;
    const members = worked.mix.map((m) => ({
      ingredientId: m.ingredient.id,
      parts: Math.max(0.01, Math.round(100 * m.grams) / 100),
    }));
    const a = await asking.ask(
      () => keepThing({ id: null, name: was.name, packet: { by: 'blend', category: 'flour', members } }),
      true,
    );
    if (!a?.ok) return;
    toast('In the pantry: it can stand on any formula’s line');
    router.push(`/pantry/${a.id}`);
  };
  if (!worked)
    return (
      <Notice weight="stop" role="alert">
        Nothing of this formula goes into a bag: a premix needs flour with an amount.
      </Notice>
    );
  const usable = bagG > 0 && bagG <= 25_000 ? bagG : null;
  const kind = kindById(formula.kind);
  const school = schoolOf(kind, formula.school);
  const own = worked.products[0];
  const perBag =
    usable && own?.analysis.volume && school.portionMl
      ? piecesOf(
          (usable * pouredG(own.analysis.tally)) / 100,
          own.analysis.volume.densityGPerMl,
          formula.portionMl ?? usualPortionMl(school),
        ).pieces
      : null;
  const others = KINDS.flatMap((k) =>
    k.schools.map((s) => ({
      kind: k.id,
      school: s.id,
      label: k.schools.length > 1 ? `${k.pieces}, ${s.name}` : k.pieces,
    })),
  ).filter((o) => !worked.products.some((p) => p.product.kind === o.kind && p.product.school === o.school));
  const limits = limitsOf(
    worked.bag,
    shelf,
    house.today ?? '2000-01-01',
    now.months !== null && now.months > 0 ? Math.floor(now.months) : null,
  );
  const moisture = moisturePct(worked.bag);
  const fat = fatty(worked.bag);
  return (
    <Form noValidate className="grid items-start gap-x-8 gap-y-5 lg:grid-cols-[26rem_1fr]" act={submit}>
      <div className="grid gap-4">
        <Field label="Name" value={name} onChange={typing((name) => change({ name }))} error={errors.name} />
        <div className="flex gap-3">
          <Field
            label="A bag holds"
            unit="g"
            inputMode="decimal"
            className="flex-1"
            value={bag}
            error={errors['settings.bagG']}
            onChange={typing((bag) => change({ typed: { ...typed, bag } }))}
          />
          <Field
            label="A millilitre of it"
            unit="g"
            inputMode="decimal"
            className="flex-1"
            value={density}
            error={errors['settings.densityGPerMl']}
            hint={
              measured === null
                ? `worked out: ${worked.densityGPerMl.toFixed(2)}`
                : `a cup ${grams(worked.densityGPerMl * US_CUP_ML, units)}`
            }
            onChange={typing((density) => change({ typed: { ...typed, density } }))}
          />
        </div>
        {worked.bag.couldBe.length > 0 ? (
          <fieldset className="grid gap-1">
            <legend className="text-sm font-semibold text-soft">In the bag too</legend>
            {worked.bag.couldBe.map((k) => (
              <Switch
                key={k}
                label={POWDER_LABELS[k]}
                on={settings.powders[k]}
                onSwitch={(on) => set({ powders: { ...settings.powders, [k]: on }, bagged: null })}
              />
            ))}
            {settings.powders.milk ? (
              <Choice
                label="Which milk powder"
                value={settings.powders.milkAs ?? 'as'}
                onChange={(v) => {
                  const { milkAs: _, ...rest } = settings.powders;
                  set({ powders: v === 'as' ? rest : { ...rest, milkAs: v }, bagged: null });
                }}
                options={[
                  { value: 'as' as const, label: 'as the milk is' },
                  ...MILK_POWDERS.map((v) => ({ value: v, label: `${v} milk powder` })),
                ]}
              />
            ) : null}
          </fieldset>
        ) : null}
        <BagTable worked={worked} bagG={usable} units={units} />
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
        {usable && own ? (
          <BagLift worked={worked} lift={railOf(own.analysis, 'lift')} bagG={usable} units={units} />
        ) : null}
        {usable && perBag !== null ? (
          <p>
            A bag makes <strong>{perBag}</strong> {kind.pieces} of {formula.portionMl ?? usualPortionMl(school)} ml.
          </p>
        ) : null}
        <Keeping limits={limits} fat={fat} />
        <div className="flex gap-3">
          <Field
            label="The house’s own rule"
            unit="months at most"
            inputMode="numeric"
            className="flex-1"
            value={months}
            error={errors['settings.months']}
            onChange={typing((months) => change({ typed: { ...typed, months } }))}
          />
        </div>
        <Field
          label="Code on the label"
          hint="a trade number of 8 or 13 digits as bars, anything else as a square"
          value={settings.code}
          maxLength={80}
          onChange={(e) => set({ code: e.target.value })}
          error={errors['settings.code'] ?? codeWrong(settings.code) ?? undefined}
        />
        <Field
          label="How it is kept"
          value={settings.storage}
          onChange={(e) => set({ storage: e.target.value })}
          error={errors['settings.storage']}
        />
        {usable ? (
          <BagCostView
            bag={worked.bag}
            settings={now}
            typed={typed.costs}
            errors={errors}
            shelf={shelf}
            pieces={perBag}
            units={units}
            onType={(f, text) =>
              typing((x) => change({ typed: { ...typed, costs: { ...typed.costs, [f]: x } } }))({
                target: { value: text },
              })
            }
          />
        ) : null}
        {hasLots &&
        (JSON.stringify([settings.powders, settings.bagged]) !==
          JSON.stringify([was.settings.powders, was.settings.bagged]) ||
          (was.versionId !== undefined && versionId !== was.versionId)) ? (
          <Notice weight="note">
            Another bag: kept, it is the next version of this mix. Lots that are made stay what they are.
          </Notice>
        ) : null}
        <Clashes of={revised} />
        <RefusalNotice text={revised.conflict ? null : asking.refusal} />
        <div className="flex flex-wrap gap-3">
          <Button look={id === null ? 'now' : 'plain'} size="work" type="submit" disabled={busy}>
            {busy ? 'Keeping' : id === null ? 'Keep this premix' : 'Keep the changes'}
          </Button>
          {id !== null && keepThing && worked.mix.length > 1 ? (
            <Button size="work" disabled={busy} onClick={() => void toPantry()}>
              Into the pantry, as an ingredient
            </Button>
          ) : null}
          {id !== null && !hasLots ? (
            <DeleteButton
              name={was.name}
              says="No lot was made of it: nothing else goes with it."
              busy={busy}
              refusal={asking.refusal}
              onDelete={remove}
            />
          ) : null}
        </div>
      </div>
      <div className="grid gap-4">
        <h2 className="text-xl">At the bench</h2>
        {worked.products.map((p, n) => (
          <div key={`${p.product.kind} ${p.product.school}`} className="grid justify-items-start gap-1">
            <div className="grid w-full gap-2">
              {n === 0 ? (
                <MixFindings formula={formula} house={house} settings={now} onBagged={(bagged) => set({ bagged })} />
              ) : null}
              <AdditionsView
                additions={p}
                bagG={usable}
                densityGPerMl={worked.densityGPerMl}
                own={n === 0}
                units={units}
              />
              {n > 0 ? (
                <ProductFindings
                  additions={p}
                  mix={worked.mix}
                  house={house}
                  onParts={(parts) =>
                    set({
                      products: settings.products.map((x) =>
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
                    products: settings.products.filter(
                      (x) => x.kind !== p.product.kind || x.school !== p.product.school,
                    ),
                  })
                }
              >
                Not from this mix
              </Button>
            ) : null}
          </div>
        ))}
        {settings.products.length < MOST_PRODUCTS ? (
          <Choice
            label="From the same mix"
            value=""
            placeholder="Try another kind"
            onChange={(v) => {
              const o = others.find((x) => `${x.kind} ${x.school}` === v);
              if (o) set({ products: [...settings.products, { kind: o.kind, school: o.school }] });
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
    </Form>
  );
}

function BagTable({
  worked,
  bagG,
  units,
}: {
  readonly worked: NonNullable<ReturnType<typeof workPremix>>;
  readonly bagG: number | null;
  readonly units: Units;
}) {
  return (
    <table className="w-full text-left">
      <caption className="sr-only">In the bag</caption>
      <thead className="border-b-2 border-rim text-sm text-soft">
        <tr>
          <th scope="col" className="py-1 pr-3">
            In the bag
          </th>
          <th scope="col" className="pr-3 text-right">
            Share
          </th>
          <th scope="col" className="text-right">
            {bagG === null ? '' : `In ${grams(bagG, units)}`}
          </th>
        </tr>
      </thead>
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
  readonly worked: NonNullable<ReturnType<typeof workPremix>>;
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
