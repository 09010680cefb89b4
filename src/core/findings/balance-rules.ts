/**
 * The rules that read the balance: one small function each, in a list. A rule looks at the numbers and says nothing, or
 * a plain sentence with the number that caused it. Outside a zone is a note, more than a quarter of the zone's width
 * outside is a look; stop is kept for no flour and for unspent soda above 0.8 % of it.
 */

import {
  type KindId,
  POUR_NOUNS,
  POUR_WORDS,
  RAIL_NAMES,
  RAILS,
  type Rail,
  type RailReading,
  railOf,
  sayRail,
  THICKNESSES,
  type Zone,
} from '../formula/kinds';
import { isOpen, lacksAmount, movedBy } from '../formula/open';
import { testedFlourG } from '../formula/tally';
import { gasRoomAt } from '../formula/ways';
import { flourLike, middleLift, thickByNature } from '../formula/zones';
import { MEQ_PER_G_SODA } from '../lift/ledger';
import { type Ingredient, isA, isFlour, kitchenName } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';
import { grams, lift, percent, percentNumber } from '../quantity/say';
import { type Evidence, type EvidenceLine, keysOf, quoted, type Rule, type Severity } from './finding';

const span = ([low, high]: Zone): string => `${percentNumber(low)} to ${percent(high)}`;
const plural = (e: Evidence): string =>
  `${e.kind?.pieces ?? 'batters'}${e.kind && e.kind.schools.length > 1 && e.school ? ` (${e.school.name})` : ''}`;
const floursOf = (e: Evidence): string => {
  const like = flourLike(e.tally);
  return like ? `flour and ${like}` : 'flour';
};
const ofWhat = (e: Evidence): string => (e.tally.asFlourG > 0 ? `of ${floursOf(e)}` : 'of the flour');
/** A flour, or a line nobody understands, is still open: nothing can be measured against the flour. */
const flourOpen = (e: Evidence): boolean => e.waits.size === RAILS.length;
const brings = (e: Evidence, is: (i: Ingredient) => boolean): readonly Ingredient[] =>
  e.lines.flatMap((l) => (l.use === 'batter' ? l.parts.map((p) => p.ingredient).filter(is) : []));

const noFlour: Rule = (e) =>
  e.tally.flourG > 0 || flourOpen(e)
    ? null
    : {
        code: 'no-flour',
        severity: 'stop',
        basis: 'arithmetic',
        message: 'There is no flour in this formula, so no ratio can be worked. Add a flour, meal or starch line.',
      };

const amountsDisagree: Rule = (e) => {
  const apart = e.lines.filter((l) => l.findings?.some((f) => f.code === 'amounts-disagree'));
  if (apart.length === 0) return null;
  const what = apart.length === 1 ? `${quoted(apart[0])} is` : `${apart.length} lines are`;
  return {
    code: 'amounts-disagree',
    severity: 'look',
    basis: 'measured',
    keys: keysOf(apart),
    message: `${what} written twice and the two amounts disagree. Say which stands: every ratio hangs on it.`,
  };
};

/** "How much flour?" where the thing is known and only its amount is not. */
function howMuch(open: readonly EvidenceLine[]): string | null {
  const known = open.flatMap((l) => (l.ingredient && lacksAmount(l) ? [kitchenName(l.ingredient).toLowerCase()] : []));
  return known.length === open.length ? `How much ${[...new Set(known)].slice(0, 3).join(', and how much ')}?` : null;
}

const linesOpen: Rule = (e) => {
  const open = e.lines.filter(isOpen);
  if (open.length === 0) return null;
  const [what, it] = open.length === 1 ? [`${quoted(open[0])} is`, 'it'] : [`${open.length} lines are`, 'them'];
  const waiting = RAILS.filter((r) => e.waits.has(r)).map((r) => RAIL_NAMES[r].toLowerCase());
  const judged =
    waiting.length === 0
      ? `the balance is without ${it}`
      : waiting.length === RAILS.length
        ? `no ratio is judged without ${it}`
        : `${waiting.join(', ')} ${waiting.length === 1 ? 'is' : 'are'} not judged without ${it}`;
  const ask = howMuch(open);
  return {
    code: 'lines-open',
    severity: open.some((l) => !l.ingredient || movedBy(l.ingredient).length > 0) ? 'look' : 'note',
    basis: 'measured',
    keys: keysOf(open),
    message: `${ask ? `${ask} ` : ''}${what} not counted yet: ${judged}.`,
  };
};

