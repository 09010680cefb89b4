/**
 * A drawer of measures, and every amount that can be taken with them: level cups and spoons, sticks in eighths, whole
 * and half eggs. At most three kinds of measure make an amount, and none is used oftener than the next larger one
 * allows.
 */
import Fraction from 'fraction.js';
import { EGG_GRAMS, type KitchenConventions } from '../pantry/conventions';
import type { Ingredient } from '../pantry/ingredient';
import { ingredient } from '../pantry/pantry';
import { TOOLS, type ToolId } from '../pantry/tools';
import { weigh } from '../pantry/weigh';
import { writeNumber } from '../quantity/number';
import { unitById } from '../quantity/units';

/** One way to take an amount. */
export interface DrawerTake {
  readonly grams: number;
  /** "1 1/4 cups + 1 tbsp". */
  readonly text: string;
  /** What to do with it besides: a half egg is a beaten one weighed. */
  readonly note?: string;
  /** Measures filled, or eggs cracked. */
  readonly scoops: number;
  /** Different measures it takes. */
  readonly measures: number;
  /** Its smallest measure is a trifle beside the rest: no hand fills the larger one so truly. */
  readonly trifle?: boolean;
  /** Place of its smallest measure in the drawer, the largest being 0: of equal ones the larger measure is taken. */
  readonly fineness: number;
}

const KINDS_IN_ONE = 3;
/** Less than this share of an amount is a trifle beside it. */
const TRIFLE = 0.03;
/**
 * How far from the amount asked for a way to take it may be: a share of it, but no more than so many of the largest
 * measure.
 */
const WINDOW = 0.2;
const WINDOW_TOOLS = 3;
/** No hand bears more scoops of one thing, and nobody counts further: such amounts are weighed. */
const MOST_SCOOPS = 24;

interface Tool {
  readonly unit: string;
  readonly part: Fraction;
  readonly grams: number;
  readonly place: number;
}

const isButter = (i: Ingredient): boolean =>
  i.category === 'fat' && (i.id.startsWith('butter') || i.id === 'margarine');

/** The tools of a drawer that take an ingredient, largest first. */
function toolsFor(i: Ingredient, house: KitchenConventions, drawer: readonly ToolId[]): readonly Tool[] {
  const tools = drawer.flatMap((id): Tool[] => {
    const [unit = '', part = '1'] = id.split(' ');
    if (unit === 'egg' || unit === 'stick') return [];
    const value = new Fraction(part);
    const w = weigh(
      { terms: [{ sign: 1, low: value, high: null, unit, fullness: null }], approximate: false },
      i,
      null,
      house,
    );
    return w.ok ? [{ unit, part: value, grams: w.value.grams, place: TOOLS.indexOf(id) }] : [];
  });
  return tools.sort((a, b) => b.grams - a.grams || a.place - b.place);
}

/** Fractions that are read off at a glance; a sixth or a twelfth of a cup is not one. */
const PLAIN = [1, 2, 3, 4, 8];

/** "1 1/4" for a cup and a quarter cup; "4 1/3 + 1/4" where the sum is no fraction a cook knows. */
function numberOf(parts: readonly Fraction[]): string {
  const sum = parts.reduce((a, x) => a.add(x), new Fraction(0));
  if (PLAIN.includes(Number(sum.d))) return writeNumber(sum);
  const whole = parts.reduce((a, x) => a.add(x.floor()), new Fraction(0));
  const rest = parts.map((x) => x.mod(1)).filter((x) => x.compare(0) > 0);
  return rest.map((x, n) => writeNumber(n === 0 ? x.add(whole) : x)).join(' + ');
}

/** Several of one unit are said together: a cup and a quarter cup are 1 1/4 cups. */
function words(used: readonly { readonly tool: Tool; readonly n: number }[]): string {
  const byUnit = new Map<string, Fraction[]>();
  for (const { tool, n } of used) byUnit.set(tool.unit, [...(byUnit.get(tool.unit) ?? []), tool.part.mul(n)]);
  return [...byUnit]
    .map(([unit, parts]) => {
      const u = unitById(unit);
      const many = parts.reduce((a, x) => a.add(x), new Fraction(0)).compare(1) > 0;
      const said = unit === 'tbsp' || unit === 'tsp' ? unit : many ? (u?.many ?? unit) : (u?.one ?? unit);
      return `${numberOf(parts)} ${said}`;
    })
    .join(' + ');
}

