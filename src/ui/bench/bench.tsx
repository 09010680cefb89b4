'use client';
import dynamic from 'next/dynamic';
import { type Dispatch, useEffect, useMemo, useReducer, useState } from 'react';
import { workedOn } from '@/core/balance/bench';
import type { OnHand } from '@/core/batch/on-hand';
import type { FirstSight } from '@/core/bench/first-sight';
import { type BenchSight, sightOf } from '@/core/bench/sight';
import { cardPortion } from '@/core/formula/card-portion';
import { type Formula, kindIdOf, kitchenOf, schoolIdOf, type WeighedLine } from '@/core/formula/formula';
import { kindById, RAIL_NAMES, schoolOf } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Shelf } from '@/core/pantry/stock';
import { counted } from '@/core/quantity/say';
import { answerOf } from '../kit/answer';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { benchKey } from '../kit/keys-table';
import { toast } from '../kit/toast';
import type { WayStep } from '../kit/way';
import type { FormulaActs } from '../shared/formula-menu';
import { Balance } from './balance';
import { BenchHead } from './bench-head';
import { BenchNotices } from './bench-notices';
import { BenchPaper, usePrinting } from './bench-paper';
import type { CardActs } from './import-list';
import type { LineAsking } from './line-dialogs';
import type { LineTools } from './line-tools';
import type { Answered } from './measure-dialogs';
import { PasteCard } from './paste-card';
import { benchReducer } from './reducer';
import { Sheet } from './sheet';
import { type BenchAction, startBench } from './state';
import { useProposal, useThere, useTowards, useWeighed } from './use-proposal';
import { type Opened, type SaveAnswer, type SaveInput, useSaving } from './use-saving';

// a dialog is fetched when it is asked for
const LineDialogs = dynamic(() => import('./line-dialogs').then((m) => m.LineDialogs), { ssr: false });
const EndsBar = dynamic(() => import('./ends-bar').then((m) => m.EndsBar));
const ProposalBar = dynamic(() => import('./proposal-bar').then((m) => m.ProposalBar));
const StartForm = dynamic(() => import('./start-form').then((m) => m.StartForm));

interface Props extends Opened {
  /** What the server does with the whole formula. */
  readonly acts: FormulaActs;
  readonly archived: boolean;
  /** How a new one begins. */
  readonly begin: 'card' | 'nothing';
  /** Told once it is saved for the first time, before the address changes. */
  readonly onBorn: (formulaId: string) => void;
  readonly house: Kitchen;
  /** What the server worked of it. */
  readonly first: FirstSight;
  readonly shelf: Shelf;
  readonly remember: (
    input: unknown,
  ) => Promise<
    { readonly ok: true; readonly measure: { readonly id: string } } | { readonly ok: false; readonly message: string }
  >;
  readonly forget: (input: unknown) => Promise<{ readonly ok: boolean }>;
  readonly save: (input: SaveInput) => Promise<SaveAnswer>;
  /** What the server does with many cards at once. */
  readonly cards: CardActs;
  /** A wish that came with the address: proposed at once. */
  readonly towards: string | null;
  /** What a batch weighed, proposed at once; null: the address asks for none. */
  readonly weighed: { readonly batch: string; readonly lines: readonly WeighedLine[] } | null;
  /** What there is to be used up together, proposed at once; none: the address asks for nothing. */
  readonly there: readonly OnHand[];
}

/** A box with words of its own takes them back itself; an empty one leaves Ctrl+Z to the bench. */
const undoesItself = (t: EventTarget | null): boolean =>
  (t instanceof HTMLInputElement || t instanceof HTMLTextAreaElement) &&
  t.value !== '' &&
  t.closest('[data-own-undo]') !== null;

/** Where Enter and Esc mean something of their own, they are not the proposal's. */
const inOwnForm = (t: EventTarget | null): boolean =>
  t instanceof HTMLElement && (t.closest('[role=dialog],[role=menu],[role=listbox]') !== null || 'number' in t.dataset);
const pressesItself = (t: EventTarget | null): boolean =>
  t instanceof HTMLInputElement ||
  t instanceof HTMLTextAreaElement ||
  t instanceof HTMLButtonElement ||
  t instanceof HTMLAnchorElement;

/** Worked when it is first asked for, and once. */
function onAsking<T>(work: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => {
    made ??= { value: work() };
    return made.value;
  };
}

/** Keeps what an answer says of a measure, with a way back. @returns why it could not be kept; null: it is */
async function remembered(a: Answered, remember: Props['remember'], forget: Props['forget']): Promise<string | null> {
  const kept = await answerOf(() => remember(a), 'Nothing was changed.');
  if (!kept.ok) return kept.message;
  const { id } = kept.measure;
  toast('Remembered for this kitchen', { action: { label: 'Forget it again', onClick: () => void forget({ id }) } });
  return null;
}

