'use client';
import { useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import { type PersonMark, ROLE_WORDS } from '@/core/morning/people';
import { PersonMarkIcon } from '../drawings/person-mark';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { DeleteButton } from '../kit/delete-button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Link } from '../kit/link';
import { Notice } from '../kit/notice';
import { useRefresh } from '../kit/refresh';
import { toast } from '../kit/toast';

interface Signer {
  readonly id: string;
  readonly name: string;
  readonly role: 'lead' | 'cook' | 'helper';
  readonly mark: PersonMark;
  readonly hasPin: boolean;
}
type Ask = (input: unknown) => Promise<ActionResult>;

const MAY: Readonly<Record<Signer['role'], string>> = {
  lead: 'everything but pairing',
  cook: 'makes, weighs, judges and notes',
  helper: 'ticks and taps of what is at hand',
};

/** Who signs on the paired devices, and with that what each may do there. */
export function SignersPart({
  people,
  give,
  take,
}: {
  readonly people: readonly Signer[];
  readonly give: Ask;
  readonly take: Ask;
}) {
  const any = people.some((p) => p.hasPin);
  return (
    <section aria-label="Who signs" className="grid gap-3 rounded-plate bg-white p-4">
      <h2 className="text-xl">Who signs</h2>
      <p className="text-soft">
        {any
          ? 'On a paired device a person taps their name and types their PIN. Who has not signed sees what is served and what is in it, no more.'
          : 'Nobody has a PIN: whoever uses a paired device can do everything but pair others. With the first PIN each device asks who it is.'}
      </p>
      {people.length === 0 ? (
        <p>
          Nobody is named yet.{' '}
          <Link href="/house#people" className="font-semibold text-rim underline">
            Name who works here
          </Link>
        </p>
      ) : null}
      {any && !people.some((p) => p.hasPin && p.role === 'lead') ? (
        <Notice weight="look">Nobody who leads has a PIN: what only a lead may do is done on this screen alone.</Notice>
      ) : null}
      <ul className="divide-y divide-line">
        {people.map((p) => (
          <SignerRow key={p.id} person={p} give={give} take={take} />
        ))}
      </ul>
    </section>
  );
}

function SignerRow({ person: p, give, take }: { readonly person: Signer; readonly give: Ask; readonly take: Ask }) {
  const refresh = useRefresh();
  const asking = useAsking();
  const [pin, setPin] = useState<string | null>(null);
  const keep = async (): Promise<void> => {
    const a = await asking.ask(() => give({ person: p.id, pin }));
    if (!a?.ok) return;
    toast(`${p.name} signs with the new PIN`);
    setPin(null);
    refresh();
  };
  return (
    <li className="grid gap-2 py-2">
      <div className="flex flex-wrap items-center gap-x-3">
        <PersonMarkIcon mark={p.mark} />
        <span className="min-w-44 flex-1 [overflow-wrap:anywhere]">
          <strong>{p.name}</strong>, {ROLE_WORDS[p.role]}
          <span className="block text-sm text-soft">{p.hasPin ? MAY[p.role] : 'no PIN'}</span>
        </span>
        {pin === null ? (
          <Button
            aria-label={p.hasPin ? `Another PIN for ${p.name}` : `PIN for ${p.name}`}
            onClick={() => {
              asking.touched();
              setPin('');
            }}
          >
            {p.hasPin ? 'Another PIN' : 'Give a PIN'}
          </Button>
        ) : null}
        {p.hasPin && pin === null ? (
          <DeleteButton
            bare
            name={`the PIN of ${p.name}`}
            label="Take away"
            says="They sign no more, and are signed off where they are signed in. What they did stays theirs."
            of={asking}
            onDelete={async () => {
              const a = await asking.ask(() => take({ person: p.id }));
              if (a?.ok) refresh();
              return a?.ok === true;
            }}
          />
        ) : null}
      </div>
      {pin === null ? null : (
        <Form className="flex flex-wrap items-end gap-2" act={keep}>
          <Field
            label={`New PIN of ${p.name}, 4 to 12 figures`}
            inputMode="numeric"
            autoComplete="off"
            maxLength={12}
            value={pin}
            error={asking.errors.pin}
            onChange={(e) => {
              setPin(e.target.value);
              asking.touched();
            }}
          />
          <Button type="submit" look="now" disabled={asking.busy}>
            Keep it
          </Button>
          <Button onClick={() => setPin(null)}>Leave it</Button>
          <RefusalNotice text={asking.errors.pin ? null : asking.refusal} />
        </Form>
      )}
    </li>
  );
}