const SODA_STEPS: readonly (readonly [percentOfFlour: number, severity: Severity])[] = [
  [0.8, 'stop'],
  [0.45, 'look'],
  [0.25, 'note'],
];

const sodaUnspent: Rule = (e) => {
  const left = e.ledger.unspentSodaG;
  // acid that is not known may well work it
  if (!(e.tally.flourG > 0) || e.tally.unknown.acid || e.waits.has('lift')) return null;
  const pct = (100 * left) / e.tally.flourG;
  const step = SODA_STEPS.find(([limit]) => pct > limit);
  if (!step) return null;
  const works = e.ledger.sodaG - left;
  const keep =
    works < 0.05
      ? 'Leave the soda out, or bring a sour liquid.'
      : `The acid here works ${grams(works, e.units)}; keep that much, or bring more of a sour liquid.`;
  return {
    code: 'soda-unspent',
    severity: step[1],
    basis: 'arithmetic',
    message: `${grams(left, e.units)} of soda has no acid to work on (${percent(pct)} of the flour): soapy taste, yellow-brown crust. ${keep}`,
  };
};

/** meq of food acid left over per 100 g flour from which a batter tastes tangy and browns slowly. */
const TANGY_MEQ = 14;
/** Acid that the curd of cheese keeps to itself, meq. */
const curdAcid = (e: Evidence): number =>
  e.ledger.rows.reduce((a, r) => (behaviourOf(r.ingredient).addition === 'curd' ? a + r.acidMeq : a), 0);

const acidUnspent: Rule = (e) => {
  if (!(e.tally.flourG > 0) || e.tally.unknown.soda || e.waits.has('lift')) return null;
  const left = e.ledger.unspentAcidMeq - curdAcid(e);
  if ((100 * left) / testedFlourG(e.tally) <= TANGY_MEQ) return null;
  return {
    code: 'acid-unspent',
    severity: 'note',
    basis: 'arithmetic',
    message: `Acid is left over, ${left.toFixed(0)} meq: some tang, and slower browning.${railOf(e, 'lift')?.reading?.standing === 'above' ? '' : ` It could work ${grams(left / MEQ_PER_G_SODA, e.units)} of soda.`}`,
  };
};

type Words = string | (Partial<Readonly<Record<KindId, string>>> & { readonly usual: string });

interface ZoneWords {
  readonly code: string;
  readonly rail: Rail;
  readonly when: 'above' | 'below';
  readonly says: Words;
  /** What else belongs to the sentence. */
  readonly more?: (e: Evidence) => string;
  /** Left out: always. */
  readonly tells?: (e: Evidence, r: RailReading) => boolean;
}

/** Salt that comes with something else, and is easily forgotten. */
function hiddenSalt(e: Evidence): string {
  const salted = [
    ...new Set(
      brings(e, (i) => i.per100g.naclG >= 0.5 && i.category !== 'salt').map((i) => kitchenName(i).toLowerCase()),
    ),
  ];
  return salted.length > 0
    ? `; what ${salted.slice(0, 2).join(' and ')} ${salted.length === 1 ? 'brings' : 'bring'} is counted`
    : '';
}

/** Made without anything of an animal: no egg is meant, and starch or a rest does what it would. */
const plantMade = (e: Evidence): boolean =>
  e.tally.eggG === 0 &&
  brings(e, (i) => i.category === 'plant-milk').length > 0 &&
  brings(e, (i) => i.allergens.includes('milk')).length === 0;

