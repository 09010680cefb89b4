/**
 * The mise: everything that has to be on the counter before a batch is begun, ingredients and tools, and what stands
 * in.
 */

import Fraction from 'fraction.js';
import { entriesOf, type MiseState } from '../batch/acts';
import type { Batch } from '../batch/batch';
import { HEAD_SHARE } from '../batch/mixes';
import { linesBehind, ONCE } from '../batch/once';
import { kindsIn } from '../batch/pourings';
import { scriptOfBatch } from '../batch/script-of';
import { goesOnScale, type SheetLine } from '../batch/sheet-line';
import { mixesIn } from '../batch/split';
import { asTaken, type MeasuredWith } from '../batch/taken';
import type { KindId } from '../formula/kinds';
import { effectOf, toolsOf, type Ways } from '../formula/ways';
import { measureName } from '../pantry/calibrate';
import type { Bowl } from '../pantry/gear';
import { type Ingredient, kitchenName } from '../pantry/ingredient';
import { asWeighed } from '../quantity/say';
import type { Verb } from '../script/act';
import { cardPanFat } from '../script/pan-fat';

export interface MiseThing {
  readonly key: string;
  readonly name: string;
  /** g in all; null for a tool. */
  readonly grams: number | null;
  /** The same as the batch takes it: "1 240 g", "2 1/4 cups"; empty for what has no amount. */
  readonly measure: string;
  /** What does instead, in words; empty: nothing does. */
  readonly instead: string;
  /** The card's lines it is on, by their keys; null for a tool. */
  readonly lineKey: string | null;
  /** What has to be known of it; mostly nothing. */
  readonly note?: string | undefined;
}

export interface Mise {
  readonly ingredients: readonly MiseThing[];
  readonly tools: readonly MiseThing[];
}

/** One thing that can stand in, as it is offered for a line in one batch alone. */
export interface StandInOffer {
  readonly to: string;
  readonly with: string | null;
  readonly name: string;
  readonly amount: string;
  readonly says: string;
  readonly caution: string;
}

/** What of a batch its tools hang on. */
interface Doing {
  readonly kind: KindId;
  readonly mixes: number;
  /** Something goes on the scale; is taken with cups; with spoons; is sifted; is melted. */
  readonly weighs: boolean;
  readonly cups: readonly string[];
  readonly spoons: boolean;
  readonly sifts: boolean;
  readonly melts: boolean;
  /** Whites are whipped apart. */
  readonly whips: boolean;
  /** Dry and wet are apart until they meet. */
  readonly dry: boolean;
  readonly wet: boolean;
  /** The wet goes into the dry bowl, or the dry over the wet. */
  readonly meetsIn: 'dry' | 'wet' | 'blender';
  /**
   * What the bowl in which they meet has to hold full, mL, and the house's own that does; null where it is not known.
   */
  readonly holdsMl: number | null;
  readonly bowl: Bowl | null;
  /** What a portion is poured with, and the house's own that holds one. */
  readonly pours: string;
}

interface ToolRow {
  readonly id: string;
  readonly name: string | ((d: Doing) => string);
  readonly instead: string | ((d: Doing) => string);
  readonly kinds?: readonly KindId[];
  readonly when?: (d: Doing) => boolean;
  /** Only where a way of working wants it. */
  readonly ifWanted?: true;
}

const FREELY: readonly KindId[] = ['griddle', 'small', 'foam'];
const litres = (ml: number): string => `${(Math.ceil(ml / 100) / 10).toFixed(1).replace(/\.0$/, '')} l`;

/** The bowl in which all of it meets: large enough for both. */
const large = (d: Doing, what: string): string => {
  const many = d.mixes > 1 ? `${d.mixes} bowls for the ${what}` : `Bowl for the ${what}`;
  if (d.holdsMl === null) return `${many}, large enough for all of it`;
  return `${many}, ${d.bowl ? d.bowl.name.toLowerCase() : `${litres(d.holdsMl)} or larger`}: all of it is combined there`;
};

