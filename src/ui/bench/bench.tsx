'use client';
import { Redo2, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from 'react';
import { toast } from 'sonner';
import { analyseFormula, railOf } from '@/core/analyse';
import { type Proposal, withGrams } from '@/core/balance/bench';
import { drive } from '@/core/balance/drive';
import { differByEnd, fork, takeApart, toEnd } from '@/core/balance/lines';
import { ask, bentFrom } from '@/core/balance/ratios';
import { type Swap, swapOnly, swapRebalanced } from '@/core/balance/swaps';
import { type Formula, formulaLines, MOST_NAME_CHARS, schoolIdOf } from '@/core/formula/formula';
import { KINDS, type KindId, kindById, RAIL_NAMES, type Rail, schoolOf } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/ways';
import { lift, percent } from '@/core/quantity/say';
import { Button, lookOf } from '../kit/button';
import { Choice, Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { Balance } from './balance';
import { diffSheet, workedAs } from './diff';
import { type Draft, keepDraft, readDraft } from './draft';
import { EndsBar } from './ends-bar';
import { DrainedDialog, DriveDialog, OpenedDialog } from './line-dialogs';
import type { LineTools } from './line-tools';
import { ProposalBar } from './proposal-bar';
import { rounded } from './rails';
import { PasteCard, Sheet } from './sheet';
import { type Solver, startSolver } from './solver';
import { StartForm } from './start-form';
import { benchReducer, startBench } from './state';
import { SwapDialog } from './swap-dialog';
import { WaysPopover } from './ways';

export interface SaveInput {
  readonly formulaId: string | null;
  readonly basedOn: number | null;
  readonly knownNewest: number | null;
  readonly formula: Formula;
  readonly changeNote: string;
}

export type SaveAnswer =
  | {
      readonly ok: true;
      readonly saved: {
        readonly formulaId: string;
        readonly number: number;
        readonly passedBy: { readonly number: number } | null;
        readonly passedByAt: string | null;
      };
    }
  | { readonly ok: false; readonly message: string; readonly fields: Readonly<Record<string, string>> };

interface Props {
  readonly formulaId: string | null;
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly number: number | null;
  readonly newest: number | null;
  readonly save: (input: SaveInput) => Promise<SaveAnswer>;
}

interface Passed {
  readonly mine: number;
  readonly theirs: number;
}

/** What stands to be taken or refused. */
interface Pending {
  readonly proposals: readonly Proposal[];
  readonly at: number;
  /** Rails that were dragged for it, and where to; a further drag adds to them. */
  readonly wishes: Readonly<Partial<Record<Rail, number>>>;
}

type Asking = { readonly what: 'swap' | 'drive' | 'opened' | 'drained'; readonly key: string } | null;

/** A box with words of its own takes them back itself; an empty one leaves Ctrl+Z to the bench. */
const undoesItself = (t: EventTarget | null): boolean =>
  (t instanceof HTMLInputElement || t instanceof HTMLTextAreaElement) && t.value !== '' && t.closest('[data-own-undo]') !== null;

const same = (a: Formula, b: Formula): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The forms of a typed number have keys of their own: Enter and Esc there are not the proposal's. */
const inOwnForm = (t: EventTarget | null): boolean =>
  t instanceof HTMLElement && (t.closest('[role=dialog],[role=menu],[role=listbox]') !== null || 'number' in t.dataset);
const inText = (t: EventTarget | null): boolean =>
  t instanceof HTMLInputElement || t instanceof HTMLTextAreaElement || t instanceof HTMLButtonElement || t instanceof HTMLAnchorElement;

const FORK_NAMES: Readonly<Partial<Record<KindId, readonly [string, string]>>> = { crepe: ['sweet', 'savoury'] };

const saidRail = (rail: Rail, x: number): string => (rail === 'lift' ? `${lift(x)} g` : percent(x));
/** The Bench: one formula, its sheet and its balance. */
export function Bench({ formulaId: openedId, formula: loaded, house, number, newest, save }: Props) {
  const router = useRouter();
  const [state, send] = useReducer(benchReducer, { formula: loaded, house }, startBench);
  const { formula, end } = state;
  // a new formula has its id from the first save on, before the address has it
  const [formulaId, setFormulaId] = useState(openedId);
  const [savedFormula, setSavedFormula] = useState(loaded);
  const [base, setBase] = useState({ basedOn: number, knownNewest: newest });
  const [note, setNote] = useState('');
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [refusal, setRefusal] = useState<string | null>(null);
  const [passed, setPassed] = useState<Passed | null>(null);
  const [brought, setBrought] = useState<string | null>(null);
  const [beginning, setBeginning] = useState<'card' | 'nothing' | null>(formulaId === null ? 'card' : null);
  const [saving, setSaving] = useState(false);
  const [pending, setPending] = useState<Pending | null>(null);
  const [asking, setAsking] = useState<Asking>(null);
  const ready = useRef(false);
  const solver = useRef<Solver | null>(null);

  const bench = useMemo(() => ({ formula, house, end }), [formula, house, end]);
  const lines = useMemo(() => formulaLines(formula, house), [formula, house]);
  const worked = useMemo(() => analyseFormula(formula, house, end), [formula, house, end]);
  const savedAnalysis = useMemo(() => (formulaId ? analyseFormula(savedFormula, house, end).analysis : null), [formulaId, savedFormula, house, end]);
  const proposal = pending?.proposals[pending.at] ?? null;
  const proposed = useMemo(() => (proposal ? workedAs(bench, proposal.formula) : null), [bench, proposal]);
  const diff = useMemo(() => (proposal ? diffSheet(bench, proposal.formula) : null), [bench, proposal]);
  const dirty = !same(formula, savedFormula);

  // unsaved work comes back after a reload; once, so that a refresh after a save disturbs nobody who types on
  useEffect(() => {
    if (ready.current) return;
    ready.current = true;
    const draft = readDraft(formulaId, number, newest);
    if (draft && !same(draft.formula, loaded)) {
      send({ do: 'load', formula: draft.formula });
      setBase({ basedOn: draft.basedOn, knownNewest: draft.knownNewest });
      setBrought(new Date(draft.at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }));
      if (draft.formula.entries.length > 0) setBeginning(null);
    }
  }, [formulaId, loaded, number, newest]);
  useEffect(() => {
    if (!ready.current) return;
    const draft: Draft = { formula, ...base, at: new Date().toISOString() };
    keepDraft(formulaId, base.basedOn, dirty ? draft : null);
  }, [formula, base, dirty, formulaId]);

  useEffect(() => {
    const s = startSolver();
    solver.current = s;
    return () => s.end();
  }, []);
  // whatever changes the formula ends what was proposed for the old one
  // biome-ignore lint/correctness/useExhaustiveDependencies: the formula and the end are what it waits for
  useEffect(() => {
    solver.current?.cancel();
    setPending(null);
  }, [formula, end]);

  const propose = useCallback((proposals: readonly Proposal[]): void => {
    solver.current?.cancel();
    setPending(proposals.length > 0 ? { proposals, at: 0, wishes: {} } : null);
  }, []);
  const refuse = useCallback((): void => {
    solver.current?.cancel();
    setPending(null);
  }, []);
  const take = useCallback((): void => {
    if (!proposal) return;
    send({ do: 'put', formula: proposal.formula });
    setPending(null);
  }, [proposal]);

  const wishes = useRef<Readonly<Partial<Record<Rail, number>>>>({});
  wishes.current = pending?.wishes ?? {};
  const onWish = useCallback(
    (rail: Rail, value: number): void => {
      const all = { ...wishes.current, [rail]: value };
      wishes.current = all;
      const list = (Object.entries(all) as [Rail, number][]).map(([r, v]) => ({ rail: r, value: v }));
      const asked = ask(bench, worked, list);
      void solver.current?.ask(asked.question).then((answer) => {
        if (!answer) return;
        const bent = bentFrom(bench, worked, asked, answer);
        const title = list.map((x) => `${RAIL_NAMES[x.rail]} to ${saidRail(x.rail, x.value)}`).join(', ');
        const moved: Proposal = {
          title,
          why: 'The lines that are not pinned move by the least that does it; the other ratios stay about where they are.',
          formula: withGrams(bench, worked.lines, bent.grams, 0.01),
          short: bent.short,
        };
        setPending({ proposals: [moved], at: 0, wishes: all });
      });
    },
    [bench, worked],
  );

  const onNudge = useCallback(
    (rail: Rail, by: number, step: number): void => {
      const from = wishes.current[rail] ?? railOf(worked.analysis, rail)?.tested ?? 0;
      onWish(rail, Math.max(0, rounded(from + by, step)));
    },
    [onWish, worked],
  );

  const tools = useMemo(
    (): LineTools => ({
      send,
      choose: (key, choice) => send({ do: 'choose', key, choice }),
      onSwap: (key) => setAsking({ what: 'swap', key }),
      onDrive: (key) => setAsking({ what: 'drive', key }),
      onOpened: (key) => setAsking({ what: 'opened', key }),
      onDrained: (key) => setAsking({ what: 'drained', key }),
      onApart: (key) => {
        const f = takeApart(bench, key);
        if (f) send({ do: 'put', formula: f });
      },
      onEnd: (key, to) => send({ do: 'put', formula: to === 'differ' ? differByEnd(bench.formula, key) : toEnd(bench.formula, key, to) }),
    }),
    [bench],
  );
  const askedLine = asking ? worked.lines.find((l) => l.key === asking.key) : undefined;
  const pickSwap = (s: Swap): void => {
    setAsking(null);
    if (askedLine)
      propose([swapRebalanced(bench, askedLine, s), swapOnly(bench, askedLine, s)].map((p, i) => ({ ...p, title: i === 0 ? p.title : 'Only this line' })));
  };
  const pickDrive = (grams: number): void => {
    setAsking(null);
    if (asking) propose([drive(bench, asking.key, grams, 'scale'), drive(bench, asking.key, grams, 'rebalance')].filter((p) => p !== null));
  };

  const doSave = useCallback(
    async (said?: string) => {
      if (saving) return;
      setSaving(true);
      setRefusal(null);
      setErrors({});
      let answer: SaveAnswer;
      try {
        answer = await save({ formulaId, ...base, formula, changeNote: said ?? note });
      } catch {
        answer = { ok: false, message: 'Even Crumb does not answer just now. What you typed is kept in this browser: save again in a moment.', fields: {} };
      }
      setSaving(false);
      if (!answer.ok) {
        setErrors(answer.fields);
        setRefusal(answer.fields['formula.name'] ? null : answer.message);
        return;
      }
      const { saved } = answer;
      keepDraft(formulaId, base.basedOn, null);
      setFormulaId(saved.formulaId);
      setSavedFormula(formula);
      setBase({ basedOn: saved.number, knownNewest: saved.number });
      setNote('');
      setBrought(null);
      setPassed(saved.passedBy ? { mine: saved.number, theirs: saved.passedBy.number } : null);
      toast(`Saved as version ${saved.number}`);
      if (formulaId === null) router.replace(`/formulas/${saved.formulaId}`);
      else router.refresh();
    },
    [saving, save, formulaId, base, formula, note, router],
  );

  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (proposal && !e.ctrlKey && !e.metaKey && !e.altKey && !inOwnForm(e.target)) {
        if (e.key === 'Escape') refuse();
        else if (e.key === 'Enter' && !inText(e.target)) take();
      }
      if (!(e.ctrlKey || e.metaKey) || e.altKey) return;
      const key = e.key.toLowerCase();
      if (key === 's') void doSave();
      else if (key === 'z' && !undoesItself(e.target)) send({ do: e.shiftKey ? 'redo' : 'undo' });
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [doSave, proposal, refuse, take]);

  const kind = kindById(formula.kind);
  const schoolId = schoolOf(kind, schoolIdOf(formula, end)).id;
  const setKind = (id: KindId): void => {
    const first = kindById(id).schools[0].id;
    const ends: Formula['ends'] = formula.ends && [
      { ...formula.ends[0], school: first },
      { ...formula.ends[1], school: first },
    ];
    send({ do: 'set', part: { kind: id, school: first, ends }, place: null });
  };
  const setSchool = (school: string): void => {
    const ends: Formula['ends'] = formula.ends && [
      formula.ends[0].id === end ? { ...formula.ends[0], school } : formula.ends[0],
      formula.ends[1].id === end ? { ...formula.ends[1], school } : formula.ends[1],
    ];
    send({ do: 'set', part: ends ? { ends } : { school }, place: null });
  };
  const forkIt = (): void => {
    const names = FORK_NAMES[formula.kind] ?? ['sweet', 'savoury'];
    const second = kind.schools.find((s) => s.id === names[1])?.id ?? formula.school;
    send({ do: 'put', formula: fork(formula, names, [formula.school, second]) });
  };
  const make = (): void => {
    if (dirty || !formulaId) toast('Save first: a batch is made from a saved version.');
    else router.push(`/formulas/${formulaId}/plan?version=${base.basedOn}${end ? `&end=${end}` : ''}`);
  };

  return (
    <div>
      <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
        <Field
          label={formulaId ? `Formula, version ${base.basedOn}${dirty ? ', changed since' : ''}` : 'New formula'}
          value={formula.name}
          maxLength={MOST_NAME_CHARS}
          placeholder="Name it"
          error={errors['formula.name']}
          onChange={(e) => send({ do: 'set', part: { name: e.target.value }, place: 'name' })}
          className="min-w-64 flex-1"
          inputClass="font-sign !text-[22px] font-extrabold placeholder:font-normal placeholder:text-soft"
        />
        <Choice label="Kind" value={formula.kind} onChange={setKind} options={KINDS.map((k) => ({ value: k.id, label: k.name }))} />
        {kind.schools.length > 1 ? (
          <Choice label="School" value={schoolId} onChange={setSchool} options={kind.schools.map((s) => ({ value: s.id, label: s.name }))} />
        ) : null}
        <Field
          data-own-undo
          label="What changed"
          value={note}
          maxLength={500}
          placeholder={formulaId ? 'optional' : 'first version'}
          onChange={(e) => setNote(e.target.value)}
          className="w-44"
        />
        <div className="flex gap-1">
          <Button look="bare" aria-label="Undo" disabled={state.past.length === 0} onClick={() => send({ do: 'undo' })} className="!min-h-11">
            <Undo2 size={20} aria-hidden />
          </Button>
          <Button look="bare" aria-label="Redo" disabled={state.future.length === 0} onClick={() => send({ do: 'redo' })} className="!min-h-11">
            <Redo2 size={20} aria-hidden />
          </Button>
          <Button
            look={dirty && !proposal ? 'now' : 'plain'}
            disabled={saving || (!dirty && formulaId !== null)}
            onClick={() => void doSave()}
            className="!min-h-11"
          >
            {saving ? 'Saving' : 'Save'}
          </Button>
          <Button look={!dirty && formulaId && !proposal ? 'now' : 'plain'} onClick={make} className="!min-h-11">
            Scale and make
          </Button>
        </div>
      </div>

      <div className="mt-1.5 flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-line pb-1.5">
        <WaysPopover formula={formula} house={house} onChange={(part) => send({ do: 'set', part, place: null })} />
        <span className="ml-auto flex items-center gap-1">
          {formula.ends || formula.entries.length === 0 ? null : (
            <Button look="bare" className="!min-h-9" onClick={forkIt}>
              Two ends
            </Button>
          )}
          {formulaId ? (
            <Link href={`/formulas/${formulaId}/history`} className={`${lookOf('bare')} !min-h-9`}>
              Versions and comparing
            </Link>
          ) : null}
        </span>
      </div>
      <EndsBar formula={formula} end={end} send={send} />

      <div className="mt-2 grid gap-2" aria-live="polite">
        {refusal ? (
          <Notice weight="stop" role="alert">
            {refusal}
          </Notice>
        ) : null}
        {passed ? (
          <Notice weight="look" role="status">
            Version {passed.theirs} was saved while you worked. Nothing is overwritten: yours is version {passed.mine}, the other is kept beside it.{' '}
            <a className="font-semibold text-rim underline" href={`/formulas/${formulaId}?version=${passed.theirs}`} target="_blank" rel="noreferrer">
              Open version {passed.theirs}
            </a>
          </Notice>
        ) : null}
        {brought ? (
          <Notice weight="note" role="status">
            Unsaved work from {brought} is back on the bench.{' '}
            <button
              type="button"
              className="font-semibold text-rim underline"
              onClick={() => {
                send({ do: 'load', formula: savedFormula });
                setBrought(null);
              }}
            >
              Throw it away
            </button>
          </Notice>
        ) : null}
        {number !== null && newest !== null && base.basedOn !== null && base.basedOn < newest && !passed ? (
          <Notice weight="note" role="status">
            This is version {base.basedOn} of {newest}. Saving makes a new version from it.{' '}
            {dirty ? null : (
              <button
                type="button"
                className="font-semibold text-rim underline"
                disabled={saving}
                onClick={() => void doSave(`back to version ${base.basedOn}`)}
              >
                Go back to it, as a new version
              </button>
            )}
          </Notice>
        ) : null}
      </div>

      {beginning !== null && formula.entries.length === 0 ? (
        <div className="mt-3">
          <Taps
            label="Begin with"
            value={beginning}
            onChange={(v) => v !== '' && setBeginning(v)}
            options={[
              { value: 'card', label: 'A card, pasted' },
              { value: 'nothing', label: 'From nothing' },
            ]}
          />
        </div>
      ) : null}
      {beginning === 'nothing' && formula.entries.length === 0 ? (
        <div className="mt-3">
          <StartForm
            key={`${formula.kind} ${schoolId}`}
            house={house}
            kindId={formula.kind}
            schoolId={schoolId}
            onStart={(f) => {
              send({ do: 'put', formula: { ...f, name: formula.name, conventions: formula.conventions, ways: formula.ways } });
              setBeginning(null);
            }}
          />
        </div>
      ) : (
        <div className="mt-2 grid gap-x-8 lg:grid-cols-2 lg:grid-rows-[auto_1fr]">
          {proposal && pending ? (
            <ProposalBar proposals={pending.proposals} at={pending.at} onAt={(at) => setPending({ ...pending, at })} onTake={take} onRefuse={refuse} />
          ) : null}
          <div className="min-w-0 lg:col-start-1 lg:row-start-2">
            {beginning === 'card' ? (
              <PasteCard formula={formula} house={house} send={send} first={formula.entries.length === 0} onDone={() => setBeginning(null)} />
            ) : null}
            {beginning === 'card' && formula.entries.length === 0 ? null : (
              <Sheet
                formula={formula}
                house={house}
                end={end}
                lines={lines}
                analysis={worked.analysis}
                diff={diff}
                flourThenG={(proposed ?? worked).analysis.tally.flourG}
                tools={tools}
                send={send}
              />
            )}
            {beginning === null ? (
              <Button look="bare" className="mt-2" onClick={() => setBeginning('card')}>
                Paste a card
              </Button>
            ) : null}
          </div>
          {formula.entries.length > 0 ? (
            <div className="mt-5 min-w-0 lg:sticky lg:mt-0 lg:top-2 lg:col-start-2 lg:row-span-2 lg:row-start-1 lg:max-h-[calc(100dvh-1rem)] lg:self-start lg:overflow-y-auto lg:pr-1">
              <Balance
                bench={bench}
                worked={worked}
                proposed={proposed}
                saved={savedAnalysis}
                send={send}
                onPropose={propose}
                onWish={onWish}
                onNudge={onNudge}
                onTake={take}
              />
            </div>
          ) : (
            <section className="max-w-md pt-2 text-soft lg:col-start-2 lg:row-span-2 lg:row-start-1">
              <p>Each line becomes an ingredient, an amount and its grams. What is not understood stays, marked, with something to pick.</p>
              <p className="mt-2">The balance stands here: water, egg, fat, sugar, salt and lift against what most batters of this kind have.</p>
            </section>
          )}
        </div>
      )}
      {asking?.what === 'swap' && askedLine ? <SwapDialog bench={bench} lineKey={askedLine.key} onClose={() => setAsking(null)} onPick={pickSwap} /> : null}
      {asking?.what === 'drive' && askedLine ? <DriveDialog line={askedLine} onClose={() => setAsking(null)} onDrive={pickDrive} /> : null}
      {asking?.what === 'drained' && askedLine ? (
        <DrainedDialog
          line={askedLine}
          onClose={() => setAsking(null)}
          onDrained={(drainedG) => {
            send({ do: 'choose', key: askedLine.key, choice: { drainedG } });
            setAsking(null);
          }}
        />
      ) : null}
      {asking?.what === 'opened' && askedLine ? (
        <OpenedDialog
          line={askedLine}
          today={house.today ?? ''}
          onClose={() => setAsking(null)}
          onOpened={(opened) => {
            send({ do: 'choose', key: askedLine.key, choice: { opened } });
            setAsking(null);
          }}
        />
      ) : null}
    </div>
  );
}
