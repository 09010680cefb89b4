/**
 * The steps of a batch, from what comes out of the cold to the last plate: what each takes, what it waits for, whose
 * hands it needs, and why it matters. To add a step is to add a row. Minutes; defaults of ours, for the cook to change;
 * what touches safety is the local food code's to say.
 */
import { hasTestPiece } from '../batch/driver';
import type { Life } from '../batch/mixes';
import type { SheetLine } from '../batch/sheet-line';
import { mixesIn } from '../batch/split';
import { FILLING_NAMES, type KindId, type Zone } from '../formula/kinds';
import type { Ways } from '../formula/ways';
import type { Ingredient } from '../pantry/ingredient';
import type { Script, ScriptAct, Verb } from '../script/act';
import { foamWaits } from '../script/foam';
import { type HeldWords, heldBy, togetherNamed } from '../script/held';
import { BETWEEN_S, HEAT_UP_MIN, HOLD_C, HOLDS_MIN, onHeatS, PLATE_MIN, type SideTimes } from '../script/on-heat';
import { actIn, type Folding, foamed, foldingIn, foldsBefore, heatIn, holdIn, whipsBefore } from '../script/read';
import { type ServeAsked, serveSteps } from './serve';
import type { Step, Who } from './step';

/** One of what is poured from a bowl. @see Pouring */
interface OnTheHeat {
  readonly kind: KindId;
  readonly name: string | null;
  readonly pieces: number | null;
  readonly times: SideTimes;
  /** Places on the heat at once. */
  readonly atOnce: number;
  /** What it lies on, by id in the gear. */
  readonly on?: readonly string[];
}

/** What the steps hang on. */
interface StepsAsked {
  readonly batch: ServeAsked['batch'];
  readonly ways: Ways;
  readonly script: Script;
  readonly restMin: number;
  readonly life: Life;
  /** What is poured, in its order: mostly one thing. */
  readonly pourings: readonly OnTheHeat[];
  readonly find: (id: string) => Ingredient | undefined;
  /** What goes with it and what is kept. @see ServeAsked */
  readonly serve?: Pick<ServeAsked, 'methods' | 'kept' | 'units'>;
}

const LINE_MIN = 1;
const HEAT_NAMES = {
  griddle: 'Heat the griddle',
  'ball pan': 'Heat the ball pan',
  iron: 'Irons hot',
  oven: 'Oven and pan hot',
} as const;
const JUDGE_MIN = 1;
/** Loads past so many are shown as one step a bowl. */
const MOST_LOADS = 24;

const bare = (l: SheetLine): boolean => l.side === undefined && l.vessel !== 'topping' && l.grams !== null;

type HeatId = keyof typeof HEAT_NAMES;
const heatedFor = (kind: KindId): HeatId =>
  kind === 'oven' ? 'oven' : kind === 'waffle' ? 'iron' : kind === 'ball' ? 'ball pan' : 'griddle';

/** A load of one of what is poured. */
interface Load {
  readonly of: OnTheHeat;
  readonly cycleMin: number;
  /** Pieces off in all when it is over. */
  readonly off: number;
}

const middleOf = ([low, high]: Zone): number => (low + high) / 2;
const cycleOf = (p: OnTheHeat): number => (onHeatS(p.times) + BETWEEN_S) / 60;

/** Every load there is, one thing after the other. */
function loadsOfAll(pourings: readonly OnTheHeat[]): readonly Load[] {
  let before = 0;
  return pourings.flatMap((of) => {
    const places = Math.max(1, of.atOnce);
    const pieces = of.pieces ?? places;
    const count = pieces > 0 || pourings.length === 1 ? Math.max(1, Math.ceil(pieces / places - 1e-9)) : 0;
    const loads = Array.from(
      { length: count },
      (_, n): Load => ({ of, cycleMin: cycleOf(of), off: before + Math.min(pieces, (n + 1) * places) }),
    );
    before += pieces;
    return loads;
  });
}

