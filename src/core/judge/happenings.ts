/**
 * What may have happened to a batch: each slip in the sizes it comes in, how likely it is before anything was seen, and
 * how the batch would have been with it, worked by the models of lift, fade and thickness from what really went in. The
 * models' errors are in the widths of what is seen (`signs.ts`); what was weighed, probed or timed is taken as it was
 * noted, and its slip is rarer. Shares before the seeing are the table of causes' own, and ours for the weighing.
 */
import { fadeOf } from '../batter/standing';
import { viscosityEnds } from '../batter/thickness';
import { type KindId, type Rail, railOf, type Zone } from '../formula/kinds';
import type { Standing } from '../formula/ways';
import { type AnalysableLine, type Numbers, numbersOf } from '../numbers';
import { HOLDS_MIN } from '../script/on-heat';
import { CAUSES } from './causes';
import { AS_WANTED, place, type Qualities, type Quality } from './signs';

export interface MadeLine extends AnalysableLine {
  readonly name: string;
  /** Read off a scale as it went in; else it was ticked as it was planned. */
  readonly weighed: boolean;
}

/** A batch as it was noted. What was not noted is null. */
export interface AsMade {
  readonly kind: KindId;
  readonly school: string;
  readonly lines: readonly MadeLine[];
  readonly standing: Standing;
  /** Minutes it stood; degrees C a probe read, and what is wanted; turns it was mixed, and is used to. */
  readonly restMin: number | null;
  readonly heatC: number | null;
  readonly heatZone: Zone;
  readonly turns: number | null;
  readonly usualTurns: number;
  readonly heldMin: number | null;
  /** The planned portion as a part of the largest that is usual; null: a pan. */
  readonly portion: number | null;
}

/** One size of a slip, and how the batch is with it. */
export interface Size {
  /** In the slip's own unit: g, minutes, degrees, a factor. */
  readonly at: number;
  readonly z: Qualities;
}

export interface Happening {
  readonly id: string;
  /** In a cook's words. */
  readonly words: string;
  /** Of its sizes; null: they have none that is said. */
  readonly unit: 'g' | 'min' | 'degrees' | 'times' | 'of its time' | 'of its strength' | null;
  /** What was planned, in the same unit; null: there is none. */
  readonly planned: number | null;
  /** Before anything was seen, beside 1 for a batch that went as it was noted. */
  readonly before: number;
  readonly sizes: readonly Size[];
  /** What tells it from the others that look alike. */
  readonly test: string;
  readonly shows: TestShows;
}

/** What a test shows where the slip was so, and where it was not. */
export interface TestShows {
  readonly so: string;
  readonly notSo: string;
}

/** Everything that is tried, and the batch as it was noted. */
export interface Possible {
  readonly kind: KindId;
  readonly noted: Qualities;
  readonly happenings: readonly Happening[];
}

/** What a slip changes of a batch. */
interface Slip {
  readonly line?: number;
  /** Times as much of the line. */
  readonly factor?: number;
  readonly strength?: number;
  readonly restMin?: number;
  /** Qualities that are moved by no model of the bowl. */
  readonly moves?: Partial<Readonly<Record<Quality, number>>>;
}

/** Half a zone, at least so wide, natural logarithm: no model is better. */
const LEAST_HALF = 0.22;
const LEAST_HALF_FLOW = 0.55;
/** Beyond this more of it is seen no better. */
const MOST = 4;
const within = (x: number): number => Math.max(-MOST, Math.min(MOST, Number.isFinite(x) ? x : 0));
/** Where x stands in a zone on a scale of logarithms: -1 and 1 at its ends. @param none what nothing of it counts as */
function inZone(x: number, [low, high]: readonly [number, number], none: number, leastHalf = LEAST_HALF): number {
  const [a, b] = [Math.log(low + none), Math.log(high + none)];
  return (Math.log(x + none) - (a + b) / 2) / Math.max(leastHalf, (b - a) / 2);
}
const railAt = (a: Numbers, rail: Rail, none: number): number => {
  const r = railOf(a, rail);
  return r?.zone && r.zone[1] > 0 && r.unknown.length === 0 && !r.waits ? within(inZone(r.tested, r.zone, none)) : 0;
};