/** To add a tool is to add a row; without kinds it is for all. */
const TOOLS: readonly ToolRow[] = [
  { id: 'scale', name: 'Scale', instead: 'cups and spoons: plan it again in kitchen measures', when: (d) => d.weighs },
  {
    id: 'cups',
    name: (d) => `Measuring cups: ${d.cups.join(', ')}`,
    instead: 'a scale: plan it again in grams',
    when: (d) => d.cups.length > 0,
  },
  { id: 'spoons', name: 'Measuring spoons', instead: 'a fine scale', when: (d) => d.spoons },
  {
    id: 'dry-bowl',
    name: (d) =>
      d.meetsIn === 'dry' || (d.meetsIn !== 'blender' && !d.wet)
        ? large(d, 'dry')
        : d.mixes > 1
          ? `${d.mixes} bowls or bags for the dry`
          : 'Bowl or bag for the dry',
    instead: 'a large pot',
    when: (d) => d.dry || !d.wet,
  },
  {
    id: 'wet-bowl',
    name: (d) =>
      d.meetsIn === 'wet'
        ? large(d, 'wet')
        : d.mixes > 1
          ? `${d.mixes} tubs or jugs for the wet`
          : 'Bowl or jug for the wet',
    instead: 'any tall jug',
    when: (d) => d.wet,
  },
  { id: 'whisk', name: 'Whisk', instead: 'two forks held together' },
  { id: 'blender', name: 'Blender', instead: 'a bowl and a whisk: paste first, then the rest', ifWanted: true },
  { id: 'sieve', name: 'Sieve', instead: 'whisk a smooth paste with half of the liquid first', ifWanted: true },
  { id: 'sifter', name: 'Sieve for the dry', instead: 'whisk it through, well', when: (d) => d.sifts },
  {
    id: 'whites-bowl',
    name: 'A clean, dry bowl for the whites',
    instead: 'any bowl, wiped with vinegar',
    when: (d) => d.whips,
  },
  {
    id: 'beater',
    name: 'Clean beaters for the whites',
    instead: 'a clean whisk, and ten minutes',
    when: (d) => d.whips,
  },
  { id: 'butter-pot', name: 'Small pot for what is melted', instead: 'a ladle over the heat', when: (d) => d.melts },
  {
    id: 'ladle',
    name: (d) => d.pours,
    instead: 'a jug, or a cup of the same measure',
    kinds: [...FREELY, 'crepe', 'waffle', 'ball'],
  },
  { id: 'spatula', name: 'Thin spatula', instead: 'a bench scraper', kinds: [...FREELY, 'crepe'] },
  { id: 'griddle', name: 'Griddle or pan', instead: 'any heavy pan: fewer at a time', kinds: FREELY },
  { id: 'crepe-pan', name: 'Crepe pan', instead: 'a flat pan with a low rim', kinds: ['crepe'] },
  { id: 'iron', name: 'Waffle iron, clean', instead: '', kinds: ['waffle'] },
  { id: 'ball-pan', name: 'Ball pan and a skewer', instead: '', kinds: ['ball'] },
  { id: 'oven-pan', name: 'Oven pan, and a dry cloth for its handle', instead: 'a deep tray', kinds: ['oven'] },
  {
    id: 'thermometer',
    name: 'Thermometer',
    instead: (d) => `a drop of water on the heat${d.melts ? ', and the back of a finger beside what is melted' : ''}`,
    when: (d) => d.kind !== 'oven' || d.melts,
  },
  { id: 'cloth', name: 'Cloth or paper to wipe with', instead: '', ifWanted: true },
  { id: 'fat-dish', name: 'Dish and spoon for the fat', instead: 'a cup beside the heat', ifWanted: true },
  { id: 'brush', name: 'Brush or folded paper for the fat', instead: 'a piece of clean cloth' },
  {
    id: 'tray',
    name: 'Rack or tray to hold',
    instead: 'a warm plate, nothing stacked',
    kinds: ['griddle', 'small', 'waffle', 'crepe', 'ball'],
  },
];

/** What else is known of where a batch is made: its bowls, how it is measured, and how much batter one mix is, mL. */
export interface MiseWith {
  readonly measured: MeasuredWith;
  readonly bowls: readonly Bowl[];
  readonly mixMl: number | null;
}