/** What of a batch its steps hang on, worked once. */
interface Facts {
  readonly ways: StepsAsked['ways'];
  readonly life: Life;
  readonly restMin: number;
  readonly mixes: number;
  /** Lines of the dry bowl, and of the wet one. */
  readonly dry: number;
  readonly wet: number;
  /** What sentences may name of it. */
  readonly held: HeldWords;
  /** The act of the script that a step is, for one mix; undefined where the script has none. */
  readonly act: (verb: Verb, of?: string) => ScriptAct | undefined;
  /** Degrees C the oven bakes at. */
  readonly bakeC: number;
  /** What the oven is changed to once it is in; null: it stays. */
  readonly thenC: number | null;
  /** And holds at. */
  readonly holdC: number;
  readonly foamed: boolean;
  /** Whites are whipped before dry and wet meet. */
  readonly whipFirst: boolean;
  /** They go in before the batter rests. */
  readonly foldBeforeRest: boolean;
  readonly folding: Folding | null;
  /** What is seen of the fat before each pour; empty: nothing. */
  readonly panFat: string;
  readonly baked: boolean;
  readonly surface: HeatId;
  /**
   * A load of the first on the heat and the wiping after it; all loads in their order, and whether the first piece is a
   * test.
   */
  readonly cycleMin: number;
  readonly loads: readonly Load[];
  /** What the second of two is made on, where that is another thing. */
  readonly alsoOn: HeatId | null;
  readonly test: boolean;
  readonly waves: number;
  readonly inWave: (w: number) => number;
}

function factsOf({ batch, find, life, restMin, ways, script, pourings }: StepsAsked): Facts {
  const sheet = batch.sheet.filter(bare);
  const mixes = mixesIn(batch.split);
  const linesIn = (...vessels: readonly SheetLine['vessel'][]): number =>
    sheet.filter((l) => vessels.includes(l.vessel)).length;
  const { split } = batch;
  const baked = batch.kind === 'oven';
  const [surface = 'griddle', ...others] = pourings.map((p) => heatedFor(p.kind));
  const loads = loadsOfAll(pourings);
  const inOven = heatIn(
    script,
    Math.max(
      0,
      pourings.findIndex((p) => p.kind === 'oven'),
    ),
  );
  return {
    ways,
    life,
    restMin,
    mixes,
    dry: linesIn('dry'),
    wet: linesIn('wet', 'fold-in'),
    held: heldBy(sheet, find),
    act: (verb, of) => actIn(script, verb, of),
    bakeC: middleOf(inOven.zoneC),
    thenC: inOven.thenC,
    holdC: holdIn(script) ?? HOLD_C,
    foamed: foamed(script),
    whipFirst: whipsBefore(script),
    foldBeforeRest: foldsBefore(script),
    folding: foldingIn(script),
    panFat: heatIn(script).cues.pour,
    baked,
    surface,
    alsoOn: others.find((s) => s !== surface) ?? null,
    cycleMin: loads[0]?.cycleMin ?? 0,
    loads,
    test: hasTestPiece(batch.driver),
    // bowls follow each other: joined, rested and poured in turn
    waves: split.by === 'bowls' ? Math.ceil(mixes / Math.max(1, split.atOnce)) : 1,
    inWave: (w) => (split.by === 'bowls' ? Math.min(split.atOnce, mixes - w * split.atOnce) : mixes),
  };
}

/** Said once, or by the batch; and for what is done to each wave of bowls, by the wave, from 0. */
type Said<T> = T | ((f: Facts, wave: number) => T);
interface Row {
  /** A number follows it where it is a wave's. */
  readonly id: string;
  /** Left out: always. */
  readonly when?: (f: Facts, wave: number) => boolean;
  readonly name: Said<string>;
  readonly why: Said<string>;
  readonly who: Who;
  readonly min: Said<number>;
  readonly handsMin: Said<number>;
  readonly ovenC?: Said<number | null>;
  readonly after?: readonly string[];
  readonly keepsMin?: Said<number | null>;
  readonly slips: Said<string>;
  readonly ahead?: true;
}

/** A row for an act of the script: there where the act is, and as long. */
const ofAct = (verb: Verb, row: Omit<Row, 'when' | 'min' | 'handsMin'>): Row => ({
  ...row,
  when: (f) => f.act(verb) !== undefined,
  min: (f) => f.act(verb)?.minutes?.all ?? 0,
  handsMin: (f) => f.act(verb)?.minutes?.hands ?? 0,
  ovenC: (f) => f.act(verb)?.heatC?.[0] ?? null,
});
const heldMelted = (f: Facts): string => f.held.melted ?? 'fat';

