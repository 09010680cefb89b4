/** A formula as a batch of it was weighed: what went in, in place of what was written or proposed. */
import type { WeighedLine } from '../formula/formula';
import { kitchenName } from '../pantry/ingredient';
import { grams, type Units } from '../quantity/say';
import { type Bench, editEntry, type Proposal, withGrams, workedOn } from './bench';

/** Nearer than this share an amount is as it was asked for. */
const SAME = 0.005;

/**
 * @param batch the batch by its name
 * @returns null where all of it went in as it was asked for, and nothing was proposed
 */
export function amountsWeighed(b: Bench, went: readonly WeighedLine[], batch: string, units: Units): Proposal | null {
  const { lines } = workedOn(b);
  const put = new Map<string, number>();
  const kept: string[] = [];
  const said: string[] = [];
  for (const l of lines) {
    const w = went.find((x) => x.key === l.key);
    if (!w || l.grams === null || !(w.askedG > 0) || !(w.wentG > 0)) continue;
    const to = (l.grams * w.wentG) / w.askedG;
    const moved = Math.abs(w.wentG - w.askedG) > SAME * w.askedG && l.drainedG === 0;
    if (moved) {
      put.set(l.key, to);
      said.push(`${l.ingredient ? kitchenName(l.ingredient).toLowerCase() : l.text} ${grams(to, units)}`);
    }
    if (l.proposed) kept.push(l.key);
  }
  if (put.size === 0 && kept.length === 0) return null;
  const formula = kept.reduce((f, key) => editEntry(f, key, { proposed: undefined }), withGrams(b, lines, put));
  return {
    title: `As weighed in ${batch}`,
    why:
      said.length > 0
        ? `${said.join(', ')}: as it went in, for what this formula makes.`
        : 'All that was proposed went in as it was proposed.',
    formula,
    short: null,
  };
}
