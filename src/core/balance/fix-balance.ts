/**
 * Fixes of the balance: a ratio just inside its zone, a pour, soda that finds no acid, puree, spice. By the one line
 * that a hand would change first, and by several where that is not enough.
 */
import type { Worked } from '../analyse-formula';
import { writtenGrams } from '../card/rewrite';
import { strongLimit } from '../findings/card-rules';
import type { Finding } from '../findings/finding';
import { isShellEgg } from '../formula/eggs';
import { type Formula, kitchenOf } from '../formula/formula';
import { along, RAIL_NAMES, type Rail, railOf, sayRail, THICKNESSES, type Zone } from '../formula/kinds';
import { testedFlourG } from '../formula/tally';
import { effectOf } from '../formula/ways';
import { MEQ_PER_G_SODA } from '../lift/ledger';
import { inSpoons } from '../pantry/honest';
import { nameFor } from '../pantry/naming';
import { ingredient } from '../pantry/pantry';
import { grams, percent } from '../quantity/say';
import {
  addAfter,
  type Bench,
  conventionsOn,
  editEntry,
  type Proposal,
  withFormula,
  withGrams,
  workedOn,
} from './bench';
import { relift, type Source } from './leavening';
import { byOneLine, type OneLine } from './one-line';
import { bend } from './ratios';

/** Each of the ways; or several tries at the same way, of which the first that is proven is offered. */
export type Tries = Proposal | null | readonly (Proposal | null)[];
export type Fix = (b: Bench, w: Worked, f: Finding) => readonly Tries[];

/** How far inside its zone a rail is brought, as a share of the width: not onto the edge. */
const INSIDE = 0.08;
/** So many widths of its zone outside of it, a rail is grossly off. */
const GROSS = 1;

/** One line changed, or one added, said as it is. */
const oneLine = (b: Bench, rail: Rail, o: OneLine): Proposal => {
  const after = railOf(workedOn(withFormula(b, o.formula)).analysis, rail);
  const to = after ? sayRail(rail, after.tested) : '';
  return {
    title: `${RAIL_NAMES[rail]} to ${to}: ${o.is}`,
    why: o.was ? `"${o.was}" becomes "${o.is}"; no other line moves.` : `"${o.is}" is added; no other line moves.`,
    formula: o.formula,
    short: null,
  };
};

/** A rail brought to a value with as many lines as it takes, and called by where it comes to stand. */
function bent(b: Bench, rail: Rail, value: number, why: string): Proposal {
  const { formula, short } = bend(b, [{ rail, value }]);
  const after = railOf(workedOn(withFormula(b, formula)).analysis, rail);
  return { title: `${RAIL_NAMES[rail]} to ${sayRail(rail, after?.tested ?? value)}`, why, formula, short };
}

/** A rail just inside its zone: by its own line, and where that is not enough by several. */
export const zoneFix =
  (rail: Rail): Fix =>
  (b, w) => {
    const r = railOf(w.analysis, rail);
    if (!r?.zone || !r.reading || r.reading.standing === 'in') return [];
    const [low, high] = r.zone;
    const off = r.reading.standing === 'below' ? low - r.tested : r.tested - high;
    // a gross fault is a slip of the pen: it is mended to what is usual, not to what is barely possible
    const first = off > GROSS * (high - low) ? 0.5 : INSIDE;
    const inside = (share: number): number =>
      r.reading?.standing === 'below' ? along(r.zone as Zone, share) : along(r.zone as Zone, 1 - share);
    const why = `Brings ${RAIL_NAMES[rail].toLowerCase()} from ${sayRail(rail, r.tested)} ${first === INSIDE ? 'just inside the zone' : 'to the middle of the zone'}; the other ratios stay about where they are.`;
    const alone = [first, 0.25].flatMap((share) =>
      byOneLine(b, w.lines, rail, inside(share), w.analysis).map((o) => oneLine(b, rail, o)),
    );
    const again = rail === 'lift' ? [relift(b, 'soda-first', inside(Math.max(0.1, first)))] : [];
    return r.reading.standing === 'below'
      ? [[...alone, bent(b, rail, inside(first), why)], ...again]
      : [[...alone, ...again, bent(b, rail, inside(first), why)]];
  };

