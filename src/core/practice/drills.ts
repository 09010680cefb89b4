/**
 * Drills of a minute: questions made from the core's own numbers, another one each time, and each answer explained. A
 * seed gives the same question again.
 */

import { randomLcg } from 'd3-random';
import Fraction from 'fraction.js';
import { analyseFormula } from '../analyse-formula';
import { markName } from '../batch/came-out';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import {
  KIND_IDS,
  type KindId,
  kindById,
  oneOf,
  POUR_WORDS,
  RAIL_NAMES,
  railOf,
  sayRail,
  schoolOf,
  THICKNESSES,
} from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { formulaLines } from '../formula/lines';
import { CAUSES } from '../judge/causes';
import { MEQ_PER_G_SODA } from '../lift/ledger';
import { writeNumber } from '../quantity/number';
import { capital, temperature } from '../quantity/say';
import { dropSays } from './run';

export const DRILLS = ['grams', 'scale', 'pour', 'soda', 'drop', 'card', 'cause'] as const;
export type DrillId = (typeof DRILLS)[number];

export const DRILL_WORDS: Readonly<Record<DrillId, { readonly title: string; readonly says: string }>> = {
  grams: { title: 'Cups to grams, by eye', says: 'With this kitchen’s cup, filled as it is filled here.' },
  scale: { title: 'Fractions and scaling, in the head', says: 'Half again, two thirds, from twelve to thirty.' },
  pour: { title: 'How will it pour?', says: 'From what is in the bowl.' },
  soda: { title: 'Is this soda spent?', says: 'Soda against what is sour in the bowl.' },
  drop: { title: 'Read the drop', says: 'A drop of water on the plate, and what it says.' },
  card: { title: 'What is wrong with this card?', says: 'One line of it can’t be.' },
  cause: { title: 'Which cause?', says: 'From what is seen to what it most often comes from.' },
};

export interface DrillQuestion {
  readonly asks: string;
  /** Lines of a card it is about; none mostly. */
  readonly card: readonly string[];
  readonly answer:
    | { readonly by: 'number'; readonly is: number; readonly unit: string; readonly within: number }
    | { readonly by: 'choice'; readonly of: readonly string[]; readonly is: number };
  /** Why it is so. */
  readonly why: string;
}

/** What is drawn by a seed. */
class Draw {
  private readonly random: () => number;
  constructor(seed: number) {
    this.random = randomLcg(seed);
    // the first draws of neighbouring seeds lie near each other
    for (let n = 0; n < 5; n++) this.random();
  }
  share(): number {
    return this.random();
  }
  of<T>(list: readonly T[]): T {
    return list[Math.min(list.length - 1, Math.floor(this.random() * list.length))] as T;
  }
  whole(low: number, high: number, step = 1): number {
    return low + step * Math.floor(this.random() * (Math.floor((high - low) / step) + 1));
  }
  shuffled<T>(list: readonly T[]): readonly T[] {
    return list
      .map((x) => ({ x, at: this.random() }))
      .sort((a, b) => a.at - b.at)
      .map(({ x }) => x);
  }
}

const choice = (
  asks: string,
  of: readonly string[],
  is: string,
  why: string,
  card: readonly string[] = [],
): DrillQuestion => ({
  asks,
  card,
  answer: { by: 'choice', of, is: of.indexOf(is) },
  why,
});

const asFormula = (texts: readonly string[], kind: KindId = 'griddle'): Formula => ({
  ...EMPTY_FORMULA,
  name: 'Practice',
  kind,
  school: kindById(kind).schools[0]?.id ?? '',
  entries: texts.map((text, n) => ({ key: `l${n + 1}`, text })),
});

const CUPS = ['1/4', '1/3', '1/2', '2/3', '3/4', '1', '1 1/4', '1 1/3', '1 1/2', '2', '2 1/4', '2 1/2', '3'];
const BY_CUP = [
  'all-purpose flour',
  'whole wheat flour',
  'granulated sugar',
  'milk',
  'buttermilk',
  'rolled oats',
  'fine corn meal',
  'brown sugar',
  'melted butter',
  'honey',
];
const EYE_WITHIN = 0.1;

function grams(d: Draw, house: Kitchen): DrillQuestion {
  const cups = d.of(CUPS);
  const text = `${cups} ${new Fraction(cups).gt(1) ? 'cups' : 'cup'} ${d.of(BY_CUP)}`;
  const g = formulaLines(asFormula([text]), house)[0]?.parts.reduce((a, p) => a + p.grams, 0) ?? 0;
  return {
    asks: `${text}: how many grams, filled as here?`,
    card: [],
    answer: { by: 'number', is: Math.round(g), unit: 'g', within: EYE_WITHIN },
    why: `${Math.round(g)} g, as this kitchen measures; within a tenth is near enough by eye.`,
  };
}