/** Gas that is left beside what the usual rest leaves, natural logarithm; 0 where none is lost or known. */
function spent(lines: readonly AnalysableLine[], a: Numbers, usualMin: number, restMin: number): number {
  const paS = a.thickness?.paS;
  if (paS === undefined || restMin === usualMin) return 0;
  const times = [...new Set([usualMin, restMin])].sort((x, y) => x - y);
  const points = fadeOf(lines, { paS, batterC: a.standing.batterC }, times);
  const at = (min: number): number => points.find((p) => p.min === min)?.lift ?? 0;
  return at(usualMin) > 1 ? Math.log(Math.max(0.02, at(restMin) / at(usualMin))) : 0;
}

/** Soda with nothing to work on, percent of flour, that begins to be tasted. */
const SODA_TASTED = 0.45;
/** What half of the heat's own zone does; and what e times the minutes, the portion, or the turns do. Ours. */
const COLOUR_BY_HEAT = 0.9;
const SET_BY_HEAT = -0.7;
const COLOUR_BY_TIME = 1.8;
const SET_BY_TIME = 2.3;
const SET_BY_PORTION = -2.6;
const BITE_BY_TURNS = 1.9;
const LIFT_BY_TURNS = -0.35;
const BITE_BY_FAT = -0.35;
const COLOUR_BY_SUGAR = 0.3;
const HELD_WIDE_MIN = 10;

/** How a batch is with a slip: what the models say of the bowl, and what is moved by hand. */
function qualitiesOf(made: AsMade, slip: Slip): Qualities {
  const lines = made.lines.map((l, n): AnalysableLine => {
    const factor = n === slip.line ? (slip.factor ?? 1) : 1;
    const strength = slip.strength === undefined ? l.strength : (l.strength ?? 1) * slip.strength;
    return {
      ...l,
      ...(strength !== undefined && { strength }),
      parts: factor === 1 ? l.parts : l.parts.map((p) => ({ ...p, grams: p.grams * factor })),
    };
  });
  const restMin = slip.restMin ?? made.restMin ?? made.standing.restMin;
  const a = numbersOf(lines, made.kind, made.school, { standing: made.standing });
  const lift = railOf(a, 'lift');
  const gas = spent(lines, a, made.standing.restMin, restMin);
  const counts = lift?.zone && lift.zone[0] > 0 && lift.unknown.length === 0 && !lift.waits && !a.volume?.foamed;
  const z: Record<Quality, number> = {
    lift: counts ? inZone(lift.tested * Math.exp(gas), lift.zone, 0.02) : a.volume?.foamed ? gas / LEAST_HALF : 0,
    flow: a.thickness && a.school ? inZone(a.thickness.paS, viscosityEnds(a.school.pour), 0, LEAST_HALF_FLOW) : 0,
    colour: COLOUR_BY_SUGAR * railAt(a, 'sugar', 3),
    set: 0,
    bite: BITE_BY_FAT * railAt(a, 'fat', 3),
    salt: railAt(a, 'salt', 0.15),
    soda: a.tally.flourG > 0 ? (100 * a.ledger.unspentSodaG) / a.tally.flourG / SODA_TASTED : 0,
    panFat: 0,
    egg: made.kind === 'foam' ? 0 : railAt(a, 'egg', 6),
    held: made.heldMin === null ? 0 : (made.heldMin - HOLDS_MIN[made.kind]) / HELD_WIDE_MIN + 1,
  };
  if (made.turns !== null) z.bite += BITE_BY_TURNS * Math.log(Math.max(0.3, made.turns / made.usualTurns));
  if (made.portion !== null && made.portion > 1) z.set += SET_BY_PORTION * Math.log(made.portion);
  if (made.heatC !== null) {
    const off = inHeat(made.heatC, made.heatZone);
    z.colour += COLOUR_BY_HEAT * off;
    z.set += SET_BY_HEAT * off;
  }
  const out = [...AS_WANTED];
  for (const [q, x] of Object.entries(z) as [Quality, number][])
    out[place(q)] = Math.round(100 * within(x + (slip.moves?.[q] ?? 0))) / 100;
  return out;
}