/**
 * The nearest water at which the batter pours as the school wants it, looked for by halving. @param as how water is
 * changed
 */
function pourAt(
  b: Bench,
  w: Worked,
  as: (water: number) => readonly Formula[],
): { readonly formula: Formula; readonly water: number } | null {
  const { school, thickness } = w.analysis;
  const now = railOf(w.analysis, 'water');
  if (!school || !thickness || !now) return null;
  const at = THICKNESSES.indexOf(thickness.pour);
  const [from, to] = school.pour.map((p) => THICKNESSES.indexOf(p)) as [number, number];
  const thicker = at < from;
  const goal = thicker ? from : to;
  let [near, far] = thicker
    ? [now.tested, 0.4 * now.tested]
    : [now.tested, Math.max(2.5 * now.tested, school.zones.water[1])];
  let found: { formula: Formula; water: number } | null = null;
  for (let i = 0; i < 10; i++) {
    const mid = (near + far) / 2;
    const [formula] = as(mid);
    const a = formula ? workedOn(withFormula(b, formula)).analysis : null;
    const pour = a?.thickness ? THICKNESSES.indexOf(a.thickness.pour) : at;
    if (formula && (thicker ? pour >= goal : pour <= goal)) {
      far = mid;
      found = { formula, water: a ? (railOf(a, 'water')?.tested ?? mid) : mid };
    } else near = mid;
  }
  return found;
}

const POUR_WHY = 'it pours as it should. This is approximate. Add or hold back a little at a time, and pour a test.';

export const pourRight: Fix = (b, w, f) => {
  // where the class is right, and only the water is far too much
  const asWanted = w.analysis.thickness?.pour === w.analysis.school?.pour[0];
  if (f.code === 'too-thin' && asWanted) return zoneFix('water')(b, w, f);
  const alone = pourAt(b, w, (water) => byOneLine(b, w.lines, 'water', water, w.analysis).map((o) => o.formula));
  const moved = alone?.formula.entries.find((e, n) => e.text !== b.formula.entries[n]?.text);
  const byItself: Proposal | null =
    alone && moved
      ? {
          title: `Water to ${percent(alone.water)}: ${moved.text}`,
          why: `With "${moved.text}" ${POUR_WHY}`,
          formula: alone.formula,
          short: null,
        }
      : null;
  const all = pourAt(b, w, (water) => [bend(b, [{ rail: 'water', value: water }]).formula]);
  return [
    [
      byItself,
      all && {
        title: `Water to ${percent(all.water)}`,
        why: `At ${percent(all.water)} of water ${POUR_WHY}`,
        formula: all.formula,
        short: null,
      },
    ],
  ];
};

/** Sour milk in place of some sweet milk, as much as the unspent soda needs. */
export function bringSour(b: Bench, w: Worked): Proposal | null {
  const milk = w.lines.find(
    (l) =>
      l.use === 'batter' &&
      !l.pinned &&
      l.parts.length === 1 &&
      l.ingredient?.category === 'dairy' &&
      l.ingredient.acidMeqPer100g < 2 &&
      (l.grams ?? 0) > 0,
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
    const all = editEntry(b.formula, milk.key, {
      text: `${writtenGrams(milk.grams)} ${sour}`,
      stands: undefined,
      ingredientId: undefined,
    });
    const rest = relift(withFormula(b, all), 'soda-first');
    return rest
      ? {
          ...rest,
          title: 'Buttermilk for the milk, and less soda',
          why: `All the milk as buttermilk still leaves soda over. ${rest.why}`,
        }
      : null;
  }
  const rest = milk.grams - need;
  const reduced = rest < 0.03 * milk.grams ? null : withGrams(b, w.lines, new Map([[milk.key, rest]]));
  const formula = reduced
    ? addAfter(reduced, milk.key, `${writtenGrams(need)} ${sour}`)
    : editEntry(b.formula, milk.key, {
        text: `${writtenGrams(milk.grams)} ${sour}`,
        stands: undefined,
        ingredientId: undefined,
      });
  return {
    title: `Swap ${grams(need, b.house.units)} of milk for buttermilk`,
    why: `${grams(need, b.house.units)} of buttermilk brings the acid that the soda lacks, ${unspentMeq.toFixed(0)} meq of it.`,
    formula,
    short: null,
  };
}

