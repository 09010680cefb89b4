/**
 * What a card's method tells of minutes and heat, as edits of the acts that it speaks of: "190 degrees" of the griddle,
 * "three minutes a side", "keep warm at 90". What it tells of an act that is not done here is no edit.
 */
import type { FactId, ToldFact } from '../card/told/clause';
import { type ActEdit, MOST_ACT_MIN, MOST_LOAD, ownActId } from '../formula/act-edits';
import { minutesAndParts, temperature, type Units } from '../quantity/say';
import type { ScriptAct, Verb } from './act';
import { canTurnDown } from './making';

interface Row {
  readonly fact: FactId;
  readonly of: readonly string[];
  readonly verb: Verb;
  /** Objects of the verb; empty: whichever it has. */
  readonly on: readonly string[];
  readonly sets: 'minutes' | 'heatC' | 'load';
}
const ROWS: readonly Row[] = [
  { fact: 'heat', of: ['surface'], verb: 'preheat', on: ['griddle', 'iron', 'ball pan'], sets: 'heatC' },
  { fact: 'heat', of: ['oven'], verb: 'preheat', on: ['oven'], sets: 'heatC' },
  { fact: 'rest', of: ['butter'], verb: 'cool', on: [], sets: 'minutes' },
  { fact: 'firstSide', of: [], verb: 'turn', on: [], sets: 'minutes' },
  { fact: 'secondSide', of: [], verb: 'take off', on: [], sets: 'minutes' },
  { fact: 'bake', of: [], verb: 'bake', on: [], sets: 'minutes' },
  { fact: 'load', of: [], verb: 'pour', on: [], sets: 'load' },
];
/** Done only where it is asked for. */
const HOLD = { act: 'hold piece', of: ['holding'] };

/** Whether a fact may be one of an act's numbers. */
export const tellsActs = (f: ToldFact): boolean =>
  f.taken === 'told' &&
  (f.fact === 'dial' ||
    f.fact === 'strain' ||
    f.fact === 'rest' ||
    ROWS.some((r) => r.fact === f.fact) ||
    HOLD.of.includes(f.of ?? ''));

/** Whether an act has another number than is told. */
const differs = (a: ScriptAct, sets: Row['sets'], told: number): boolean =>
  sets === 'load'
    ? a.load !== told
    : sets === 'minutes'
      ? Math.abs((a.minutes?.all ?? 0) - told) > 1e-6
      : a.heatC?.some((c) => Math.abs(c - told) > 0.5) !== false;

/**
 * @param facts what the method tells @param acts the acts without its word
 * @param apart only what tells another number than the act has
 */
export function editsTold(facts: readonly ToldFact[], acts: readonly ScriptAct[], apart = false): readonly ActEdit[] {
  const told = (fact: FactId, of: readonly string[]): (ToldFact & { readonly value: number }) | undefined =>
    facts.find(
      (f): f is ToldFact & { readonly value: number } =>
        f.fact === fact &&
        f.taken === 'told' &&
        typeof f.value === 'number' &&
        (of.length === 0 || of.includes(f.of ?? '')),
    );
  const hold = told('heat', HOLD.of);
  /** "Turn it down to 170", "five more at 325": a second heat of the same, told as a change. */
  const changed = (first: ToldFact): number | undefined => {
    const then = facts.find(
      (f) => f !== first && f.fact === 'heat' && f.of === first.of && f.taken === 'told' && changesHeat(first, f),
    );
    return typeof then?.value === 'number' ? then.value : undefined;
  };
  return [
    ...ROWS.flatMap(({ fact, of, verb, on, sets }): readonly ActEdit[] => {
      const f = told(fact, of);
      if (!f || (sets === 'load' && f.value > MOST_LOAD)) return [];
      return acts
        .filter(
          (a) => a.verb === verb && (on.length === 0 || on.includes(a.of)) && (!apart || differs(a, sets, f.value)),
        )
        .map((a): ActEdit => {
          const thenC = canTurnDown(a) && sets === 'heatC' ? changed(f) : undefined;
          return { do: 'set', act: a.id, [sets]: f.value, ...(thenC !== undefined && { thenC }), words: f.words };
        });
    }),
    ...dialsTold(facts, acts),
    ...strainTold(facts, acts),
    ...restAgainTold(facts, acts),
    ...(hold ? [{ do: 'set', act: HOLD.act, heatC: hold.value, words: hold.words } as const] : []),
  ];
}

