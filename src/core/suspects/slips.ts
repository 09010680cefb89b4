/**
 * Slips of the pen: ways in which one line comes to say what nobody meant, each with what it costs to believe in it.
 * The cost is the negative natural logarithm of how often the slip happens among cards that hold one (ours: 2 is about
 * one in seven, 4 about one in fifty); a slip is suspected only where the whole becomes calmer by more than it costs.
 */
import type Fraction from 'fraction.js';
import type { Line } from '../card/line';
import { type Category, type Ingredient, membersOf } from '../pantry/ingredient';
import type { Term } from '../quantity/amount';

/** A line as it may have been meant: another amount, or another thing. */
export interface Rereading {
  /** The slip in a cook's words: "tablespoon for teaspoon". */
  readonly as: string;
  readonly cost: number;
  /** The amount as it would stand; null: as it stands. */
  readonly term: Pick<Term, 'low' | 'high' | 'unit'> | null;
  /** The thing as it would be named; null: as it stands. */
  readonly name: string | null;
  /** Meant beside the batter and not in it. */
  readonly served?: boolean;
}

/** A line that a card may lack: nobody wrote it down. */
export interface Omission {
  /** What it would be of, in words that a line is read from. */
  readonly name: string;
  /** Amounts it may have: g of it for 100 g of what it goes by, or how many. */
  readonly amounts: readonly number[];
  readonly by: 'flour' | 'the rest' | 'count';
  readonly cost: number;
  /** A card with a line of one of these lacks none. */
  readonly unless: readonly Category[];
}

const METRIC = new Set(['g', 'kg', 'mg', 'ml', 'cl', 'dl', 'l']);

/** One unit for another, in either direction. */
const UNIT_SLIPS: readonly (readonly [a: string, b: string, cost: number])[] = [
  // both are written with a t, and are the commonest slip of all
  ['tsp', 'tbsp', 1.6],
  ['tsp-5ml', 'tbsp-15ml', 1.6],
  ['tbsp', 'cup', 3],
  ['tsp', 'cup', 3.2],
  // a letter
  ['cl', 'dl', 2.4],
  ['ml', 'cl', 2.6],
  ['dl', 'l', 2.6],
  ['ml', 'dl', 3],
  ['cl', 'l', 3],
  ['ml', 'l', 3],
  ['g', 'kg', 2.6],
  // two scales
  ['g', 'oz', 3],
  ['oz', 'lb', 2.8],
  ['oz', 'cup', 3.6],
  ['fl-oz', 'cup', 3.4],
  ['pint', 'cup', 3],
  ['g', 'tsp', 3.4],
  ['g', 'tbsp', 3.4],
];
const UNIT_WORDS: Readonly<Record<string, string>> = {
  tsp: 'teaspoon',
  'tsp-5ml': 'teaspoon',
  tbsp: 'tablespoon',
  'tbsp-15ml': 'tablespoon',
  'fl-oz': 'fluid ounce',
};
const unitWord = (id: string): string => UNIT_WORDS[id] ?? id;

/** A nought is lost or added where numbers are long: with grams and millilitres more than with cups. */
const NOUGHT_COST = { metric: 2.4, counted: 2.8, measured: 3.4 } as const;
/** One line is copied from the doubled column, or left as it was when the others were halved. */
const DOUBLED_COST = 2.6;
/** The whole number before a fraction is lost, or read where there is none. */
const FRACTION_COST = 2.1;
const FRACTIONS = [0.25, 1 / 3, 0.5, 2 / 3, 0.75];

