/**
 * What the Bench offers when it is asked for something, and what it refuses with the reason: a wish, a rail at a value,
 * a finding's fixes, a swap. What is refused for lack of a line says which line would bring it, in grams.
 */
import type { Finding } from '../findings/finding';
import { RAIL_NAMES, type Rail, railOf, sayRail } from '../formula/kinds';
import { findIngredient } from '../pantry/pantry';
import { type Bench, conventionsOn, type Proposal, withFormula, workedOn } from './bench';
import { keepsBatch } from './bounds';
import { movesRail } from './brings';
import { fixesFor } from './fixes';
import { MOVES, WISHES } from './moves';
import { bend } from './ratios';
import { withSource } from './source';
import { swapOnly, swapRebalanced, swapsFor } from './swaps';

type ProposalAsked =
  | { readonly wish: string }
  | { readonly rail: Rail; readonly value: number }
  | { readonly fix: Finding['code'] }
  | { readonly swap: { readonly from: string; readonly to: string } };

/** A line that is lacking. */
interface Lacking {
  readonly ingredientId: string;
  readonly grams: number;
}

interface RefusedProposal {
  readonly why: string;
  readonly add: Lacking | null;
}

export interface Proposals {
  readonly offered: readonly Proposal[];
  readonly refused: readonly RefusedProposal[];
}

const none = (why: string, add: Lacking | null = null): Proposals => ({ offered: [], refused: [{ why, add }] });

/** The line that would bring a rail to a value. */
function lacking(b: Bench, rail: Rail, value: number): Lacking | null {
  const p = withSource(b, { rail, value });
  const line =
    p && workedOn(withFormula(b, p.formula)).lines.find((l) => !b.formula.entries.some((e) => e.key === l.key));
  return line?.ingredient && line.grams
    ? { ingredientId: line.ingredient.id, grams: Math.round(10 * line.grams) / 10 }
    : null;
}

function atRail(b: Bench, rail: Rail, value: number): Proposals {
  const now = railOf(workedOn(b).analysis, rail);
  if (!now?.reading && !(workedOn(b).analysis.tally.flourG > 0))
    return none('There is no flour to measure it against.');
  const { formula, short } = bend(b, [{ rail, value }]);
  const moved: Proposal = {
    title: `${RAIL_NAMES[rail]} to ${sayRail(rail, railOf(workedOn(withFormula(b, formula)).analysis, rail)?.tested ?? value)}`,
    why: '',
    formula,
    short,
  };
  const about = (l: Parameters<typeof movesRail>[0]): boolean => movesRail(l, rail);
  const other = short ? withSource(b, { rail, value }) : null;
  const offered = [
    ...(formula.entries.some((e, n) => e !== b.formula.entries[n]) ? [moved] : []),
    ...(other && !other.short && keepsBatch(b, other, about) ? [other] : []),
  ];
  return { offered, refused: short ? [{ why: short, add: lacking(b, rail, value) }] : [] };
}

function atWish(b: Bench, id: string): Proposals {
  const p = WISHES.find((w) => w.id === id)?.propose(b) ?? null;
  if (p) return { offered: [p], refused: [] };
  const w = workedOn(b);
  for (const [rail, by] of Object.entries(MOVES.find((m) => m.id === id)?.by ?? {}) as [Rail, number][]) {
    const r = railOf(w.analysis, rail);
    if (!r?.zone || w.lines.some((l) => !l.pinned && movesRail(l, rail))) continue;
    const value = by > 0 ? Math.min(r.zone[1], Math.max(r.zone[0], r.tested + by * (r.zone[1] - r.zone[0]))) : r.tested;
    const add = lacking(b, rail, value);
    return none(
      `Nothing on the sheet moves ${RAIL_NAMES[rail].toLowerCase()}${add ? `: ${findIngredient(add.ingredientId, conventionsOn(b).own)?.name.toLowerCase()}, ${add.grams} g, would` : ''}.`,
      add,
    );
  }
  return none('It stands at its end already, has nothing to work with, or would make another batch of this one.');
}

function atFix(b: Bench, code: string): Proposals {
  const f = workedOn(b).analysis.findings.find((x) => x.code === code);
  if (!f) return none('That finding does not stand here.');
  const offered = fixesFor(b, f);
  return offered.length > 0
    ? { offered, refused: [] }
    : none('Nothing mends it that keeps the batch and makes nothing else worse.');
}

function atSwap(b: Bench, from: string, to: string): Proposals {
  const lines = workedOn(b).lines.filter((l) => l.ingredient?.id === from);
  if (lines.length === 0) return none('That is on no line.');
  const offered = lines.flatMap((l) =>
    swapsFor(l)
      .filter((s) => s.standIn.to === to)
      .flatMap((s) => [swapRebalanced(b, l, s), swapOnly(b, l, s)]),
  );
  return offered.length > 0 ? { offered, refused: [] } : none('The one is no usual swap for the other.');
}

export function proposalsFor(b: Bench, asked: ProposalAsked): Proposals {
  if ('wish' in asked) return atWish(b, asked.wish);
  if ('rail' in asked) return atRail(b, asked.rail, asked.value);
  if ('fix' in asked) return atFix(b, asked.fix);
  return atSwap(b, asked.swap.from, asked.swap.to);
}
