/**
 * What ends with a plate: sauces and sides by their method, what is written to serve, the garnish, the last minutes
 * before a plate goes, and kept pieces heated again. Minutes and amounts a plate are ours, for the cook to change; what
 * is kept cold or warm keeps to the local food code.
 */
import type { Batch } from '../batch/batch';
import { type Cooked, type KeptState, keptWords, minutesSaid, reheatOf } from '../batch/kept';
import { bareName, type SheetLine } from '../batch/sheet-line';
import { mixesIn } from '../batch/split';
import type { KindId } from '../formula/kinds';
import { type Ingredient, isA } from '../pantry/ingredient';
import { capital, FRESH_UNITS, grams, type Units } from '../quantity/say';
import type { Step } from './step';

/** Kept pieces that are taken in. */
export interface KeptIn {
  readonly pieces: number;
  readonly kind: KindId;
  readonly state: KeptState;
  readonly cooked: Cooked;
}

export interface ServeAsked {
  readonly batch: Pick<Batch, 'sheet' | 'kind' | 'driver' | 'split'> & { readonly piecesPlanned?: number | null };
  readonly find: (id: string) => Ingredient | undefined;
  /** The method of each sauce or side that is taken along, by its name. */
  readonly methods?: ReadonlyMap<string, string>;
  readonly kept?: readonly KeptIn[];
  readonly units?: Pick<Units, 'weight'>;
}

interface ServeSteps {
  /** Over before the first pieces are on the heat. */
  readonly before: readonly Step[];
  /** Between the last pieces off the heat and the last plate. */
  readonly last: readonly Step[];
  /** What goes onto a plate, and how it is finished. */
  readonly plate: string;
}

const LINE_MIN = 1;
/** Making a sauce or a glaze, besides weighing it. */
const SIDE_MIN = 8;
const SOFTEN_MIN = 60;
const WARM_MIN = 4;
/** Warmed, covered and off the heat, it stays warm so long. */
const WARM_KEEPS_MIN = 20;
const STAND_MIN = 2;
/** Pieces on a plate. Ours. */
const A_PLATE: Readonly<Record<KindId, number>> = {
  griddle: 3,
  small: 8,
  foam: 2,
  ball: 7,
  crepe: 2,
  waffle: 2,
  oven: 0.25,
};

/**
 * Plates that a batch makes: its guests, or its pieces by what lies on a plate of the kind; null where nothing is
 * counted.
 */
export function platesOf(
  { driver, split, kind, piecesPlanned }: ServeAsked['batch'],
  kept: readonly Pick<KeptIn, 'pieces'>[] = [],
): number | null {
  const kits = split.by === 'kits' ? mixesIn(split) : 1;
  if (driver.by === 'guests') return driver.guests * kits;
  if (piecesPlanned === null || piecesPlanned === undefined) return null;
  return Math.max(1, Math.ceil((piecesPlanned + kept.reduce((a, k) => a + k.pieces, 0)) / A_PLATE[kind] - 1e-9));
}

const COOKED_ON_THE_HOB =
  /\b(?:fr(?:y|ied)|foaming|cook(?:ed)?|simmer(?:ed)?|boil(?:ed)?|bubbl\w*|melt(?:ed)?|sauté\w*|saute\w*|stew(?:ed)?|reduc\w*|caramel\w*|toast(?:ed)?|poach\w*|hot (?:cream|milk|water|syrup)|heat(?:ed)?|warm(?:ed)?|in (?:a|the) pan)\b/i;
const WHIPPED = /\b(?:whip(?:ped)?|creamed|beat(?:en)?|soft(?:ened)?)\b/i;
/** Made on the hob, whatever else is said of it. */
const COOKED_BY_NAME = /\b(?:caramel|compote|custard|curd|ganache)\b/i;
const FRIED = /\b(?:fr(?:y|ied)|foaming|sauté\w*|saute\w*|brown(?:ed)?|caramelis\w*|caramelize\w*)\b/i;
const STATED =
  /(\d+(?:[.,]\d+)?)(?:\s*(?:-|–|to)\s*(\d+(?:[.,]\d+)?))?\s*(minutes?|mins?|min\b|hours?|h\b)|\b(an?|half an|one|two) hour/gi;

/** Minutes that a method says, all of them together; null where it says none. */
export function minutesIn(method: string): number | null {
  let sum = 0;
  for (const m of method.matchAll(STATED)) {
    if (m[4]) sum += /half/i.test(m[4]) ? 30 : /two/i.test(m[4]) ? 120 : 60;
    else sum += Number((m[2] ?? m[1] ?? '0').replace(',', '.')) * (/^h/i.test(m[3] ?? '') ? 60 : 1);
  }
  return sum > 0 ? sum : null;
}

const first = (s: string): string => s.charAt(0).toLowerCase() + s.slice(1);
const step = (s: Partial<Step> & Pick<Step, 'id' | 'name' | 'why' | 'min' | 'slips'>): Step => ({
  who: 'helper',
  handsMin: s.min,
  ovenC: null,
  after: [],
  keepsMin: null,
  ahead: false,
  ...s,
});