function scale(d: Draw): DrillQuestion {
  if (d.share() < 0.5) {
    const [part, times] = [
      new Fraction(d.of(['1/4', '1/3', '1/2', '2/3', '3/4', '3/2', '5/4'])),
      new Fraction(d.of(['1/2', '3/2', '2/3', '4/3', '3', '5/2', '1/4'])),
    ];
    const is = part.mul(times);
    return {
      asks: `${writeNumber(part)} cup, ${writeNumber(times)} times: how many cups?`,
      card: [],
      answer: { by: 'number', is: is.valueOf(), unit: 'cup', within: 0.01 },
      why: `${writeNumber(part)} × ${writeNumber(times)} = ${writeNumber(is)}.`,
    };
  }
  const [makes, want, g] = [d.of([6, 8, 9, 10, 12]), d.of([4, 15, 18, 20, 24, 30, 36]), d.whole(60, 640, 10)];
  const is = (g * want) / makes;
  return {
    asks: `A card with ${g} g of flour makes ${makes}. How many grams for ${want}?`,
    card: [],
    answer: { by: 'number', is: Math.round(is), unit: 'g', within: 0.02 },
    why: `${g} ÷ ${makes} × ${want} = ${Math.round(is)} g.`,
  };
}

function pour(d: Draw, house: Kitchen): DrillQuestion {
  const lines = [
    `${d.whole(200, 300, 10)} g flour`,
    `${d.whole(180, 640, 20)} g milk`,
    `${d.whole(1, 4)} eggs`,
    `${d.whole(10, 40, 5)} g sugar`,
    '10 g baking powder',
  ];
  const now = analyseFormula(asFormula(lines), house).analysis.thickness?.pour ?? 'ribbon';
  const of = THICKNESSES.map((t) => POUR_WORDS[t]);
  return choice(
    'Stirred, and rested ten minutes: how does it pour?',
    of,
    POUR_WORDS[now],
    `It ${POUR_WORDS[now]}.`,
    lines,
  );
}

const SODA_SAYS = ['all of it is spent', 'some soda is left over', 'some acid is left over'] as const;
/** So much left over counts, as a share of the soda there is. */
const SPENT_WITHIN = 0.12;
function soda(d: Draw, house: Kitchen): DrillQuestion {
  const sour = d.whole(100, 420, 20);
  const sodaG = d.whole(4, 40) / 4;
  const lines = [
    '250 g flour',
    `${sour} g buttermilk`,
    `${d.whole(60, 200, 20)} g milk`,
    '2 eggs',
    `${sodaG} g baking soda`,
  ];
  const { ledger } = analyseFormula(asFormula(lines), house).analysis;
  const left = ledger.unspentSodaG;
  const acid = ledger.unspentAcidMeq / MEQ_PER_G_SODA;
  const now = left > SPENT_WITHIN * sodaG ? SODA_SAYS[1] : acid > SPENT_WITHIN * sodaG ? SODA_SAYS[2] : SODA_SAYS[0];
  return choice(
    'Is the soda spent?',
    SODA_SAYS,
    now,
    left > SPENT_WITHIN * sodaG
      ? `The buttermilk works on ${(sodaG - left).toFixed(1)} g of it: ${left.toFixed(1)} g is left, and tastes.`
      : `The buttermilk could work on ${(sodaG - left + acid).toFixed(1)} g; there are ${sodaG} g.`,
    lines,
  );
}

const DROPS = [90, 130, 175, 210].map(dropSays);
function drop(d: Draw, house: Kitchen): DrillQuestion {
  // clear of the degrees where one goes over into the next
  const [low, high] = d.of([
    [72, 98],
    [112, 148],
    [162, 188],
    [202, 240],
  ] as const);
  const c = d.whole(low, high);
  const said = dropSays(c);
  const [does] = said.split(':');
  const of = DROPS.map((x) => x.split(':')[0] as string);
  return choice(
    `The plate is at ${temperature(c, house.units)}. What does a drop of water do?`,
    of,
    does as string,
    said,
  );
}

