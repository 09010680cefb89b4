'use client';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { kitchenName } from '@/core/pantry/ingredient';
import { blendSteps } from '@/core/premix/blend';
import { limitsOf } from '@/core/premix/keeping';
import { type BetweenAllergens, MOST_SIZES, type PremixSettings, type Sack } from '@/core/premix/premix';
import type { BlendWeighing } from '@/core/premix/weigh';
import { grams, gramsExact } from '@/core/quantity/say';
import { typedGrams } from '@/core/quantity/typed';
import type { Refused } from '../kit/answer';
import { act, answerTo } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button, lookOf } from '../kit/button';
import { Choice, Taps } from '../kit/choice';
import { DayField } from '../kit/date-fields';
import { useCopied } from '../kit/drafts';
import { Field, PEOPLE_LIST } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { useRefresh } from '../kit/refresh';
import { Switch } from '../kit/switch';
import { useTime } from '../kit/time';
import { toast } from '../kit/toast';
import { drivesOf, FRESH_LOT, type LotAtHand, type LotFacts, type LotTyped, lotOf } from './lot.state';
import { LotBlends } from './lot-blends';
import { LotSacks } from './lot-sacks';
import { LotWeighIn } from './lot-weigh-in';

type Props = LotFacts & {
  readonly premixId: string;
  readonly make: (input: unknown) => Promise<{ readonly ok: true; readonly id: string } | Refused>;
  readonly weigh: Ask;
  readonly giveUp: Ask;
  readonly order: Ask;
  /** The lot before held allergens that this mix lacks; null: none. */
  readonly carried: Pick<BetweenAllergens, 'carried' | 'from' | 'asked'> | null;
};
type Ask = (input: unknown) => Promise<{ readonly ok: true } | Refused>;

/** Making a lot: how much of each, in which order, from which lots of ingredients; and its number. */
export function MakeLot(props: Props) {
  const { premixId, house, shelf, settings, make, work } = props;
  const router = useRouter();
  const refresh = useRefresh();
  // what is noted while a lot is weighed outlives a reload
  const [said, setTyped, drop] = useCopied<LotTyped>(`lot:${premixId}`, () => FRESH_LOT);
  const [day, setMade] = useState(house.today ?? '');
  const made = work?.made ?? day;
  const [weighIn, setWeighIn] = useState(false);
  const asking = useAsking(`lot:${premixId}`);
  const lot = lotOf(said, props);
  const { typed } = lot;
  const weighing = Object.keys(lot.notes).length > 0;
  const set = (part: Partial<LotTyped>): void => {
    asking.touched();
    setTyped(part);
  };
  const inRecords = useWeighing(props, said, setTyped, lot, made);
  const submit = async (): Promise<void> => {
    if (!lot.whole || inRecords.waiting > 0) return;
    const { madeBy, checked, note, cleared, clearedBy } = typed;
    const take = typed.take ? (lot.short.length > 0 ? 'anyway' : 'enough') : 'no';
    const { fills, went: sacks, restG } = lot;
    const workId = work?.id ?? null;
    const input = { premixId, fills, made, sacks, restG, madeBy, checked, note, cleared, clearedBy, take, workId };
    const a = await asking.ask((requestId) => act('make-lot', 'a lot', make, { ...input, requestId }), true);
    if (a?.ok) {
      drop();
      toast('The lot is in the book');
      router.push(`/premix/lots/${a.id}`);
    } else if (a?.fields.take || a?.fields.workId) refresh();
  };
  const best = made ? limitsOf(props.worked.bag, shelf, made, settings.months)[0] : undefined;
  const part = { ...props, typed, set, lot, errors: asking.errors };
  return (
    <Form noValidate aria-label="Make a lot" className="grid gap-4" act={submit}>
      <fieldset disabled={weighing} className="contents">
        <AmountPart
          {...part}
          made={made}
          best={best}
          onMade={(day) => {
            asking.touched();
            setMade(day);
          }}
        />
      </fieldset>
      {weighing ? (
        <Underway {...part} inRecords={inRecords} onGiveUp={() => setTyped({ notes: {}, workId: '' })} />
      ) : null}
      {weighIn && lot.list.length > 0 && lot.blends ? (
        <LotWeighIn
          list={lot.list}
          blends={lot.blends.count}
          notes={lot.notes}
          lotOf={(id) => typed.sacks[id]?.[0]?.lot ?? ''}
          onWeighed={(w, sacks) => void inRecords.note(w, sacks)}
          onDone={() => setWeighIn(false)}
        />
      ) : null}
      {work && work.weighings.length > 0 ? (
        <LotBlends work={work} weighings={work.weighings} bags={[]} weigh={props.weigh} order={props.order} />
      ) : null}
      {lot.lotG === null ? null : (
        <>
          <ClearDown {...part} />
          <StockNotices {...part} />
          <BlendPart {...part} lotG={lot.lotG} />
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
              parts={lot.parts}
              typed={typed.sacks}
              errors={{ ...asking.errors, ...lot.unclear }}
              units={house.units}
              onSacks={(id, rows) => set({ sacks: { ...typed.sacks, [id]: rows } })}
            />
            {weighing && lot.open > 0 ? (
              <Notice weight="look">
                {lot.open} of {lot.list.length} weighings are not noted: they go into the book as planned.
              </Notice>
            ) : null}
          </section>
          <WrittenPart {...part} />
        </>
      )}
      <RefusalNotice
        text={lot.badSacks ? 'Something above is not clear yet: it says so at its place.' : asking.refusal}
        waits={asking.waits}
      />
      <div className="flex flex-wrap items-center gap-4">
        <Button look="now" size="work" type="submit" disabled={asking.busy || !lot.whole || inRecords.waiting > 0}>
          {asking.busy ? 'Writing' : 'Put this lot in the book'}
        </Button>
        <Switch label="take it from stock" on={typed.take} onSwitch={(take) => set({ take })} />
      </div>
    </Form>
  );
}

