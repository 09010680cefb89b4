/**
 * Amounts that the last makings brought to another than is written, alike: liquid stirred in until it poured right, or
 * the same line weighed otherwise twice. Each is offered as the formula's own amount.
 */
import { entriesOf } from '../batch/acts';
import type { Batch } from '../batch/batch';
import { linesBehind } from '../batch/once';
import { bareName, bowlLines, plannedG } from '../batch/sheet-line';
import { type EntryWent, wentByEntry } from '../batch/weighed';
import type { WeighedLine } from '../formula/formula';
import { US_CUP_ML } from '../pantry/fill';
import type { Ingredient } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';
import { grams, type Units } from '../quantity/say';

type Made = Pick<Batch, 'sheet' | 'weights' | 'entries'>;
type Find = (id: string) => Ingredient | undefined;

/** A line of the formula that went in otherwise. */
export interface Brought extends WeighedLine {
  readonly name: string;
  readonly ingredient: Ingredient;
  /** Makings in a row, the newest among them, that had it so. */
  readonly times: number;
}

/** Below this share of its amount a line went in as it was written. */
const OFF = 0.02;
/** Two makings had it alike where the smaller difference is at least so much of the larger. */
const ALIKE = 0.5;

/** What is poured: a spoon of it thins. */
const isPoured = (i: Ingredient): boolean => behaviourOf(i).poured;

/** What was asked and went in, with what was stirred in after, by the entry of the formula. */
function wentIn({ sheet, weights, entries }: Made): ReadonlyMap<string, EntryWent> {
  const by = new Map(wentByEntry({ sheet, weights }, true));
  for (const { act } of entriesOf(entries, 'corrected')) {
    const bowl = bowlLines(sheet, act.mix);
    const into = bowl.find((l) => l.parts?.length === 1 && l.parts[0]?.id === act.ingredientId);
    const key = into && linesBehind(into.key)[0];
    const went = key === undefined ? undefined : by.get(key);
    const bowlG = bowl.reduce((a, l) => a + (weights[l.key] ?? plannedG(l) ?? 0), 0);
    // stirred into what was left of a bowl, it counts for as much as it was of that
    if (went && act.bowlG > 0) by.set(went.key, { ...went, wentG: went.wentG + (act.grams * bowlG) / act.bowlG });
  }
  return by;
}

const share = (w: EntryWent | undefined): number => (w && w.askedG > 0 ? w.wentG / w.askedG - 1 : 0);

/**
 * What is offered as the formula's new amounts. Liquid is offered after one making, anything else when two in a row had
 * it alike; where the newest making had it as written, it is not.
 * @param makings of the version that stands, the newest first
 */
export function broughtBy(makings: readonly Made[], find: Find): readonly Brought[] {
  const [newest, ...before] = makings.map(wentIn);
  return [...(newest ?? [])].flatMap(([key, w]): readonly Brought[] => {
    const [part, second] = w.line.parts ?? [];
    const ingredient = part && !second ? find(part.id) : undefined;
    const now = share(w);
    if (!ingredient || Math.abs(now) < OFF) return [];
    const row = [now];
    for (const b of before) {
      const s = share(b.get(key));
      const [small, large] = [Math.abs(s), Math.abs(now)].sort((x, y) => x - y);
      if (s * now <= 0 || (small ?? 0) < ALIKE * (large ?? 0)) break;
      row.push(s);
    }
    if (row.length < 2 && !(isPoured(ingredient) && now > 0)) return [];
    const mean = row.reduce((a, s) => a + s, 0) / row.length;
    return [
      { key, askedG: w.askedG, wentG: w.askedG * (1 + mean), name: bareName(w.line), ingredient, times: row.length },
    ];
  });
}

const SPOON_ML = 15;
const TIMES = ['', 'once', 'twice now', 'three times now', 'four times now'];

/** "3 spoons (45 g) more buttermilk than written, twice now". */
export function broughtInWords({ askedG, wentG, name, ingredient, times }: Brought, u: Units): string {
  const by = Math.abs(wentG - askedG);
  const spoons =
    isPoured(ingredient) && ingredient.gPerUsCup ? by / ((SPOON_ML * ingredient.gPerUsCup) / US_CUP_ML) : 0;
  const n = Math.round(spoons);
  const much = n >= 1 && n <= 8 ? `${n} ${n === 1 ? 'spoon' : 'spoons'} (${grams(by, u)})` : grams(by, u);
  return `${much} ${wentG > askedG ? 'more' : 'less'} ${name.toLowerCase()} than written, ${TIMES[times] ?? `${times} times now`}`;
}
