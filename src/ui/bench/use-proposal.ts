'use client';
import { type Dispatch, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Worked } from '@/core/analyse-formula';
import { type Bench, type Proposal, workedOn } from '@/core/balance/bench';
import { ask, bentFrom } from '@/core/balance/ratios';
import { withSource } from '@/core/balance/source';
import type { OnHand } from '@/core/batch/on-hand';
import type { WeighedLine } from '@/core/formula/formula';
import { RAIL_NAMES, type Rail, type RailReading, railOf, sayRail } from '@/core/formula/kinds';
import { toast } from '../kit/toast';
import { rounded } from '../shared/rails';
import { diffSheet, type SheetDiff } from './diff';
import { type Solver, startSolver } from './solver';
import type { BenchAction } from './state';

type Wishes = Readonly<Partial<Record<Rail, number>>>;

interface Pending {
  readonly proposals: readonly Proposal[];
  readonly at: number;
}

interface Proposing {
  readonly proposals: readonly Proposal[];
  readonly at: number;
  readonly setAt: (i: number) => void;
  /** The one that stands to be taken or refused; null when there is none. */
  readonly proposal: Proposal | null;
  readonly proposed: Worked | null;
  readonly diff: SheetDiff | null;
  readonly propose: (proposals: readonly Proposal[]) => void;
  readonly take: () => void;
  readonly refuse: () => void;
  /** A rail shall stand somewhere: asked of the solver, in its worker. */
  readonly onWish: (rail: Rail, value: number) => void;
  /** A rail moved on from where it was last asked to stand. */
  readonly onNudge: (rail: Rail, by: number, step: number) => void;
}

const NONE: readonly Proposal[] = [];

/**
 * What is proposed for the formula on the bench: by a tool, or by a rail that is dragged. A changed formula ends it.
 */
export function useProposal(
  bench: Bench,
  worked: () => Worked,
  rails: readonly RailReading[],
  send: Dispatch<BenchAction>,
): Proposing {
  const [pending, setPending] = useState<Pending | null>(null);
  const solver = useRef<Solver | null>(null);
  // rails that were moved for what is proposed, and where to; further moves add to them. Not state: a key may
  // come between an answer and its drawing, and must go on from the last that was asked, not the last that was drawn.
  const wishes = useRef<Wishes>({});
  const proposal = pending?.proposals[pending.at] ?? null;
  const proposed = useMemo(
    () => (proposal ? workedOn({ ...bench, formula: proposal.formula }) : null),
    [bench, proposal],
  );
  const diff = useMemo(() => (proposal ? diffSheet(bench, proposal.formula) : null), [bench, proposal]);

  useEffect(
    () => () => {
      solver.current?.end();
      solver.current = null;
    },
    [],
  );
  const propose = useCallback((proposals: readonly Proposal[]): void => {
    solver.current?.cancel();
    wishes.current = {};
    setPending(proposals.length > 0 ? { proposals, at: 0 } : null);
  }, []);
  const refuse = useCallback((): void => propose(NONE), [propose]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was proposed for another formula or end is over
  useEffect(() => refuse(), [bench.formula, bench.end]);

  const take = useCallback((): void => {
    if (!proposal) return;
    send({ do: 'put', formula: proposal.formula });
    refuse();
  }, [proposal, refuse, send]);

  const wish = useCallback((b: Bench, w: Worked, last: { readonly rail: Rail; readonly value: number }): void => {
    const list = (Object.entries(wishes.current) as [Rail, number][]).map(([r, v]) => ({ rail: r, value: v }));
    solver.current ??= startSolver();
    const asked = ask(b, w, list);
    void solver.current.ask(asked.question).then((answer) => {
      if (!answer) return;
      const { formula, short } = bentFrom(b, w, asked, answer);
      const moved: Proposal = {
        title: list.map((x) => `${RAIL_NAMES[x.rail]} to ${sayRail(x.rail, x.value)}`).join(', '),
        why: 'The lines that are not kept move by the least that does it; the other ratios stay about where they are.',
        formula,
        short,
      };
      // what nothing on the sheet brings can be brought
      const other = short ? withSource(b, last) : null;
      setPending({ proposals: other ? [{ ...moved, title: 'The nearest without' }, other] : [moved], at: 0 });
    });
  }, []);
  const onWish = useCallback(
    (rail: Rail, value: number): void => {
      wishes.current = { ...wishes.current, [rail]: value };
      wish(bench, worked(), { rail, value });
    },
    [bench, worked, wish],
  );
  const onNudge = useCallback(
    (rail: Rail, by: number, step: number): void => {
      const from = wishes.current[rail] ?? railOf({ rails }, rail)?.tested ?? 0;
      onWish(rail, Math.max(0, rounded(from + by, step)));
    },
    [onWish, rails],
  );
  const setAt = useCallback((at: number): void => setPending((p) => p && { ...p, at }), []);
  return {
    proposals: pending?.proposals ?? NONE,
    at: pending?.at ?? 0,
    setAt,
    proposal,
    proposed,
    diff,
    propose,
    take,
    refuse,
    onWish,
    onNudge,
  };
}

/**
 * A wish of the Bench that came with the address is proposed as soon as it stands, to be looked at before it is taken.
 */
export function useTowards(id: string | null, bench: Bench, propose: Proposing['propose']): void {
  const at = useRef(bench);
  useEffect(() => {
    if (id === null) return;
    void import('@/core/balance/moves').then(async ({ WISHES }) => {
      const proposal = WISHES.find((w) => w.id === id)?.propose(at.current) ?? null;
      if (proposal) return propose([proposal]);
      // asked for by a link, a wish that can't be had says why
      const { proposalsFor } = await import('@/core/balance/propose');
      toast(proposalsFor(at.current, { wish: id }).refused[0]?.why ?? '');
    });
  }, [id, propose]);
}

/** What a batch weighed is proposed once, as soon as the Bench stands. @param weighed null: nothing was asked for */
export function useWeighed(
  weighed: { readonly batch: string; readonly lines: readonly WeighedLine[] } | null,
  bench: Bench,
  propose: Proposing['propose'],
): void {
  const at = useRef({ bench, weighed });
  useEffect(() => {
    const { bench: b, weighed: w } = at.current;
    if (!w) return;
    void import('@/core/balance/as-weighed').then(({ amountsWeighed }) => {
      const proposal = amountsWeighed(b, w.lines, w.batch, b.house.units);
      if (proposal) propose([proposal]);
      else toast('All of it went in as the formula has it.');
    });
  }, [propose]);
}

/** A formula bent to use up what there is together is proposed once, as soon as the Bench stands. */
export function useThere(there: readonly OnHand[], bench: Bench, propose: Proposing['propose']): void {
  const at = useRef({ bench, there });
  useEffect(() => {
    const { bench: b, there: things } = at.current;
    if (things.length === 0) return;
    void import('@/core/batch/together').then(({ usingUpTogether }) => {
      const proposal = usingUpTogether(b, things);
      if (proposal) propose([proposal]);
      else toast('Scaled alone it takes as much.');
    });
  }, [propose]);
}
