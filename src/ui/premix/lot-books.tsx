'use client';
import { type ComponentProps, useState } from 'react';
import { readNumbers } from '@/core/premix/blended';
import {
  bagsLeft,
  entryKind,
  entryWords,
  heldOf,
  type Lot,
  type LotUse,
  numbersSaid,
  readBagCount,
  sayBags,
  standingUses,
  USE_KINDS,
} from '@/core/premix/premix';
import { typedNumber } from '@/core/quantity/typed';
import type { Refused } from '../kit/answer';
import { act } from '../kit/answer';
import { type Asking, RefusalNotice, unsigned, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { Field, PEOPLE_LIST } from '../kit/field';
import { Link } from '../kit/link';
import { useRefresh } from '../kit/refresh';
import { useTime } from '../kit/time';
import { toast } from '../kit/toast';
import { useUnits } from '../kit/units';

type Answer = Promise<{ readonly ok: true; readonly id: string } | Refused>;
type Ask = (input: unknown) => Answer;

const KIND_LABELS: Readonly<Record<(typeof USE_KINDS)[number], string>> = {
  sale: 'sold',
  gift: 'given',
  bin: 'thrown away',
  other: 'otherwise',
};

/** A box of a form of the books, with what is wrong in it; what is typed is another press. */
const fieldOf =
  (asking: Asking) =>
  (
    label: string,
    name: string,
    value: string,
    set: (v: string) => void,
    more: Pick<ComponentProps<typeof Field>, 'className' | 'placeholder' | 'inputMode' | 'list' | 'error'>,
  ) => (
    <Field
      label={label}
      value={value}
      error={asking.errors[name]}
      onChange={(e) => {
        asking.touched();
        set(e.target.value);
      }}
      inputClass="placeholder:text-soft"
      {...more}
    />
  );

/** Bags that leave without a batch: who has them, how many, for how much. */
export function BagsGone({ lot, gone }: { readonly lot: Lot; readonly gone: Ask }) {
  const refresh = useRefresh();
  const units = useUnits();
  const asking = useAsking();
  const { errors, busy, touched } = asking;
  const [kind, setKind] = useState<(typeof USE_KINDS)[number]>('sale');
  const [bags, setBags] = useState('1');
  const [who, setWho] = useState('');
  const [why, setWhy] = useState('');
  const [price, setPrice] = useState('');
  const [numbers, setNumbers] = useState('');
  const which = readNumbers(numbers);
  const read = readBagCount(bags, bagsLeft(lot), lot.bagG);
  const paid = price.trim() === '' ? null : typedNumber(price.replace(units.currency, ''), '');
  const handed = kind === 'sale' || kind === 'gift';
  const wrong = {
    ...(handed && who.trim() === '' && { who: 'Write who has them.' }),
    ...(!handed && why.trim() === '' && { why: 'Write why.' }),
    ...(paid !== null && !(paid >= 0) && { price: 'A number, or nothing.' }),
    ...(which === null && { numbers: 'Numbers, as 3, 7 to 9.' }),
  };
  const send = async (): Promise<void> => {
    if (read.error || asking.found(wrong)) return;
    const a = await asking.ask((requestId) =>
      act('bags-gone', `${bags} bags of lot ${lot.number}`, gone, {
        lotId: lot.id,
        bags: read.bags,
        kind,
        who,
        why,
        price: kind === 'sale' ? paid : null,
        numbers: which ?? [],
        requestId,
      }),
    );
    if (!a?.ok) return;
    toast('In the books');
    setBags('1');
    setNumbers('');
    setWhy('');
    refresh();
  };
  const field = fieldOf(asking);
  return (
    <section aria-label="Bags that leave" className="rounded-plate bg-white p-4">
      <details>
        <summary className="w-fit cursor-pointer rounded">
          <h2 className="inline text-xl">Bags that leave</h2>
        </summary>
        <div className="mt-3 grid gap-3">
          <Taps
            label="How they leave"
            value={kind}
            onChange={(v) => {
              if (v === '') return;
              touched();
              setKind(v);
            }}
            options={USE_KINDS.map((v) => ({ value: v, label: KIND_LABELS[v] }))}
          />
          <div className="flex flex-wrap items-start gap-3">
            {field('Bags gone', 'bags', bags, setBags, {
              error: read.error ?? errors.bags,
              className: 'w-36',
              placeholder: '2, 1/2, 250 g',
            })}
            {lot.firstBag
              ? field('Their numbers', 'numbers', numbers, setNumbers, {
                  className: 'w-36',
                  placeholder: '3, 7 to 9',
                })
              : null}
            {field(handed ? 'Who has them' : 'By whom', 'who', who, setWho, {
              className: 'min-w-44 flex-1',
              ...(!handed && { list: PEOPLE_LIST }),
            })}
            {kind === 'sale'
              ? field(`Price for all, ${units.currency}`, 'price', price, setPrice, {
                  className: 'w-36',
                  placeholder: 'none',
                })
              : null}
            {field(handed ? 'Note' : 'Why', 'why', why, setWhy, {
              className: 'min-w-44 flex-1',
              placeholder: handed ? '' : 'torn, past its date',
            })}
          </div>
          <RefusalNotice text={asking.refusal} waits={asking.waits} />
          <Button
            className="justify-self-start"
            size="work"
            disabled={busy || read.error !== null}
            onClick={() => void send()}
          >
            Write it in the books
          </Button>
        </div>
      </details>
    </section>
  );
}

/** Where a lot's bags went; an entry is never rubbed out, it is taken back by another, or some of it comes back. */
export function LotBooks({
  lot,
  uses,
  undo,
  back,
  count,
}: {
  readonly lot: Lot;
  readonly uses: readonly LotUse[];
  readonly undo: Ask;
  readonly back: Ask;
  readonly count: Ask;
}) {
  const units = useUnits();
  const time = useTime();
  const [open, setOpen] = useState<string | null>(null);
  const stand = standingUses(uses);
  return (
    <section aria-label="Where its bags went">
      <h2 className="mb-1 text-xl">Where its bags went</h2>
      {uses.length === 0 ? <p className="text-soft">None has left yet.</p> : null}
      <ul>
        {uses.map((u) => {
          const stands = stand.includes(u);
          const held = heldOf(u, uses);
          return (
            <li key={u.id} className="grid gap-1 border-b border-line py-1.5">
              <div className="flex flex-wrap items-center gap-x-2">
                <span className={stands ? '' : 'text-soft'}>
                  <strong>{u.bags < 0 ? `back ${sayBags(-u.bags)}` : sayBags(u.bags)}</strong>{' '}
                  {Math.abs(u.bags) <= 1 ? 'bag' : 'bags'},{' '}
                  <span suppressHydrationWarning>{time.andDay(u.usedAt.getTime(), Date.now())}</span>:{' '}
                  {u.batchId && u.bags > 0 ? (
                    <Link className="font-semibold text-rim underline" href={`/batches/${u.batchId}/plan`}>
                      {u.batchName}
                    </Link>
                  ) : (
                    entryWords(u, units)
                  )}
                  {u.numbers.length > 0 ? `, ${u.numbers.length === 1 ? 'bag' : 'bags'} ${numbersSaid(u.numbers)}` : ''}
                  {stands && held.bags !== u.bags ? ` (${sayBags(held.bags)} still out)` : ''}
                  {stands || u.undoes || u.returns ? '' : ' (taken back)'}
                </span>
                {stands && u.kind !== 'batch' && held.bags !== 0 ? (
                  <Button
                    className="ml-auto"
                    aria-expanded={open === u.id}
                    aria-label={`Take back: ${sayBags(u.bags)}, ${entryKind(u)} ${u.who}`}
                    onClick={() => setOpen(open === u.id ? null : u.id)}
                  >
                    Take back …
                  </Button>
                ) : null}
              </div>
              {open === u.id ? (
                <ComesBack use={u} held={held} lot={lot} undo={undo} back={back} onDone={() => setOpen(null)} />
              ) : null}
            </li>
          );
        })}
      </ul>
      <p className="mt-2 text-[15px] text-soft">
        {sayBags(bagsLeft(lot))} left of {lot.bags} made. Nothing is deleted.
      </p>
      {lot.voidedAt ? null : <CountBags lot={lot} count={count} />}
    </section>
  );
}

const WAYS_BACK = [
  { value: 'mistake', label: 'It was a mistake' },
  { value: 'shelf', label: 'Given back, to stock' },
  { value: 'bin', label: 'Given back, thrown away' },
] as const;

/** An entry that was a mistake, or bags of it that are given back. */
function ComesBack({
  use,
  held,
  lot,
  undo,
  back,
  onDone,
}: {
  readonly use: LotUse;
  readonly held: ReturnType<typeof heldOf>;
  readonly lot: Lot;
  readonly undo: Ask;
  readonly back: Ask;
  readonly onDone: () => void;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  // what has come back in part, and what a count found, is one or the other alone
  const ways = WAYS_BACK.filter((w) => (w.value === 'mistake' ? held.bags === use.bags : use.kind !== 'count'));
  const [way, setWay] = useState<(typeof WAYS_BACK)[number]['value']>(ways[0]?.value ?? 'shelf');
  const [bags, setBags] = useState(sayBags(held.bags));
  const [numbers, setNumbers] = useState('');
  const [who, setWho] = useState('');
  const [why, setWhy] = useState('');
  const isBack = way !== 'mistake';
  const read = readBagCount(bags, held.bags, lot.bagG);
  const which = readNumbers(numbers);
  const send = async (): Promise<void> => {
    const wrong = {
      ...(isBack && read.error !== null && { bags: read.error }),
      ...(isBack && which === null && { numbers: 'Numbers, as 3, 7 to 9.' }),
      ...unsigned(who, why),
    };
    if (asking.found(wrong)) return;
    const words = `lot ${lot.number}: bags taken back`;
    const a = await asking.ask((requestId) =>
      isBack
        ? act('bags-back', words, back, {
            useId: use.id,
            bags: read.bags,
            numbers: which ?? [],
            to: way,
            who,
            why,
            requestId,
          })
        : act('undo-gone', words, undo, { useId: use.id, who, why, requestId }),
    );
    if (!a?.ok) return;
    onDone();
    refresh();
  };
  const field = fieldOf(asking);
  return (
    <div className="grid gap-2">
      {ways.length > 1 ? (
        <Taps
          label="What happened"
          value={way}
          onChange={(v) => {
            if (v === '') return;
            asking.touched();
            setWay(v);
          }}
          options={ways}
        />
      ) : null}
      <div className="flex flex-wrap items-start gap-3">
        {isBack ? field('Bags back', 'bags', bags, setBags, { className: 'w-28' }) : null}
        {isBack && held.numbers.length > 0
          ? field('Their numbers', 'numbers', numbers, setNumbers, { className: 'w-36' })
          : null}
        {field('Who', 'who', who, setWho, { className: 'w-36' })}
        {field('Why', 'why', why, setWhy, { className: 'min-w-44 flex-1' })}
        <Button className="mt-6" disabled={asking.busy} onClick={() => void send()}>
          {isBack ? 'Write it in the books' : 'Take it back'}
        </Button>
      </div>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </div>
  );
}

/** Bags as they stand on the shelf: what is missing, or found, is an entry with its reason. */
function CountBags({ lot, count }: { readonly lot: Lot; readonly count: Ask }) {
  const refresh = useRefresh();
  const asking = useAsking();
  const [counted, setCounted] = useState('');
  const [who, setWho] = useState('');
  const [why, setWhy] = useState('');
  const field = fieldOf(asking);
  const n = typedNumber(counted, 'bags');
  const send = async (): Promise<void> => {
    if (
      asking.found({
        ...(!(n >= 0) && { counted: 'Write a number of bags.' }),
        ...unsigned(who, why),
      })
    )
      return;
    const a = await asking.ask((requestId) =>
      act('count-bags', `a count of lot ${lot.number}`, count, { lotId: lot.id, counted: n, who, why, requestId }),
    );
    if (!a?.ok) return;
    toast('Counted: the books say so');
    setCounted('');
    setWhy('');
    refresh();
  };
  return (
    <details className="mt-1">
      <summary className="min-h-11 w-fit cursor-pointer content-center font-semibold text-rim">Count them</summary>
      <div className="flex flex-wrap items-start gap-3">
        {field('Bags there are', 'counted', counted, setCounted, { className: 'w-36', inputMode: 'decimal' })}
        {field('Counted by', 'who', who, setWho, { className: 'w-36' })}
        {field('Reason', 'why', why, setWhy, { className: 'min-w-44 flex-1' })}
        <Button className="mt-6" disabled={asking.busy} onClick={() => void send()}>
          Write the count
        </Button>
      </div>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </details>
  );
}