const ZONE_WORDS: readonly ZoneWords[] = [
  { code: 'salt-high', rail: 'salt', when: 'above', says: 'it will taste of it', more: hiddenSalt },
  { code: 'salt-low', rail: 'salt', when: 'below', says: 'it will taste flat' },
  {
    code: 'sugar-high',
    rail: 'sugar',
    when: 'above',
    says: {
      usual: 'the crust browns before the middle sets',
      crepe: 'crepes stiffen and tear',
      waffle: 'they stick to the iron and brown before they are done',
      oven: 'the rim burns before the middle sets',
    },
  },
  {
    code: 'sugar-low',
    rail: 'sugar',
    when: 'below',
    says: {
      usual: 'they stay pale',
      foam: 'the foam has nothing to hold it, and they stay pale',
      oven: 'it stays pale',
    },
    tells: (e) => e.school?.id !== 'savoury' && e.school?.id !== 'buckwheat',
  },
  {
    code: 'fat-high',
    rail: 'fat',
    when: 'above',
    says: {
      usual: 'heavy and greasy',
      crepe: 'they fry and turn greasy',
      waffle: 'fat runs out of the iron, and they eat greasy',
      oven: 'it swims in fat',
    },
  },
  {
    code: 'fat-low',
    rail: 'fat',
    when: 'below',
    says: {
      usual: 'they turn out tough and dry',
      crepe: 'they stick and turn leathery',
      waffle: 'they stick to the iron and are tough, not crisp',
      oven: 'it sticks, and its rim does not crisp',
    },
  },
  {
    code: 'egg-high',
    rail: 'egg',
    when: 'above',
    says: { usual: 'rubbery and less airy', crepe: 'more omelette than crepe', oven: 'more omelette than pancake' },
  },
  {
    code: 'egg-low',
    rail: 'egg',
    when: 'below',
    says: {
      usual: 'they may break when turned',
      crepe: 'they tear in the pan',
      waffle: 'they split when the iron is opened',
      oven: 'it will not climb',
      foam: 'there is too little to whip',
    },
    tells: (e) => !plantMade(e),
  },
];

const inWords = (w: Words, e: Evidence): string => (typeof w === 'string' ? w : ((e.kind && w[e.kind.id]) ?? w.usual));

/** Said the same, it is the same: no number stands outside an end it is written like. */
const saidApart = (r: RailReading, zone: Zone): boolean => {
  const end = r.reading?.standing === 'below' ? zone[0] : zone[1];
  return sayRail(r.rail, r.tested) !== sayRail(r.rail, end);
};

const zoneRule =
  (w: ZoneWords): Rule =>
  (e) => {
    const r = railOf(e, w.rail);
    if (!r?.zone || r.reading?.standing !== w.when || !saidApart(r, r.zone)) return null;
    if (w.tells && !w.tells(e, r)) return null;
    const { zone } = r;
    const most = e.kind?.id === 'oven' ? 'most oven pancakes' : `most ${plural(e)}`;
    return {
      code: w.code,
      severity: r.reading.far ? 'look' : 'note',
      basis: 'arithmetic',
      message: `${RAIL_NAMES[w.rail]} is ${r.unknown.length > 0 ? 'at least ' : ''}${percent(r.tested)} ${ofWhat(e)}; ${most} have ${span(zone)}: ${inWords(w.says, e)}${w.more?.(e) ?? ''}.`,
    };
  };

const RAISED: Readonly<Record<'below' | 'above', Words>> = {
  below: { usual: 'they will lie flat', waffle: 'they will be dense', oven: 'it will be dense' },
  above: {
    usual: 'they puff, then fall, and taste of leavening',
    crepe: 'they turn cakey and full of holes, and won’t lie thin',
    oven: 'it rises as a cake does, instead of climbing the rim',
  },
};

const raised: Rule = (e) => {
  const rail = railOf(e, 'lift');
  if (!rail?.zone || !rail.reading) return null;
  const { zone, reading: r } = rail;
  if (r.standing === 'in' || (r.standing === 'below' && e.volume?.foamed) || !saidApart(rail, zone)) return null;
  return {
    code: r.standing === 'below' ? 'under-raised' : 'over-raised',
    severity: r.far ? 'look' : 'note',
    basis: 'arithmetic',
    message: `The leavening gives ${lift(rail.tested)} g of gas per 100 g ${floursOf(e)}; most ${plural(e)} have ${lift(zone[0])} to ${lift(zone[1])} g${e.altitudeM > 0 ? ` at ${e.altitudeM} m, where gas takes more room (at the sea ${lift(zone[0] * gasRoomAt(e.altitudeM))} to ${lift(zone[1] * gasRoomAt(e.altitudeM))} g)` : ''}: ${inWords(RAISED[r.standing], e)}.`,
  };
};