/** What the cook does next on the Bench, and why. */
function nextOn(formula: Formula, sight: BenchSight, dirty: boolean): readonly [WayStep, string] {
  if (formula.entries.length === 0) return ['read', ''];
  const { asks, open } = sight;
  if (asks > 0) return ['settle', `${asks} ${asks === 1 ? 'line asks' : 'lines ask'}`];
  const stops = open.filter((f) => f.severity !== 'note').length;
  if (stops > 0) return ['balance', `${counted(stops, 'things')} to look at`];
  // a rail out of its zone is not done with, however quietly it is said
  const out = open.length > 0 ? sight.rails.filter((r) => r.reading && r.reading.standing !== 'in') : [];
  if (out.length > 0) return ['balance', `${out.map((r) => RAIL_NAMES[r.rail].toLowerCase()).join(', ')} out of range`];
  return ['plan', dirty ? 'save it first' : 'it is balanced'];
}

/** The keys of the Bench: save, undo and redo, and the answer to a proposal. */
function useBenchKeys({
  proposal,
  take,
  refuse,
  save,
  send,
}: {
  readonly proposal: boolean;
  readonly take: () => void;
  readonly refuse: () => void;
  readonly save: () => Promise<unknown>;
  readonly send: Dispatch<BenchAction>;
}): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (proposal && !e.ctrlKey && !e.metaKey && !e.altKey && !inOwnForm(e.target)) {
        if (e.key === 'Escape') refuse();
        else if (e.key === 'Enter' && !pressesItself(e.target)) take();
      }
      const asked = benchKey(e);
      if (asked === 'save') void save();
      else if (asked !== null && !undoesItself(e.target)) send({ do: asked });
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [save, proposal, refuse, take, send]);
}

/** The Bench of an address; a formula that is saved for the first time gets another address, and its Bench goes on. */
export function BenchAt({ at, ...props }: Omit<Props, 'onBorn'> & { readonly at: string }) {
  // `there`: the page has come to the new address
  const [born, setBorn] = useState<{ readonly at: string; readonly id: string; readonly there: boolean } | null>(null);
  const isBorn = born !== null && born.id === props.formulaId;
  if (isBorn && !born.there) setBorn({ ...born, there: true });
  const key = born === null ? at : isBorn || !born.there ? born.at : `${at} after ${born.id}`;
  return <Bench key={key} {...props} onBorn={(id) => setBorn({ at: key, id, there: false })} />;
}

