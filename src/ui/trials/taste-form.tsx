'use client';
import { useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import { type Ballot, type BowlLetter, isSameTaster, nextOrder } from '@/core/judge/taste';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { useRefresh } from '../kit/refresh';

interface Taster {
  readonly name: string;
  readonly personId: string | null;
}

export function TasteForm({
  trialId,
  bowls,
  people,
  maker,
  said,
  tell,
}: {
  readonly trialId: string;
  readonly bowls: readonly BowlLetter[];
  readonly people: readonly { readonly id: string; readonly name: string }[];
  /** Who mixed; empty: nobody has said. */
  readonly maker: string;
  /** Who has tasted, and in which order; not what was picked. */
  readonly said: readonly Pick<Ballot, 'taster' | 'tasted'>[];
  readonly tell: (input: unknown) => Promise<ActionResult>;
}) {
  const [taster, setTaster] = useState<(Taster & { readonly order: readonly BowlLetter[] }) | null>(null);
  const begin = (t: Taster): void => {
    const others = said.filter((s) => !isSameTaster(s.taster, t.name));
    setTaster({
      ...t,
      order: nextOrder(
        bowls,
        others.map((s) => s.tasted),
      ),
    });
  };
  if (!taster)
    return (
      <WhoTastes
        people={people.filter((p) => !isSameTaster(p.name, maker))}
        maker={maker}
        had={(who) => said.some((s) => isSameTaster(s.taster, who))}
        onTaster={begin}
      />
    );
  return <Picking key={taster.name} trialId={trialId} taster={taster} tell={tell} onDone={() => setTaster(null)} />;
}

function WhoTastes({
  people,
  maker,
  had,
  onTaster,
}: {
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly maker: string;
  readonly had: (name: string) => boolean;
  readonly onTaster: (t: Taster) => void;
}) {
  const [name, setName] = useState('');
  const [wrong, setWrong] = useState<string | undefined>();
  const other = (): void => {
    const who = name.trim();
    if (who === '') setWrong('Write a first name or nickname.');
    else if (isSameTaster(who, maker)) setWrong(`${maker} mixed the bowls and knows the letters.`);
    else {
      const known = people.find((p) => isSameTaster(p.name, who));
      onTaster({ name: who, personId: known?.id ?? null });
    }
  };
  return (
    <section aria-label="Who tastes" className="grid gap-4">
      <h2 className="text-2xl">Who tastes?</h2>
      {people.length > 0 ? (
        <div className="flex flex-wrap gap-2">
          {people.map((p) => (
            <Button key={p.id} size="work" onClick={() => onTaster({ name: p.name, personId: p.id })}>
              {p.name}
              {had(p.name) ? <span className="font-normal text-soft">has tasted</span> : null}
            </Button>
          ))}
        </div>
      ) : null}
      <Form act={other} className="flex flex-wrap items-start gap-3">
        <Field
          label={people.length > 0 ? 'Somebody else' : 'First name or nickname'}
          value={name}
          maxLength={40}
          error={wrong}
          onChange={(e) => {
            setName(e.target.value);
            setWrong(undefined);
          }}
          className="w-64"
          inputClass="!min-h-14 text-lg"
        />
        <Button type="submit" size="work" look={people.length > 0 ? 'plain' : 'now'} className="mt-6">
          Taste
        </Button>
      </Form>
      {maker ? <p className="text-soft">{maker} mixed the bowls and does not taste.</p> : null}
    </section>
  );
}

const PLACES = ['best', 'second', 'third', 'fourth'];

function Picking({
  trialId,
  taster,
  tell,
  onDone,
}: {
  readonly trialId: string;
  readonly taster: Taster & { readonly order: readonly BowlLetter[] };
  readonly tell: (input: unknown) => Promise<ActionResult>;
  readonly onDone: () => void;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  const [picked, setPicked] = useState<readonly BowlLetter[]>([]);
  const { order } = taster;
  const two = order.length === 2;
  const keep = async (best: readonly BowlLetter[]): Promise<void> => {
    const a = await asking.ask((id) =>
      act('tell-taste', `what ${taster.name} tasted`, tell, {
        id,
        trialId,
        taster: taster.name,
        personId: taster.personId,
        tasted: order,
        picked: best,
      }),
    );
    if (!a?.ok) return;
    refresh();
    onDone();
  };
  return (
    <section aria-label={`${taster.name} tastes`} className="grid gap-4">
      <h2 className="text-2xl [overflow-wrap:anywhere]">{taster.name} tastes</h2>
      <p className="text-xl">
        In this order: <strong>{order.join(', then ')}</strong>. A sip of water between.
      </p>
      <p className="text-xl" aria-live="polite">
        {picked.length === 0
          ? 'Which is best?'
          : `${picked.map((b, n) => `${b} ${PLACES[n]}`).join(', ')}. Which next?`}
      </p>
      <div className="flex flex-wrap gap-3">
        {order.map((b) => (
          <Button
            key={b}
            size="work"
            aria-label={`Bowl ${b}`}
            disabled={asking.busy || picked.includes(b)}
            className="!min-h-24 min-w-28 font-sign !text-5xl"
            onClick={() => (two ? void keep([b]) : setPicked([...picked, b]))}
          >
            {b}
          </Button>
        ))}
      </div>
      <div className="flex flex-wrap gap-2">
        {picked.length > 0 ? (
          <>
            <Button look="now" size="work" disabled={asking.busy} onClick={() => void keep(picked)}>
              That is it
            </Button>
            <Button size="work" onClick={() => setPicked([])}>
              Pick anew
            </Button>
          </>
        ) : (
          <Button size="work" disabled={asking.busy} onClick={() => void keep([])}>
            No preference
          </Button>
        )}
        <Button look="bare" size="work" onClick={onDone}>
          Somebody else tastes
        </Button>
      </div>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </section>
  );
}
