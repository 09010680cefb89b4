/**
 * Fixes: for a finding, what would put it right, each to be looked at before it is taken. A table from a finding's code to
 * the tools of the Bench; a finding without a row here is only said.
 */
import type { Worked } from '../analyse';
import { batterVolume } from '../batter/volume';
import { yieldClaim } from '../card/method';
import { writtenGrams } from '../card/rewrite';
import type { Finding } from '../findings/finding';
import { DRESSING_NAMES, type Formula, kitchenOf, MOMENT_NAMES, sameFormula } from '../formula/formula';
import { RAIL_NAMES, type Rail, railOf, sayRail, THICKNESSES, usualPortionMl } from '../formula/kinds';
import { type ChosenWay, WAY_NAMES, type Ways } from '../formula/ways';
import { MEQ_PER_G_SODA } from '../lift/ledger';
import { inSpoons, instead } from '../pantry/honest';
import { nameFor } from '../pantry/naming';
import { ingredient } from '../pantry/pantry';
import { grams, millilitres, percent } from '../quantity/say';
import { addAfter, type Bench, conventionsOn, editEntry, type Proposal, withEntries, withFormula, withGrams, workedOn } from './bench';
import { relift } from './leavening';
import { bend } from './ratios';

type Fix = (b: Bench, w: Worked, f: Finding) => readonly (Proposal | null)[];

/** How far inside its zone a rail is brought, as a share of the width: not onto the edge. */
const INSIDE = 0.08;

function intoZone(b: Bench, w: Worked, rail: Rail): Proposal | null {
  const r = railOf(w.analysis, rail);
  if (!r?.zone || !r.reading || r.reading.standing === 'in') return null;
  const [low, high] = r.zone;
  const value = r.reading.standing === 'below' ? low + INSIDE * (high - low) : high - INSIDE * (high - low);
  const { formula, short } = bend(b, [{ rail, value }]);
  return {
    title: `${RAIL_NAMES[rail]} to ${sayRail(rail, value)}`,
    why: `Brings ${RAIL_NAMES[rail].toLowerCase()} from ${sayRail(rail, r.tested)} just inside the zone; the other ratios stay about where they are.`,
    formula,
    short,
  };
}

const zoneFix =
  (rail: Rail): Fix =>
  (b, w) => [intoZone(b, w, rail)];

/** The nearest water at which the batter pours as the school wants it, looked for by halving. */
function pourRight(b: Bench, w: Worked): Proposal | null {
  const { school, thickness } = w.analysis;
  const now = railOf(w.analysis, 'water');
  if (!school || !thickness || !now) return null;
  const at = THICKNESSES.indexOf(thickness.pour);
  const [from, to] = school.pour.map((p) => THICKNESSES.indexOf(p)) as [number, number];
  const thicker = at < from;
  const goal = thicker ? from : to;
  const reach = (water: number): { readonly f: Formula; readonly pour: number } => {
    const f = bend(b, [{ rail: 'water', value: water }]).formula;
    const t = workedOn(withFormula(b, f)).analysis.thickness;
    return { f, pour: t ? THICKNESSES.indexOf(t.pour) : at };
  };
  let [near, far] = thicker ? [now.tested, 0.4 * now.tested] : [now.tested, 2.5 * now.tested];
  let found: Formula | null = null;
  let water = now.tested;
  for (let i = 0; i < 12; i++) {
    const mid = (near + far) / 2;
    const r = reach(mid);
    const right = thicker ? r.pour >= goal : r.pour <= goal;
    if (right) {
      far = mid;
      found = r.f;
      water = mid;
    } else near = mid;
  }
  return found
    ? {
        title: `Water to ${percent(water)}`,
        why: `At ${percent(water)} of water it pours as it should. The model is good to one class: add or hold back a little at a time, and pour a test.`,
        formula: found,
        short: null,
      }
    : null;
}

