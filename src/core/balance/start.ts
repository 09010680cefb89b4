/**
 * A formula from nothing: a kind, a school, a flour, a liquid and a size become a balanced starting formula, worked
 * from the zones and the solver. No stored card stands behind it.
 */

import Fraction from 'fraction.js';
import { massForUsable } from '../batter/volume';
import { readLine } from '../card/line';
import { writtenGrams } from '../card/rewrite';
import { EMPTY_FORMULA, type Entry, type Formula } from '../formula/formula';
import {
  along,
  type KindId,
  kindById,
  RAILS,
  type Rail,
  railOf,
  type School,
  schoolOf,
  THICKNESSES,
  usualPortionMl,
} from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import type { SchoolIdOf } from '../formula/schools';
import { pouredG } from '../formula/tally';
import { FRESH_WAYS, type Ways } from '../formula/ways';
import { MEQ_PER_G_SODA } from '../lift/ledger';
import { EGG_INGREDIENT, SALT_INGREDIENT } from '../pantry/conventions';
import { nameFor } from '../pantry/naming';
import { ingredient } from '../pantry/pantry';
import { writeNumber } from '../quantity/number';
import { type Bench, withGrams, workedOn } from './bench';
import { leavenFor, powderShare, withLeavening } from './leavening';
import { bend, type Wish } from './ratios';

export type LiftFrom = Exclude<SchoolIdOf<'lift'>, 'usual'>;

export const LIFT_NAMES: Readonly<Record<LiftFrom, string>> = {
  powder: 'powder',
  soda: 'soda with a sour liquid',
  both: 'soda and powder',
  whites: 'whipped whites',
  eggs: 'eggs and heat alone',
};

export interface StartFrom {
  readonly kind: KindId;
  readonly school: string;
  readonly flourId: string;
  readonly liquidId: string;
  readonly lift: LiftFrom;
  readonly size: { readonly by: 'pieces'; readonly pieces: number } | { readonly by: 'flour'; readonly grams: number };
}

export const START_FLOURS = [
  'flour-all-purpose',
  'flour-cake',
  'flour-bread',
  'flour-whole-wheat',
  'flour-white-whole-wheat',
  'flour-spelt',
  'flour-buckwheat',
  'flour-oat',
  'flour-gluten-free',
  'flour-rice-white',
] as const;
export const START_LIQUIDS = [
  'milk-whole',
  'milk-2pct',
  'milk-skim',
  'buttermilk',
  'kefir',
  'yoghurt-whole',
  'oat-drink',
  'soy-drink',
  'almond-drink',
  'water',
] as const;

/** meq a gram from which a liquid is sour enough to work soda. */
const SOUR_MEQ = 0.05;
export const isSour = (liquidId: string): boolean => ingredient(liquidId).acidMeqPer100g / 100 > SOUR_MEQ;

/** What a school is usually mixed with. */
export const usualLiquid = (school: string): string => (school === 'buckwheat' ? 'water' : 'milk-whole');
export const usualFlour = (school: string): string =>
  school === 'buckwheat' ? 'flour-buckwheat' : 'flour-all-purpose';

/** How a kind is lifted, with a liquid: as the house has it, or as the kind is used to. */
export function usualLift(kind: KindId, liquidId: string, ways: Pick<Ways, 'lift'> = FRESH_WAYS): LiftFrom {
  if (ways.lift !== 'usual') return ways.lift;
  if (kind === 'crepe' || kind === 'oven') return 'eggs';
  if (kind === 'foam') return 'whites';
  return isSour(liquidId) ? 'both' : 'powder';
}

/** Where in its zone each rail starts: a little under the middle, where most cooks would. */
const STARTS: Readonly<Record<Rail, number>> = { water: 0.45, egg: 0.4, fat: 0.4, sugar: 0.35, salt: 0.4, lift: 0.4 };

const NOMINAL_FLOUR_G = 500;
/** Key of the egg line while a start is worked out. */
const EGGS = 'l5';
const eggText = (n: number, name: string): string => `${n} ${name}${n > 1 ? 's' : ''}`;

function startLift(school: School, from: LiftFrom): number {
  const zone = school.zones.lift;
  return from === 'eggs' ? 0 : from === 'whites' ? along(zone, 0.25) : along(zone, STARTS.lift);
}

