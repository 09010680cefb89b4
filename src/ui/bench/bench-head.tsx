'use client';
import { Redo2, Undo2 } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { type Formula, kindIdOf, MOST_NAME_CHARS, schoolIdOf, withEndKind } from '@/core/formula/formula';
import { KINDS, type KindId, kindById, schoolOf } from '@/core/formula/kinds';
import { Button, lookOf } from '../kit/button';
import { Choice } from '../kit/choice';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Link } from '../kit/link';
import { toast } from '../kit/toast';
import { Way, type WayStep } from '../kit/way';
import type { FormulaActs } from '../shared/formula-menu';
import type { BenchAction, BenchState } from './state';
import type { Saving } from './use-saving';
import { WaysPopover } from './ways';

// a formula that is not saved yet has none
const FormulaMenu = dynamic(() => import('../shared/formula-menu').then((m) => m.FormulaMenu));

interface Props {
  readonly state: BenchState;
  readonly saving: Saving;
  /** Something stands to be taken or refused: that is the thing to do now, not saving. */
  readonly busy: boolean;
  readonly send: (a: BenchAction) => void;
  /** Where the card stands on its way. */
  readonly step: readonly [at: WayStep, aside: string];
  readonly acts: FormulaActs;
  readonly archived: boolean;
}

const FORK_NAMES = ['sweet', 'savoury'] as const;

/** The head of the Bench: what it is called and meant to be, its ways, saving and making. */
export function BenchHead({ state, saving, busy, send, step, acts, archived }: Props) {
  const router = useRouter();
  const { formula, house, end } = state;
  const { formulaId, basedOn, dirty } = saving;
  const kind = kindById(kindIdOf(formula, end));
  const setKind = (id: KindId): void => {
    // of two ends, the one that is looked at
    send({ do: 'set', part: withEndKind(formula, end ?? 'a', id, kindById(id).schools[0].id), place: null });
  };
  const setSchool = (school: string): void => {
    const ends: Formula['ends'] = formula.ends && [
      formula.ends[0].id === end ? { ...formula.ends[0], school } : formula.ends[0],
      formula.ends[1].id === end ? { ...formula.ends[1], school } : formula.ends[1],
    ];
    send({ do: 'set', part: ends ? { ends } : { school }, place: null });
  };
  const forkIt = (): void => {
    const second = kind.schools.find((s) => s.id === FORK_NAMES[1])?.id ?? formula.school;
    send({ do: 'fork', names: FORK_NAMES, schools: [formula.school, second] });
  };
  const make = (): void => {
    if (dirty || !formulaId) toast('Save first: a batch is made from a saved version.');
    else router.push(`/formulas/${formulaId}/plan?version=${basedOn}${end ? `&end=${end}` : ''}`);
  };
  return (
    <>
      <div className="mb-2">
        <Way at={step[0]} aside={step[1]} />
      </div>
      <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
        <Field
          label={formulaId ? `Formula, version ${basedOn}${dirty ? ', changed since' : ''}` : 'New formula'}
          value={formula.name}
          maxLength={MOST_NAME_CHARS}
          placeholder="Name it"
          error={saving.errors['formula.name']}
          onChange={(e) => send({ do: 'set', part: { name: e.target.value }, place: 'name' })}
          className="min-w-56 flex-1"
          inputClass="font-sign !text-[22px] font-extrabold placeholder:font-normal placeholder:text-soft"
        />
        <Choice
          label="Kind"
          value={kind.id}
          onChange={setKind}
          options={KINDS.map((k) => ({ value: k.id, label: k.name }))}
        />
        {kind.schools.length > 1 ? (
          <Choice
            label="Style"
            value={schoolOf(kind, schoolIdOf(formula, end)).id}
            onChange={setSchool}
            options={kind.schools.map((s) => ({ value: s.id, label: s.name }))}
          />
        ) : null}
        <Field
          data-own-undo
          label="What changed"
          value={saving.note}
          maxLength={500}
          placeholder={formulaId ? 'optional' : 'first version'}
          onChange={(e) => saving.setNote(e.target.value)}
          className="w-44"
        />
        <div className="flex flex-wrap gap-1">
          <Button
            look="bare"
            aria-label="Undo"
            disabled={state.past.length === 0}
            onClick={() => send({ do: 'undo' })}
            className="!min-h-11"
          >
            <Undo2 size={20} aria-hidden />
          </Button>
          <Button
            look="bare"
            aria-label="Redo"
            disabled={state.future.length === 0}
            onClick={() => send({ do: 'redo' })}
            className="!min-h-11"
          >
            <Redo2 size={20} aria-hidden />
          </Button>
          <Form act={() => saving.save()}>
            <Button
              type="submit"
              look={dirty && !busy ? 'now' : 'plain'}
              disabled={saving.busy || (!dirty && formulaId !== null)}
              className="!min-h-11"
            >
              {saving.busy ? 'Saving' : 'Save'}
            </Button>
          </Form>
          <Button look={!dirty && formulaId && !busy ? 'now' : 'plain'} onClick={make} className="!min-h-11">
            Scale and make
          </Button>
        </div>
      </div>
      <div className="mt-1.5 flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-line pb-1.5">
        <WaysPopover
          formula={formula}
          kind={kind}
          house={house}
          onChange={(part) => send({ do: 'set', part, place: null })}
        />
        <span className="ml-auto flex flex-wrap items-center justify-end gap-1">
          {formula.ends || formula.entries.length === 0 ? null : (
            <Button look="bare" className="!min-h-9" onClick={forkIt}>
              One base, two finishes
            </Button>
          )}
          {formulaId ? (
            <Link href={`/formulas/${formulaId}/history`} className={`${lookOf('bare')} !min-h-9`}>
              Versions and comparing
            </Link>
          ) : null}
          {formulaId ? (
            <FormulaMenu
              acts={acts}
              id={formulaId}
              name={formula.name || 'this formula'}
              number={basedOn}
              archived={archived}
              leave
            />
          ) : null}
        </span>
      </div>
    </>
  );
}