const pourRule: Rule = (e) => {
  if (!e.school || !e.thickness || !e.percent || e.waits.has('water')) return null;
  const at = THICKNESSES.indexOf(e.thickness.pour);
  const [from, to] = e.school.pour.map((p) => THICKNESSES.indexOf(p)) as [number, number];
  const { standing: water, far = false } = railOf(e, 'water')?.reading ?? {};
  const thick = at - to - (thickByNature(e.tally) ? 1 : 0);
  const thin = from - at;
  // what is folded in thickens by a class
  const wanted =
    e.school.pour[0] === e.school.pour[1]
      ? POUR_NOUNS[e.school.pour[0]]
      : e.school.pour.map((p) => POUR_NOUNS[p]).join(' to ');
  if (thick >= 2 || (thick === 1 && water === 'below'))
    return {
      code: 'too-thick',
      // the model alone is a note: where the water says so too, it is a look
      severity: thick >= 2 && (thick > 2 || water !== 'in') ? 'look' : 'note',
      basis: 'model',
      message: `The batter ${POUR_WORDS[e.thickness.pour]}; ${plural(e)} want ${wanted}. Free water is ${percent(e.percent.freeWater)} of the flour. Thin it a little at a time.`,
    };
  // thinner than thin cream there is no class: there the water alone speaks
  const watery = at === 0 && water === 'above' && far;
  if (thin >= 2 || watery || (thin === 1 && water === 'above' && !e.volume?.foamed))
    return {
      code: 'too-thin',
      severity: thin >= 2 || watery ? 'look' : 'note',
      basis: 'model',
      message: `The batter ${POUR_WORDS[e.thickness.pour]}; ${plural(e)} want ${wanted}. Free water is ${percent(e.percent.freeWater)} of the flour${watery ? ', far more than usual' : ''}. A spoon of flour at a time, and let it stand.`,
    };
  return null;
};

const UNKNOWN_WORDS = { water: 'water', fat: 'fat', sugar: 'sugar', salt: 'salt', lift: 'soda or acid' } as const;

const shareUnknown: Rule = (e) => {
  const said = (['water', 'fat', 'sugar', 'salt', 'lift'] as const).filter(
    (r) => (railOf(e, r)?.unknown.length ?? 0) > 0,
  );
  const names = [...new Set(said.flatMap((r) => railOf(e, r)?.unknown ?? []))];
  if (names.length === 0) return null;
  return {
    code: 'share-unknown',
    severity: 'note',
    basis: 'measured',
    message: `The ${said.map((r) => UNKNOWN_WORDS[r]).join(', ')} of ${names.slice(0, 3).join(', ')} ${said.length === 1 ? 'is' : 'are'} not known: ${said.length === 1 ? 'that ratio is' : 'those ratios are'} without it, and at least what is shown.`,
  };
};

/** Powder beside self-raising flour, percent of the flour, from which it is a second one and no help to the first. */
const SECOND_POWDER = 4;

/**
 * Self-raising flour, and the powder that stands beside it; null where there is no such pair, or it is no more than a
 * help.
 */
export function raisedTwice(e: Pick<Evidence, 'waits' | 'tally' | 'lines' | 'rails'>): {
  readonly flour: Ingredient;
  readonly powders: readonly EvidenceLine[];
  readonly g: number;
  /** The whole rises too much by it. */
  readonly above: boolean;
} | null {
  if (e.waits.has('lift') || !(e.tally.flourG > 0)) return null;
  const of = (l: EvidenceLine) => (l.use === 'batter' ? l.parts : []);
  const flour = e.lines
    .flatMap(of)
    .map((p) => p.ingredient)
    .find((i) => isFlour(i) && i.sodaPct > 0);
  if (!flour) return null;
  const powders = e.lines.filter((l) =>
    of(l).some((p) => p.ingredient.category === 'leavening' && p.ingredient.ownAcidMeqPer100g > 0),
  );
  if (powders.length === 0) return null;
  const g = powders.reduce((a, l) => a + l.parts.reduce((b, p) => b + p.grams, 0), 0);
  const above = railOf(e, 'lift')?.reading?.standing === 'above';
  return above || (100 * g) / e.tally.flourG > SECOND_POWDER ? { flour, powders, g, above } : null;
}

