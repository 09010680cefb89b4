/**
 * Batches made up with a slip that is known, and what a cook marks of them: what the finding of slips is held honest by.
 * Kept apart from it on purpose: how a slip shows has its own numbers here, drawn anew for each batch over what is
 * plausible, and its own thresholds; of the marks 15 % are wrong or missing.
 */
import { randomLcg, randomLogNormal, randomNormal, randomUniform } from 'd3-random';
import { MARKS, type Mark, occursOn, type SCALES, type Scales } from '../batch/came-out';
import { fadeOf } from '../batter/standing';
import { type KindId, kindById, railOf, type Zone } from '../formula/kinds';
import { FRESH_WAYS, standingOf } from '../formula/ways';
import type { AsMade, MadeLine } from '../judge/happenings';
import { numbersOf } from '../numbers';
import { linesOf } from './formulas';

/** Formulas in the middle of their zones. */
const FORMULAS: readonly {
  readonly kind: KindId;
  readonly school: string;
  readonly lines: readonly string[];
  readonly heatZone: Zone;
}[] = [
  {
    kind: 'griddle',
    school: 'even',
    heatZone: [165, 190],
    lines: ['250 g flour', '25 g sugar', '4 g salt', '11 g baking powder', '430 g milk', '100 g eggs', '40 g butter'],
  },
  {
    kind: 'griddle',
    school: 'tall',
    heatZone: [170, 177],
    lines: ['250 g flour', '30 g sugar', '3 g salt', '14 g baking powder', '360 g milk', '50 g eggs', '40 g butter'],
  },
  {
    kind: 'waffle',
    school: 'crisp',
    heatZone: [175, 195],
    lines: ['240 g flour', '25 g sugar', '4 g salt', '10 g baking powder', '400 g milk', '100 g eggs', '90 g butter'],
  },
  {
    kind: 'small',
    school: 'even',
    heatZone: [165, 190],
    lines: ['225 g flour', '25 g sugar', '3 g salt', '9 g baking powder', '330 g milk', '50 g eggs', '25 g butter'],
  },
];

/** How a batch really was, in the generator's own words: 0 as wanted. */
interface Real {
  rise: number;
  thick: number;
  brown: number;
  done: number;
  tough: number;
  salty: number;
  soapy: number;
  fatty: number;
  binds: number;
  waited: number;
}

/** A batch of a slip that is known. `slip` is the id the finding of slips has for it; null: none. */
export interface SeenMorning {
  readonly made: AsMade;
  readonly slip: string | null;
  /** Its size, in the slip's own unit; null: it has none that is said. */
  readonly size: number | null;
  readonly real: Real;
}

type Draw = () => number;
const within = (random: Draw, from: number, to: number): number => from * (to / from) ** random();

/** What the models are drawn with for one batch: each about 1, as wide as the models are trusted. */
interface Nature {
  readonly gas: number;
  readonly leak: number;
  readonly thickness: number;
  readonly heat: number;
  readonly time: number;
}

/** The slips that are made up, with how often of a hundred batches, and a size. */
const SLIPS: readonly (readonly [id: string, often: number, size: (r: Draw) => number])[] = [
  ['less:3', 8, (r) => within(r, 0.06, 0.7)],
  ['more:3', 6, (r) => within(r, 1.4, 3)],
  ['less:2', 5, (r) => within(r, 0.05, 0.5)],
  ['less:0', 6, (r) => within(r, 0.7, 0.9)],
  ['more:0', 6, (r) => within(r, 1.1, 1.4)],
  ['less:4', 5, (r) => within(r, 0.62, 0.9)],
  ['more:4', 5, (r) => within(r, 1.1, 1.55)],
  ['less:5', 3, (r) => within(r, 0.3, 0.7)],
  ['old-tin', 8, (r) => 0.15 + 0.6 * r()],
  ['stood', 8, (r) => within(r, 30, 200)],
  ['hot', 13, (r) => 8 + 37 * r()],
  ['cool', 13, (r) => 8 + 37 * r()],
  ['mixed', 11, (r) => within(r, 1.5, 4)],
  ['portion', 9, (r) => within(r, 1.3, 2.2)],
  ['early', 12, (r) => within(r, 0.45, 0.8)],
  ['late', 11, (r) => within(r, 1.25, 2.1)],
  ['fat', 11, (r) => 1 + 2 * r()],
  ['no-fat', 9, (r) => 1 + 2 * r()],
  ['held', 9, (r) => 1 + 2 * r()],
];
/** Batches with no slip, beside the slips' own numbers. */
const NONE = 100;
const LINE = /^(less|more):(\d)$/;