/** What is written for another thing, by ids; the name is what is written instead. */
const NAME_SLIPS: readonly (readonly [is: readonly string[], meant: string, as: string, cost: number])[] = [
  [['baking-soda'], 'baking powder', 'soda for powder', 1.8],
  [
    ['baking-powder-sapp', 'baking-powder-single', 'baking-powder-double-al', 'baking-powder-double-alfree'],
    'baking soda',
    'powder for soda',
    2,
  ],
  [['flour-all-purpose'], 'self-raising flour', 'plain flour for self-raising', 2],
  [['flour-self-raising-uk', 'flour-self-raising-us'], 'flour', 'self-raising flour for plain', 2],
  [['milk-condensed'], 'evaporated milk', 'sweetened milk for unsweetened', 2.4],
  [['milk-condensed'], 'milk', 'condensed milk for milk', 3],
  [['milk-evaporated'], 'sweetened condensed milk', 'unsweetened milk for sweetened', 3.4],
  [['baking-powder-single'], 'baking powder', 'single-acting powder for double-acting', 2.8],
  [
    ['baking-powder-double-al', 'baking-powder-double-alfree'],
    'single-acting baking powder',
    'double-acting powder for single-acting',
    3.2,
  ],
  [['egg-jumbo', 'egg-extra-large', 'egg-large'], 'small eggs', 'large eggs for small', 3.2],
  [['egg-small', 'egg-medium'], 'extra-large eggs', 'small eggs for large', 3.2],
  [['salt-table'], 'sugar', 'salt for sugar', 3],
  [['sugar-granulated'], 'salt', 'sugar for salt', 3],
];

/** A step of a list of amounts. */
const steps = (from: number, to: number, by: number): readonly number[] =>
  Array.from({ length: Math.round((to - from) / by) + 1 }, (_, n) => from + n * by);

/** A row is skipped in copying; who bakes without eggs mostly means it. */
export const OMISSIONS: readonly Omission[] = [
  { name: 'baking powder', amounts: steps(2, 6, 0.5), by: 'flour', cost: 2.4, unless: ['leavening'] },
  { name: 'milk', amounts: steps(60, 260, 10), by: 'flour', cost: 2.4, unless: ['dairy', 'plant-milk', 'liquid'] },
  { name: 'flour', amounts: steps(30, 100, 5), by: 'the rest', cost: 2.4, unless: ['flour', 'starch'] },
  { name: 'eggs', amounts: steps(1, 6, 1), by: 'count', cost: 3.6, unless: ['egg'] },
];

/** What stands on a card for the table as often as for the bowl. */
const SERVED = new Set<Category>(['sugar', 'syrup', 'fat', 'fruit-veg', 'dairy', 'topping']);
/** At the end of a list, where what is served with it stands, and elsewhere. */
const SERVED_COST = { last: 1.8, between: 3.4 } as const;
/** Nobody serves more of it with a batter, as a share of the batter's own weight. */
export const MOST_SERVED: Partial<Readonly<Record<Category, number>>> = { fat: 0.15, sugar: 0.4, syrup: 0.6 };

const LOWEST = 0.02;
/** No kitchen measures more of one thing in one measure. */
const MOST_IN: Readonly<Record<string, number>> = { tsp: 24, tbsp: 24, cup: 60 };

/** A part of a spoon that no drawer holds is written by a slip sooner than meant: half a tablespoon is 1 1/2 teaspoons. */
const ODDLY_MEASURED = 1;
/** What is pinched and spooned, and never poured from a cup. */
const SPOONED = new Set<Category>(['leavening', 'salt', 'flavour']);
const isOdd = ({ category }: Ingredient, value: Fraction, unit: string): boolean =>
  (unit.startsWith('tbsp') && value.compare(1) < 0) || (unit === 'cup' && SPOONED.has(category));

/** A number as it is written: three tenths of a kilogram are 300 g. */
function tidy(value: Fraction, unit: string | null): Rereading['term'] {
  const small = value.compare(1) < 0;
  if (small && unit === 'kg') return { low: value.mul(1000), high: null, unit: 'g' };
  if (small && unit === 'l') return { low: value.mul(1000), high: null, unit: 'ml' };
  return { low: value, high: null, unit };
}

/** An amount as it may have been meant: the slip, its cost, the value and the unit. */
type Meant = readonly [as: string, cost: number, value: Fraction, unit: string | null];

