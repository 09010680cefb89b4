/**
 * Towards a target: a wish in the cook's words becomes a move of one or two ratios, never out of the kind's zone. To add a
 * wish is to add a row. The words are kitchen sense (a model): direction is sure, size is a first step.
 */
import { RAIL_NAMES, type Rail, railOf, sayRail } from '../formula/kinds';
import { type Bench, type Proposal, workedOn } from './bench';
import { relift } from './leavening';
import { bend, type Wish } from './ratios';

export interface Move {
  readonly id: string;
  readonly name: string;
  readonly why: string;
  /** By how much of the zone's width each rail moves. */
  readonly by: Partial<Readonly<Record<Rail, number>>>;
}

export const MOVES: readonly Move[] = [
  { id: 'taller', name: 'Taller', why: 'More gas, and a batter a little thicker so that it holds it.', by: { lift: 0.2, water: -0.15 } },
  { id: 'tender', name: 'More tender', why: 'Fat and sugar keep the gluten short.', by: { fat: 0.2, sugar: 0.12 } },
  { id: 'crisp', name: 'Crisper edge', why: 'Fat fries the edge; less sugar lets it stay on longer before it darkens.', by: { fat: 0.25, sugar: -0.12 } },
  { id: 'thinner', name: 'Thinner', why: 'More water, everything else as it is.', by: { water: 0.2 } },
  { id: 'thicker', name: 'Thicker', why: 'Less water, everything else as it is.', by: { water: -0.2 } },
  { id: 'less-sweet', name: 'Less sweet', why: 'Less sugar; it also browns a little later.', by: { sugar: -0.25 } },
  { id: 'richer', name: 'Richer', why: 'More egg and fat: firmer, yellower, keeps its shape.', by: { egg: 0.2, fat: 0.12 } },
];

/** @returns null where there is no flour, or the rails already stand at the zone's end */
export function moveTowards(b: Bench, move: Move): Proposal | null {
  const w = workedOn(b);
  const wishes: Wish[] = [];
  const said: string[] = [];
  for (const [rail, by] of Object.entries(move.by) as [Rail, number][]) {
    const r = railOf(w.analysis, rail);
    if (!r?.zone) continue;
    const [low, high] = r.zone;
    const to = r.tested + by * (high - low);
    // milk's own sugar comes with the milk: less sweet halves what is added at most
    const least = rail === 'sugar' && w.analysis.percent ? w.analysis.percent.sugar - 0.5 * w.analysis.percent.sweetness : low;
    // within the zone; a rail that is out of it already is not pushed further
    const value = by > 0 ? Math.max(r.tested, Math.min(to, high)) : Math.min(r.tested, Math.max(to, low, least));
    if (Math.abs(value - r.tested) < 0.02 * (high - low)) continue;
    wishes.push({ rail, value });
    said.push(`${RAIL_NAMES[rail].toLowerCase()} ${sayRail(rail, r.tested)} to ${sayRail(rail, value)}`);
  }
  if (wishes.length === 0) return null;
  const { formula, short } = bend(b, wishes);
  return { title: move.name, why: `${move.why} ${said.join(', ')}.`, formula, short };
}

/** More tang: some soda makes way for powder, so that acid is left to be tasted. Null where nothing sour is left to free. */
export function moreTang(b: Bench): Proposal | null {
  const w = workedOn(b);
  const { ledger: l } = w.analysis;
  if (l.sodaG < 0.3 || l.acidMeq < 5) return null;
  const p = relift(b, 'no-soda');
  return p
    ? {
        ...p,
        title: 'More tang',
        why: `Soda uses up the acid; powder brings its own. Without soda ${l.acidMeq.toFixed(0)} meq of acid stay to be tasted. ${p.why}`,
      }
    : null;
}
