'use client';
import { useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import { type MorningRole, ROLES } from '@/core/morning/morning';
import { type KitchenPerson, MOST_PERSON_CHARS, nextMark, PERSON_MARKS, ROLE_WORDS } from '@/core/morning/people';
import { PersonMarkIcon } from '../drawings/person-mark';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { DeleteButton } from '../kit/delete-button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { useRefresh } from '../kit/refresh';
import { toast } from '../kit/toast';
import { Fold } from './fold';

type Ask = (input: unknown) => Promise<ActionResult>;

const ROLE_OPTIONS = ROLES.map((value) => ({ value, label: ROLE_WORDS[value] }));
const MARK_OPTIONS = PERSON_MARKS.map((value) => ({ value, label: value }));

/** Who works in this kitchen: names that second looks and books offer. Nothing else is kept of anybody. */
export function PeoplePart({
  people,
  keep,
  erase,
}: {
  readonly people: readonly KitchenPerson[];
  readonly keep: Ask;
  readonly erase: Ask;
}) {
  return (
    <Fold id="people" title="People" says={people.map((p) => p.name).join(' · ') || 'nobody is named yet'}>
      <p className="mb-3 max-w-prose text-soft">
        A first name or a nickname is enough: it is offered where somebody signs, at a second look or in a mix’s books,
        and stands on no label and no notice.
      </p>
      {people.length > 0 ? (
        <ul aria-label="People of the kitchen" className="mb-3 grid gap-2 lg:grid-cols-2">
          {people.map((p) => (
            <PersonRow key={`${p.id} ${p.revision}`} person={p} keep={keep} erase={erase} />
          ))}
        </ul>
      ) : null}
      <NewPerson people={people} keep={keep} />
    </Fold>
  );
}

function PersonRow({
  person: p,
  keep,
  erase,
}: {
  readonly person: KitchenPerson;
  readonly keep: Ask;
  readonly erase: Ask;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  const change = async (to: Partial<KitchenPerson>): Promise<void> => {
    const { id, name, role, mark, revision } = { ...p, ...to };
    const a = await asking.ask(() =>
      act('keep-person', `${p.name}, changed`, keep, { id, name, role, mark, revision }),
    );
    if (a?.ok) refresh();
  };
  return (
    <li className="grid content-start gap-2 rounded-plate bg-white px-4 py-3">
      <div className="flex items-center gap-3">
        <PersonMarkIcon mark={p.mark} />
        <h3 className="min-w-0 text-xl [overflow-wrap:anywhere]">{p.name}</h3>
      </div>
      {/* biome-ignore lint/a11y/useSemanticElements: a fieldset lays out no row in every browser */}
      <div role="group" aria-label={p.name} className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <Choice
          inline
          narrow
          label="Takes part"
          value={p.role}
          options={ROLE_OPTIONS}
          onChange={(role) => void change({ role })}
        />
        <Choice
          inline
          narrow
          label="Mark"
          value={p.mark}
          options={MARK_OPTIONS}
          onChange={(mark) => void change({ mark })}
        />
        <DeleteButton
          bare
          name={p.name}
          label="Erase"
          says="The name goes from this list. Where it was signed in a record by hand it stays as it was written."
          of={asking}
          onDelete={async () => {
            const a = await asking.ask(() => act('erase-person', `${p.name}, erased`, erase, { id: p.id }));
            if (a?.ok) refresh();
            return a?.ok === true;
          }}
        />
      </div>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </li>
  );
}

function NewPerson({ people, keep }: { readonly people: readonly KitchenPerson[]; readonly keep: Ask }) {
  const refresh = useRefresh();
  const asking = useAsking();
  const [name, setName] = useState('');
  const [role, setRole] = useState<MorningRole>('helper');
  const add = async (): Promise<void> => {
    if (name.trim() === '') {
      asking.found({ name: 'A first name or nickname.' });
      return;
    }
    const a = await asking.ask((id) =>
      act('keep-person', `${name.trim()}, new in the kitchen`, keep, {
        id,
        name,
        role,
        mark: nextMark(people),
        revision: null,
      }),
    );
    if (!a?.ok) return;
    toast(`${name.trim()} is in the kitchen`);
    setName('');
    refresh();
  };
  return (
    <Form noValidate className="flex flex-wrap items-start gap-3" act={add}>
      <Field
        label="Somebody new"
        value={name}
        maxLength={MOST_PERSON_CHARS}
        error={asking.errors.name}
        onChange={(e) => {
          asking.touched();
          setName(e.target.value);
        }}
        className="w-64"
      />
      <Choice label="Takes part" value={role} options={ROLE_OPTIONS} onChange={setRole} />
      <Button type="submit" size="work" className="mt-6" disabled={asking.busy}>
        Add
      </Button>
      <RefusalNotice text={Object.keys(asking.errors).length > 0 ? null : asking.refusal} waits={asking.waits} />
    </Form>
  );
}