/** "Medium low" is no number: a note on the act that heats the surface. */
function dialsTold(facts: readonly ToldFact[], acts: readonly ScriptAct[]): readonly ActEdit[] {
  const dial = facts.find((f) => f.fact === 'dial' && f.taken === 'told');
  if (!dial) return [];
  return acts
    .filter((a) => a.verb === 'preheat' && a.of !== 'oven' && a.note === null)
    .map((a): ActEdit => ({ do: 'note', act: a.id, note: `dial at ${dial.value}`, words: dial.words }));
}

/** The batter is put through a sieve: an act of its own, behind the mixing. Minutes, by hand. */
const STRAIN = { does: 'strain the batter', minutes: 2 };
function strainTold(facts: readonly ToldFact[], acts: readonly ScriptAct[]): readonly ActEdit[] {
  const f = facts.find((x) => x.fact === 'strain' && x.taken === 'told');
  const mixed = acts.findLastIndex((a) => a.verb === 'combine' || a.verb === 'stir in');
  const next = mixed < 0 ? undefined : acts[mixed + 1];
  // a way of mixing may end in the sieve by itself
  const isSieved = acts.some((a) => a.says.some((s) => /\bsieve\b/i.test(s.do)));
  if (!f || !next || isSieved) return [];
  const { does, minutes } = STRAIN;
  return [{ do: 'own', act: ownActId(does), before: next.id, does, minutes, hands: minutes, words: f.words }];
}

/** "Stir in the soda and give it ten more minutes": the batter stands a second time, before it is poured. */
const REST_AGAIN = 'let the batter stand once more';
function restAgainTold(facts: readonly ToldFact[], acts: readonly ScriptAct[]): readonly ActEdit[] {
  const [, again] = facts.filter(
    (f) => f.taken === 'told' && ((f.fact === 'rest' && f.of === 'batter') || f.fact === 'chill'),
  );
  const poured = acts.find((a) => a.verb === 'pour');
  if (again?.fact !== 'rest' || typeof again.value !== 'number' || again.value > MOST_ACT_MIN || !poured) return [];
  const { value: minutes, words } = again;
  return [{ do: 'own', act: ownActId(REST_AGAIN), before: poured.id, does: REST_AGAIN, minutes, hands: 0, words }];
}

/** How a second heat is told. */
const CHANGES_HEAT =
  /\b(?:then|after(?:wards)?|turn(?:ed)?(?: it| the (?:heat|oven))? (?:down|up)|lower(?:ed)?|reduc(?:e|ed)|drop(?:ped)? (?:it|the heat|to)|down to|up to|raise[d]?|bring(?: it)? down)\b/i;

/** An oven has one heat at a time: a second, lower one comes after the first, however it is told. */
const changesHeat = (first: ToldFact, then: ToldFact): boolean =>
  CHANGES_HEAT.test(then.words) || (first.of === 'oven' && Number(then.value) < Number(first.value));

const NAMES: Partial<Readonly<Record<Verb, string>>> = {
  turn: 'First side',
  'take off': 'Second side',
  bake: 'Baking',
};

/** "Preheat griddle: 190 °C", "First side: 3 min". @param verb of the act; left out: of what is not done without it */
export function editSaid(e: ActEdit, verb: Verb | undefined, units: Pick<Units, 'temperature'>): string {
  const name = (verb && NAMES[verb]) ?? e.act.replace(/^./, (c) => c.toUpperCase());
  if (e.do === 'leave') return `${name}: not done`;
  if (e.do === 'own') return `${e.does.replace(/^./, (c) => c.toUpperCase())}: ${minutesAndParts(e.minutes)}`;
  if (e.do === 'note') return `${name}: ${e.note}`;
  if (e.do === 'way') return `${name}: ${e.value}`;
  const said = [
    ...(e.minutes === undefined ? [] : [minutesAndParts(e.minutes)]),
    ...(e.heatC === undefined ? [] : [temperature(e.heatC, units)]),
    ...(e.thenC === undefined ? [] : [`then ${temperature(e.thenC, units)}`]),
    ...(e.load === undefined ? [] : [`${e.load} at a time`]),
  ];
  return `${name}: ${said.join(', ')}`;
}