const ingredientsOf = (l: SheetLine, find: ServeAsked['find']): readonly Ingredient[] =>
  (l.parts ?? []).flatMap((p) => find(p.id) ?? []);
const isButter = (i: Ingredient): boolean => isA(i, 'butter-unsalted') || isA(i, 'butter-salted');
const isSyrup = (i: Ingredient): boolean => i.category === 'syrup';
const isCold = (i: Ingredient): boolean =>
  i.category === 'dairy' || i.category === 'egg' || i.category === 'plant-milk';

/**
 * One sauce or side, by its method: what is softened before, cooked on the hob or stirred together, kept cold or warmed
 * late.
 */
function sideSteps(
  name: string,
  lines: readonly SheetLine[],
  n: number,
  method: string,
  q: ServeAsked,
): readonly Step[] {
  const id = `side${n}`;
  const things = lines.flatMap((l) => ingredientsOf(l, q.find));
  // what is done, and not what things are called: cream in a sauce is not creamed
  const words = `${method} ${lines.map((l) => l.preparation).join(' ')}`;
  // "whipped honey butter": its own name may say what is done
  const whipped =
    things.some(isButter) &&
    !COOKED_BY_NAME.test(name) &&
    (WHIPPED.test(words) || WHIPPED.test(name)) &&
    !/\bmelt|\bfoaming/i.test(words);
  const cooked = !whipped && (COOKED_ON_THE_HOB.test(method) || COOKED_BY_NAME.test(name));
  const stated = minutesIn(method);
  const own = stated ?? SIDE_MIN;
  // what stands by itself for long (drained, steeped) binds no hands
  const work = LINE_MIN * lines.length + Math.min(own, cooked && FRIED.test(method) ? own : 2 * SIDE_MIN);
  const cold = things.some(isCold) && !cooked;
  const soft: readonly Step[] = whipped
    ? [
        step({
          id: `${id}soften`,
          name: `Butter out to soften, for ${name}`,
          why: 'It takes a finger’s mark: cold it stays in lumps, melted it does not hold air.',
          who: 'child',
          min: SOFTEN_MIN,
          handsMin: 1,
          slips: 'earlier is fine in a cool room',
        }),
      ]
    : [];
  const make = step({
    id,
    name: `${cooked ? 'Cook' : 'Make'} ${name}`,
    why: method || 'Made ahead it waits for the plates; once the griddle is hot there is no hand free.',
    who: cooked ? 'cook' : 'helper',
    min: LINE_MIN * lines.length + own,
    handsMin: work,
    after: soft.map((s) => s.id),
    slips: cooked
      ? 'earlier is fine: cooled as the local food code has it, and warmed late'
      : cold
        ? 'earlier is fine in the cold, as the local food code has it'
        : 'earlier is fine, covered',
    ahead: !soft.length,
    ...(cooked && { pan: 1 }),
  });
  const warm: readonly Step[] = cooked
    ? [
        step({
          id: `${id}warm`,
          name: `Warm ${name}, stirring`,
          why: 'Cold from the bowl it cools the plate; boiled again it thickens.',
          min: WARM_MIN,
          handsMin: 1,
          after: [id],
          keepsMin: WARM_KEEPS_MIN,
          slips: 'not much earlier: held warm it thickens, and only as long as the local food code allows',
          pan: 1,
        }),
      ]
    : [];
  return [...soft, make, ...warm];
}

/** What is usual of a thing on one plate, g; null: as it is wanted. Ours. */
function aPlateG(i: Ingredient): number | null {
  if (isSyrup(i)) return 30;
  if (isButter(i)) return 10;
  if (isA(i, 'sugar-icing')) return 3;
  if (/\b(?:jam|jelly|marmalade|curd|spread)\b/i.test(i.name)) return 20;
  if (/\b(?:cream|yog[h]?urt|quark|ricotta|cr[eè]me)\b/i.test(i.name)) return 30;
  if (/\b(?:berries|berry|blueberr|raspberr|strawberr|banana|apple|peach|cherr|fruit)/i.test(i.name)) return 50;
  return null;
}

/** What goes on last: it melts, wilts or goes soft. */
const LATE =
  /\b(?:icing sugar|powdered sugar|confectioners|whipped cream|ice cream|yog[h]?urt|cr[eè]me|cream|mint|herb|chive|berries|berry|nuts?)\b/i;

interface OnPlate {
  readonly name: string;
  readonly ingredients: readonly Ingredient[];
  /** "30 g a plate, 360 g in all"; "as wanted". */
  readonly amount: string;
}

function onPlates(q: ServeAsked, plates: number | null): readonly OnPlate[] {
  const u = q.units ?? FRESH_UNITS;
  return q.batch.sheet
    .filter((l) => l.side === undefined && l.vessel === 'topping')
    .map((l): OnPlate => {
      const ingredients = ingredientsOf(l, q.find);
      const [only] = ingredients;
      const each =
        l.grams !== null && plates
          ? l.grams / plates
          : l.grams === null && ingredients.length === 1 && only
            ? aPlateG(only)
            : null;
      const all = l.grams ?? (each !== null && plates ? each * plates : null);
      const amount =
        each === null
          ? 'as wanted'
          : `${l.grams === null ? 'about ' : ''}${grams(each, u)} a plate${all === null ? '' : `, ${grams(all, u)} in all`}`;
      return { name: first(bareName(l)), ingredients, amount };
    });
}

