/** The mise: everything that has to be on the counter before a batch is begun, ingredients and tools, and what stands in. */
import { entriesOf, type MiseState } from '../batch/acts';
import type { Batch } from '../batch/batch';
import type { SheetLine } from '../batch/sheet-line';
import { mixesIn } from '../batch/split';
import type { KindId } from '../formula/kinds';
import { effectOf, toolsOf, type Ways } from '../formula/ways';
import { type Ingredient, kitchenName } from '../pantry/ingredient';

export interface MiseThing {
  readonly key: string;
  readonly name: string;
  /** "in all 1,240 g"; empty for a tool. */
  readonly grams: number | null;
  /** What does instead, in words; empty: nothing does. */
  readonly instead: string;
  /** The line it is on, where one line alone holds it. */
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

interface ToolRow {
  readonly id: string;
  readonly name: string;
  readonly instead: string;
  readonly kinds?: readonly KindId[];
  /** Only where a way of working wants it. */
  readonly ifWanted?: true;
}

/** To add a tool is to add a row; without kinds it is for all. */
const TOOLS: readonly ToolRow[] = [
  { id: 'scale', name: 'Scale', instead: 'cups and spoons: plan it again in kitchen measures' },
  { id: 'dry-bowl', name: 'Bowl for the dry', instead: 'a pot, or a clean bag' },
  { id: 'wet-bowl', name: 'Bowl or jug for the wet', instead: 'any tall jug' },
  { id: 'whisk', name: 'Whisk', instead: 'two forks held together' },
  { id: 'blender', name: 'Blender', instead: 'a bowl and a whisk: paste first, then the rest', ifWanted: true },
  { id: 'sieve', name: 'Sieve', instead: 'whisk a smooth paste with half of the liquid first', ifWanted: true },
  { id: 'ladle', name: 'Ladle or scoop', instead: 'a cup of the same measure', kinds: ['griddle', 'small', 'foam', 'crepe', 'waffle', 'ball'] },
  { id: 'spatula', name: 'Thin spatula', instead: 'a bench scraper', kinds: ['griddle', 'small', 'foam', 'crepe'] },
  { id: 'griddle', name: 'Griddle or pan', instead: 'any heavy pan: fewer at a time', kinds: ['griddle', 'small', 'foam'] },
  { id: 'crepe-pan', name: 'Crepe pan', instead: 'a flat pan with a low rim', kinds: ['crepe'] },
  { id: 'iron', name: 'Waffle iron, clean', instead: '', kinds: ['waffle'] },
  { id: 'ball-pan', name: 'Ball pan and a skewer', instead: '', kinds: ['ball'] },
  { id: 'oven-pan', name: 'Oven pan, and a dry cloth for its handle', instead: 'a deep tray', kinds: ['oven'] },
  { id: 'whites-bowl', name: 'A clean, dry bowl for the whites', instead: 'any bowl, wiped with vinegar', ifWanted: true },
  { id: 'butter-pot', name: 'Small pot for the butter', instead: 'a ladle over the heat', ifWanted: true },
  { id: 'cloth', name: 'Cloth or paper to wipe with', instead: '', ifWanted: true },
  { id: 'fat-dish', name: 'Dish and spoon for the fat', instead: 'a cup beside the heat', ifWanted: true },
  { id: 'brush', name: 'Brush or folded paper for the fat', instead: 'a piece of clean cloth' },
  { id: 'tray', name: 'Rack or tray to hold', instead: 'a warm plate, nothing stacked', kinds: ['griddle', 'small', 'waffle', 'crepe', 'ball'] },
];

function toolsFor(kind: KindId, ways: Ways): readonly MiseThing[] {
  const { wanted, unwanted } = toolsOf(ways, kind);
  return TOOLS.filter((t) => (!t.kinds || t.kinds.includes(kind)) && (!t.ifWanted || wanted.has(t.id)) && (!unwanted.has(t.id) || wanted.has(t.id))).map(
    (t) => ({
      key: `tool:${t.id}`,
      name: t.name,
      grams: null,
      instead: t.instead,
      lineKey: null,
    }),
  );
}

/** Fat for the pan as the house has it, where the sheet has none of its own. */
function panFatOf(batch: Pick<Batch, 'sheet' | 'kind'>, ways: Ways): readonly MiseThing[] {
  if (batch.sheet.some((l) => l.vessel === 'pan')) return [];
  const { pan } = effectOf(ways, 'panFat', batch.kind);
  return pan?.sets ? [{ key: 'pan-fat', name: pan.sets, grams: 0, instead: '', lineKey: null, note: pan.caution }] : [];
}

/** Everything a batch needs. What is in a bag of premix is not looked for one by one. */
export function miseOf(batch: Pick<Batch, 'sheet' | 'kind' | 'split'>, ways: Ways, find: (id: string) => Ingredient | undefined): Mise {
  const rows = new Map<string, { name: string; grams: number; lines: Set<string> }>();
  const put = (key: string, name: string, grams: number, l: SheetLine): void => {
    const row = rows.get(key) ?? { name, grams: 0, lines: new Set<string>() };
    row.grams += grams;
    row.lines.add(l.key.replace(/m\d+$/, ''));
    rows.set(key, row);
  };
  for (const l of batch.sheet) {
    if (l.lot) put(`lot:${l.lot}`, `Bags of lot ${l.lot}`, l.grams ?? 0, l);
    else if (l.grams === null) put(`line:${l.key}`, l.text, 0, l);
    else
      for (const p of l.parts ?? []) {
        const i = find(p.id);
        put(`of:${p.id}`, i ? kitchenName(i) : l.name, p.grams, l);
      }
  }
  const mixes = mixesIn(batch.split);
  return {
    ingredients: [
      ...[...rows].map(
        ([key, r]): MiseThing => ({ key, name: r.name, grams: r.grams, instead: '', lineKey: r.lines.size === 1 ? ([...r.lines][0] ?? null) : null }),
      ),
      ...panFatOf(batch, ways),
    ],
    tools: toolsFor(batch.kind, ways).map((t) => (t.key === 'tool:dry-bowl' && mixes > 1 ? { ...t, name: `${mixes} bowls or bags for the dry` } : t)),
  };
}

/** How each thing stands; what nobody has said anything of is not in it. */
export const miseStates = (entries: Batch['entries']): ReadonlyMap<string, MiseState> =>
  new Map(entriesOf(entries, 'mise').map((e) => [e.act.key, e.act.state] as const));
