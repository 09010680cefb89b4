'use client';
import dynamic from 'next/dynamic';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { BenchSight, FirstSight } from '@/core/bench/sight';
import { type Formula, kindIdOf, kitchenOf, schoolIdOf } from '@/core/formula/formula';
import { kindById, schoolOf } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Shelf } from '@/core/pantry/stock';
import { counted } from '@/core/quantity/say';
import { benchKey } from '../keys-table';
import { answerOf } from '../kit/answer';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { Opening } from '../kit/opening';
import { toast } from '../kit/toast';
import type { WayStep } from '../kit/way';
import type { FormulaActs } from '../versions/formula-menu';
import { Balance } from './balance';
import { BenchHead } from './bench-head';
import { BenchNotices } from './bench-notices';
import { BenchPaper, usePrinting } from './bench-paper';
import { EndsBar } from './ends-bar';
import { handedOver, useHandOver } from './hand-over';
import type { CardActs } from './import-list';
import type { Asking } from './line-dialogs';
import type { LineTools } from './line-tools';
import type { Answered } from './measure-dialogs';
import { PasteCard } from './paste-card';
import { ProposalBar } from './proposal-bar';
import { Sheet } from './sheet';
import { useDesk } from './use-desk';
import { useProposal, useTowards } from './use-proposal';
import { type Opened, type SaveAnswer, type SaveInput, useSaving } from './use-saving';

// a dialog is fetched when it is asked for
const LineDialogs = dynamic(() => import('./line-dialogs').then((m) => m.LineDialogs), { ssr: false });
const StartForm = dynamic(() => import('./start-form').then((m) => m.StartForm));

interface Props extends Opened {
  /** What the server does with the whole formula; left out: it is new. */
  readonly acts?: FormulaActs;
  readonly archived?: boolean;
  /** How a new one begins. */
  readonly begin?: 'card' | 'nothing';
  readonly house: Kitchen;
  /** What is seen of it before a hand comes near. */
  readonly first: FirstSight;
  readonly shelf: Shelf;
  readonly remember: (
    input: unknown,
  ) => Promise<{ readonly ok: true; readonly measure: { readonly id: string } } | { readonly ok: false; readonly message: string }>;
  readonly forget: (input: unknown) => Promise<{ readonly ok: boolean }>;
  readonly save: (input: SaveInput) => Promise<SaveAnswer>;
  /** What the server does with many cards at once. */
  readonly cards?: CardActs;
  /** A wish that came with the address: proposed at once. */
  readonly towards?: string | null;
}

/** A box with words of its own takes them back itself; an empty one leaves Ctrl+Z to the bench. */
const undoesItself = (t: EventTarget | null): boolean =>
  (t instanceof HTMLInputElement || t instanceof HTMLTextAreaElement) && t.value !== '' && t.closest('[data-own-undo]') !== null;

/** Where Enter and Esc mean something of their own, they are not the proposal's. */
const inOwnForm = (t: EventTarget | null): boolean =>
  t instanceof HTMLElement && (t.closest('[role=dialog],[role=menu],[role=listbox]') !== null || 'number' in t.dataset);
const pressesItself = (t: EventTarget | null): boolean =>
  t instanceof HTMLInputElement || t instanceof HTMLTextAreaElement || t instanceof HTMLButtonElement || t instanceof HTMLAnchorElement;

/** What was seen first, with the letters that have been typed since. */
function asTyped(first: BenchSight, { entries }: Formula): BenchSight {
  const texts = new Map(entries.map((e) => [e.key, e.text]));
  const typed = first.lines.some((l) => (texts.get(l.key) ?? l.text) !== l.text);
  return typed ? { ...first, lines: first.lines.map((l) => ({ ...l, text: texts.get(l.key) ?? l.text })) } : first;
}

