import type { FactId, ToldFact } from '../card/told/clause';
import type { Formula } from '../formula/formula';
import { type Offer, waysTold } from '../formula/offers';
import type { Units } from '../quantity/say';
import type { ScriptAct } from '../script/act';
import { editSaid, editsTold } from '../script/told-acts';
import { askKey, type MethodAsk } from './ask';

/** What is known of the formula that a choice is worked from. */
interface AskedOf {
  /** Acts as they stand. */
  readonly acts: readonly ScriptAct[];
  readonly units: Pick<Units, 'temperature'>;
  /** What this style mostly pours, mL. */
  readonly usualMl: number;
  readonly densityGPerMl: number | null;
}

/** A time at the heat may be of the other side. */
const MAY_BE: Partial<Readonly<Record<FactId, readonly FactId[]>>> = {
  firstSide: ['firstSide', 'secondSide'],
  secondSide: ['secondSide', 'firstSide'],
};
/** Sizes of a measure that nobody has told, of what the style mostly pours. */
const SHARES = [0.75, 1, 1.5];

const inFives = (ml: number): number => Math.max(5, 5 * Math.round(ml / 5));

function portions(f: ToldFact, { usualMl, densityGPerMl }: AskedOf): readonly Offer[] {
  const offer = (ml: number): Offer => ({ what: 'portion', ml, says: `${ml} ml a piece`, words: f.words });
  if (typeof f.value === 'number') return [offer(Math.round(f.value))];
  const grams = /^(\d+(?:\.\d+)?) ?g/i.exec(f.value)?.[1];
  if (grams !== undefined) return densityGPerMl === null ? [] : [offer(Math.round(Number(grams) / densityGPerMl))];
  return [...new Set(SHARES.map((s) => inFives(s * usualMl)))].map(offer);
}

/** What facts tell of acts that a formula has, where it is another number. */
export const actOffers = (
  facts: readonly ToldFact[],
  { acts, units }: Pick<AskedOf, 'acts' | 'units'>,
): readonly Offer[] =>
  editsTold(facts, acts, true).map((edit) => ({
    what: 'act',
    edit,
    says: editSaid(edit, acts.find((a) => a.id === edit.act)?.verb, units),
    words: edit.words ?? '',
  }));

/** What a surface is mostly greased with, where the card only says that it is. */
const GREASED_WITH = ['oil-vegetable', 'butter-unsalted', 'lard'];

/** What an open fact may be, each as an offer; none where this formula has no such act. */
function choicesOf(f: ToldFact, of: AskedOf): readonly Offer[] {
  if (f.fact === 'portion') return portions(f, of);
  // "lightly greased": with which fat
  if (f.fact === 'panFat' && f.value === 'any')
    return GREASED_WITH.flatMap((value) => waysTold('', [{ ...f, value, of: null, taken: 'told' }]));
  return (MAY_BE[f.fact] ?? [f.fact]).flatMap((fact): readonly Offer[] => {
    const told: ToldFact = { ...f, fact, taken: 'told' };
    return [...waysTold('', [told]), ...actOffers([told], of)];
  });
}

/** The question, with the method's own words. */
function question({ fact, value, words }: ToldFact): string {
  if (fact === 'panFat') return `“${words}”: with what?`;
  if (fact === 'heat' || fact === 'dial') return `Is “${words}” its heat?`;
  if (fact !== 'portion') return `What is “${words}”?`;
  return typeof value === 'number' ? `“${words}”: about so much?` : `How much is “${value}”?`;
}

/** @returns what the facts leave open of a formula, in the order it is told, but for what the cook has left as it is */
export function methodAsks(
  facts: readonly ToldFact[],
  { cardNotes, dismissed }: Pick<Formula, 'cardNotes' | 'dismissed'>,
  of: AskedOf,
): readonly MethodAsk[] {
  const at = (q: MethodAsk): number => cardNotes.indexOf(q.words);
  const asks = facts.flatMap((f): readonly MethodAsk[] => {
    if (f.taken !== 'asked' || dismissed.includes(askKey(f.words))) return [];
    const choices = choicesOf(f, of);
    return choices.length === 0 ? [] : [{ words: f.words, asks: question(f), choices }];
  });
  return asks.sort((a, b) => at(a) - at(b));
}