/** The sources of lift a house looks to, the first first. */
export const sourcesOf = (b: Bench): readonly Source[] => {
  const { lift } = kitchenOf(b.formula, b.house).ways;
  return lift === 'powder'
    ? ['no-soda', 'soda-first']
    : lift === 'soda'
      ? ['no-powder', 'soda-first', 'no-soda']
      : ['soda-first', 'no-soda'];
};

/** More egg with its whites whipped, where the house has it so. */
export const byWhites = (b: Bench, ps: readonly (Proposal | null)[]): readonly (Proposal | null)[] => {
  const { kind } = workedOn(b).analysis;
  if (effectOf(kitchenOf(b.formula, b.house).ways, 'moreEgg', kind?.id ?? null).egg !== 'whites') return ps;
  return ps.map((p) => {
    const after = p && workedOn(withFormula(b, p.formula));
    const line = after?.lines.find(
      (l) => l.use === 'batter' && l.ingredient && isShellEgg(l.ingredient.id) && !l.foam && !l.pinned,
    );
    if (!p || !line) return p;
    return {
      ...p,
      title: `${p.title}, separated`,
      why: `${p.why} The whites go in whipped.`,
      formula: editEntry(p.formula, line.key, { text: `${line.text}, separated` }),
    };
  });
};

/** More lift opens the middle; less of the liquid only where there is much of it. */
export const pureeFix: Fix = (b, w) => {
  const [water, now] = [railOf(w.analysis, 'water'), railOf(w.analysis, 'lift')];
  if (!water?.zone || !now?.zone) return [];
  const lift = along(now.zone, 0.52);
  const wet = water.tested > along(water.zone, 0.6);
  return [
    [
      ...byOneLine(b, w.lines, 'lift', lift, w.analysis).map((o) => ({
        ...oneLine(b, 'lift', o),
        title: `More rise: ${o.is}`,
      })),
      relift(b, 'soda-first', lift),
    ],
    ...(wet
      ? [
          {
            title: 'Less liquid, more rise',
            why: 'The puree brings water of its own; more gas opens the middle.',
            ...bend(b, [
              { rail: 'water' as const, value: along(water.zone, 0.5) },
              { rail: 'lift' as const, value: lift },
            ]),
          },
        ]
      : []),
  ];
};

/** A strong spice brought to half of what most batters stay under, on its line or lines. */
export const lessSpice: Fix = (b, w, f) => {
  const lines = w.lines.filter((l) => f.keys?.includes(l.key) && !l.pinned && l.parts.length === 1);
  const [first] = lines;
  const limit = first?.ingredient ? strongLimit(first.ingredient) : null;
  const sum = lines.reduce((a, l) => a + (l.grams ?? 0), 0);
  if (!first || limit === null || !(sum > 0)) return [];
  const share = (0.5 * limit * testedFlourG(w.analysis.tally)) / 100 / sum;
  const named = nameFor(first.ingredient?.id ?? '', conventionsOn(b));
  const texts = lines.map((l) => {
    const g = (l.grams ?? 0) * share;
    const spoons = l.amounts[0]?.unit === 'g' || !l.ingredient ? null : inSpoons(g, l.ingredient);
    return `${spoons?.text ?? writtenGrams(g)} ${named.name}`;
  });
  const formula = lines.reduce(
    (x, l, n) =>
      editEntry(x, l.key, {
        text: texts[n] ?? l.text,
        stands: undefined,
        ...(named.ingredientId ? { ingredientId: named.ingredientId } : {}),
      }),
    b.formula,
  );
  return [{ title: texts.join(', '), why: 'About what most cards have of it, and no more.', formula, short: null }];
};

export const moreEgg: Fix = (b, w) => {
  const egg = railOf(w.analysis, 'egg');
  if (!egg?.zone) return [];
  const value = Math.min(egg.zone[1], egg.tested + 0.2 * (egg.zone[1] - egg.zone[0]));
  if (value <= egg.tested + 0.5) return [];
  const { formula, short } = bend(b, [{ rail: 'egg', value }]);
  return [{ title: `Egg to ${percent(value)}`, why: 'Egg holds what gluten would.', formula, short }];
};