/** From the cold to the hot surface, in the order they are usually done. */
const BEFORE: readonly Row[] = [
  ofAct('let warm', {
    id: 'out',
    name: (f) => `${togetherNamed(f.held.cold)} out of the cold`,
    why: 'Cold batter stays raw in the middle while the face browns. No longer out than the local food code lets.',
    who: 'child',
    slips: 'may be shorter: the batter then pours thicker',
  }),
  ofAct('roast', {
    id: 'roast',
    name: 'Roast, then let it cool',
    why: (f) => f.act('roast')?.says[0]?.why ?? '',
    who: 'cook',
    slips: 'earlier is fine, the day before too',
    ahead: true,
  }),
  ofAct('ripen', {
    id: 'ripen',
    name: 'Ripen the fruit in the oven, in its skin',
    why: (f) => f.act('ripen')?.says[0]?.why ?? '',
    who: 'helper',
    slips: 'earlier is fine',
    ahead: true,
  }),
  ofAct('soften', {
    id: 'soften',
    name: (f) => `${togetherNamed([f.held.softened ?? ''])} out to soften`,
    why: 'It takes a finger’s mark: cold it stays in lumps, melted it does not hold air.',
    who: 'child',
    slips: 'earlier is fine in a cool room',
  }),
  ...(['melt', 'brown'] as const).map((verb) =>
    ofAct(verb, {
      id: 'melt',
      name: (f) => `${verb === 'melt' ? 'Melt' : 'Brown'} the ${heldMelted(f)}`,
      why:
        verb === 'melt'
          ? 'So that it spreads through the batter.'
          : 'Until it smells of nuts; then off the heat at once.',
      who: 'cook',
      slips: 'earlier is fine: warm it again',
    }),
  ),
  ofAct('cool', {
    id: 'cool',
    name: (f) => `Let the ${heldMelted(f)} cool`,
    why: (f) =>
      f.held.egg
        ? 'Above 40 °C it sets the egg in threads.'
        : f.held.leavened
          ? 'Above 40 °C it sets off the leavening.'
          : 'Lukewarm, it goes in smoothly.',
    who: 'helper',
    after: ['melt'],
    keepsMin: (f) => f.act('cool')?.keepsMin ?? null,
    slips: 'not shorter; longer and it sets',
  }),
  ofAct('steep', {
    id: 'steep',
    name: 'Steep, covered and chilled overnight',
    why: (f) => f.act('steep')?.says[0]?.why ?? '',
    who: 'helper',
    slips: 'longer is fine to the next day',
  }),
  {
    id: 'dry',
    when: (f) => f.dry > 0,
    name: (f) => (f.mixes > 1 ? `Weigh ${f.mixes} dry bags` : 'Weigh the dry'),
    why: (f) =>
      f.held.leavened ? 'Leavening whisked through before anything wet.' : 'Whisked through before anything wet.',
    who: 'helper',
    min: (f) => 1 + LINE_MIN * f.dry,
    handsMin: (f) => 1 + LINE_MIN * f.dry,
    slips: 'earlier is fine, the day before too: closed and dry',
    ahead: true,
  },
  {
    id: 'wet',
    when: (f) => f.wet > 0,
    name: (f) => (f.mixes > 1 ? `Weigh ${f.mixes} wet tubs` : 'Weigh the wet'),
    why: 'Whisked smooth by itself, so that it combines in few turns.',
    who: 'helper',
    min: (f) => 1 + LINE_MIN * f.wet,
    handsMin: (f) => 1 + LINE_MIN * f.wet,
    after: ['out', 'cool', 'soften', 'roast', 'ripen', 'steep'],
    keepsMin: (f) => f.act('whisk', 'wet')?.keepsMin ?? null,
    slips: 'the day before only covered and cold',
    ahead: true,
  },
  {
    id: 'label',
    name: 'Label, close, chill the tubs',
    why: 'What it is, when, and what it holds; the tubs in the cold at once.',
    who: 'child',
    min: (f) => 1 + f.mixes,
    handsMin: (f) => 1 + f.mixes,
    after: ['dry', 'wet'],
    slips: 'not the cold: as soon as they are filled',
    ahead: true,
  },
  {
    id: 'check',
    when: (f) => f.ways.check === 'second',
    name: 'A second person looks at every pile',
    why: 'What is forgotten or doubled shows now, and not in the bowl.',
    who: 'cook',
    min: (f) => 2 + f.mixes,
    handsMin: (f) => 2 + f.mixes,
    after: ['dry', 'wet', 'label'],
    slips: 'not past the combining',
  },
  {
    id: 'heat',
    name: (f) => HEAT_NAMES[f.surface],
    why: (f) =>
      f.baked
        ? 'It climbs by the first blast of heat.'
        : `Level in heat, edge to edge, before the first drop${f.restMin > 0 ? ': it warms while the batter rests' : ''}.`,
    who: 'cook',
    min: (f) => HEAT_UP_MIN[f.surface],
    handsMin: 1,
    ovenC: (f) => (f.baked ? f.bakeC : null),
    keepsMin: 30,
    slips: 'earlier costs heat, later costs the first pieces',
  },
  {
    id: 'heat-also',
    when: (f) => f.alsoOn !== null,
    name: (f) => HEAT_NAMES[f.alsoOn ?? 'griddle'],
    why: 'For the second finish: hot when the first is poured out.',
    who: 'cook',
    min: (f) => HEAT_UP_MIN[f.alsoOn ?? 'griddle'],
    handsMin: 1,
    keepsMin: 30,
    slips: 'earlier costs heat, later costs its first pieces',
  },
  {
    id: 'hold',
    when: (f) => f.loads.length > 1 && !f.baked,
    name: (f) => `Holding oven to ${f.holdC} °C`,
    why: 'Lit before the first pour, its door ajar: the first plate waits for the last no longer than quality and the local food code allow.',
    who: 'cook',
    min: HEAT_UP_MIN['low oven'],
    handsMin: 1,
    ovenC: (f) => f.holdC,
    after: ['roast', 'ripen'],
    slips: 'later: the first pieces have nowhere to go',
  },
];