function firstLines(s: StartFrom, house: Kitchen, school: School): readonly Entry[] {
  const c = house.conventions;
  const line = (key: number, id: string, grams: number, after = ''): Entry => {
    const n = nameFor(id, c);
    return {
      key: `l${key}`,
      text: `${writtenGrams(grams)} ${n.name}${after}`,
      ...(n.ingredientId ? { ingredientId: n.ingredientId } : {}),
    };
  };
  const F = NOMINAL_FLOUR_G;
  const egg = EGG_INGREDIENT[c.egg];
  const eggG = (along(school.zones.egg, STARTS.egg) * F) / 100;
  const eggs = Math.max(1, Math.round(eggG / (ingredient(egg).piece?.grams ?? 50)));
  const whipped = s.lift === 'whites' ? ', separated' : '';
  const entries: Entry[] = [line(1, s.flourId, F)];
  entries.push(line(2, 'sugar-granulated', Math.max(2, (along(school.zones.sugar, 0.2) * F) / 100)));
  entries.push(line(3, SALT_INGREDIENT[c.salt], (along(school.zones.salt, STARTS.salt) * F) / 100));
  const liquidG = (along(school.zones.water, STARTS.water) * 0.8 * F) / 100;
  // yoghurt alone is no liquid: it is let down with a third of water
  if (s.liquidId.startsWith('yoghurt'))
    entries.push(line(4, s.liquidId, liquidG * 0.65), line(7, 'water', liquidG * 0.35));
  else entries.push(line(4, s.liquidId, liquidG));
  // whole eggs stand; the rest is worked around them
  if (eggG > 0.03 * F) entries.push({ key: EGGS, text: eggText(eggs, nameFor(egg, c).name) + whipped, pinned: true });
  const fatId = s.kind === 'crepe' && school.id === 'buckwheat' ? 'oil-vegetable' : 'butter-unsalted';
  entries.push(
    line(
      6,
      fatId,
      Math.max(4, (along(school.zones.fat, 0.3) * F) / 100),
      fatId === 'butter-unsalted' ? ', melted and cooled' : '',
    ),
  );
  return entries;
}

/** The rails of a start; the water is looked for where the batter pours as the school wants it. */
function balanced(b: Bench, school: School, water: number): Formula {
  const w = workedOn(b);
  const { percent } = w.analysis;
  const [low, high] = school.zones.sugar;
  // milk's own sugar alone sweetens nothing: some is put on top of it, where the zone has room
  const lactose = percent ? percent.sugar - percent.sweetness : 0;
  const sugar = Math.min(
    along([low, high], 0.85),
    Math.max(along([low, high], STARTS.sugar), lactose + 0.15 * (high - low)),
  );
  const value = (rail: Rail): number =>
    rail === 'water' ? water : rail === 'sugar' ? sugar : along(school.zones[rail], STARTS[rail]);
  // the water is met; the others are kept about there, since a milk's fat and sugar come with it
  const wishes: Wish[] = RAILS.filter((r) => r !== 'lift' && r !== 'egg').map((rail) => ({
    rail,
    value: value(rail),
    how: rail === 'water' ? 'yield' : 'keep',
  }));
  const egg = railOf(w.analysis, 'egg')?.tested ?? 0;
  return withGrams(b, w.lines, bend(b, wishes, { keepAt: { egg } }).grams);
}

/** Where the class wanted lies, in classes from the thinnest; a middle for a school that takes two. */
export const wantedPour = (school: School): number =>
  (THICKNESSES.indexOf(school.pour[0]) + THICKNESSES.indexOf(school.pour[1])) / 2;

/** Zones are tried from their start outwards, until the pour is right. */
export const WATER_TRIES = [0.45, 0.35, 0.55, 0.25, 0.65, 0.15, 0.75, 0.85, 0.95] as const;

function rightPour(b: Bench, school: School): Formula {
  let best: { readonly f: Formula; readonly off: number } | null = null;
  for (const share of WATER_TRIES) {
    const f = balanced(b, school, along(school.zones.water, share));
    const { analysis } = workedOn({ ...b, formula: f });
    const pour = analysis.thickness ? THICKNESSES.indexOf(analysis.thickness.pour) : wantedPour(school);
    const outside = analysis.rails.filter((r) => r.rail !== 'lift' && r.reading?.standing !== 'in').length;
    const off = Math.max(0, Math.abs(pour - wantedPour(school)) - 0.5) + outside;
    if (!best || off < best.off - 1e-9) best = { f, off };
    if (off === 0) break;
  }
  return best?.f ?? b.formula;
}

/** A line this small beside the flour is not worth weighing. */
const LEAST_SHARE = 0.008;
const SPOONED_UNDER_G = 5;

/** Grams as a cook would begin with them: fives and whole grams; small salt and leavening in quarter teaspoons. */
function roundEntry(e: Entry, house: Kitchen): Entry {
  const m = /^([\d.]+) g /.exec(e.text);
  if (!m?.[1]) return e;
  const g = Number(m[1]);
  const name = e.text.slice(m[0].length);
  const tsp = g < SPOONED_UNDER_G ? readLine(`1 teaspoon ${name}`, house.conventions, e) : null;
  if (tsp?.grams && (tsp.ingredient?.category === 'leavening' || tsp.ingredient?.category === 'salt')) {
    // soda is rounded down: what finds no acid is tasted
    const round = tsp.ingredient.id === 'baking-soda' ? Math.floor : Math.round;
    const eighths = Math.max(1, round((8 * g) / tsp.grams + 1e-9));
    return {
      ...e,
      text: `${writeNumber(new Fraction(eighths > 2 ? 2 * round(eighths / 2) : eighths, 8))} teaspoon ${name}`,
    };
  }
  const step = g >= 100 ? 5 : g >= 10 ? 1 : g >= 3 ? 0.5 : 0.1;
  return { ...e, text: `${Number(Math.max(step, Math.round(g / step) * step).toFixed(1))} g ${name}` };
}

