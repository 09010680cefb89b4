/**
 * The steps of a batch, from what comes out of the cold to the last plate: what each takes, what it waits for, whose hands
 * it needs, and why it matters. To add a step is to add a row. Minutes; defaults of ours, for the cook to change; what
 * touches safety is the local food code's to say.
 */
import type { Batch } from '../batch/batch';
import { BETWEEN_S, onHeatS, type SideTimes } from '../batch/heat';
import type { Life } from '../batch/mixes';
import type { SheetLine } from '../batch/sheet-line';
import { mixesIn } from '../batch/split';
import { kindById } from '../formula/kinds';
import type { Ways } from '../formula/ways';
import { hasTestPiece } from '../griddle/progress';
import { type Ingredient, isA } from '../pantry/ingredient';
import { joinParts } from '../prep/join';

/** Who may do it: the cook alone, any pair of hands, or a child with a grown-up beside. */
export type Who = 'cook' | 'helper' | 'child';
export const WHO_WORDS: Readonly<Record<Who, string>> = { cook: 'cook', helper: 'cook or helper', child: 'fit for a child, a grown-up beside' };

export interface Step {
  readonly id: string;
  readonly name: string;
  readonly why: string;
  readonly who: Who;
  /** In all, and of it, from the beginning, with hands bound. */
  readonly min: number;
  readonly handsMin: number;
  /** Degrees C the oven stands at meanwhile; null: it is not needed. */
  readonly ovenC: number | null;
  /** What has to be over before. */
  readonly after: readonly string[];
  /** Longest it may stand before what follows, min; null: as long as one likes. */
  readonly keepsMin: number | null;
  /** What may slip and what may not. */
  readonly slips: string;
  /** Can be done the day before. */
  readonly ahead: boolean;
  /** On the heat: which loads, from 1. */
  readonly loads?: { readonly from: number; readonly to: number };
}

/** A step's name in the middle of a sentence; its degrees stay capital. */
export const lower = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

/** What the steps hang on. */
export interface StepsAsked {
  readonly batch: Pick<Batch, 'sheet' | 'split' | 'kind' | 'driver' | 'piecesPlanned'>;
  readonly ways: Pick<Ways, 'warmth' | 'rest' | 'check'>;
  readonly restMin: number;
  readonly life: Life;
  readonly times: SideTimes;
  /** Places on the heat at once. */
  readonly atOnce: number;
  readonly find: (id: string) => Ingredient | undefined;
}

const OUT_MIN = 60;
const MELT_MIN = 5;
const COOL_MIN = 10;
const SOFTEN_MIN = 60;
const ROAST_MIN = 40;
const ROAST_C = 180;
const LINE_MIN = 1;
const JOIN_MIN = 4;
const WHIP_MIN = 8;
/** Holding oven, and how long it and a surface take to warm. */
export const HOLD_C = 93;
const HOLD_WARM_MIN = 15;
export const BAKE_C = 225;
const HEAT_MIN = { griddle: 15, iron: 10, oven: 25 } as const;
const JUDGE_MIN = 1;
const PLATE_MIN = 2;
/** Loads past so many are shown as one step a bowl. */
const MOST_LOADS = 24;

const bare = (l: SheetLine): boolean => l.side === undefined && l.vessel !== 'topping' && l.grams !== null;
const says = (l: SheetLine, what: RegExp): boolean => what.test(`${l.preparation} ${l.text}`);