/** Degrees above the middle of what is wanted, in halves of it. */
const LEAST_HALF_HEAT_C = 10;
const halfOf = ([low, high]: Zone): number => Math.max(LEAST_HALF_HEAT_C, (high - low) / 2);
const inHeat = (c: number, zone: Zone): number => (c - (zone[0] + zone[1]) / 2) / halfOf(zone);

/** Sizes from one to another, evenly by their ratio. */
const STEPS = 11;
const ratios = (from: number, to: number): readonly number[] =>
  Array.from({ length: STEPS }, (_, n) => from * (to / from) ** (n / (STEPS - 1)));
const evenly = (from: number, to: number): readonly number[] =>
  Array.from({ length: STEPS }, (_, n) => from + ((to - from) * n) / (STEPS - 1));

/** What the table of causes gives a cause for a kind, where it has it: the most of its marks; and how much of that is here. */
const OF_TABLE = 0.35;
const NOT_IN_TABLE = 0.15;
const inTable = (cause: RegExp, kind: KindId): number =>
  OF_TABLE *
  Math.max(
    NOT_IN_TABLE,
    ...CAUSES.filter((c) => cause.test(c.cause) && (c.kinds?.includes(kind) ?? true)).map((c) => c.weight),
  );
/** A slip of what was read off a scale, or noted, is so much rarer. */
const NOTED = 0.2;

/** How a line goes wrong, by what it is of: too little and too much, as factors; and how often. */
interface LineSlip {
  readonly is: (l: MadeLine) => boolean;
  readonly less: readonly [number, number] | null;
  readonly more: readonly [number, number] | null;
  readonly before: number;
}
const category =
  (...c: readonly string[]) =>
  (l: MadeLine): boolean =>
    l.parts.some((p) => c.includes(p.ingredient.category));
/** To add a slip of weighing is to add a row; the first that fits a line is its own. */
const LINE_SLIPS: readonly LineSlip[] = [
  { is: category('leavening'), less: [0.05, 0.75], more: [1.35, 3.2], before: 0.08 },
  { is: category('salt'), less: [0.05, 0.5], more: null, before: 0.05 },
  { is: category('flour', 'starch'), less: [0.7, 0.9], more: [1.1, 1.4], before: 0.06 },
  { is: category('dairy', 'plant-milk', 'liquid'), less: [0.6, 0.9], more: [1.1, 1.6], before: 0.05 },
  { is: category('egg'), less: [0.3, 0.75], more: null, before: 0.03 },
  { is: category('fat'), less: [0.1, 0.6], more: null, before: 0.03 },
];
/** Less than this share of the batter, and what is no leavening or salt goes wrong unseen. */
const WORTH_TRYING = 0.08;

/** What goes wrong in weighing: less or more of a line than its weight says. */
function ofTheWeighing(made: AsMade): readonly Happening[] {
  const mass = made.lines.reduce((a, l) => a + gramsOf(l), 0);
  return made.lines.flatMap((l, n): Happening[] => {
    const row = l.use === 'batter' ? LINE_SLIPS.find((s) => s.is(l)) : undefined;
    const g = gramsOf(l);
    const small = category('leavening', 'salt')(l);
    if (!row || !(g > 0) || (!small && g < WORTH_TRYING * mass)) return [];
    const name = l.name.toLowerCase();
    const of = (way: 'less' | 'more'): Happening[] => {
      const range = row[way];
      if (!range) return [];
      return [
        {
          id: `${way}:${n}`,
          words: way === 'less' ? `Too little ${name} went in` : `Too much ${name} went in`,
          unit: 'g',
          planned: Math.round(10 * g) / 10,
          before: row.before * (l.weighed ? NOTED : 1),
          sizes: ratios(...range).map((factor) => ({ at: factor * g, z: qualitiesOf(made, { line: n, factor }) })),
          test: `Weigh the ${name} twice next time, in a dish of its own.`,
          shows: { so: 'It came right', notSo: 'It was the same' },
        },
      ];
    };
    return [...of('less'), ...of('more')];
  });
}
const gramsOf = (l: Pick<MadeLine, 'parts'>): number => l.parts.reduce((a, p) => a + p.grams, 0);