const clip = (x: number): number => Math.max(-5, Math.min(5, Number.isFinite(x) ? x : 0));
/** Half a zone wide at 1. */
const standsIn = (x: number, low: number, high: number): number =>
  clip((2 * Math.log(x / Math.sqrt(low * high))) / Math.max(0.44, Math.log(high / low)));

function realOf(made: AsMade, id: string | null, size: number, n: Nature): Real {
  const line = id === null ? null : LINE.exec(id);
  const at = line ? Number(line[2]) : -1;
  const lines = made.lines.map((l, k) => ({
    ...l,
    ...(id === 'old-tin' && { strength: size }),
    parts: k === at ? l.parts.map((p) => ({ ...p, grams: p.grams * size })) : l.parts,
  }));
  const usual = made.standing.restMin;
  const a = numbersOf(lines, made.kind, made.school, { standing: made.standing });
  const rail = (r: 'lift' | 'salt' | 'fat' | 'egg' | 'sugar', add: number): number => {
    const x = railOf(a, r);
    return x?.zone ? standsIn(x.tested * (r === 'lift' ? n.gas : 1) + add, x.zone[0] + add, x.zone[1] + add) : 0;
  };
  const zone = railOf(a, 'lift')?.zone;
  let rise = rail('lift', 0.02);
  if (id === 'stood' && zone && a.thickness) {
    const [fresh, then] = fadeOf(lines, { paS: a.thickness.paS, batterC: 22 }, [usual, Math.max(usual + 1, size)]);
    if (fresh && then && fresh.lift > 1)
      rise +=
        (2 * n.leak * Math.log(Math.max(0.02, then.lift / fresh.lift))) / Math.max(0.44, Math.log(zone[1] / zone[0]));
  }
  const pour = { griddle: 2, waffle: 2, small: 2.2 }[made.kind as 'griddle' | 'waffle' | 'small'] ?? 2;
  const wide = Math.max(LEAST_WIDE, 0.55);
  const [hot, late] = [
    id === 'hot' ? size : id === 'cool' ? -size : 0,
    id === 'late' || id === 'early' ? Math.log(size) : 0,
  ];
  const half = Math.max(10, (made.heatZone[1] - made.heatZone[0]) / 2);
  return {
    rise: clip(rise + (id === 'mixed' ? -0.35 * Math.log(size) : 0)),
    thick: clip(Math.log(((a.thickness?.paS ?? pour) * n.thickness) / pour) / wide),
    brown: clip((0.9 * n.heat * hot) / half + 1.8 * n.time * late + 0.3 * rail('sugar', 3)),
    done: clip(
      (-0.7 * n.heat * hot) / half + 2.3 * n.time * late - (id === 'portion' ? 2.6 * n.time * Math.log(size) : 0),
    ),
    tough: clip(-0.35 * rail('fat', 3) + (id === 'mixed' ? 1.9 * n.heat * Math.log(size) : 0)),
    salty: rail('salt', 0.15),
    soapy: a.tally.flourG > 0 ? clip((220 * a.ledger.unspentSodaG) / a.tally.flourG) : 0,
    fatty: id === 'fat' ? size : id === 'no-fat' ? -size : 0,
    binds: rail('egg', 6),
    waited: id === 'held' ? size : 0,
  };
}
const LEAST_WIDE = 0.5;

/** A batch made up. @param random a seeded source, so that one seed gives one batch */
export function madeUp(random: Draw): SeenMorning {
  const f = FORMULAS[Math.floor(random() * FORMULAS.length)] ?? FORMULAS[0];
  if (!f) throw new Error('no formulas');
  const lines = linesOf(...f.lines).map(
    (l): MadeLine => ({
      name: l.ingredient?.name ?? '',
      weighed: false,
      use: l.use,
      parts: l.parts,
      preparation: l.preparation,
    }),
  );
  const made: AsMade = {
    kind: f.kind,
    school: f.school,
    lines,
    standing: standingOf(FRESH_WAYS, kindById(f.kind)),
    restMin: null,
    heatC: null,
    heatZone: f.heatZone,
    turns: null,
    usualTurns: 16,
    heldMin: null,
    portion: 1,
  };
  const slips = SLIPS.filter(([id]) => f.kind !== 'waffle' || id !== 'early');
  let at = random() * (NONE + slips.reduce((a, [, often]) => a + often, 0));
  const drawn = slips.find(([, often]) => {
    at -= often;
    return at < 0;
  });
  const spread = (sd: number): number => randomLogNormal.source(random)(0, sd)();
  const nature = {
    gas: spread(0.1),
    leak: spread(0.35),
    thickness: spread(0.34),
    heat: spread(0.25),
    time: spread(0.25),
  };
  if (!drawn) return { made, slip: null, size: null, real: realOf(made, null, 1, nature) };
  const size = drawn[2](random);
  const line = LINE.exec(drawn[0]);
  const grams = line ? (lines[Number(line[2])]?.parts.reduce((a, p) => a + p.grams, 0) ?? 0) : 0;
  return { made, slip: drawn[0], size: line ? size * grams : size, real: realOf(made, drawn[0], size, nature) };
}