/** Sour milk in place of some sweet milk, as much as the unspent soda needs. */
function bringSour(b: Bench, w: Worked): Proposal | null {
  const milk = w.lines.find(
    (l) =>
      l.use === 'batter' && !l.pinned && l.parts.length === 1 && l.ingredient?.category === 'dairy' && l.ingredient.acidMeqPer100g < 2 && (l.grams ?? 0) > 0,
  );
  const unspentMeq = w.analysis.ledger.unspentSodaG * MEQ_PER_G_SODA;
  if (!milk?.grams || !milk.ingredient) return null;
  const c = conventionsOn(b);
  const per = (ingredient('buttermilk').acidMeqPer100g - milk.ingredient.acidMeqPer100g) / 100;
  const need = unspentMeq / per;
  if (need < 5) return null;
  const sour = nameFor('buttermilk', c).name;
  if (need > milk.grams * 1.001) {
    // all the milk made sour is not enough: then less soda as well
    const all = editEntry(b.formula, milk.key, { text: `${writtenGrams(milk.grams)} ${sour}`, stands: undefined, ingredientId: undefined });
    const rest = relift(withFormula(b, all), 'soda-first');
    return rest ? { ...rest, title: 'Buttermilk for the milk, and less soda', why: `All the milk as buttermilk still leaves soda over. ${rest.why}` } : null;
  }
  const rest = milk.grams - need;
  const reduced = rest < 0.03 * milk.grams ? null : withGrams(b, w.lines, new Map([[milk.key, rest]]));
  const formula = reduced
    ? addAfter(reduced, milk.key, `${writtenGrams(need)} ${sour}`)
    : editEntry(b.formula, milk.key, { text: `${writtenGrams(milk.grams)} ${sour}`, stands: undefined, ingredientId: undefined });
  return {
    title: `Swap ${grams(need, b.house.units)} of milk for buttermilk`,
    why: `${grams(need, b.house.units)} of buttermilk brings the ${unspentMeq.toFixed(0)} meq of acid that the soda lacks.`,
    formula,
    short: null,
  };
}

const way = <W extends Exclude<ChosenWay, 'largeBowl'>>(b: Bench, key: W, value: Ways[W], why: string): Proposal | null =>
  kitchenOf(b.formula, b.house).ways[key] === value
    ? null
    : {
        title: `${key === 'rest' ? 'Rest' : key === 'warmth' ? 'Egg and milk' : 'Whites'}: ${WAY_NAMES[key][value]}`,
        why,
        formula: { ...b.formula, ways: { ...b.formula.ways, [key]: value } },
        short: null,
      };

const otherReading: Fix = (b, _w, f) => {
  const swap = (text: string): string => text.replace(/\b1[\s-](1\/2|1\/4)/, '$1').replace(/\b1\s*([½¼])/, '$1');
  const read = (title: string, which: (key: string) => boolean): Proposal => ({
    title,
    why: 'Both balances stand side by side: the marks show the card as written, and as read anew.',
    formula: withEntries(
      b.formula,
      b.formula.entries.map((e) => (which(e.key) ? { ...e, text: swap(e.text) } : e)),
    ),
    short: null,
  });
  return [read('Read all of them without the 1', () => true), read('Read only this one without the 1', (key) => f.keys?.includes(key) === true)];
};

const stands: Fix = (b, _w, f) => {
  const key = f.keys?.[0];
  if (!key) return [];
  return [
    {
      title: 'The weight stands',
      why: 'The grams written count; the measure is set aside.',
      formula: editEntry(b.formula, key, { stands: 'weight' }),
      short: null,
    },
    {
      title: 'The measure stands',
      why: 'The cups or spoons written count; the weight is set aside.',
      formula: editEntry(b.formula, key, { stands: 'volume' }),
      short: null,
    },
  ];
};

const strengthen: Fix = (b, w, f) => {
  const lines = w.lines.filter((l) => f.keys?.includes(l.key) && l.grams !== null);
  const put = new Map(lines.map((l) => [l.key, (l.grams ?? 0) / l.strength]));
  return [
    {
      title: 'Use more of it',
      why: `More of the old powder makes up for what it lost: ${[...put.values()].map((g) => grams(g, b.house.units)).join(', ')}.`,
      formula: withGrams(b, w.lines, put),
      short: null,
    },
    ...lines.slice(0, 1).map((l) => ({
      title: 'A fresh tin',
      why: 'Counts it as fresh again.',
      formula: editEntry(b.formula, l.key, { opened: b.house.today ?? undefined }),
      short: null,
    })),
  ];
};

/** A batch larger than this is no answer to a pinch. */
const MOST_TIMES = 8;

const spooned: Fix = (b, w, f) => {
  let formula = b.formula;
  for (const l of w.lines.filter((x) => f.keys?.includes(x.key))) {
    const i = l.ingredient;
    const spoons = i && l.grams ? inSpoons(l.grams, i) : null;
    if (i && spoons) formula = editEntry(formula, l.key, { text: `${spoons.text} ${nameFor(i.id, conventionsOn(b)).name}`, stands: undefined });
  }
  return [{ title: 'Measure it in spoons', why: 'The nearest eighth of a teaspoon, level.', formula, short: null }, larger(b, w, f)];
};

/** The whole batch made so much larger that the scale weighs the small amount honestly, in whole or half times. */
function larger(b: Bench, w: Worked, f: Finding): Proposal | null {
  const need = w.lines.flatMap((l) => {
    const other = f.keys?.includes(l.key) && l.ingredient && l.grams ? instead(l.grams, l.ingredient, w.analysis.scaleStepG) : null;
    return other ? [other.times] : [];
  });
  const times = Math.ceil(2 * Math.max(1, ...need)) / 2;
  if (times <= 1 || times > MOST_TIMES || w.lines.some((l) => l.pinned)) return null;
  const all = new Map(w.lines.filter((l) => l.grams !== null && l.use !== 'topping').map((l) => [l.key, (l.grams ?? 0) * times]));
  return {
    title: `${times} times the batch`,
    why: 'Every line goes with it, so that the scale weighs the least of them honestly. No ratio moves.',
    formula: withGrams(b, w.lines, all),
    short: null,
  };
}