/** What tells each slip of no line from the others that look alike, and what that shows: it was so, or it was not. */
const TESTS = {
  'old-tin': ['A spoon of the powder in hot water has to foam at once.', 'It hardly foamed', 'It foamed at once'],
  stood: [
    'Pour one at once and one after half an hour: only the second is flat.',
    'Only the second was flat',
    'Both were alike',
  ],
  mixed: ['Two small bowls, one stirred ten turns and one forty.', 'Only the second was tough', 'Both were alike'],
  hot: ['Hold a probe on the surface where you pour, before the first.', 'It read too hot', 'It read right'],
  cool: ['Wait until a drop of water dances on the surface, before the first.', 'It came right', 'It was the same'],
  portion: ['Weigh one ladle as you pour it.', 'It weighed more', 'It weighed right'],
  early: ['Leave the first one until its bubbles stay open.', 'It came right', 'It was the same'],
  late: ['Time the first piece, and take it off at its cue.', 'It came right', 'It was the same'],
  fat: [
    'Wipe one place dry and pour on it, beside one that is not wiped.',
    'The wiped one was better',
    'Both were alike',
  ],
  'no-fat': [
    'A little fat, wiped, on one place, and none on another.',
    'The one with fat was better',
    'Both were alike',
  ],
  held: ['Eat one straight off the heat, beside one that was held.', 'The fresh one was better', 'Both were alike'],
} as const satisfies Readonly<Record<string, readonly [test: string, so: string, notSo: string]>>;

/** Makes slips of no line: by the cause of the table, and whether it is known of this batch what it was. */
const slipsOf =
  ({ kind }: AsMade) =>
  (
    id: keyof typeof TESTS,
    words: string,
    unit: Happening['unit'],
    cause: RegExp,
    noted: boolean,
    sizes: readonly Size[],
  ): Happening => ({
    id,
    words,
    unit,
    planned: null,
    before: inTable(cause, kind) * (noted ? NOTED : 1),
    sizes,
    test: TESTS[id][0],
    shows: { so: TESTS[id][1], notSo: TESTS[id][2] },
  });
const moved = (made: AsMade, at: readonly number[], moves: (x: number) => Slip['moves']): readonly Size[] =>
  at.map((x) => ({ at: x, z: qualitiesOf(made, { moves: moves(x) }) }));

/** What becomes of the batter: the powder, the wait, the mixing. */
function ofTheBatter(made: AsMade): readonly Happening[] {
  const { kind, standing } = made;
  const row = slipsOf(made);
  const parts = made.lines.flatMap((l) => (l.use === 'batter' ? l.parts : []));
  const powders = parts.some((p) => p.ingredient.ownAcidMeqPer100g > 0);
  const raised = kind === 'foam' || parts.some((p) => p.ingredient.category === 'leavening');
  const strengths = evenly(0.15, 0.75).map((strength) => ({ at: strength, z: qualitiesOf(made, { strength }) }));
  const waits = ratios(standing.restMin + 25, standing.restMin + 200).map((restMin) => ({
    at: restMin,
    z: qualitiesOf(made, { restMin }),
  }));
  const strokes = moved(made, ratios(1.5, 4), (x) => ({
    bite: BITE_BY_TURNS * Math.log(x),
    lift: LIFT_BY_TURNS * Math.log(x),
  }));
  const stood = `The ${kind === 'foam' ? 'foam stood' : 'batter stood too long'} before it was poured`;
  const [hasStood, isMixed] = [made.restMin !== null, made.turns !== null];
  return [
    ...(powders ? [row('old-tin', 'The powder was an old tin', 'of its strength', /old tin/i, false, strengths)] : []),
    ...(raised ? [row('stood', stood, 'min', /spent by waiting|knocked out/i, hasStood, waits)] : []),
    ...(kind === 'crepe' || kind === 'oven'
      ? []
      : [row('mixed', 'It was mixed too far', 'times', /^Mixed too far/, isMixed, strokes)]),
  ];
}

