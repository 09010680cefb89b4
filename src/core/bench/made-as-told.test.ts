/**
 * What a card's method tells, once all of it is taken, is what is made: its rest, its heat, its minutes and its portion
 * stand on an act of the making. And what its method names is held against its list without a false word. Over the
 * whole cards of the corpus.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { workedOn } from '../balance/bench';
import { noticeOfLines } from '../batch/notice';
import { scriptOfFormula } from '../batch/script-of-formula';
import { linesOfSheet, usesOf } from '../batch/sheet';
import { takeOut } from '../batch/take-out';
import { notesOn, readCard } from '../card/card';
import type { ToldFact } from '../card/told/clause';
import { factsTold } from '../card/told/told';
import { servedBy } from '../findings/served';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { entriesFromCard } from '../formula/from-card';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { withOffer } from '../formula/offers';
import { withCard } from '../formula/pasted';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { findIngredient } from '../pantry/pantry';
import type { ScriptAct } from '../script/act';
import { everyNth } from '../testing/share';
import { cardSight } from './card-sight';

const CARDS = readFileSync(join(__dirname, '../card/corpus/told-cards.txt'), 'utf8')
  .split('====\n')
  .slice(1)
  .map((card) => card.split('\n---\n')[0] ?? '');

/** A card pasted; null: no flour is on it. */
function pasted(text: string): Formula | null {
  const card = entriesFromCard(text, FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.message);
  const { guess } = card.value;
  const f = { ...withCard(EMPTY_FORMULA, card.value), ...(guess && { kind: guess.kind, school: guess.school }) };
  const { tally } = workedOn({ formula: f, house: FRESH_KITCHEN, end: null }).analysis;
  return guess && tally.flourG > 0 ? f : null;
}

/** More taps than any card has offers. */
const MOST_TAPS = 25;
/** A formula with each thing that its card offers taken, one after the other. */
function allTaken(f: Formula, taps = MOST_TAPS): Formula {
  const b = { formula: f, house: FRESH_KITCHEN, end: null };
  const o = cardSight(b, workedOn(b))?.offers.find((x) => x.what !== 'rows');
  if (!o) return f;
  if (taps === 0) throw new Error(`offered again and again: ${o.says}`);
  return allTaken(withOffer(f, o), taps - 1);
}

const near = (a: number | null | undefined, b: number): boolean =>
  a != null && Math.abs(a - b) <= Math.max(0.5, 0.1 * b);
const STANDS = new Set(['rest', 'ripen', 'steep', 'cool', 'do']);
const AT_HEAT = new Set(['turn', 'take off', 'bake']);
const hot = (a: ScriptAct, c: number): boolean =>
  (a.heatC !== null && c >= a.heatC[0] - 6 && c <= a.heatC[1] + 6) || near(a.thenC, c);
/** Whether an act is as a fact tells; null: the fact tells no number of an act. */
function isMade({ fact, of, value }: ToldFact): ((a: ScriptAct) => boolean) | null {
  const n = Number(value);
  if (Number.isNaN(n)) return null;
  if ((fact === 'rest' && of === 'batter') || fact === 'chill')
    return (a) => STANDS.has(a.verb) && near(a.minutes?.all, n);
  if (fact === 'heat' && (of === 'surface' || of === 'oven')) return (a) => hot(a, n);
  if (fact === 'bake' || fact === 'firstSide' || fact === 'secondSide')
    return (a) => AT_HEAT.has(a.verb) && near(a.minutes?.all, n);
  if (fact === 'portion') return (a) => near(a.portionMl, n);
  return fact === 'load' ? (a) => a.load === n : null;
}

/** What has no act of this kind: a waffle of two sides, cakes that are steamed or finished in an oven. */
const NO_SUCH_ACT =
  /They want three minutes the one side|Finish 2 min in a 180|5 minutes at 180 in the oven|Steam 10 minutes|5 min 30/;

