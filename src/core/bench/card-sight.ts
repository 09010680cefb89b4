/** What the card of a formula says on the Bench: offered, asked, or only told. Fetched apart from the rest of the sight. */
import type { Worked } from '../analyse-formula';
import type { Bench } from '../balance/bench';
import type { ToldFact } from '../card/told/clause';
import { factsTold } from '../card/told/told';
import { sameEdit } from '../formula/act-edits';
import { atEnd, counts, type FormulaLine, kitchenOf } from '../formula/formula';
import { guessKind, type KindGuess } from '../formula/guess-kind';
import { usualPortionMl } from '../formula/kinds';
import { formulaLines } from '../formula/lines';
import { type Offer, offersFrom, toldBy } from '../formula/offers';
import { schoolMeant } from '../formula/schools';
import type { KitchenConventions } from '../pantry/conventions';
import { findIngredient } from '../pantry/pantry';
import type { ScriptAct } from '../script/act';
import { scriptOf } from '../script/script';
import { tellsActs } from '../script/told-acts';
import { lineOffers, scriptLineOf } from '../script/told-lines';
import type { MethodAsk } from './ask';
import { actOffers, methodAsks } from './method-asks';

interface CardSight {
  readonly guess: KindGuess | null;
  /** What is not so yet. */
  readonly offers: readonly Offer[];
  /** What the method leaves open. */
  readonly asks: readonly MethodAsk[];
  readonly told: readonly string[];
}

const SIEVES = /sieve|strained/;

/** Whether what is offered is already so. */
function isTaken(o: Offer, b: Bench, lines: readonly FormulaLine[]): boolean {
  const k = kitchenOf(b.formula, b.house);
  if (o.what === 'way') return k.ways[o.way] === o.value;
  if (o.what === 'measure') return k.conventions[o.of] === o.value;
  if (o.what === 'act') return b.formula.edits.some((e) => sameEdit(e, o.edit));
  if (o.what === 'portion') return b.formula.portionMl !== null && Math.abs(b.formula.portionMl - o.ml) < 0.5;
  return o.what === 'moment' && lines.find((l) => l.key === o.key)?.moment === o.moment;
}

/** Whether what is offered is what the kind is used to anyway, where nobody chose otherwise: no news. */
function isUsual(o: Offer, b: Bench): boolean {
  const { ways } = kitchenOf(b.formula, b.house);
  return o.what === 'way' && schoolMeant(o.way, String(ways[o.way]), atEnd(b.formula, b.end).kind) === o.value;
}

/** Where a line goes is offered once: as the whole method puts it. */
function offersOn(b: Bench, lines: readonly FormulaLine[], facts: readonly ToldFact[]): readonly Offer[] {
  const { cardNotes: notes } = b.formula;
  const { conventions } = kitchenOf(b.formula, b.house);
  const moved = lineOffers(lines, notes, conventions, (id) => findIngredient(id, conventions.own));
  const others = offersFrom(notes, lines, conventions, facts);
  return [
    ...others.filter((o) => o.what !== 'moment' || !moved.some((m) => m.what === 'moment' && m.key === o.key)),
    ...moved,
  ];
}

/** Acts of this formula as its lines and ways have them. */
function actsOn(
  b: Bench,
  lines: readonly FormulaLine[],
  conventions: KitchenConventions,
  facts: readonly ToldFact[],
): readonly ScriptAct[] {
  if (!facts.some((f) => f.taken === 'asked' || tellsActs(f))) return [];
  const { kind, school } = atEnd(b.formula, b.end);
  const { ways } = kitchenOf(b.formula, b.house);
  // which acts there are hangs on the lines as they stand: no plan is worked for it
  return scriptOf({
    lines: lines.filter((l) => l.ingredient !== null && l.side === null).map(scriptLineOf),
    kind,
    ways,
    pourings: [{ name: null, kind, school }],
    find: (id) => findIngredient(id, conventions.own),
    units: b.house.units,
  }).acts;
}

/** @returns what the card of a formula says; null where it says nothing */
export function cardSight(b: Bench, { analysis: a }: Worked): CardSight | null {
  const lines = formulaLines(b.formula, b.house).filter((l) => counts(l, b.end));
  const { name, cardNotes, portionMl } = b.formula;
  const { conventions } = kitchenOf(b.formula, b.house);
  if (cardNotes.trim() === '' && name.trim() === '') return null;
  const facts = factsTold(cardNotes, conventions);
  const acts = actsOn(b, lines, conventions, facts);
  const ways = offersOn(b, lines, facts);
  // a way that ends in the sieve strains it: no act beside it
  const sieves = ways.some((o) => o.what === 'way' && SIEVES.test(String(o.value)));
  const offers = [
    ...ways,
    ...actOffers(facts, { acts, units: b.house.units }).filter(
      (o) => !(sieves && o.what === 'act' && o.edit.do === 'own'),
    ),
  ];
  const open = methodAsks(facts, b.formula, {
    acts,
    units: b.house.units,
    usualMl: a.school ? usualPortionMl(a.school) : 60,
    densityGPerMl: a.volume?.densityGPerMl ?? null,
  });
  return {
    guess: guessKind(name, lines, cardNotes, facts),
    offers: offers.filter((o) => !isTaken(o, b, lines) && !isUsual(o, b)),
    // a portion that the cook has set is no question
    asks: open.filter(
      (q) => !q.choices.some((o) => isTaken(o, b, lines) || (o.what === 'portion' && portionMl !== null)),
    ),
    // what is offered, or was taken, is not told once more
    told: toldBy(facts, b.house.units)
      .filter((t) => !offers.some((o) => o.what === 'act' && t.words.includes(o.words)))
      .map((t) => t.says),
  };
}
