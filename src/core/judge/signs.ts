/**
 * What is seen of a batch, as evidence: how likely each mark and each step of a scale is, by how a batter and its
 * pieces really were. Models of ours with widths to start from; a mark is taken to be wrong or missed now and then, and
 * what nobody has marked says nothing.
 */
import type { Mark, ScaleId, Scales } from '../batch/came-out';

/**
 * How a batch really was, each as it is wanted at 0 and at the end of what is fine at -1 and 1: gas for its flour, how
 * thick it pours, how brown, how far set in the middle, how tough, how salty, soda left over, fat in the pan, egg that
 * binds, how long it was held.
 */
export const QUALITIES = ['lift', 'flow', 'colour', 'set', 'bite', 'salt', 'soda', 'panFat', 'egg', 'held'] as const;
export type Quality = (typeof QUALITIES)[number];
/** A number for each quality, in their order. */
export type Qualities = readonly number[];
export const AS_WANTED: Qualities = QUALITIES.map(() => 0);
export const place = (q: Quality): number => QUALITIES.indexOf(q);

/** One thing a mark shows: which quality, whether more or less of it, and how surely it is seen then. */
type Shows = readonly [quality: Quality, direction: 1 | -1, surely: number];
/** To add a mark is to add a row; marks of no quality are no evidence. */
const SHOWS: Partial<Readonly<Record<Mark, readonly Shows[]>>> = {
  flat: [
    ['lift', -1, 0.9],
    ['flow', -1, 0.4],
    ['bite', 1, 0.3],
  ],
  pale: [['colour', -1, 0.9]],
  dark: [['colour', 1, 0.9]],
  raw: [
    ['set', -1, 0.6],
    ['colour', 1, 0.4],
  ],
  gummy: [
    ['set', -1, 0.8],
    ['lift', -1, 0.3],
  ],
  dry: [
    ['set', 1, 0.8],
    ['held', 1, 0.5],
  ],
  tough: [
    ['bite', 1, 0.9],
    ['set', 1, 0.3],
  ],
  greasy: [
    ['panFat', 1, 0.8],
    ['colour', -1, 0.3],
  ],
  spotted: [['panFat', 1, 0.8]],
  stuck: [
    ['panFat', -1, 0.8],
    ['colour', -1, 0.4],
  ],
  tore: [
    ['egg', -1, 0.6],
    ['flow', -1, 0.4],
    ['set', -1, 0.3],
  ],
  broke: [
    ['set', -1, 0.6],
    ['egg', -1, 0.4],
  ],
  splashed: [
    ['set', -1, 0.6],
    ['flow', -1, 0.4],
  ],
  ran: [['flow', -1, 0.9]],
  'wont-run': [['flow', 1, 0.9]],
  soggy: [
    ['flow', 1, 0.6],
    ['colour', -1, 0.5],
  ],
  limp: [
    ['held', 1, 0.6],
    ['colour', -1, 0.5],
    ['set', -1, 0.4],
  ],
  'no-puff': [
    ['colour', -1, 0.7],
    ['egg', -1, 0.4],
    ['flow', 1, 0.4],
  ],
  'soggy-stack': [
    ['held', 1, 0.8],
    ['set', -1, 0.3],
  ],
  green: [['soda', 1, 0.7]],
  soapy: [['soda', 1, 0.9]],
};
/** Wanted, and seen where a quality is on its good side. */
const SHOWS_WELL: Partial<Readonly<Record<Mark, readonly [Quality, 1 | -1]>>> = {
  tall: ['lift', 1],
  tender: ['bite', -1],
};

/** What a scale is read off, its steps from little to much. Edge is no evidence: too much goes into it. */
const READ_OFF: Partial<Readonly<Record<ScaleId, (z: Qualities) => number>>> = {
  colour: (z) => z[place('colour')] ?? 0,
  crumb: (z) => z[place('lift')] ?? 0,
  spread: (z) => -(z[place('flow')] ?? 0),
  face: (z) => z[place('panFat')] ?? 0,
  // flat for want of salt, harsh for soda
  taste: (z) => Math.min(0, z[place('salt')] ?? 0) + Math.max(0, z[place('soda')] ?? 0),
};

/** Where a fault begins to be seen, and how wide that is for one who looks. */
const SEEN_FROM = 1.1;
const SEEN_WIDTH = 0.45;
const WELL_FROM = -0.2;
/** Ends of the steps of a scale, and how far one who looks may be off. */
const STEP_ENDS = [-1.6, -0.7, 0.7, 1.6] as const;
const STEP_WIDTH = 0.55;
/** So many of a hundred marks are wrong; what a wrong one may be. */
const WRONG = 0.15;
const WRONG_MARK = 0.06;
const WRONG_STEP = 0.2;

/** The normal curve's share below x, to three places (logistic). */
const below = (x: number): number => 1 / (1 + Math.exp(-1.702 * x));

function markShown(mark: Mark, z: Qualities): number | null {
  const well = SHOWS_WELL[mark];
  if (well) return below(((z[place(well[0])] ?? 0) * well[1] - WELL_FROM) / SEEN_WIDTH);
  const shows = SHOWS[mark];
  if (!shows) return null;
  const unseen = shows.reduce(
    (p, [q, direction, surely]) => p * (1 - surely * below((direction * (z[place(q)] ?? 0) - SEEN_FROM) / SEEN_WIDTH)),
    1,
  );
  return 1 - unseen;
}

function stepShown(step: number, at: number): number {
  const upTo = (n: number): number =>
    n < 1 ? 0 : n > STEP_ENDS.length ? 1 : below(((STEP_ENDS[n - 1] ?? 0) - at) / STEP_WIDTH);
  return upTo(step) - upTo(step - 1);
}

/** What somebody has marked of a batch. */
export interface SeenSigns {
  readonly marks: readonly Mark[];
  readonly scales: Scales;
}

/** How likely what was marked is for a batch of such qualities: a product, for comparing. 1 where nothing was. */
export function likelihood({ marks, scales }: SeenSigns, z: Qualities): number {
  let p = 1;
  for (const m of new Set(marks)) {
    const shown = markShown(m, z);
    if (shown !== null) p *= (1 - WRONG) * shown + WRONG * WRONG_MARK;
  }
  for (const [id, read] of Object.entries(READ_OFF)) {
    const step = scales[id as ScaleId];
    if (step !== undefined) p *= (1 - WRONG) * stepShown(step, read(z)) + WRONG * WRONG_STEP;
  }
  return p;
}

/** Whether anything that was marked is evidence at all. */
export const isEvidence = ({ marks, scales }: SeenSigns): boolean =>
  marks.some((m) => SHOWS[m] !== undefined || SHOWS_WELL[m] !== undefined) ||
  Object.keys(READ_OFF).some((id) => scales[id as ScaleId] !== undefined);

/** What is expected to be seen of such qualities: the chance of each mark, and the middle of each scale. For grouping. */
export const expected = (z: Qualities): readonly number[] => [
  ...(Object.keys(SHOWS) as Mark[]).map((m) => markShown(m, z) ?? 0),
  ...Object.values(READ_OFF).map((read) => Math.max(-2, Math.min(2, read(z))) / 2),
];