test('what a card tells, all taken, is what is made: no number is lost on its way', () => {
  const lost = everyNth(CARDS, 12).flatMap((text) => {
    const f = pasted(text);
    if (!f) return [];
    const script = scriptOfFormula(allTaken(f), FRESH_KITCHEN, null);
    if (!script.ok) throw new Error(`${text.slice(0, 40)}: ${JSON.stringify(script.error)}`);
    const { acts, idle } = script.value;
    const facts = factsTold(f.cardNotes, FRESH_CONVENTIONS).filter((x) => x.taken === 'told');
    return [
      ...facts.flatMap((x) => {
        const made = isMade(x);
        return made && !NO_SUCH_ACT.test(x.words) && !acts.some(made) ? [`${x.fact} ${x.value}: ${x.words}`] : [];
      }),
      ...idle.map((e) => `idle: ${e.act}`),
    ].map((said) => `${text.slice(0, 40)}: ${said}`);
  });
  expect(lost).toEqual([]);
});

/** Read by a third of its numbers alone, or of a mix that is made with what its list has not: rightly asked about. */
const TRULY_MISSING =
  /^(?:Lemon poppy|The night shift|Sunday batch for the club|I am not native|Scoutmaster|What Bea says|The thin batter, as|Eilidh|Mix for the tub|Weekday pancakes\nSo I|Rice & lentil)/;
test('what a method names beside the bowl, of the pan, the table and the coffee, is not missed on the list', () => {
  const missed = everyNth(CARDS, 6).flatMap((text) => {
    const card = readCard(text, FRESH_CONVENTIONS);
    const f = pasted(text);
    if (!card.ok || !f || TRULY_MISSING.test(text)) return [];
    const found = workedOn({ formula: f, house: FRESH_KITCHEN, end: null }).analysis.findings;
    const said = found.find((x) => x.code === 'used-never-listed')?.message;
    return said ? [`${text.slice(0, 40)}: ${said} (${notesOn(card.value).slice(0, 200)})`] : [];
  });
  expect(missed).toEqual([]);
});

test('what is served by the card and on no line is offered once; taken, it is on the sheet, the list to get and the notice', () => {
  const f = pasted(
    'Sunday cakes\n250 g flour\n10 g baking powder\n3 g salt\n300 g milk\n100 g egg\n30 g strawberries\n20 g jam to serve\n\nWhisk, combine, fry. Serve with maple syrup, peanut butter, jam, more strawberries and lingonberry compote. Dust with icing sugar.',
  );
  if (!f) throw new Error('not read');
  const sight = (of: Formula) => {
    const b = { formula: of, house: FRESH_KITCHEN, end: null };
    return cardSight(b, workedOn(b));
  };
  const offer = sight(f)?.offers.find((o) => o.what === 'lines');
  expect(offer).toMatchObject({
    // jam stands on a line, and strawberries are in the batter
    says: 'to serve: maple syrup, peanut butter, lingonberry compote and icing sugar',
    words:
      'Serve with maple syrup, peanut butter, jam, more strawberries and lingonberry compote. Dust with icing sugar.',
  });
  if (offer?.what !== 'lines') throw new Error('not offered');
  const taken = withOffer(f, offer);
  expect(new Set(taken.entries.map((e) => e.key)).size).toBe(11);
  expect(sight(taken)?.offers.filter((o) => o.what === 'lines')).toEqual([]);
  const made = scriptOfFormula(taken, FRESH_KITCHEN, null);
  if (!made.ok) throw new Error('not made');
  const served = made.value.lines.filter((l) => l.vessel === 'topping' && l.grams === null);
  expect(served.map((l) => l.name).sort()).toEqual([
    'icing sugar',
    'lingonberry compote',
    'maple syrup',
    'peanut butter',
  ]);
  const amounts = linesOfSheet(made.value.lines, findIngredient);
  const list = takeOut(usesOf(amounts, {}), {});
  expect(list.rows.filter((r) => r.andMore).map((r) => r.ingredient.id)).toEqual(
    expect.arrayContaining(['maple-syrup', 'peanut-butter', 'sugar-icing']),
  );
  expect(list.unknown).toEqual(['lingonberry compote, to serve']);
  const notice = noticeOfLines(amounts, servedBy(taken.cardNotes));
  expect(notice.held.map((h) => h.name)).toContain('peanut');
  expect(notice.served).toEqual([]);
});