interface InRecords {
  /** Notes one weighing: here at once, and in the records when they hear it. */
  readonly note: (w: BlendWeighing, sacks: readonly Sack[]) => Promise<void>;
  /** Noted here, and not in the records yet. */
  readonly waiting: number;
  /** Sends those once more. */
  readonly again: () => Promise<void>;
  readonly refused: string | null;
}

/** A lot weighed in the records: each weighing goes in by itself, and another screen that looks goes on from there. */
function useWeighing(
  { premixId, work, weigh }: Props,
  said: LotTyped,
  setTyped: (part: Partial<LotTyped>) => void,
  lot: LotAtHand,
  made: string,
): InRecords {
  const refresh = useRefresh();
  const [refused, setRefused] = useState<string | null>(null);
  // what is typed while a weighing is on its way stays
  const notes = useRef(said.notes);
  notes.current = said.notes;
  const id = useRef('');
  const waiting = lot.list.filter((w) => lot.notes[w.key] && !work?.weighings.some((x) => x.key === w.key));
  const send = async (w: BlendWeighing, sacks: readonly Sack[]): Promise<boolean> => {
    id.current = work?.id ?? (said.workId || id.current || crypto.randomUUID());
    notes.current = { ...notes.current, [w.key]: sacks };
    setTyped({ workId: id.current, notes: notes.current });
    setRefused(null);
    const input = { workId: id.current, premixId, fills: lot.fills, made, key: w.key, sacks };
    const words = `${kitchenName(w.ingredient).toLowerCase()}, blend ${w.blend}`;
    const a = await answerTo(
      act('weigh-lot', words, weigh, { ...input, requestId: crypto.randomUUID() }, id.current),
      null,
      () => {},
    );
    if (a.ok) {
      refresh();
      return true;
    }
    setRefused(a.message);
    // nobody answered: it stays noted here, and is sent again
    if (a.kind === 'away') return false;
    const { [w.key]: _, ...rest } = notes.current;
    notes.current = rest;
    setTyped({ notes: rest });
    refresh();
    return false;
  };
  return {
    note: async (w, sacks) => void (await send(w, sacks)),
    waiting: waiting.length,
    again: async () => {
      for (const w of waiting) if (!(await send(w, lot.notes[w.key] ?? []))) return;
    },
    refused,
  };
}