/** The steps, in the order they are usually done; empty where nothing is to be poured. */
export function stepsOf(q: StepsAsked): readonly Step[] {
  const { batch, find, times, life, restMin } = q;
  const kind = kindById(batch.kind);
  const sheet = batch.sheet.filter(bare);
  const mixes = mixesIn(batch.split);
  const ingredientsOf = (l: SheetLine): readonly Ingredient[] => (l.parts ?? []).flatMap((p) => find(p.id) ?? []);
  const has = (of: (l: SheetLine) => boolean): boolean => sheet.some(of);
  const steps: Step[] = [];
  const put = (id: string, name: string, s: Omit<Step, 'id' | 'name' | 'ovenC' | 'keepsMin' | 'ahead'> & Partial<Step>): void => {
    steps.push({ ovenC: null, keepsMin: null, ahead: false, ...s, id, name, after: s.after.filter((a) => steps.some((x) => x.id === a)) });
  };

  const cold = has((l) => ingredientsOf(l).some((i) => i.category === 'egg' || i.category === 'dairy' || i.category === 'plant-milk'));
  if (cold && q.ways.warmth === 'counter' && q.ways.rest !== 'overnight')
    put('out', 'Egg and milk out of the cold', {
      why: 'Cold batter stays raw in the middle while the face browns. No longer out than the local food code lets.',
      who: 'child',
      min: OUT_MIN,
      handsMin: 2,
      after: [],
      slips: 'may be shorter: the batter then pours thicker',
    });
  if (has((l) => says(l, /\broast|\bbaked?\b/i)))
    put('roast', 'Roast, then let it cool', {
      why: 'Water goes and sweetness stays; hot puree would set off the leavening.',
      who: 'cook',
      min: ROAST_MIN + COOL_MIN,
      handsMin: 5,
      ovenC: ROAST_C,
      after: [],
      slips: 'earlier is fine, the day before too',
      ahead: true,
    });
  if (has((l) => says(l, /\bripen/i)))
    put('ripen', 'Ripen the fruit in the oven, in its skin', {
      why: 'Soft and sweet enough to mash smooth.',
      who: 'helper',
      min: 20,
      handsMin: 2,
      ovenC: 150,
      after: [],
      slips: 'earlier is fine',
      ahead: true,
    });
  if (has((l) => says(l, /\bsoft(?:ened)?\b/i) && ingredientsOf(l).some((i) => i.category === 'fat')))
    put('soften', 'Butter out to soften', {
      why: 'It takes a finger’s mark: cold it stays in lumps, melted it does not hold air.',
      who: 'child',
      min: SOFTEN_MIN,
      handsMin: 1,
      after: [],
      slips: 'earlier is fine in a cool room',
    });
  if (has((l) => says(l, /\bmelt/i) || ingredientsOf(l).some((i) => l.vessel === 'wet' && isA(i, 'butter-unsalted')))) {
    put('melt', 'Melt the butter', {
      why: 'So that it spreads through the batter.',
      who: 'cook',
      min: MELT_MIN,
      handsMin: MELT_MIN,
      after: [],
      slips: 'earlier is fine: warm it again',
    });
    put('cool', 'Let the butter cool', {
      why: 'Above 40 °C it sets the egg in threads.',
      who: 'helper',
      min: COOL_MIN,
      handsMin: 0,
      after: ['melt'],
      keepsMin: 40,
      slips: 'not shorter; longer and it sets',
    });
  }
  if (has((l) => says(l, /\bsoak|\bsteep/i)))
    put('steep', 'Steep, covered and chilled overnight', {
      why: 'What drinks slowly has to have drunk before the batter is joined.',
      who: 'helper',
      min: 720,
      handsMin: 5,
      after: [],
      slips: 'longer is fine to the next day',
      ahead: false,
    });
  const linesIn = (...vessels: readonly SheetLine['vessel'][]): number => sheet.filter((l) => vessels.includes(l.vessel)).length;
  const dry = linesIn('dry');
  const wet = linesIn('wet', 'fold-in');
  if (dry > 0)
    put('dry', mixes > 1 ? `Weigh ${mixes} dry bags` : 'Weigh the dry', {
      why: 'Flour and leavening whisked through before anything wet.',
      who: 'helper',
      min: 1 + LINE_MIN * dry,
      handsMin: 1 + LINE_MIN * dry,
      after: [],
      slips: 'earlier is fine, the day before too: closed and dry',
      ahead: true,
    });
  if (wet > 0)
    put('wet', mixes > 1 ? `Weigh ${mixes} wet tubs` : 'Weigh the wet', {
      why: 'Whisked smooth by itself, so that it joins in few turns.',
      who: 'helper',
      min: 1 + LINE_MIN * wet,
      handsMin: 1 + LINE_MIN * wet,
      after: ['out', 'cool', 'soften', 'roast', 'ripen', 'steep'],
      keepsMin: 60,
      slips: 'the day before only covered and cold',
      ahead: true,
    });
  put('label', 'Label, close, chill the tubs', {
    why: 'What it is, when, and what it holds; the tubs in the cold at once.',
    who: 'child',
    min: 1 + mixes,
    handsMin: 1 + mixes,
    after: ['dry', 'wet'],
    slips: 'not the cold: as soon as they are filled',
    ahead: true,
  });
  if (q.ways.check === 'second')
    put('check', 'A second person looks at every pile', {
      why: 'What is forgotten or doubled shows now, and not in the bowl.',
      who: 'cook',
      min: 2 + mixes,
      handsMin: 2 + mixes,
      after: ['dry', 'wet', 'label'],
      slips: 'not past the joining',
    });

  const baked = batch.kind === 'oven';
  const surface = baked ? 'oven' : batch.kind === 'waffle' ? 'iron' : 'griddle';
  put('heat', baked ? 'Oven and pan hot' : batch.kind === 'waffle' ? 'Irons hot' : 'Heat the griddle', {
    why: baked ? 'It climbs by the first blast of heat.' : 'Level in heat, edge to edge, before the first drop: it warms while the batter rests.',
    who: 'cook',
    min: HEAT_MIN[surface],
    handsMin: 1,
    ovenC: baked ? BAKE_C : null,
    after: [],
    keepsMin: 30,
    slips: 'earlier costs heat, later costs the first load',
  });
  const cycleMin = (onHeatS(times) + BETWEEN_S) / 60;
  const wanted = batch.piecesPlanned ?? q.atOnce;
  const test = hasTestPiece(batch);
  const loads = Math.max(1, Math.ceil(wanted / Math.max(1, q.atOnce) - 1e-9));
  if (loads > 1 && !baked)
    put('hold', `Holding oven to ${HOLD_C} °C`, {
      why: 'Lit before the first pour, vented: the first plate waits for the last no longer than quality and the local food code allow.',
      who: 'cook',
      min: HOLD_WARM_MIN,
      handsMin: 1,
      ovenC: HOLD_C,
      after: ['roast', 'ripen'],
      keepsMin: null,
      slips: 'later: the first load has nowhere to go',
    });

  // bowls follow each other: joined, rested and poured in turn
  const waves = batch.split.by === 'bowls' ? Math.ceil(mixes / Math.max(1, batch.split.atOnce)) : 1;
  const inWave = (w: number): number => (batch.split.by === 'bowls' ? Math.min(batch.split.atOnce, mixes - w * batch.split.atOnce) : mixes);
  const foamed = joinParts(sheet, find).includes('whites');
  const many = loads > MOST_LOADS;
  const firstOf = (w: number): number => Math.floor((w * loads) / waves);
  const lastLoad = (): string => steps.filter((s) => s.loads).at(-1)?.id ?? '';
  for (let w = 0; w < waves; w++) {
    const tail = waves > 1 ? ` ${w + 1}` : '';
    const bowl = waves > 1 ? (inWave(w) > 1 ? `bowls, wave ${w + 1}` : `bowl ${w + 1}`) : mixes > 1 ? 'the bowls' : 'dry and wet';
    const keepsMin = life.min === null ? null : Math.max(5, life.min - restMin - (cycleMin * loads) / waves);
    put(`join${w + 1}`, `Join ${bowl}`, {
      why: kind.id === 'crepe' || kind.id === 'oven' ? 'Smooth, then left alone.' : 'Only until no dry is seen: every turn more makes it tougher.',
      who: 'cook',
      min: JOIN_MIN * inWave(w),
      handsMin: JOIN_MIN * inWave(w),
      after: ['dry', 'wet', 'check', 'label'],
      keepsMin: restMin > 0 ? 0 : keepsMin,
      slips: life.min === null ? 'may be earlier' : `not earlier: ${life.why}`,
    });
    if (restMin > 0)
      put(`rest${w + 1}`, `Rest${tail}`, {
        why: restMin >= 360 ? 'Covered and chilled; stir it again before use.' : 'Flour drinks, bubbles of stirring go; it pours thicker and tears less.',
        who: 'helper',
        min: restMin,
        handsMin: 0,
        after: [`join${w + 1}`],
        keepsMin: foamed ? 20 : keepsMin,
        slips: life.min === null ? 'longer is fine' : `longer costs lift: ${life.why}`,
      });
    if (foamed)
      put(`whip${w + 1}`, `Whip the whites, fold them in${tail}`, {
        why: 'Last of all: foam sinks from the moment it is made.',
        who: 'cook',
        min: WHIP_MIN * inWave(w),
        handsMin: WHIP_MIN * inWave(w),
        after: [`join${w + 1}`, `rest${w + 1}`],
        keepsMin: 5,
        slips: 'not earlier: foam does not wait',
      });
    const ready = [`join${w + 1}`, `rest${w + 1}`, `whip${w + 1}`];
    if (w === 0 && test)
      put('test', 'The test piece', {
        why: 'The first is for the griddle and the batter, not for the table: one change after it.',
        who: 'cook',
        min: cycleMin + JUDGE_MIN,
        handsMin: 1,
        after: [...ready, 'heat', 'hold'],
        keepsMin: 5,
        slips: 'not past the first load',
      });
    const from = firstOf(w);
    const to = firstOf(w + 1);
    for (let n = from; n < to; n += many ? to - from : 1) {
      const count = many ? to - from : 1;
      const bound = baked ? 1 : batch.kind === 'waffle' ? Math.min(2, cycleMin) : cycleMin;
      put(`load${n + 1}`, many ? `Loads ${n + 1} to ${to}` : loads === 1 ? 'The load' : `Load ${n + 1}`, {
        why: baked ? 'The door stays shut until it is puffed and brown at the rim.' : 'Oldest first: what was poured first is turned first.',
        who: 'cook',
        min: cycleMin * count,
        handsMin: many ? cycleMin * count : bound,
        ovenC: baked ? BAKE_C : null,
        after: [...ready, ...(n === 0 ? ['heat', 'hold', 'test'] : [lastLoad()])],
        keepsMin: baked ? 3 : null,
        slips: baked ? 'not the oven: it stays shut' : 'may slip, and all after it',
        loads: { from: n + 1, to: n + count },
      });
    }
  }
  put('plate', loads > 1 ? 'The last plate' : 'Plate', {
    why: 'The roughest at the bottom; what tells the kind apart on top.',
    who: 'helper',
    min: PLATE_MIN,
    handsMin: PLATE_MIN,
    after: [lastLoad()],
    slips: 'hot from the heat: within minutes',
  });
  return steps;
}

/** Steps as they stand with or without a day before: tubs are labelled only where they wait. */
export const forDays = (steps: readonly Step[], twoDays: boolean): readonly Step[] =>
  twoDays ? steps : steps.filter((s) => s.id !== 'label').map((s) => ({ ...s, after: s.after.filter((a) => a !== 'label') }));