/** Self-raising flour brings its powder along: as much again beside it is told. */
const twiceRaised: Rule = (e) => {
  const twice = raisedTwice(e);
  return (
    twice && {
      code: 'self-raising-and-powder',
      severity: twice.above ? 'look' : 'note',
      basis: 'arithmetic',
      keys: keysOf(twice.powders),
      message: `${kitchenName(twice.flour)} has its powder in it, and ${grams(twice.g, e.units)} more stand beside it: it rises twice over, and tastes of it. Leave the powder out, or take plain flour.`,
    }
  );
};

/** Egg that holds what gluten would, percent of flour. */
const HOLDS = 45;

const noGluten: Rule = (e) => {
  if (!(e.tally.flourG > 0) || e.tally.glutenFlourG > 0 || flourOpen(e)) return null;
  // bound by something else already: egg, gum, what buckwheat has of its own in a thin crepe
  if ((e.percent?.egg ?? 0) >= HOLDS || brings(e, (i) => i.id === 'xanthan-gum').length > 0) return null;
  if (e.school?.id === 'buckwheat' && brings(e, (i) => isA(i, 'flour-buckwheat')).length > 0) return null;
  return {
    code: 'no-gluten',
    severity: 'note',
    basis: 'measured',
    message: 'None of this flour has gluten to hold it: it tears easily. Let the batter stand, and more egg helps.',
  };
};

/** Threads of grated carrot or apple keep their water: so much of them counts as puree. */
const GRATED_SHARE = 0.4;

/** Percent of flour from which puree wants more lift than usual; a note, and a look. */
const MUCH_PUREE = [90, 160] as const;

const pureeHeavy: Rule = (e) => {
  const rail = railOf(e, 'lift');
  if (!rail?.zone || e.waits.has('lift') || e.volume?.foamed || e.kind?.panFatCounts || e.kind?.tilted) return null;
  // starch sets by itself: mashed potato is no sweet puree
  const puree = e.tally.additions.reduce(
    (a, x) => (x.id !== 'puree' || isA(x.ingredient, 'potato') ? a : a + x.grams * (x.grated ? GRATED_SHARE : 1)),
    0,
  );
  const pct = (100 * puree) / testedFlourG(e.tally);
  if (
    !(pct > MUCH_PUREE[0]) ||
    rail.tested >= middleLift(e.tally, rail.zone) ||
    percent(pct) === percent(MUCH_PUREE[0])
  )
    return null;
  return {
    code: 'puree-heavy',
    severity: pct > MUCH_PUREE[1] ? 'look' : 'note',
    basis: 'arithmetic',
    message: `Puree and soft fruit are ${percent(pct)} ${ofWhat(e)}, and the rise is under the middle of its zone: the middle stays gummy. It wants more rise, or less of the puree.`,
  };
};

const honeyInfant: Rule = (e) =>
  e.lines.some((l) => l.parts.some((p) => isA(p.ingredient, 'honey')))
    ? {
        code: 'honey-infant',
        severity: 'note',
        basis: 'measured',
        message: 'There is honey in this: not for infants under one year.',
      }
    : null;

/** The rules that read the balance, in the order of what matters within a severity. */
export const BALANCE_RULES: readonly Rule[] = [
  noFlour,
  amountsDisagree,
  linesOpen,
  sodaUnspent,
  pourRule,
  twiceRaised,
  raised,
  ...ZONE_WORDS.map(zoneRule),
  pureeHeavy,
  noGluten,
  shareUnknown,
  acidUnspent,
  honeyInfant,
];