/** How long a joined bowl of a wave may stand: less the rest, and what pouring it takes. */
const pouringMin = (f: Facts): number => f.loads.reduce((a, l) => a + l.cycleMin, 0) / f.waves;
const keepsIn = (f: Facts): number | null =>
  f.life.min === null ? null : Math.max(5, f.life.min - f.restMin - pouringMin(f));
const tail = (f: Facts, w: number): string => (f.waves > 1 ? ` ${w + 1}` : '');
const bowlsIn = (f: Facts, w: number): string => {
  if (f.waves > 1) return f.inWave(w) > 1 ? `bowls, wave ${w + 1}` : `bowl ${w + 1}`;
  return f.mixes > 1 ? 'the bowls' : 'dry and wet';
};

/** Minutes of an act for all bowls of a wave. */
const minutesIn = (f: Facts, w: number, verb: Verb): number => (f.act(verb)?.minutes?.all ?? 0) * f.inWave(w);

/** The whites go in, before the rest or after it. */
const FOLD: Row = {
  id: 'whip',
  name: (f, w) => `${f.whipFirst ? 'Fold the whites in' : 'Whip the whites, fold them in'}${tail(f, w)}`,
  why: (f) => `${f.folding?.steps.join(' ') ?? ''} Foam sinks from the moment it is made.`,
  who: 'cook',
  min: (f, w) => minutesIn(f, w, 'whip'),
  handsMin: (f, w) => minutesIn(f, w, 'whip'),
  keepsMin: (f) => Math.max(0, foamWaits(0, pouringMin(f))),
  slips: 'not earlier: foam does not wait',
};