const CUP = /(?:^|\s)((?:\d+ )?\d*(?:\/\d+)?) cups?\b/g;

/** The cups that measures ask for, each once: "2 1/4 cups" wants the whole and the quarter. */
function cupsIn(measures: readonly string[]): readonly string[] {
  const found = new Set<string>();
  for (const m of measures)
    for (const [, n = ''] of m.matchAll(CUP)) {
      const parts = n.trim().split(' ');
      for (const p of parts) found.add(p.includes('/') ? p : '1');
    }
  return [...found].sort((x, y) => (x === '1' ? -1 : y === '1' ? 1 : new Fraction(y).compare(new Fraction(x))));
}

/** A measure of the house's own is a portion within so much of it. */
const AS_MUCH = 0.1;

/** ": the blue ladle holds one". */
function ownPour(portionMl: number | null, { measured }: MiseWith): string {
  const own = measured.conventions.own?.measures ?? [];
  const holds = (each: number): number => (portionMl ? Math.abs(each / portionMl - 1) : Number.POSITIVE_INFINITY);
  const [best] = own
    .filter((m) => m.used && m.ingredientId === null && m.weighings.length > 0 && holds(m.each) <= AS_MUCH)
    .sort((a, b) => holds(a.each) - holds(b.each));
  return best ? `: the ${measureName(best)} holds one` : '';
}

function doingOf(
  batch: Pick<Batch, 'sheet' | 'kind' | 'split'> & Partial<Pick<Batch, 'portionMl' | 'driver' | 'making'>>,
  ways: Ways,
  find: (id: string) => Ingredient | undefined,
  w: MiseWith,
): Doing {
  const { sheet, kind } = batch;
  const measures = sheet.flatMap((l) => (l.measure === null ? [] : [l.measure]));
  const says = (what: RegExp) => sheet.some((l) => l.side === undefined && what.test(`${l.preparation} ${l.text}`));
  const holdsMl = w.mixMl === null ? null : w.mixMl / (1 - HEAD_SHARE);
  const { acts } = scriptOfBatch(batch, ways, find);
  const pours = acts.filter((a) => a.verb === 'pour');
  const does = (verb: Verb, of?: string): boolean =>
    acts.some((a) => a.verb === verb && (of === undefined || a.of === of));
  return {
    kind,
    mixes: mixesIn(batch.split),
    weighs: sheet.some(goesOnScale),
    cups: cupsIn(measures),
    spoons: sheet.some((l) => Boolean(l.spoons) || /\bt(?:b)?sp\b/.test(l.measure ?? '')),
    sifts: says(/\bsift/i),
    // what is for the plate is melted too
    melts: does('melt') || does('brown') || says(/\bmelt/i),
    whips: does('whip'),
    dry: does('whisk', 'dry'),
    wet: does('whisk', 'wet'),
    meetsIn: acts.some((a) => a.verb === 'combine' && a.vessel === 'blender')
      ? 'blender'
      : ways.joining === 'sprinkle'
        ? 'wet'
        : 'dry',
    pours: [...new Set(pours.flatMap((a) => a.tools.map((t) => `${t}${ownPour(a.portionMl, w)}`)))].join('; '),
    holdsMl,
    bowl:
      holdsMl === null
        ? null
        : ([...w.bowls].sort((x, y) => x.bowlMl - y.bowlMl).find((g) => g.bowlMl >= holdsMl - 1e-6) ?? null),
  };
}

function toolsFor(d: Doing, kinds: readonly KindId[], ways: Ways, own: readonly string[]): readonly MiseThing[] {
  const { wanted, unwanted } = toolsOf(ways, d.kind);
  const rows = TOOLS.filter(
    (t) =>
      (!t.kinds || kinds.some((k) => t.kinds?.includes(k))) &&
      (t.when?.(d) ?? true) &&
      (!t.ifWanted || wanted.has(t.id)) &&
      (!unwanted.has(t.id) || wanted.has(t.id)),
  );
  const thing = (key: string, name: string, instead: string): MiseThing => ({
    key,
    name,
    grams: null,
    measure: '',
    instead,
    lineKey: null,
  });
  return [
    ...rows.map((t) =>
      thing(
        `tool:${t.id}`,
        typeof t.name === 'string' ? t.name : t.name(d),
        typeof t.instead === 'string' ? t.instead : t.instead(d),
      ),
    ),
    ...own.map((name) => thing(`own:${name}`, name, '')),
  ];
}

