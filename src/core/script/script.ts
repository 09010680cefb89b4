/**
 * The script of a making: how this batter is made, from the cold to the plate, as acts. Worked from the sheet, the kind
 * and the ways; what the card told stands over what the house does, and that over what the kind is used to.
 */
import { FRESH_WAYS } from '../formula/ways';
import type { Script } from './act';
import { endsOf, onTheHeat } from './at-the-heat';
import { toTheHeat } from './bowls';
import { heldBy } from './held';
import { line, mix, noActs, type ScriptAsked, type SoFar } from './making';

/** The card's word over the formula's own way, over the house's, over what the kind is used to. */
function sourceIn({ told, asked, ways }: ScriptAsked): SoFar['sourceOf'] {
  return (matter) => {
    const words = told?.[matter];
    if (words !== undefined) return { from: 'told', words };
    if (matter === 'portion') return { from: 'usual', words: null };
    if (asked && matter in asked) return { from: 'asked', words: null };
    return { from: ways[matter] === FRESH_WAYS[matter] ? 'usual' : 'house', words: null };
  };
}

/** How this batter is made. Lines of a sauce are no part of it. */
export function scriptOf(q: ScriptAsked): Script {
  const acts = noActs(q.edits);
  const own = q.lines.filter((l) => l.side === undefined);
  const m: SoFar = { q, acts, own, held: heldBy(own, q.find), sourceOf: sourceIn(q) };
  const batters = endsOf(m, toTheHeat(m));
  const named = q.pourings.length > 1;
  const kinds = new Set(q.pourings.map((p) => p.kind)).size > 1;
  const pieces = q.pourings.map((p, n) =>
    onTheHeat(m, {
      p,
      batter: batters[n] ?? '',
      first: n === 0,
      named,
      again: q.pourings.findIndex((x) => x.kind === p.kind) < n,
      kinds,
    }),
  );
  const holdC = acts.askedC('hold piece');
  const held = pieces.map((p) => mix(p));
  if (holdC !== null)
    acts.put('hold', 'piece', { takes: held, gives: ['held'], vessel: 'oven', heatC: [holdC, holdC], per: 'piece' });
  const topping = own.filter((l) => l.vessel === 'topping' && l.moment === undefined);
  acts.put('plate', 'piece', {
    takes: [...(holdC === null ? held : [mix('held')]), ...topping.map((l) => line(l))],
    gives: ['served'],
    vessel: 'plate',
    per: 'piece',
  });
  return { acts: acts.acts, idle: acts.idle() };
}