const scaled = (entries: readonly Entry[], factor: number): readonly Entry[] =>
  entries.map((e) => {
    const m = /^([\d.]+)( g)? /.exec(e.text);
    if (!m?.[1]) return e;
    const n = Number(m[1]) * factor;
    const name = e.text.slice(m[0].length);
    if (m[2]) return { ...e, text: `${writtenGrams(n)} ${name}` };
    const eggs = Math.max(1, Math.round(n));
    return { ...e, text: `${eggs} ${name.replace(/\beggs?\b/, eggs > 1 ? 'eggs' : 'egg')}` };
  });

function sizeFactor(s: StartFrom, f: Formula, house: Kitchen, school: School): number {
  if (s.size.by === 'flour') return s.size.grams / NOMINAL_FLOUR_G;
  const { analysis } = workedOn({ formula: f, house, end: null });
  // an oven pancake is a pan of about 26 cm: 0.65 mL a square centimetre
  const portion = school.portionMl ? usualPortionMl(school) : 345;
  const usable = s.size.pieces * portion * (analysis.volume?.densityGPerMl ?? 1);
  return massForUsable(usable) / pouredG(analysis.tally);
}

/**
 * A balanced starting formula.
 * @returns a formula in grams and whole eggs, its ratios inside the kind's zones, with the size asked for as near as
 * whole
 *   eggs allow
 */
export function startFormula(s: StartFrom, house: Kitchen): Formula {
  const kind = kindById(s.kind);
  const school = schoolOf(kind, s.school);
  const bare: Formula = { ...EMPTY_FORMULA, kind: s.kind, school: school.id, entries: firstLines(s, house, school) };
  const on = (formula: Formula): Bench => ({ formula, house, end: null });
  // 1. the ratios at a nominal size; 2. that size scaled, eggs to whole ones; 3. the ratios once more around them
  const first = rightPour(on(bare), school);
  let f: Formula = { ...first, entries: scaled(first.entries, sizeFactor(s, first, house, school)) };
  const w = workedOn(on(f));
  const egg = w.analysis.percent?.egg ?? 0;
  const [eggLow, eggHigh] = [along(school.zones.egg, 0.1), along(school.zones.egg, 0.9)];
  // few whole eggs can fall outside the zone: then they draw the flour along
  if (f.entries.some((e) => e.key === EGGS) && (egg < eggLow || egg > eggHigh))
    f = withGrams(
      on(f),
      w.lines,
      bend(on(f), [{ rail: 'egg', value: Math.min(Math.max(egg, eggLow), eggHigh) }], { anySize: true }).grams,
    );
  f = rightPour(on(f), school);
  const flour = workedOn(on(f)).analysis.tally.flourG;
  const worth = (e: Entry): boolean => {
    const m = /^([\d.]+) g /.exec(e.text);
    return !e.off && (!m?.[1] || Number(m[1]) >= LEAST_SHARE * flour || /salt/.test(e.text));
  };
  const entries = f.entries.filter(worth).map(({ pinned: _, ...e }) => roundEntry(e, house));
  return withLift(on({ ...f, entries }), s, school);
}

/** The leavening last: it hangs on the acid of what the other lines came to. */
function withLift(b: Bench, s: StartFrom, school: School): Formula {
  const target = startLift(school, s.lift);
  if (target <= 0.02) return b.formula;
  const w = workedOn(b);
  const source =
    s.lift === 'powder' || s.lift === 'whites' ? 'no-soda' : s.lift === 'soda' ? 'no-powder' : 'soda-first';
  const to = leavenFor(w, target, source, powderShare(b, w.lines));
  if (!to) return b.formula;
  // soda a little short of the acid, so that none is left over when a carton is milder than the table
  const careful = source === 'soda-first' ? 0.9 * to.sodaG : to.sodaG;
  const powder = to.powderG + ((to.sodaG - careful) * MEQ_PER_G_SODA) / (powderShare(b, w.lines) * MEQ_PER_G_SODA);
  const f = withLeavening(b, w, { sodaG: careful, powderG: source === 'no-powder' ? 0 : powder });
  return {
    ...f,
    entries: f.entries.map((e) => (b.formula.entries.some((x) => x.key === e.key) ? e : roundEntry(e, b.house))),
  };
}