/** Of each wave of bowls; `join`, `rest` and `whip` in `after` are the wave's own. */
const IN_A_WAVE: readonly Row[] = [
  {
    id: 'whites',
    when: (f) => f.foamed && f.whipFirst,
    name: (f, w) => `Whip the whites, into the cold${tail(f, w)}`,
    why: 'With clean beaters, before they have touched any fat; they wait for the rest of it.',
    who: 'cook',
    min: (f, w) => minutesIn(f, w, 'whip'),
    handsMin: (f, w) => minutesIn(f, w, 'whip'),
    after: ['dry', 'wet'],
    slips: 'not much earlier: foam sinks as it waits',
  },
  {
    id: 'join',
    name: (f, w) => `Combine ${bowlsIn(f, w)}`,
    why: (f) => `${f.act('combine')?.says[0]?.do ?? ''} Mix ${f.act('combine')?.until ?? ''}.`,
    who: 'cook',
    min: (f, w) => minutesIn(f, w, 'combine'),
    handsMin: (f, w) => minutesIn(f, w, 'combine'),
    after: ['dry', 'wet', 'check', 'label', 'whites'],
    keepsMin: (f) => (f.restMin > 0 ? 0 : keepsIn(f)),
    slips: (f) => (f.life.min === null ? 'may be earlier' : `not earlier: ${f.life.why}`),
  },
  {
    ...FOLD,
    when: (f) => f.foamed && f.foldBeforeRest,
    after: ['join'],
    keepsMin: null,
  },
  {
    id: 'rest',
    when: (f) => f.restMin > 0,
    name: (f, w) => `Rest${tail(f, w)}`,
    why: (f) =>
      f.restMin >= 360
        ? 'Covered and chilled; stir it again before use.'
        : 'Flour drinks, bubbles of stirring go; it pours thicker and tears less.',
    who: 'helper',
    min: (f) => f.restMin,
    handsMin: 0,
    after: ['join', 'whip'],
    // foam that went in before it has stood all the while
    keepsMin: (f) => (f.foamed && f.foldBeforeRest ? foamWaits(f.restMin, pouringMin(f)) : f.foamed ? 20 : keepsIn(f)),
    slips: (f) => (f.life.min === null ? 'longer is fine' : `longer costs rise: ${f.life.why}`),
  },
  {
    ...FOLD,
    when: (f) => f.foamed && !f.foldBeforeRest,
    after: ['join', 'rest'],
  },
];

const OF_A_WAVE = new Set(IN_A_WAVE.map((r) => r.id));

const TEST: Row = {
  id: 'test',
  when: (f) => f.test,
  name: 'The test piece',
  why: 'The first is for the griddle and the batter, not for the table: one change after it.',
  who: 'cook',
  min: (f) => f.cycleMin + JUDGE_MIN,
  handsMin: 1,
  after: ['join', 'rest', 'whip', 'heat', 'hold'],
  keepsMin: 5,
  slips: 'not past the first pieces',
};

const PLATE: Row = {
  id: 'plate',
  name: (f) => (f.loads.length > 1 ? 'The last plate' : 'Plate'),
  why: '',
  who: 'helper',
  min: PLATE_MIN,
  handsMin: PLATE_MIN,
  slips: 'hot from the heat: within minutes',
};

const said = <T extends string | number | null>(x: Said<T>, f: Facts, wave: number): T =>
  typeof x === 'function' ? x(f, wave) : x;

/** A row as a step of a batch. @param ids of the steps before it: what is not among them is waited for by nobody */
function stepOf(r: Row, f: Facts, wave: number, ids: ReadonlySet<string>): Step {
  const own = (id: string): string => (OF_A_WAVE.has(id) ? `${id}${wave + 1}` : id);
  return {
    id: own(r.id),
    name: said(r.name, f, wave),
    why: said(r.why, f, wave),
    who: r.who,
    min: said(r.min, f, wave),
    handsMin: said(r.handsMin, f, wave),
    ovenC: said(r.ovenC ?? null, f, wave),
    after: (r.after ?? []).map(own).filter((a) => ids.has(a)),
    keepsMin: said(r.keepsMin ?? null, f, wave),
    slips: said(r.slips, f, wave),
    ahead: r.ahead ?? false,
  };
}

/** "Griddleful 3", "Pans 4 to 9, savoury". */
function loadName({ of }: Load, n: number, count: number, all: number): string {
  const filling = FILLING_NAMES[of.kind].replace(/^./, (c) => c.toUpperCase());
  const name =
    count > 1
      ? `${filling}s ${n + 1} to ${n + count}`
      : all === 1
        ? `One ${FILLING_NAMES[of.kind]}`
        : `${filling} ${n + 1}`;
  return of.name ? `${name}, ${of.name}` : name;
}

/** The n-th load, or so many of one thing from it on, as one step. */
function loadStep(f: Facts, load: Load, n: number, count: number, after: readonly string[]): Step {
  const { cycleMin, of } = load;
  const baked = of.kind === 'oven';
  const bound = baked ? 1 : of.kind === 'waffle' ? Math.min(2, cycleMin) : cycleMin;
  return {
    id: `load${n + 1}`,
    name: loadName(load, n, count, f.loads.length),
    why: baked
      ? `The door stays shut until it is puffed and brown at the rim.${f.thenC === null ? '' : ` Once it is in, ${f.thenC} °C.`}`
      : `${f.panFat} Oldest first: what was poured first is turned first.`.trim(),
    who: 'cook',
    min: cycleMin * count,
    handsMin: count > 1 ? cycleMin * count : bound,
    ovenC: baked ? f.bakeC : null,
    after,
    keepsMin: baked ? 3 : null,
    slips: baked ? 'not the oven: it stays shut' : 'may slip, and all after it',
    ahead: false,
    ...(of.on && { on: of.on }),
    loads: { from: n + 1, to: n + count, off: f.loads[n + count - 1]?.off ?? 0, holdsMin: HOLDS_MIN[of.kind] },
  };
}