/** The Bench: one formula, its sheet and its balance. */
export function Bench({ house, first, shelf, save, remember, forget, towards = null, acts, cards, archived = false, begin = 'card', ...opened }: Props) {
  const [handed] = useState(() => handedOver(opened.formulaId));
  const { state, core, settled, opening, send, want } = useDesk({ formula: opened.formula, house }, handed);
  const root = useRef<HTMLDivElement>(null);
  const { formula, end } = state;
  const [beginning, setBeginning] = useState<'card' | 'nothing' | null>(opened.formulaId === null ? begin : null);
  const [reading, setReading] = useState(false);
  const [asking, setAsking] = useState<Asking | null>(null);

  const bench = useMemo(() => ({ formula, house, end }), [formula, house, end]);
  const worked = useMemo(() => core?.workedOn(bench) ?? null, [core, bench]);
  const sight = useMemo(() => (core && worked ? core.sightOf(bench, worked) : asTyped(first.sight, formula)), [core, worked, bench, first.sight, formula]);
  const onBrought = (f: Formula): void => {
    if (f.entries.length > 0) setBeginning(null);
  };
  const saving = useSaving(opened, formula, settled && !reading, send, save, onBrought);
  useHandOver(root, opened.formulaId, saving.formulaId, state);
  const savedRatios = useMemo(
    () => (saving.formulaId ? (core?.workedOn({ formula: saving.saved, house, end }).analysis ?? first.sight) : null),
    [core, saving.formulaId, saving.saved, house, end, first.sight],
  );
  const proposing = useProposal(bench, core, worked, sight.rails, send);
  useTowards(towards, bench, proposing.propose);
  const proposedSight = useMemo(
    () => (core && proposing.proposal && proposing.proposed ? core.sightOf({ ...bench, formula: proposing.proposal.formula }, proposing.proposed) : null),
    [core, bench, proposing.proposal, proposing.proposed],
  );
  const { conventions, ways } = formula;
  const kitchen = useMemo(() => kitchenOf({ conventions, ways }, house), [conventions, ways, house]);

  // stable, so that a letter typed in one line draws no other anew
  const tools = useMemo(
    (): LineTools => ({
      send,
      choose: (key, choice) => send({ do: 'choose', key, choice }),
      ask: (what, key) => {
        want();
        setAsking({ what, key });
      },
    }),
    [send, want],
  );

  const onRemember = async (a: Answered): Promise<string | null> => {
    const kept = await answerOf(() => remember(a), 'Nothing was changed.');
    if (!kept.ok) return kept.message;
    const { id } = kept.measure;
    const undo = async (): Promise<void> => {
      await forget({ id });
    };
    toast('Remembered for this kitchen', { action: { label: 'Forget it again', onClick: () => void undo() } });
    return null;
  };
  const { proposal, take, refuse } = proposing;
  const keep = saving.save;
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (proposal && !e.ctrlKey && !e.metaKey && !e.altKey && !inOwnForm(e.target)) {
        if (e.key === 'Escape') refuse();
        else if (e.key === 'Enter' && !pressesItself(e.target)) take();
      }
      const asked = benchKey(e);
      if (asked === 'save') void keep();
      else if (asked !== null && !undoesItself(e.target)) send({ do: asked });
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [keep, proposal, refuse, take, send]);

  const { asks, open: speaks } = sight;
  const stops = speaks.filter((f) => f.severity !== 'note').length;
  const step: readonly [WayStep, string] = !settled
    ? ['read', 'working it out …']
    : formula.entries.length === 0
      ? ['read', '']
      : asks > 0
        ? ['settle', `${asks} ${asks === 1 ? 'line asks' : 'lines ask'}`]
        : stops > 0
          ? ['balance', `${counted(stops, 'things')} to look at`]
          : ['plan', saving.dirty ? 'save it first' : 'it is balanced'];
  const printing = usePrinting();
  const schoolId = schoolOf(kindById(kindIdOf(formula, end)), schoolIdOf(formula, end)).id;
  return (
    <div ref={root}>
      {printing && formula.entries.length > 0 ? (
        <BenchPaper
          formula={formula}
          version={saving.formulaId ? `version ${saving.basedOn}${saving.dirty ? ', changed since' : ''}` : ''}
          sight={sight}
          units={house.units}
        />
      ) : null}
      <div className="print:hidden">
        <BenchHead state={state} saving={saving} busy={proposal !== null} send={send} step={step} acts={acts} archived={archived} />
        {formula.entries.length > 0 ? (
          <a
            href="#balance"
            aria-label={`To the balance: ${speaks[0]?.message ?? 'nothing is out of line'}`}
            data-says={speaks[0]?.message ?? '✓ Nothing is out of line.'}
            className="sticky top-0 z-20 -mx-3 flex min-h-11 items-center gap-2 border-b-2 border-rim bg-white px-3 text-[15px] before:min-w-0 before:flex-1 before:truncate before:font-semibold before:content-[attr(data-says)] lg:hidden print:hidden"
          >
            <span className="shrink-0 text-rim underline">The balance</span>
          </a>
        ) : null}
        <EndsBar formula={formula} end={end} send={send} />
        <BenchNotices saving={saving} newest={opened.newest} />

        {beginning !== null && formula.entries.length === 0 ? (
          <div className="mt-3">
            <Taps
              label="Begin with"
              value={beginning}
              onChange={(v) => v !== '' && setBeginning(v)}
              options={[
                { value: 'card', label: 'A card, pasted or dropped' },
                { value: 'nothing', label: 'From nothing' },
              ]}
            />
          </div>
        ) : null}
        {beginning === 'nothing' && formula.entries.length === 0 ? (
          <div className="mt-3">
            <StartForm
              key={`${formula.kind} ${schoolId}`}
              house={kitchen}
              kindId={formula.kind}
              schoolId={schoolId}
              onStart={(f) => {
                send({ do: 'put', formula: { ...f, name: formula.name, conventions: formula.conventions, ways: formula.ways } });
                setBeginning(null);
              }}
            />
          </div>
        ) : (
          // biome-ignore lint/a11y/noStaticElementInteractions: nothing is done here; a hand that comes near is heard
          <div
            className="mt-2 grid gap-x-8 lg:grid-cols-2 lg:grid-rows-[auto_1fr]"
            onPointerEnter={formula.entries.length > 0 ? want : undefined}
            onFocus={formula.entries.length > 0 ? want : undefined}
          >
            <ProposalBar proposals={proposing.proposals} at={proposing.at} onAt={proposing.setAt} onTake={proposing.take} onRefuse={proposing.refuse} />
            <div className="min-w-0 lg:col-start-1 lg:row-start-2">
              {beginning === 'card' ? (
                <PasteCard
                  formula={formula}
                  house={house}
                  send={send}
                  first={formula.entries.length === 0}
                  cards={cards}
                  onDone={() => setBeginning(null)}
                  onReading={setReading}
                />
              ) : null}
              {opening ? (
                <Opening />
              ) : beginning === 'card' && formula.entries.length === 0 ? null : (
                <Sheet
                  formula={formula}
                  house={house}
                  end={end}
                  sight={sight}
                  diff={proposing.diff}
                  flourThenG={proposing.proposed?.analysis.tally.flourG ?? sight.flourG}
                  tools={tools}
                  near={core !== null}
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
            {opening ? null : formula.entries.length > 0 ? (
              <div className="mt-5 min-w-0 lg:sticky lg:mt-0 lg:top-2 lg:col-start-2 lg:row-span-2 lg:row-start-1 lg:max-h-[calc(100dvh-1rem)] lg:self-start lg:overflow-y-auto lg:pr-1">
                <Balance
                  bench={bench}
                  sight={sight}
                  proposed={proposedSight}
                  saved={savedRatios}
                  core={core}
                  worked={proposing.proposed ?? worked}
                  fixes={first.fixes}
                  want={want}
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
              <section className="max-w-md pt-2 text-soft lg:col-start-2 lg:row-span-2 lg:row-start-1">
                <p>Each line becomes an ingredient, an amount and its grams. What is not understood stays, marked, with something to pick.</p>
                <p className="mt-2">The balance stands here: water, egg, fat, sugar, salt and rise against what most batters of this kind have.</p>
              </section>
            )}
          </div>
        )}
        {asking && worked ? (
          <LineDialogs
            asking={asking}
            bench={bench}
            worked={worked}
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