/** A good card of a kind, each amount a little other each time. */
const GOOD: Readonly<Partial<Record<KindId, readonly (readonly [low: number, high: number, of: string])[]>>> = {
  griddle: [
    [245, 260, 'g flour'],
    [20, 30, 'g sugar'],
    [3, 5, 'g salt'],
    [10, 13, 'g baking powder'],
    [400, 440, 'g milk'],
    [90, 110, 'g egg'],
    [35, 45, 'g butter, melted'],
  ],
  waffle: [
    [245, 260, 'g flour'],
    [20, 30, 'g sugar'],
    [3, 5, 'g salt'],
    [10, 13, 'g baking powder'],
    [380, 420, 'g milk'],
    [130, 150, 'g egg'],
    [100, 120, 'g butter, melted'],
  ],
  crepe: [
    [245, 260, 'g flour'],
    [540, 600, 'g milk'],
    [210, 240, 'g egg'],
    [50, 65, 'g butter, melted'],
    [15, 25, 'g sugar'],
    [2, 3, 'g salt'],
  ],
};
const WRONG_BY: readonly (readonly [RegExp, number])[] = [
  [/salt/, 8],
  [/baking powder/, 8],
  [/g milk/, 0.3],
  [/g milk/, 2.5],
  [/g egg/, 4],
  [/butter/, 6],
];
function card(d: Draw, house: Kitchen): DrillQuestion {
  const kind = d.of(['griddle', 'waffle', 'crepe'] as const);
  const rows = (GOOD[kind] ?? []).map(([low, high, of]) => ({ g: d.whole(low, high), of }));
  const [what, times] = d.of(WRONG_BY.filter(([re]) => rows.some((r) => re.test(r.of))));
  const at = rows.findIndex((r) => what.test(r.of));
  const lines = rows.map((r, n) => `${n === at ? Math.round(r.g * times) : r.g} ${r.of}`);
  const meant = rows[at];
  const { analysis } = analyseFormula(asFormula(lines, kind), house);
  const school = schoolOf(kindById(kind), null);
  const out = analysis.rails.filter((r) => r.reading && r.reading.standing !== 'in' && r.zone);
  const far = out.find((r) => r.reading?.far) ?? out[0];
  const reading = far ? railOf(analysis, far.rail) : null;
  return choice(
    `For ${kindById(kind).pieces}, ${school.name}: which line is wrong?`,
    lines,
    lines[at] as string,
    `${lines[at]}; ${meant?.g} ${meant?.of} would do.${
      far && reading?.zone
        ? ` ${RAIL_NAMES[far.rail]} stands at ${sayRail(far.rail, reading.tested)}, where ${sayRail(far.rail, reading.zone[0])} to ${sayRail(far.rail, reading.zone[1])} is usual.`
        : ''
    }`,
    lines,
  );
}

/** Every mark of every kind with more than one cause. */
const SEEN = KIND_IDS.flatMap((kind) =>
  [...new Set(CAUSES.map((c) => c.mark))].flatMap((mark) => {
    const own = CAUSES.filter((c) => c.mark === mark && (c.kinds?.includes(kind) ?? true)).sort(
      (a, b) => b.weight - a.weight,
    );
    const [first, second] = own;
    return first && (!second || first.weight > second.weight) ? [{ kind, mark, first }] : [];
  }),
);
function cause(d: Draw): DrillQuestion {
  const { kind, mark, first } = d.of(SEEN);
  const own = CAUSES.filter((c) => c.mark === mark).map((c) => c.cause);
  const others = d.shuffled([...new Set(CAUSES.map((c) => c.cause))].filter((c) => !own.includes(c))).slice(0, 3);
  return choice(
    `${capital(oneOf(kind))}: ${markName(mark)}. What does it most often come from?`,
    d.shuffled([first.cause, ...others]),
    first.cause,
    `${first.cause}. ${first.change}`,
  );
}

const MAKES: Readonly<Record<DrillId, (d: Draw, house: Kitchen) => DrillQuestion>> = {
  grams,
  scale,
  pour,
  soda,
  drop,
  card,
  cause,
};

/** @param seed from 0 to 1 */
export const questionOf = (id: DrillId, seed: number, house: Kitchen): DrillQuestion =>
  MAKES[id](new Draw(seed), house);

/** What a question is told apart by. */
const keyOf = (q: DrillQuestion): string => `${q.asks} ${q.card.join()}`;

/**
 * The next question that was not asked yet; where all were, any.
 * @param asked what was asked before, by `asks` and its card
 */
export function nextQuestion(
  id: DrillId,
  seed: number,
  house: Kitchen,
  asked: ReadonlySet<string>,
): { readonly question: DrillQuestion; readonly key: string } {
  let question = questionOf(id, seed, house);
  for (let n = 1; n < 60 && asked.has(keyOf(question)); n++)
    question = questionOf(id, (seed + 0.6180339887 * n) % 1, house);
  return { question, key: keyOf(question) };
}

/** Whether what was answered is right. @param said a number, or which choice, from 0 */
export function isRight({ answer }: DrillQuestion, said: number): boolean {
  if (answer.by === 'choice') return said === answer.is;
  return Math.abs(said - answer.is) <= Math.max(1e-9, answer.within * Math.abs(answer.is));
}