/** Loads of a wave, one step each; or all of one thing in one where there are too many to show. */
function loadsOf(f: Facts, wave: number, before: readonly Step[], served: readonly string[]): readonly Step[] {
  const all = f.loads.length;
  const firstOf = (w: number): number => Math.floor((w * all) / f.waves);
  const to = firstOf(wave + 1);
  const many = all > MOST_LOADS;
  const ids = new Set(before.map((s) => s.id));
  const ready = [`join${wave + 1}`, `rest${wave + 1}`, `whip${wave + 1}`];
  const out: Step[] = [];
  for (let n = firstOf(wave), count = 1; n < to; n += count) {
    const load = f.loads[n] as Load;
    const same = f.loads.slice(n, to).findIndex((l) => l.of !== load.of);
    count = !many ? 1 : same < 0 ? to - n : same;
    const last = [...before, ...out].filter((s) => s.loads).at(-1)?.id ?? '';
    // what the second is made on has to be hot for its first load
    const opens =
      n === 0 ? ['heat', 'hold', 'test', ...served] : [last, ...(f.loads[n - 1]?.of !== load.of ? ['heat-also'] : [])];
    const after = [...ready, ...opens].filter((a) => ids.has(a) || a === out.at(-1)?.id);
    out.push(loadStep(f, load, n, count, after));
  }
  return out;
}

const LOADED = /^load\d+$/;
/** The steps that an act of the script is, by their ids: of what is poured, the loads. */
const STEP_OF: Partial<Readonly<Record<Verb, RegExp>>> = {
  'let warm': /^out$/,
  roast: /^roast$/,
  ripen: /^ripen$/,
  steep: /^steep$/,
  soften: /^soften$/,
  melt: /^melt$/,
  brown: /^melt$/,
  cool: /^cool$/,
  combine: /^join\d+$/,
  rest: /^rest\d+$/,
  whip: /^(?:whip|whites)\d+$/,
  fold: /^whip\d+$/,
  preheat: /^heat$/,
  'fry first': LOADED,
  grease: LOADED,
  pour: LOADED,
  'put on': LOADED,
  turn: LOADED,
  'take off': LOADED,
  bake: LOADED,
  hold: /^hold$/,
  plate: /^plate$/,
};
const stepOfAct = (a: ScriptAct): RegExp =>
  a.verb === 'whisk' ? new RegExp(`^${a.of}$`) : (STEP_OF[a.verb] ?? /^join\d+$/);

/** Steps that are of one bowl, and those that are of all; of what is poured from the bowl the first load alone. */
function ofBowl(steps: readonly Step[], bowl: number): readonly Step[] {
  const first = steps.find((s) => s.loads && s.after.includes(`join${bowl}`)) ?? steps.find((s) => s.loads);
  return steps.filter((s) => {
    if (s.loads) return s === first;
    const of = /^(?:join|rest|whip)(\d+)$/.exec(s.id)?.[1];
    return of === undefined || Number(of) === bowl;
  });
}

/**
 * Acts of the cook's own among the steps, each before what waits for it: what is done to the batter bowl by bowl, behind
 * what made the batter; the rest once for all bowls.
 */