function combinations(tools: readonly Tool[], grams: number): readonly DrawerTake[] {
  const smallest = tools.at(-1)?.grams ?? grams;
  const reach = Math.max(Math.min(WINDOW * grams, WINDOW_TOOLS * (tools[0]?.grams ?? grams)), smallest);
  const low = grams - reach;
  const high = grams + reach;
  const most = tools.map((t, n) => {
    const larger = tools[n - 1];
    return larger ? Math.max(1, Math.ceil(larger.grams / t.grams - 1e-9) - 1) : Math.ceil(high / t.grams);
  });
  const found = new Map<string, DrawerTake>();
  const used: { tool: Tool; n: number }[] = [];
  const better = (a: DrawerTake, b: DrawerTake | undefined): boolean =>
    !b || a.scoops < b.scoops || (a.scoops === b.scoops && a.fineness < b.fineness);
  const walk = (from: number, sum: number, scoops: number): void => {
    if (sum > high + 1e-9 || scoops > MOST_SCOOPS) return;
    if (sum >= Math.max(low, 1e-6)) {
      const last = used.at(-1);
      const trifle = used.length > 1 && last !== undefined && last.n * last.tool.grams < TRIFLE * sum;
      const take: DrawerTake = {
        grams: sum,
        text: words(used),
        scoops,
        measures: used.length,
        fineness: last?.tool.place ?? 0,
        ...(trifle && { trifle }),
      };
      const key = sum.toFixed(3);
      if (better(take, found.get(key))) found.set(key, take);
    }
    if (used.length === KINDS_IN_ONE) return;
    for (let k = from; k < tools.length; k++) {
      const tool = tools[k] as Tool;
      for (let n = 1; n <= (most[k] as number) && sum + n * tool.grams <= high + 1e-9; n++) {
        used.push({ tool, n });
        walk(k + 1, sum + n * tool.grams, scoops + n);
        used.pop();
      }
    }
  };
  walk(0, 0, 0);
  return fewOf([...found.values()], grams);
}

/** So many ways are looked at: the nearest, and those with the fewest scoops. */
const MOST_NEAR = 26;
const MOST_EASY = 10;

function fewOf(takes: readonly DrawerTake[], grams: number): readonly DrawerTake[] {
  const off = (t: DrawerTake): number => Math.abs(t.grams - grams);
  const near = [...takes].sort((a, b) => off(a) - off(b) || a.scoops - b.scoops).slice(0, MOST_NEAR);
  const easy = [...takes].sort((a, b) => a.scoops - b.scoops || off(a) - off(b)).slice(0, MOST_EASY);
  return [...new Set([...near, ...easy])].sort((a, b) => a.grams - b.grams);
}

function eggs(
  i: Ingredient,
  grams: number,
  house: KitchenConventions,
  drawer: readonly ToolId[],
): readonly DrawerTake[] {
  const each =
    i.id === 'egg-yolk' || i.id === 'egg-white'
      ? ((i.piece?.grams ?? 50) * EGG_GRAMS[house.egg]) / EGG_GRAMS.large
      : (i.piece?.grams ?? EGG_GRAMS[house.egg]);
  const whole = i.id !== 'egg-yolk' && i.id !== 'egg-white';
  const noun = i.id === 'egg-yolk' ? 'yolk' : i.id === 'egg-white' ? 'white' : 'egg';
  const step = whole && drawer.includes('egg 1/2') ? 0.5 : 1;
  const at = Math.round(grams / each / step);
  return [at - 2, at - 1, at, at + 1, at + 2].flatMap((k): DrawerTake[] => {
    const n = k * step;
    if (n <= 0) return [];
    const half = n % 1 !== 0;
    const said = `${writeNumber(new Fraction(Math.round(2 * n), 2))} ${noun}${n > 1 ? 's' : ''}`;
    return [
      {
        grams: n * each,
        text: said,
        ...(half && { note: 'beat one, use half of it' }),
        scoops: Math.ceil(n) + (half ? 1 : 0),
        measures: 1,
        fineness: half ? 1 : 0,
      },
    ];
  });
}

/** Butter cut off a stick: one cut, to the eighth that is printed on it. */
function cuts(grams: number, house: KitchenConventions): readonly DrawerTake[] {
  const eighth = weigh(
    { terms: [{ sign: 1, low: new Fraction(1, 8), high: null, unit: 'stick', fullness: null }], approximate: false },
    ingredient('butter-unsalted'),
    null,
    house,
  );
  if (!eighth.ok) return [];
  const at = Math.round(grams / eighth.value.grams);
  return [at - 1, at, at + 1].flatMap((k) => {
    const sticks = new Fraction(k, 8);
    return k > 0
      ? [
          {
            grams: k * eighth.value.grams,
            text: `${writeNumber(sticks)} stick${k > 8 ? 's' : ''}`,
            scoops: 1,
            measures: 1,
            fineness: TOOLS.indexOf('stick 1/8'),
          },
        ]
      : [];
  });
}

/**
 * Every way a drawer has to take about so much of an ingredient, by weight; none where nothing in it measures the
 * thing.
 * @param grams what is wanted, > 0
 */
export function takesOf(
  i: Ingredient,
  grams: number,
  house: KitchenConventions,
  drawer: readonly ToolId[],
): readonly DrawerTake[] {
  // an egg is counted or weighed, never spooned
  if (i.category === 'egg' && i.piece) return drawer.includes('egg 1') ? eggs(i, grams, house, drawer) : [];
  const tools = toolsFor(i, house, drawer);
  const sticks = isButter(i) && drawer.includes('stick 1/8') ? cuts(grams, house) : [];
  return [...(tools.length === 0 ? [] : combinations(tools, grams)), ...sticks];
}

/** The way nearest to an amount; of equally near ones the fewest scoops, then the larger measure. */
export const nearest = (takes: readonly DrawerTake[], grams: number): DrawerTake | null =>
  [...takes].sort(
    (a, b) => Math.abs(a.grams - grams) - Math.abs(b.grams - grams) || a.scoops - b.scoops || a.fineness - b.fineness,
  )[0] ?? null;