/** What shows a mark: any of these beyond 1.1 or so. */
const SHOWN: Partial<Readonly<Record<Mark, (r: Real) => number>>> = {
  flat: (r) => Math.max(-r.rise, r.thick < 0 ? -0.7 * r.thick : 0),
  pale: (r) => -r.brown,
  dark: (r) => r.brown,
  raw: (r) => Math.min(1.4, -r.done),
  gummy: (r) => -r.done,
  dry: (r) => Math.max(r.done, 0.7 * r.waited),
  tough: (r) => r.tough,
  greasy: (r) => r.fatty,
  spotted: (r) => r.fatty,
  stuck: (r) => Math.max(-r.fatty, -0.6 * r.brown),
  broke: (r) => Math.max(-0.8 * r.done, -0.6 * r.binds),
  splashed: (r) => Math.max(-0.8 * r.done, -0.6 * r.thick),
  ran: (r) => -r.thick,
  soapy: (r) => r.soapy,
  limp: (r) => Math.max(0.8 * r.waited, -0.6 * r.done),
  'soggy-stack': (r) => r.waited,
};
const OFF_SCALES: Readonly<Record<'colour' | 'crumb' | 'taste' | 'spread' | 'face', (r: Real) => number>> = {
  colour: (r) => r.brown,
  crumb: (r) => r.rise,
  taste: (r) => Math.min(0, r.salty) + Math.max(0, r.soapy),
  spread: (r) => -r.thick,
  face: (r) => r.fatty,
};
const ENDS = [-1.5, -0.65, 0.65, 1.5];
const stepOf = (x: number): number => 1 + ENDS.filter((e) => x > e).length;
/** One who looks is off by so much; so many of a hundred marks are wrong or missing. */
const LOOKS_OFF = 0.45;
const WRONG = 0.15;
/** A scale is stepped by every second cook. */
const STEPPED = 0.5;

/** What a cook marks of a batch. */
export function markedOf(m: SeenMorning, random: Draw): { readonly marks: readonly Mark[]; readonly scales: Scales } {
  const off = randomNormal.source(random)(0, LOOKS_OFF);
  const wrongly = (): boolean => random() < WRONG;
  const offered = MARKS.filter((mark) => SHOWN[mark] !== undefined && occursOn(mark, m.made.kind));
  const marks = offered.filter((mark) => (SHOWN[mark]?.(m.real) ?? 0) + off() > 1.1 && !wrongly());
  if (wrongly()) {
    const other = offered[Math.floor(randomUniform.source(random)(0, offered.length)())];
    if (other && random() < 0.5) marks.push(other);
  }
  const scales: Partial<Record<(typeof SCALES)[number], number>> = {};
  for (const [id, read] of Object.entries(OFF_SCALES))
    if (random() < STEPPED && !wrongly())
      scales[id as keyof typeof OFF_SCALES] = wrongly() ? 1 + Math.floor(5 * random()) : stepOf(read(m.real) + off());
  return { marks, scales };
}

/** The generator's own chance of what was marked, for a batch that was so: what the exact share of a slip is worked with. */
export function chanceOf(marked: { readonly marks: readonly Mark[]; readonly scales: Scales }, r: Real): number {
  const below = (x: number): number => 1 / (1 + Math.exp((-1.702 * x) / LOOKS_OFF));
  let p = 1;
  for (const mark of marked.marks) p *= (1 - WRONG) * below((SHOWN[mark]?.(r) ?? -9) - 1.1) + (WRONG * 0.5) / 16;
  for (const [id, read] of Object.entries(OFF_SCALES)) {
    const step = marked.scales[id as keyof typeof OFF_SCALES];
    if (step === undefined) continue;
    const up = (n: number): number => (n < 1 ? 0 : n > 4 ? 1 : below((ENDS[n - 1] ?? 0) - read(r)));
    p *= (1 - WRONG) * (up(step) - up(step - 1)) + WRONG / 5;
  }
  return p;
}

/** One seed, one stream of numbers. */
export const seeded = (seed: number): Draw => randomLcg(seed);