const nought = (unit: string | null): number =>
  unit === null ? NOUGHT_COST.counted : METRIC.has(unit) ? NOUGHT_COST.metric : NOUGHT_COST.measured;

function unitsMeant(low: Fraction, unit: string): readonly Meant[] {
  return UNIT_SLIPS.flatMap(([a, b, cost]): readonly Meant[] => {
    if (unit !== a && unit !== b) return [];
    const to = unit === a ? b : a;
    return [[`${unitWord(unit)} for ${unitWord(to)}`, cost, low, to]];
  });
}

function fractionsMeant(low: Fraction, unit: string): readonly Meant[] {
  const whole = low.floor();
  const rest = low.sub(whole);
  if (METRIC.has(unit) || !FRACTIONS.some((f) => Math.abs(f - rest.valueOf()) < 1e-9)) return [];
  const values = whole.compare(0) > 0 ? [rest] : [low.add(1), low.add(2)];
  return values.map((v) => ['a fraction misread', FRACTION_COST, v, unit]);
}

/** A number that a kitchen can have meant. */
function isMeasurable([, , value, unit]: Meant): boolean {
  const n = value.valueOf();
  return n >= LOWEST && n <= (MOST_IN[unit ?? ''] ?? Number.POSITIVE_INFINITY) && (unit !== null || isCounted(value));
}

/** Flour by the cup: shaken down and filled to the brim, or scooped with air in it. */
const FILL_COST = 3;
const fillsMeant = ({ category, id }: Ingredient, unit: string | null): readonly Rereading[] =>
  category === 'flour' && unit === 'cup' && id === 'flour-all-purpose'
    ? [
        { as: 'a packed cup for a spooned one', cost: FILL_COST, term: null, name: 'packed flour' },
        { as: 'a sifted cup for a packed one', cost: FILL_COST, term: null, name: 'sifted flour' },
      ]
    : [];

const NOTHING_ELSE = { term: null, name: null } as const;

/**
 * All that a line may have been meant to say. A line that is not one plain amount of one thing has no rereadings.
 * @param last no line of the batter stands after it
 */
export function rereadingsOf(
  line: Pick<Line, 'written' | 'ingredient' | 'parts' | 'status'>,
  last = false,
): readonly Rereading[] {
  const [amount] = line.written;
  const [term] = amount?.terms ?? [];
  const { ingredient } = line;
  const ofOne = ingredient !== null && line.parts.length === membersOf(ingredient).length;
  if (!term || line.written.length !== 1 || amount?.terms.length !== 1 || term.high || !ofOne) return [];
  const { low, unit } = term;
  const amounts: readonly Meant[] = [
    ['a nought too many', nought(unit), low.div(10), unit],
    ['a nought too few', nought(unit), low.mul(10), unit],
    ['doubled', DOUBLED_COST, low.div(2), unit],
    ['halved', DOUBLED_COST, low.mul(2), unit],
    ...(unit === null ? [] : [...unitsMeant(low, unit), ...fractionsMeant(low, unit)]),
  ];
  const odd = unit !== null && isOdd(ingredient, low, unit) ? ODDLY_MEASURED : 0;
  return [
    ...amounts.filter(isMeasurable).map(([as, cost, value, to]) => ({
      as,
      cost: cost - (to !== null && isOdd(ingredient, value, to) ? 0 : odd),
      term: tidy(value, to),
      name: null,
    })),
    ...fillsMeant(ingredient, unit),
    ...(SERVED.has(ingredient.category)
      ? [
          {
            as: 'not for the batter',
            cost: last ? SERVED_COST.last : SERVED_COST.between,
            ...NOTHING_ELSE,
            served: true,
          },
        ]
      : []),
    ...NAME_SLIPS.filter(([is]) => is.includes(ingredient.id)).map(([, name, as, cost]) => ({
      as,
      cost,
      term: null,
      name,
    })),
  ];
}

/** What is counted comes whole or in halves. */
const isCounted = (n: Fraction): boolean => n.mul(2).d === 1n;