/** @returns nothing to do where nothing goes with it */
export function serveSteps(q: ServeAsked): ServeSteps {
  const { sheet, kind } = q.batch;
  const kept = q.kept ?? [];
  const plates = platesOf(q.batch, kept);
  const sides = [...new Set(sheet.flatMap((l) => (l.side !== undefined && l.grams !== null ? [l.side] : [])))];
  const top = onPlates(q, plates);
  const before: Step[] = sides.flatMap((name, n) =>
    sideSteps(
      name,
      sheet.filter((l) => l.side === name && l.grams !== null),
      n + 1,
      q.methods?.get(name) ?? '',
      q,
    ),
  );
  const butters = top.filter((t) => t.ingredients.some(isButter));
  if (butters.length > 0)
    before.push(
      step({
        id: 'topsoft',
        name: 'Butter out to soften, to serve',
        why: 'Hard from the cold it tears the face and cools the plate.',
        who: 'child',
        min: SOFTEN_MIN,
        handsMin: 1,
        slips: 'earlier is fine in a cool room',
      }),
    );
  const garnish = sheet.filter(
    (l) => l.side === undefined && l.vessel === 'fold-in' && l.grams !== null && !/white/i.test(l.name),
  );
  const setOut = top.filter((t) => !t.ingredients.some(isSyrup));
  if (setOut.length > 0 || garnish.length > 0)
    before.push(
      step({
        id: 'topready',
        name:
          setOut.length > 0
            ? `Set out what goes on top: ${setOut.map((t) => t.name).join(', ')}`
            : `Keep a few back for the top: ${garnish.map((l) => first(bareName(l))).join(', ')}`,
        why: [
          ...setOut.map((t) => `${t.name}: ${t.amount}.`.replace(/^./, (c) => c.toUpperCase())),
          ...(garnish.length > 0
            ? [`A few of the ${garnish.map((l) => first(bareName(l))).join(' and the ')} on top tell what it is.`]
            : []),
        ].join(' '),
        who: 'child',
        min: LINE_MIN * (1 + setOut.length + (garnish.length > 0 ? 1 : 0)),
        slips: 'earlier is fine; what has to be cold stays cold',
      }),
    );
  const syrups = top.filter((t) => t.ingredients.some(isSyrup));
  if (syrups.length > 0)
    before.push(
      step({
        id: 'topwarm',
        name: `Warm the ${syrups.map((t) => t.name).join(' and the ')}`,
        why: syrups.map((t) => `${t.name}: ${t.amount}.`.replace(/^./, (c) => c.toUpperCase())).join(' '),
        min: WARM_MIN,
        handsMin: 1,
        keepsMin: WARM_KEEPS_MIN,
        slips: 'not much earlier: it cools again',
        pan: 1,
      }),
    );
  const last: Step[] = [];
  if (kind === 'oven')
    last.push(
      step({
        id: 'stand',
        name: 'Let it stand two minutes, then out of its pan',
        why: 'Its rim lets go of the pan as it sinks a little; sooner it tears.',
        who: 'cook',
        min: STAND_MIN,
        handsMin: 0,
        keepsMin: 3,
        slips: 'not longer: it goes soft in its steam',
      }),
    );
  kept.forEach((k, n) => {
    if (k.state === 'batter') return;
    const way = reheatOf(k);
    last.push(
      step({
        id: `reheat${n + 1}`,
        name: `Heat ${keptWords(k, k.pieces)} again, from ${k.state === 'frozen' ? 'the freezer' : 'the cold'}`,
        why: `${capital(way.by)}, ${minutesSaid(way.minutes)}${way.loads > 1 ? `, ${way.loads} times with at most ${way.atOnce}` : ''}: ${way.how} How hot they have to be all through is the local food code’s.`,
        min: way.allMin,
        handsMin: Math.min(way.allMin, 2 * way.loads),
        ovenC: way.ovenC,
        keepsMin: 10,
        slips: 'with the last pieces, so that all go out together',
      }),
    );
  });
  const late = [...top, ...sides.map((name) => ({ name, amount: '' }))]
    .filter((t) => LATE.test(t.name))
    .map((t) => t.name);
  const amounts = top.map((t) =>
    t.amount === 'as wanted' ? t.name : `${t.name} ${t.amount.replace(/, [^,]* in all$/, '')}`,
  );
  const plate = [
    'The roughest at the bottom; what tells the kind apart on top.',
    ...(amounts.length > 0 ? [`${amounts.join('; ')}.`.replace(/^./, (c) => c.toUpperCase())] : []),
    ...(late.length > 0 ? [`Last of all, at the table or just before: ${late.join(', ')}.`] : []),
  ].join(' ');
  return { before, last, plate };
}