/** How far a lot is weighed, what is not in the records yet, and giving it up. */
function Underway({
  lot,
  work,
  giveUp,
  inRecords,
  onGiveUp,
}: Part & { readonly inRecords: InRecords; readonly onGiveUp: () => void }) {
  const refresh = useRefresh();
  const asking = useAsking();
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState('');
  const drop = async (): Promise<void> => {
    if (asking.found(why.trim() === '' ? { why: 'Write why.' } : {})) return;
    const a = work
      ? await asking.ask((requestId) =>
          act('give-up-lot', 'a lot given up', giveUp, { workId: work.id, why, requestId }),
        )
      : { ok: true };
    if (!a?.ok) return;
    onGiveUp();
    setOpen(false);
    refresh();
  };
  return (
    <div className="grid gap-2">
      <p className="flex flex-wrap items-center gap-3">
        Weighed in: {lot.list.length - lot.open} of {lot.list.length}, in the records: another screen can go on. The
        amount stays as it is while it is weighed.
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          Give this lot up …
        </Button>
      </p>
      {open ? (
        <div className="flex flex-wrap items-start gap-3">
          <Field
            label="Why it is given up"
            className="min-w-44 flex-1"
            maxLength={300}
            value={why}
            error={asking.errors.why}
            onChange={(e) => setWhy(e.target.value)}
          />
          <Button className="mt-7 min-h-11" disabled={asking.busy} onClick={() => void drop()}>
            Give it up: what was weighed is kept, and fills no bag
          </Button>
        </div>
      ) : null}
      <RefusalNotice text={inRecords.refused ?? asking.refusal} waits={asking.waits} />
      {inRecords.waiting > 0 ? (
        <Notice weight="look" role="status">
          {inRecords.waiting} {inRecords.waiting === 1 ? 'weighing is' : 'weighings are'} not in the records yet.{' '}
          <Button onClick={() => void inRecords.again()}>Send {inRecords.waiting === 1 ? 'it' : 'them'} again</Button>
        </Notice>
      ) : null}
    </div>
  );
}

/** The next of the sizes this mix is noted in that is not in the lot yet, as it is typed; empty: all are. */
const nextSize = ({ bagG, sizes }: PremixSettings, typed: readonly string[]): string => {
  const there = typed.map((t) => (t.trim() === '' ? bagG : typedGrams(t)));
  return String([bagG, ...sizes.map((s) => s.bagG)].find((g) => !there.includes(g)) ?? '');
};

interface Part extends Props {
  readonly typed: LotTyped;
  readonly set: (part: Partial<LotTyped>) => void;
  readonly lot: LotAtHand;
  readonly errors: Readonly<Record<string, string>>;
}

/** How many bags, of which sizes, made when; and what that is in all. */
function AmountPart({
  typed,
  set,
  lot,
  errors,
  settings,
  worked,
  house: { units },
  shelf,
  made,
  best,
  onMade,
}: Part & {
  readonly made: string;
  readonly best: ReturnType<typeof limitsOf>[number] | undefined;
  readonly onMade: (day: string) => void;
}) {
  const time = useTime();
  const { by, amount, size, others } = typed;
  const { wrong, wrongMore, lotG, fills, overG } = lot;
  const drives = drivesOf(typed, worked);
  /** All there is of a thing, as it is typed. */
  const allOf = (id: string | undefined): Partial<LotTyped> => {
    const has = id === undefined ? null : shelf[id]?.onHandG;
    return has ? { amount: `${Math.floor(has)} g` } : {};
  };
  const other = (n: number, part: Partial<LotTyped['others'][number]>): void =>
    set({ others: others.map((x, k) => (k === n ? { ...x, ...part } : x)) });
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        <Taps
          label="So much"
          value={by}
          onChange={(v) => v && set({ by: v, ...(v === 'all' && allOf(drives?.ingredient.id)) })}
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
          onChange={(id) => set({ of: id, ...allOf(id) })}
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
          error={wrong.size === null ? (wrong.amount ?? errors.bags) : undefined}
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
          error={wrong.size ?? errors.bagG}
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
              onChange={(e) => other(n, { bags: e.target.value })}
            />
            <Field
              label={`In a bag, size ${n + 2}`}
              unit="g"
              inputMode="decimal"
              className="w-32"
              value={o.size}
              error={wrongMore[n]?.size}
              onChange={(e) => other(n, { size: e.target.value })}
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
          <Button
            className="mt-7 min-h-11"
            onClick={() =>
              set({
                others: [...others, { size: nextSize(settings, [size, ...others.map((o) => o.size)]), bags: '1' }],
              })
            }
          >
            Bags of another size too
          </Button>
        ) : null}
        <DayField
          label="Made on"
          className="w-44"
          inputClass="!min-h-14"
          value={made}
          error={errors.made}
          onDay={onMade}
        />
        {lotG === null ? null : (
          <p className="mt-8">
            {fills.map((f) => `${f.bags} ${f.bags === 1 ? 'bag' : 'bags'} of ${grams(f.bagG, units)}`).join(', ')},{' '}
            <strong>{grams(lotG, units)}</strong> in all
            {overG >= 1 ? `; ${grams(overG, units)} would be left for no whole bag, and is not made` : ''}
            {best ? `; best before ${time.day(best.date)} (${best.why})` : ''}.
          </p>
        )}
      </div>
    </>
  );
}