/** What happens at the heat: how hot, how much, how long, the fat, and the wait after it. */
function ofTheHeat(made: AsMade): readonly Happening[] {
  const { kind } = made;
  const [isOven, isIron, isProbed] = [kind === 'oven', kind === 'waffle', made.heatC !== null];
  const on = isIron ? 'on the iron' : 'in the pan';
  const half = halfOf(made.heatZone);
  const degrees = (sign: 1 | -1): readonly Size[] =>
    moved(made, evenly(8, 45), (c) => ({
      colour: (sign * COLOUR_BY_HEAT * c) / half,
      set: (sign * SET_BY_HEAT * c) / half,
    }));
  const portions = moved(made, ratios(1.25, 2.2), (x) => ({ set: SET_BY_PORTION * Math.log(x) }));
  const timed = (from: number, to: number): readonly Size[] =>
    moved(made, ratios(from, to), (x) => ({ colour: COLOUR_BY_TIME * Math.log(x), set: SET_BY_TIME * Math.log(x) }));
  const [more, less] = [1, -1].map((sign) => moved(made, evenly(1, 3), (x) => ({ panFat: sign * x })));
  const waits = moved(made, evenly(1, 3), (x) => ({ held: x }));
  const row = slipsOf(made);
  return [
    row('hot', `The ${isOven ? 'oven' : 'surface'} was too hot`, 'degrees', /^Too hot/, isProbed, degrees(1)),
    row(
      'cool',
      `The ${isOven ? 'oven' : 'surface'} was too cool`,
      'degrees',
      /too cool|not hot/i,
      isProbed,
      degrees(-1),
    ),
    row(
      'portion',
      isOven ? 'Too much was in the pan' : 'The portion was too large',
      'times',
      /Portion too large/,
      false,
      portions,
    ),
    ...(isIron || isOven
      ? []
      : [row('early', 'It was turned early', 'of its time', /^Turned early/, false, timed(0.45, 0.8))]),
    row('late', 'It was too long on the heat', 'of its time', /^Too long on the heat/, false, timed(1.25, 2.2)),
    row('fat', `There was too much fat ${on}`, null, /Too much fat in the pan/, false, more ?? []),
    row(
      'no-fat',
      `There was too little fat ${on}`,
      null,
      /Nothing in the pan|Too little fat in the pan/,
      false,
      less ?? [],
    ),
    row(
      'held',
      'It was held too long before it was eaten',
      null,
      /Held too long|held in its steam/,
      made.heldMin !== null,
      waits,
    ),
  ];
}

/** How much of a formula's own thickness, as it is worked, is believed. */
const TRUSTED_FLOW = 0.4;

/** All that may have happened to a batch, each with how the batch would have been. About two milliseconds a slip. */
export function possibleOf(made: AsMade): Possible {
  const noted = qualitiesOf(made, {});
  const flow = place('flow');
  const off = (1 - TRUSTED_FLOW) * (noted[flow] ?? 0);
  // thickness is known to one class: how far the formula itself is off counts for less than what a slip changes
  const trusted = (z: Qualities): Qualities =>
    z.map((x, n) => (n === flow ? Math.round(100 * within(x - off)) / 100 : x));
  const happenings = [...ofTheWeighing(made), ...ofTheBatter(made), ...ofTheHeat(made)];
  return {
    kind: made.kind,
    noted: trusted(noted),
    happenings: happenings.map((h) => ({ ...h, sizes: h.sizes.map(({ at, z }) => ({ at, z: trusted(z) })) })),
  };
}