function withOwn(steps: readonly Step[], { acts }: Script, bowls: number): readonly Step[] {
  let all = steps;
  const own = acts.filter((x) => x.verb === 'do');
  const idOf = (act: ScriptAct, bowl: number): string => `own${own.indexOf(act) + 1}${bowl > 1 ? `-${bowl}` : ''}`;
  for (const a of own) {
    const before = acts.filter((x) => x.after.includes(a.id) && x.verb !== 'do').map(stepOfAct);
    const behind = acts.filter((x) => a.after.includes(x.id));
    for (let bowl = 1; bowl <= (a.per === 'mix' ? bowls : 1); bowl++) {
      const near = ofBowl(all, bowl);
      const may = a.per === 'mix' ? near : all.filter((s) => !s.loads || near.includes(s));
      const waiting = may.filter((s) => before.some((re) => re.test(s.id)));
      const step: Step = {
        id: idOf(a, bowl),
        name: a.of.replace(/^./, (c) => c.toUpperCase()),
        why: a.words ? `The card: “${a.words}”` : 'An act of this formula’s own.',
        who: 'cook',
        min: a.minutes?.all ?? 0,
        handsMin: a.minutes?.hands ?? 0,
        ovenC: null,
        after: behind.flatMap((x) =>
          x.verb === 'do' ? [idOf(x, bowl)] : near.filter((s) => stepOfAct(x).test(s.id)).map((s) => s.id),
        ),
        keepsMin: null,
        slips: a.per === 'mix' ? 'not before the batter is made' : 'earlier is fine',
        ahead: false,
      };
      const at = Math.max(
        0,
        all.findIndex((s) => waiting.includes(s)),
      );
      all = [
        ...all.slice(0, at),
        step,
        ...all.slice(at).map((s) => (waiting.includes(s) ? { ...s, after: [...s.after, step.id] } : s)),
      ];
    }
  }
  return all;
}

/** The steps, in the order they are usually done; empty where nothing is to be poured. */
export function stepsOf(q: StepsAsked): readonly Step[] {
  const f = factsOf(q);
  const steps: Step[] = [];
  const put = (r: Row, wave = 0): void => {
    if (r.when?.(f, wave) ?? true) steps.push(stepOf(r, f, wave, new Set(steps.map((s) => s.id))));
  };
  for (const r of BEFORE) put(r);
  const serve = serveSteps({ batch: q.batch, find: q.find, ...q.serve });
  steps.push(...serve.before);
  const served = serve.before.map((s) => s.id);
  for (let w = 0; w < f.waves; w++) {
    for (const r of IN_A_WAVE) put(r, w);
    if (w === 0) put(TEST);
    steps.push(...loadsOf(f, w, steps, served));
  }
  const last = steps.filter((s) => s.loads).at(-1)?.id ?? '';
  // kept pieces are heated while the last are on the heat; what has to stand does so after it
  steps.push(...serve.last.map((s) => (s.id === 'stand' ? { ...s, after: [last] } : s)));
  put({ ...PLATE, why: serve.plate, after: [last, ...serve.last.map((s) => s.id)] });
  return withOwn(steps, q.script, f.waves);
}

/** What is done to fat first: it is kept back for the morning, and goes to the tub when the tub is combined. */
const KEPT_BACK = ['melt', 'cool', 'soften'];
const without = (s: Step, ids: readonly string[]): readonly string[] => s.after.filter((a) => !ids.includes(a));

/**
 * Steps as they stand with or without a day before: tubs are labelled only where they wait. What goes into a tub the
 * day before comes out of the cold for its weighing and no longer; fat is melted on the day, and not into a tub that
 * stands cold; and what needs something of the day is of the day itself.
 */
export function forDays(steps: readonly Step[], twoDays: boolean): readonly Step[] {
  if (!twoDays) return steps.filter((s) => s.id !== 'label').map((s) => ({ ...s, after: without(s, ['label']) }));
  const fat = steps.filter((s) => KEPT_BACK.includes(s.id)).map((s) => s.id);
  const steeps = steps.some((s) => s.id === 'steep');
  const apart = steps
    .filter((s) => s.id !== 'out')
    .map((s): Step => {
      const after = without(s, ['out']);
      if (s.id === 'steep') return { ...s, after, ahead: true };
      // what steeps overnight goes in on the day, and the tub with it
      if (s.id === 'wet')
        return {
          ...s,
          after: steeps ? after : without(s, ['out', ...fat]),
          ahead: !steeps,
          ...(fat.length > 0 && !steeps && { name: `${s.name}, all but the fat` }),
        };
      if (/^join\d+$/.test(s.id) && !steeps)
        return { ...s, after: [...after, ...fat.filter((f) => !after.includes(f))] };
      return { ...s, after };
    });
  // nothing is done the day before that needs something of the day
  for (let again = true; again; ) {
    again = false;
    for (const [n, s] of apart.entries())
      if (s.ahead && s.after.some((a) => apart.some((x) => x.id === a && !x.ahead))) {
        apart[n] = { ...s, ahead: false };
        again = true;
      }
  }
  return apart;
}