const addIn: Fix = (b, _w, f) => {
  const all = (edit: Parameters<typeof editEntry>[2]): Formula => (f.keys ?? []).reduce((x, k) => editEntry(x, k, edit), b.formula);
  return [
    { title: 'Sprinkle it on', why: `Goes in ${MOMENT_NAMES.poured}.`, formula: all({ moment: 'poured' }), short: null },
    { title: 'Toss it in flour', why: `Stays in the bowl, ${DRESSING_NAMES.floured}.`, formula: all({ dressing: 'floured' }), short: null },
  ];
};

const claimed: Fix = (b, w) => {
  const claim = yieldClaim(b.formula.cardNotes);
  const volume = batterVolume(w.lines, w.analysis.kind?.air ?? 0);
  const { school } = w.analysis;
  if (!claim || !volume || !school) return [];
  const each = 5 * Math.round((0.97 * volume.volumeMl) / claim.pieces / 5);
  const usual = usualPortionMl(school);
  if (each < 0.4 * usual || each > 3 * usual) return [];
  return [
    {
      title: `Pour ${millilitres(each)} each`,
      why: `Then the bowl gives the ${claim.pieces} the card says.`,
      formula: { ...b.formula, portionMl: each },
      short: null,
    },
  ];
};

const puree: Fix = (b, w) => {
  const [water, liftNow] = [railOf(w.analysis, 'water'), railOf(w.analysis, 'lift')];
  if (!water?.zone || !liftNow?.zone) return [];
  const width = water.zone[1] - water.zone[0];
  const { formula, short } = bend(b, [
    { rail: 'water', value: water.tested - 0.15 * width },
    { rail: 'lift', value: Math.min(liftNow.zone[1], liftNow.tested + 0.15 * (liftNow.zone[1] - liftNow.zone[0])) },
  ]);
  return [
    {
      title: 'Less liquid, more lift',
      why: 'The puree brings water of its own; more gas opens the middle.',
      formula,
      short,
    },
  ];
};

const moreEgg: Fix = (b, w) => {
  const egg = railOf(w.analysis, 'egg');
  if (!egg?.zone) return [];
  const value = Math.min(egg.zone[1], egg.tested + 0.2 * (egg.zone[1] - egg.zone[0]));
  if (value <= egg.tested + 0.5) return [];
  const { formula, short } = bend(b, [{ rail: 'egg', value }]);
  return [{ title: `Egg to ${percent(value)}`, why: 'Egg holds what gluten would.', formula, short }];
};

const FIXES: Readonly<Record<string, Fix>> = {
  'soda-unspent': (b, w) => [relift(b, 'soda-first'), bringSour(b, w), relift(b, 'no-soda')],
  'acid-unspent': (b) => [relift(b, 'soda-first')],
  'under-raised': zoneFix('lift'),
  'over-raised': zoneFix('lift'),
  'salt-high': zoneFix('salt'),
  'salt-low': zoneFix('salt'),
  'sugar-high': zoneFix('sugar'),
  'fat-high': zoneFix('fat'),
  'egg-high': zoneFix('egg'),
  'egg-low': zoneFix('egg'),
  'too-thick': (b, w) => [pourRight(b, w)],
  'too-thin': (b, w) => [pourRight(b, w)],
  'puree-heavy': puree,
  'no-gluten': moreEgg,
  'amounts-disagree': stands,
  'fraction-doubtful': otherReading,
  'powder-old': strengthen,
  'small-weighing': spooned,
  'add-ins-sink': addIn,
  'yield-claim': claimed,
  'soda-and-wait': (b) => [relift(b, 'no-soda'), way(b, 'rest', 'none', 'Join dry and wet only when the heat is ready.')],
  'whites-and-wait': (b) => [way(b, 'rest', 'none', 'The batter may rest; the whites go in last, straight before the heat.')],
  'cold-batter': (b) => [way(b, 'warmth', 'counter', 'Egg and milk stand out first, as long as the local food code allows.')],
  'portion-large': (b) => [{ title: 'The usual portion', why: 'Pours what is usual for the kind.', formula: { ...b.formula, portionMl: null }, short: null }],
};

/** What would put a finding right: none, one or a few, the best first. Each changes something. */
export function fixesFor(b: Bench, f: Finding): readonly Proposal[] {
  const fix = FIXES[f.code];
  if (!fix) return [];
  return fix(b, workedOn(b), f).filter((p): p is Proposal => p !== null && !sameFormula(p.formula, b.formula));
}
