'use client';
import { useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { DeleteButton } from '../kit/delete-button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { useRefresh } from '../kit/refresh';
import { toast } from '../kit/toast';

interface Token {
  readonly id: string;
  readonly name: string;
  readonly scope: 'read' | 'write';
  readonly until: string;
  readonly isOver: boolean;
  readonly seen: string | null;
}

const SCOPE_WORDS: Readonly<Record<Token['scope'], string>> = { read: 'looks', write: 'looks and keeps formulas' };
const SCOPE_OPTIONS = (['read', 'write'] as const).map((value) => ({ value, label: SCOPE_WORDS[value] }));
const DAYS = ['7', '30', '90', '366'] as const;
const DAY_OPTIONS = DAYS.map((value) => ({ value, label: value === '366' ? 'a year' : `${value} days` }));
type Days = (typeof DAYS)[number];

/** Tokens that programs of the kitchen's network show to the interface under /api/v1. */
export function TokensPart({
  tokens,
  make,
  end,
}: {
  readonly tokens: readonly Token[];
  readonly make: (input: unknown) => Promise<ActionResult<{ readonly token: string }>>;
  readonly end: (input: unknown) => Promise<ActionResult>;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  const ending = useAsking();
  const [name, setName] = useState('');
  const [scope, setScope] = useState<Token['scope']>('read');
  const [days, setDays] = useState<Days>('90');
  const [shown, setShown] = useState<string | null>(null);
  const ask = async (): Promise<void> => {
    const a = await asking.ask(() => make({ name, scope, days: Number(days) }));
    if (!a?.ok) return;
    setShown(a.token);
    setName('');
    refresh();
  };
  return (
    <section aria-label="Programs" className="grid gap-3 rounded-plate bg-white p-4">
      <h2 className="text-xl">Programs</h2>
      <p className="text-soft">
        A program elsewhere in the network shows a token to <code>/api/v1</code>:{' '}
        <code className="[overflow-wrap:anywhere]">Authorization: Bearer …</code>
      </p>
      <ul className="divide-y divide-line empty:hidden">
        {tokens.map((t) => (
          <li key={t.id} className="flex flex-wrap items-center gap-x-3 py-2">
            <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
              <strong>{t.name}</strong> {SCOPE_WORDS[t.scope]}
              <span className="block text-sm text-soft">
                {t.isOver ? `over since ${t.until}` : `good until ${t.until}`}
                {t.seen ? `; here last ${t.seen}` : ''}
              </span>
            </span>
            <DeleteButton
              bare
              name={t.name}
              label="Take back"
              says="The program that shows it is let in no more."
              of={ending}
              onDelete={async () => {
                const a = await ending.ask(() => end({ id: t.id }));
                if (a?.ok) refresh();
                return a?.ok === true;
              }}
            />
          </li>
        ))}
      </ul>
      {shown ? (
        <div role="status" className="grid gap-2 rounded-plate bg-wash p-3">
          <p>Copy it now: it is shown this once.</p>
          <code className="[overflow-wrap:anywhere]">{shown}</code>
          <div>
            <Button
              onClick={() =>
                void navigator.clipboard.writeText(shown).then(
                  () => toast('Copied'),
                  () => toast('The browser does not let it be copied: take it by hand'),
                )
              }
            >
              Copy
            </Button>
          </div>
        </div>
      ) : null}
      <Form className="flex flex-wrap items-end gap-3" act={ask}>
        <Field
          label="Token for"
          maxLength={40}
          placeholder="Label printer"
          value={name}
          error={asking.errors.name}
          onChange={(e) => {
            setName(e.target.value);
            asking.touched();
          }}
        />
        <Choice narrow label="It" value={scope} options={SCOPE_OPTIONS} onChange={setScope} />
        <Choice narrow label="For" value={days} options={DAY_OPTIONS} onChange={setDays} />
        <Button type="submit" disabled={asking.busy}>
          Make a token
        </Button>
      </Form>
      <RefusalNotice text={asking.errors.name ? null : asking.refusal} />
    </section>
  );
}