/** Fat for the pan as the house has it, or as it was said at the heat, where the sheet has none of its own. */
function panFatOf(
  batch: Pick<Batch, 'sheet' | 'kind'> & Partial<Pick<Batch, 'driver'>>,
  ways: Ways,
): readonly MiseThing[] {
  if (cardPanFat(batch.sheet) !== null) return [];
  const pans = kindsIn(batch).flatMap((kind) => effectOf(ways, 'panFat', kind).pan ?? []);
  return pans
    .filter((p, n) => p.sets && pans.findIndex((x) => x.sets === p.sets) === n)
    .map((p, n) => ({
      key: n === 0 ? 'pan-fat' : `pan-fat-${n + 1}`,
      name: p.sets ?? '',
      grams: 0,
      measure: '',
      instead: '',
      lineKey: null,
      note: p.caution,
    }));
}

/** Everything a batch needs. What is in a bag of premix is not looked for one by one. */
export function miseOf(
  batch: Pick<Batch, 'sheet' | 'kind' | 'split' | 'entries'> & Partial<Pick<Batch, 'portionMl' | 'driver' | 'making'>>,
  ways: Ways,
  find: (id: string) => Ingredient | undefined,
  known: MiseWith,
): Mise {
  const rows = new Map<string, { name: string; grams: number; of: Ingredient | undefined; lines: Set<string> }>();
  const put = (key: string, name: string, grams: number, l: SheetLine, of?: Ingredient): void => {
    const row = rows.get(key) ?? { name, grams: 0, of, lines: new Set<string>() };
    row.grams += grams;
    for (const key of linesBehind(l.key)) row.lines.add(key);
    rows.set(key, row);
  };
  for (const l of batch.sheet) {
    if (l.lot) put(`lot:${l.lot}`, `Bags of lot ${l.lot}`, l.grams ?? 0, l);
    else if (l.grams === null) put(`line:${l.key}`, l.text, 0, l);
    else
      for (const p of l.parts ?? []) {
        const i = find(p.id);
        put(`of:${p.id}`, i ? kitchenName(i) : l.name, p.grams, l, i);
      }
  }
  const own = [...new Set(entriesOf(batch.entries, 'tool').map((e) => e.act.name))];
  const measureOf = (r: { readonly grams: number; readonly of: Ingredient | undefined }): string => {
    if (!(r.grams > 0)) return '';
    return r.of ? asTaken(r.of, r.grams, known.measured).measure : asWeighed(r.grams).measure;
  };
  return {
    ingredients: [
      ...[...rows].map(
        ([key, r]): MiseThing => ({
          key,
          name: r.name,
          grams: r.grams,
          measure: measureOf(r),
          instead: '',
          lineKey: [...r.lines].join(ONCE),
        }),
      ),
      ...panFatOf(batch, ways),
    ],
    tools: toolsFor(doingOf(batch, ways, find, known), kindsIn(batch), ways, own),
  };
}

/**
 * What can stand in for a thing on so many lines: what is offered for each of them. @param lineKey of one line or of
 * several together
 */
export function offersFor(
  lineKey: string,
  offers: Readonly<Record<string, readonly StandInOffer[]>>,
): readonly StandInOffer[] {
  const [first = [], ...more] = lineKey.split(ONCE).map((k) => offers[k] ?? []);
  return first.filter((o) => more.every((m) => m.some((x) => x.to === o.to && x.with === o.with)));
}

/** How each thing stands; what nobody has said anything of is not in it. */
export const miseStates = (entries: Batch['entries']): ReadonlyMap<string, MiseState> =>
  new Map(entriesOf(entries, 'mise').map((e) => [e.act.key, e.act.state] as const));