/** The lot before held an allergen that this one lacks: what is cleared down first, ticked by a name. */
function ClearDown({ carried, typed: { cleared, clearedBy }, set }: Part) {
  if (!carried) return null;
  const open = carried.asked.filter((x) => !cleared.includes(x)).length;
  return (
    <section aria-label="Clear down first" className="grid gap-2 rounded-plate border-l-8 border-rim bg-white p-4">
      <h3 className="text-lg">Clear down first</h3>
      <p>
        {carried.from} held <strong>{carried.carried.join(', ')}</strong>; this mix does not. What has to be cleaned the
        local food code says.
      </p>
      <div className="grid gap-1">
        {carried.asked.map((x) => (
          <Switch
            key={x}
            label={x}
            on={cleared.includes(x)}
            onSwitch={(on) => set({ cleared: on ? [...cleared, x] : cleared.filter((y) => y !== x) })}
          />
        ))}
      </div>
      <Field
        label="Cleared down by"
        className="w-44"
        maxLength={80}
        list={PEOPLE_LIST}
        value={clearedBy}
        onChange={(e) => set({ clearedBy: e.target.value })}
      />
      {open > 0 || clearedBy.trim() === '' ? (
        <p className="text-soft">
          Until all of it is ticked by a name, its label waits for what whoever leads says of traces.
        </p>
      ) : null}
    </section>
  );
}

/** What stock lacks, what nobody has counted, and what the scales can't weigh. */
function StockNotices({ lot: { short, unnoted, fine, blends }, typed: { take }, house: { units } }: Part) {
  return (
    <>
      {short.length > 0 ? (
        <Notice weight="look">
          Short in stock: {short.map((s) => `${s.name} ${grams(s.g, units)}`).join(', ')}.
          {take ? ' The lot takes what there is.' : ''}
        </Notice>
      ) : null}
      {unnoted.length > 0 ? (
        <Notice weight="note">
          Nobody has noted how much there is of {unnoted.join(', ').toLowerCase()}: nothing of that comes out of stock.
        </Notice>
      ) : null}
      {fine.map((f) => (
        <Notice key={f.ingredient.id} weight="look">
          {gramsExact(f.grams)} of {kitchenName(f.ingredient).toLowerCase()}
          {(blends?.count ?? 1) > 1 ? ' in each blend' : ''} can’t be weighed well on a scale of {f.stepG} g steps: make{' '}
          {grams(f.lotG, units)} or more{(blends?.count ?? 1) > 1 ? ' in a blend' : ''}, or use a finer scale.
        </Notice>
      ))}
    </>
  );
}

/** The order it is blended in, and the sheet to print. */
function BlendPart({
  premixId,
  worked,
  lot: { fills, blends },
  lotG,
  house: { units },
}: Part & { readonly lotG: number }) {
  return (
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
          {blends.vessel ? `, as ${blends.vessel.name.toLowerCase()} takes it` : ''}; the sheet has each.
        </p>
      ) : null}
      <ol className="grid gap-1">
        {blendSteps(worked.bag, lotG).map((s, k, all) => (
          <li key={s.massG} className="grid grid-cols-[1.6rem_1fr] gap-x-2 border-b border-line py-1.5">
            <strong>{k + 1}</strong>
            <span>
              {k === 0 ? '' : 'Into that: '}
              {s.parts.map((p) => `${grams(p.grams, units)} ${kitchenName(p.ingredient).toLowerCase()}`).join(', ')}
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
        Then turned through ten times. Check: a spoon from the top, the middle and the bottom, each in hot water, foams
        alike; if one does not, mix on.
      </p>
    </section>
  );
}

/** What is written of the lot: by whom, what was checked, and a note. */
function WrittenPart({ typed: { rest, madeBy, checked, note }, set, lot, errors }: Part) {
  return (
    <div className="flex flex-wrap gap-3">
      <Field
        label="Left in the sieve"
        unit="g"
        inputMode="decimal"
        className="w-32"
        value={rest}
        error={!(lot.restG >= 0) ? 'A number of grams.' : errors.restG}
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
  );
}
