'use client';
/** What is done with a trial as a whole, each by one press. */
import { useRouter } from 'next/navigation';
import type { ActionResult } from '@/contract/action-result';
import type { Formula } from '@/core/formula/formula';
import type { Saved } from '@/core/formula/version';
import { act, type Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { DeleteButton } from '../kit/delete-button';
import { useRefresh } from '../kit/refresh';
import { toast } from '../kit/toast';

type Act = (input: unknown) => Promise<ActionResult>;
interface OfTrial {
  readonly id: string;
  readonly name: string;
}

function OneAct({
  id,
  says,
  words,
  name,
  run,
  now = false,
}: {
  readonly id: string;
  readonly says: string;
  readonly words: string;
  readonly name: 'begin-trial' | 'open-trial';
  readonly run: Act;
  readonly now?: boolean;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  return (
    <div className="grid justify-items-start gap-2">
      <Button
        look={now ? 'now' : 'plain'}
        size="work"
        disabled={asking.busy}
        onClick={() =>
          void asking
            .ask(() => act(name, words, run, { id }))
            .then((a) => {
              if (a?.ok) refresh();
            })
        }
      >
        {says}
      </Button>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </div>
  );
}

/** Begins a batch of each bowl. */
export const BeginTrial = ({ id, name, begin }: OfTrial & { readonly begin: Act }) => (
  <OneAct now id={id} name="begin-trial" says="Begin the bowls" words={`the bowls of ${name}`} run={begin} />
);

/** Opens the letters: nobody tastes on. */
export const OpenTrial = ({ id, name, now, open }: OfTrial & { readonly now: boolean; readonly open: Act }) => (
  <OneAct now={now} id={id} name="open-trial" says="Open the letters" words={`${name}, opened`} run={open} />
);

export function DropTrial({
  id,
  name,
  drop,
  to,
  opened,
}: OfTrial & { readonly drop: Act; readonly to: string; readonly opened: boolean }) {
  const router = useRouter();
  const asking = useAsking();
  return (
    <DeleteButton
      bare
      name={name}
      label={opened ? 'Delete' : 'Give up'}
      confirm={opened ? 'Delete it' : 'Give it up'}
      says="The trial goes, with what was tasted. Batches of its bowls stay, each by itself."
      of={asking}
      onDelete={async () => {
        const a = await asking.ask(() =>
          act('drop-trial', `${name}, ${opened ? 'deleted' : 'given up'}`, drop, { id }),
        );
        if (!a?.ok) return false;
        toast(`${name}: ${opened ? 'deleted' : 'given up'}`);
        router.push(to);
        return true;
      }}
    />
  );
}

/** Makes one way of a trial the formula's new version, with why in its note. */
export function MakeVersion({
  formulaId,
  basedOn,
  newest,
  formula,
  reason,
  says,
  save,
}: {
  readonly formulaId: string;
  readonly basedOn: number;
  readonly newest: number;
  readonly formula: Formula;
  readonly reason: string;
  readonly says: string;
  readonly save: (input: unknown) => Promise<{ readonly ok: true; readonly saved: Saved } | Refused>;
}) {
  const router = useRouter();
  const asking = useAsking();
  const make = async (): Promise<void> => {
    const a = await asking.ask(
      (requestId) =>
        act('save-formula', formula.name, save, {
          formulaId,
          basedOn,
          knownNewest: newest,
          formula,
          changeNote: reason,
          requestId,
        }),
      true,
    );
    if (!a?.ok) return;
    toast(`Saved as version ${a.saved.number}`);
    router.push(`/formulas/${formulaId}`);
  };
  return (
    <div className="grid justify-items-start gap-1">
      <Button disabled={asking.busy} onClick={() => void make()}>
        {says}
      </Button>
      {newest > basedOn ? (
        <p className="text-soft">
          It is of version {basedOn}: what version {newest} changed since is not in it.
        </p>
      ) : null}
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </div>
  );
}