/** The Bench: one formula, its sheet and its balance. */
function Bench({
  house,
  first,
  shelf,
  save,
  remember,
  forget,
  towards,
  weighed,
  there,
  acts,
  cards,
  archived,
  begin,
  onBorn,
  ...opened
}: Props) {
  const [state, send] = useReducer(benchReducer, { formula: opened.formula, house }, startBench);
  const { formula, end } = state;
  useEffect(() => send({ do: 'house', house }), [house]);
  const [beginning, setBeginning] = useState<'card' | 'nothing' | null>(opened.formulaId === null ? begin : null);
  const [reading, setReading] = useState(false);
  const [asking, setAsking] = useState<LineAsking | null>(null);

  const { cardNotes, conventions: own } = formula;
  const toldPortionMl = useMemo(() => cardPortion({ cardNotes, conventions: own }, house), [cardNotes, own, house]);
  const bench = useMemo(() => ({ formula, house, end, toldPortionMl }), [formula, house, end, toldPortionMl]);
  const worked = useMemo(() => onAsking(() => workedOn(bench)), [bench]);
  // as it was opened it is seen as the server worked it
  const [atFirst] = useState(bench);
  const sight = useMemo(
    () => (bench === atFirst ? first.sight : sightOf(bench, worked())),
    [bench, atFirst, first.sight, worked],
  );
  const onBrought = (f: Formula): void => {
    if (f.entries.length > 0) setBeginning(null);
  };
  const saving = useSaving(opened, formula, !reading, send, save, onBrought, onBorn);
  const savedRatios = useMemo(
    () =>
      saving.formulaId === null
        ? null
        : bench === atFirst
          ? first.sight
          : workedOn({ ...bench, formula: saving.saved }).analysis,
    [saving.formulaId, saving.saved, bench, atFirst, first.sight],
  );
  const proposing = useProposal(bench, worked, sight.rails, send);
  useTowards(towards, bench, proposing.propose);
  useWeighed(weighed, bench, proposing.propose);
  useThere(there, bench, proposing.propose);
  const proposedSight = useMemo(
    () =>
      proposing.proposal && proposing.proposed
        ? sightOf({ ...bench, formula: proposing.proposal.formula }, proposing.proposed)
        : null,
    [bench, proposing.proposal, proposing.proposed],
  );
  const { conventions, edits } = formula;
  const kitchen = useMemo(() => kitchenOf({ conventions, edits }, house), [conventions, edits, house]);

  // stable, so that a letter typed in one line draws no other anew
  const tools = useMemo(
    (): LineTools => ({
      send,
      choose: (key, choice) => send({ do: 'choose', key, choice }),
      ask: (what, key) => setAsking({ what, key }),
    }),
    [],
  );

  const onRemember = (a: Answered): Promise<string | null> => remembered(a, remember, forget);
  const { proposal, take, refuse } = proposing;
  useBenchKeys({ proposal: proposal !== null, take, refuse, save: saving.save, send });
  const speaks = sight.open;
  const step = nextOn(formula, sight, saving.dirty);
  const printing = usePrinting();
  const schoolId = schoolOf(kindById(kindIdOf(formula, end)), schoolIdOf(formula, end)).id;
  return (
    <div>
      {printing && formula.entries.length > 0 ? (
        <BenchPaper
          formula={formula}
          version={saving.formulaId ? `version ${saving.basedOn}${saving.dirty ? ', changed since' : ''}` : ''}
          sight={sight}
          units={house.units}
        />
      ) : null}
      <div className="print:hidden">
        <BenchHead
          state={state}
          saving={saving}
          busy={proposal !== null}
          send={send}
          step={step}
          acts={acts}
          archived={archived}
        />
        {formula.entries.length > 0 ? <ToBalance says={speaks[0]?.message ?? null} /> : null}
        {formula.ends ? <EndsBar formula={formula} end={end} send={send} /> : null}
        <BenchNotices saving={saving} newest={opened.newest} />

        {beginning !== null && formula.entries.length === 0 ? (
          <BeginWith value={beginning} onChange={setBeginning} />
        ) : null}
        {beginning === 'nothing' && formula.entries.length === 0 ? (
          <div className="mt-3">
            <StartForm
              key={`${formula.kind} ${schoolId}`}
              house={kitchen}
              kindId={formula.kind}
              schoolId={schoolId}
              onStart={(f) => {
                send({
                  do: 'put',
                  formula: { ...f, name: formula.name, conventions: formula.conventions, edits: formula.edits },
                });
                setBeginning(null);
              }}
            />
          </div>
        ) : (
          <div className="mt-2 grid gap-x-8 lg:grid-cols-2 lg:grid-rows-[auto_1fr]">
            {proposal ? (
              <ProposalBar
                proposals={proposing.proposals}
                at={proposing.at}
                onAt={proposing.setAt}
                onTake={proposing.take}
                onRefuse={proposing.refuse}
              />
            ) : null}
            <div className="min-w-0 lg:col-start-1 lg:row-start-2">
              {beginning === 'card' ? (
                <PasteCard
                  formula={formula}
                  house={house}
                  send={send}
                  first={formula.entries.length === 0}
                  cards={saving.formulaId === null ? cards : undefined}
                  onDone={() => setBeginning(null)}
                  onReading={setReading}
                />
              ) : null}
              {beginning === 'card' && formula.entries.length === 0 ? null : (
                <Sheet
                  bench={bench}
                  worked={worked}
                  sight={sight}
                  diff={proposing.diff}
                  flourThenG={proposing.proposed?.analysis.tally.flourG ?? sight.flourG}
                  tools={tools}
                  fresh={saving.formulaId === null}
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
                  sight={sight}
                  proposed={proposedSight}
                  saved={savedRatios}
                  worked={proposing.proposed === null ? worked : () => proposing.proposed ?? worked()}
                  fixes={bench === atFirst ? first.fixes : null}
                  shelf={shelf}
                  formulaId={saving.formulaId}
                  send={send}
                  onPropose={proposing.propose}
                  onWish={proposing.onWish}
                  onNudge={proposing.onNudge}
                  onTake={proposing.take}
                />
              </div>
            ) : (
              <NothingYet />
            )}
          </div>
        )}
        {asking ? (
          <LineDialogs
            asking={asking}
            bench={bench}
            worked={worked()}
            today={house.today ?? ''}
            send={send}
            onPropose={proposing.propose}
            onRemember={onRemember}
            onClose={() => setAsking(null)}
          />
        ) : null}
      </div>
    </div>
  );
}

const NothingYet = () => (
  <section className="max-w-md pt-2 text-soft lg:col-start-2 lg:row-span-2 lg:row-start-1">
    <p>
      Each line becomes an ingredient, an amount and its grams. What is not understood stays, marked, with something to
      pick.
    </p>
    <p className="mt-2">
      The balance stands here: water, egg, fat, sugar, salt and rise against what most batters of this kind have.
    </p>
  </section>
);

function BeginWith({
  value,
  onChange,
}: {
  readonly value: 'card' | 'nothing';
  readonly onChange: (v: 'card' | 'nothing') => void;
}) {
  return (
    <div className="mt-3">
      <Taps
        label="Begin with"
        value={value}
        onChange={(v) => v !== '' && onChange(v)}
        options={[
          { value: 'card', label: 'A card, pasted or dropped' },
          { value: 'nothing', label: 'From nothing' },
        ]}
      />
    </div>
  );
}

/** On a phone the balance is further down: what it says first, and the way there. */
const ToBalance = ({ says }: { readonly says: string | null }) => (
  <a
    href="#balance"
    aria-label={`To the balance: ${says ?? 'nothing is out of line'}`}
    data-says={says ?? '✓ Nothing is out of line.'}
    className="sticky top-0 z-20 -mx-3 flex min-h-11 items-center gap-2 border-b-2 border-rim bg-white px-3 text-[15px] before:min-w-0 before:flex-1 before:truncate before:font-semibold before:content-[attr(data-says)] lg:hidden print:hidden"
  >
    <span className="shrink-0 text-rim underline">The balance</span>
  </a>
);
