'use client';
import { useState } from 'react';
import type { Lot, LotChange } from '@/core/premix/premix';
import { typedNumber } from '@/core/quantity/typed';
import type { Refused } from '../kit/answer';
import { act } from '../kit/answer';
import { RefusalNotice, unsigned, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { useRefresh } from '../kit/refresh';
import { Switch } from '../kit/switch';
import { useTime } from '../kit/time';
import { toast } from '../kit/toast';

type Ask = (input: unknown) => Promise<{ readonly ok: true; readonly id: string } | Refused>;

/** A lot put right, or voided: always with who and why, and what it was stays beside it. */
export function LotChanges({
  lot,
  changes,
  correct,
  voidIt,
  weighed,
}: {
  readonly lot: Lot;
  readonly changes: readonly LotChange[];
  readonly correct: Ask;
  readonly voidIt: Ask;
  /** Things that were weighed in the records: their sacks are put right at their weighing. */
  readonly weighed: readonly string[];
}) {
  const refresh = useRefresh();
  const time = useTime();
  const asking = useAsking();
  const [doing, setDoing] = useState<'correct' | 'void' | null>(null);
  const [bags, setBags] = useState(String(lot.bags));
  const [own, setOwn] = useState<Readonly<Record<string, readonly string[]>>>(
    // a box for each sack that was noted; what was weighed of it stays
    Object.fromEntries(
      lot.contents
        .filter((c) => !weighed.includes(c.id))
        .map((c) => [c.id, c.sacks?.length ? c.sacks.map((s) => s.lot) : [c.lot]]),
    ),
  );
  const [checked, setChecked] = useState(lot.checked);
  const [note, setNote] = useState(lot.note);
  const [who, setWho] = useState('');
  const [why, setWhy] = useState('');
  const [back, setBack] = useState(false);
  const n = typedNumber(bags, 'bags');
  const send = async (): Promise<void> => {
    if (
      asking.found({
        ...unsigned(who, why),
        ...(doing === 'correct' && !(Number.isInteger(n) && n >= 1) && { bags: 'Bags come whole.' }),
      })
    )
      return;
    const a = await asking.ask((requestId) =>
      doing === 'void'
        ? act('void-lot', `lot ${lot.number} cancelled`, voidIt, { lotId: lot.id, who, why, back, requestId })
        : act('correct-lot', `lot ${lot.number} corrected`, correct, {
            requestId,
            lotId: lot.id,
            bags: n,
            sackLots: own,
            checked,
            note,
            who,
            why,
          }),
    );
    if (!a?.ok) return;
    toast(doing === 'void' ? 'The lot is cancelled, and kept' : 'Corrected; what it was is kept');
    setDoing(null);
    setWho('');
    setWhy('');
    refresh();
  };
  const { errors } = asking;
  return (
    <section aria-label="Put right" className="grid gap-3">
      <h2 className="text-xl">Put right</h2>
      {changes.length > 0 ? (
        <ul>
          {changes.map((c) => (
            <li key={c.id} className="border-b border-line py-1.5">
              <span suppressHydrationWarning>{time.andDay(c.at.getTime(), Date.now())}</span>, {c.who}: {c.why}.{' '}
              <span className="text-soft">
                Before: {c.was.bags} bags
                {c.was.contents.some((x) => x.lot)
                  ? `; ${c.was.contents.flatMap((x) => (x.lot ? [`${x.name.toLowerCase()} ${x.lot}`] : [])).join(', ')}`
                  : ''}
                {c.was.checked ? `; ${c.was.checked}` : ''}.
              </span>
            </li>
          ))}
        </ul>
      ) : null}
      {lot.voidedAt ? null : doing === null ? (
        <div className="flex flex-wrap gap-3">
          <Button onClick={() => setDoing('correct')}>Correct this lot …</Button>
          <Button onClick={() => setDoing('void')}>Cancel this lot …</Button>
        </div>
      ) : (
        <Form
          noValidate
          className="grid gap-3 rounded-plate bg-white p-4"
          aria-label={doing === 'void' ? 'Cancel this lot' : 'Correct this lot'}
          act={send}
        >
          {doing === 'correct' ? (
            <>
              <Field
                label="Bags made"
                inputMode="numeric"
                className="w-36"
                value={bags}
                error={errors.bags}
                onChange={(e) => setBags(e.target.value)}
              />
              {lot.contents.flatMap((c) =>
                (own[c.id] ?? []).map((x, n, all) => (
                  <Field
                    // biome-ignore lint/suspicious/noArrayIndexKey: sacks stand in the order they were opened
                    key={`${c.id} ${n}`}
                    label={`Lot of ${c.name}${all.length > 1 ? `, sack ${n + 1}` : ''}`}
                    maxLength={40}
                    value={x}
                    onChange={(e) => setOwn({ ...own, [c.id]: all.map((y, k) => (k === n ? e.target.value : y)) })}
                  />
                )),
              )}
              {weighed.length > 0 ? (
                <p className="text-soft">What was weighed in, and its sacks, is put right at its weighing.</p>
              ) : null}
              <Field label="Checked" value={checked} onChange={(e) => setChecked(e.target.value)} />
              <Field label="Note" value={note} onChange={(e) => setNote(e.target.value)} />
            </>
          ) : (
            <>
              <p>
                Nothing leaves a cancelled lot any more, in bags of whatever size. It stays in the books, with what has
                left it.
              </p>
              <Switch label="it was never blended: what it took goes back into stock" on={back} onSwitch={setBack} />
              {errors.back ? <p className="font-semibold text-berry">{errors.back}</p> : null}
            </>
          )}
          <div className="flex flex-wrap items-start gap-3">
            <Field
              label="Who"
              className="w-40"
              value={who}
              error={errors.who}
              onChange={(e) => setWho(e.target.value)}
            />
            <Field
              label="Why"
              className="min-w-44 flex-1"
              value={why}
              error={errors.why}
              onChange={(e) => setWhy(e.target.value)}
            />
          </div>
          <RefusalNotice text={asking.refusal} waits={asking.waits} />
          <div className="flex flex-wrap gap-3">
            <Button type="submit" look={doing === 'void' ? 'stop' : 'now'} disabled={asking.busy}>
              {doing === 'void' ? 'Cancel it' : 'Correct it'}
            </Button>
            <Button look="bare" onClick={() => setDoing(null)}>
              Leave it as it is
            </Button>
          </div>
        </Form>
      )}
    </section>
  );
}
