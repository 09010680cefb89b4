/**
 * Changes of lines that carry more than one line with them: a flour of a blend, eggs taken apart, a line that differs
 * by end. Each gives the formula back, changed; none loses what the cook wrote elsewhere.
 */
import { writtenGrams } from '../card/rewrite';
import { atEnd, type EndId, type Entry, type Formula, type FormulaLine, nextKey } from '../formula/formula';
import { EGG_G, WHITE_G, YOLK_G } from '../pantry/egg-parts';
import { isFlour } from '../pantry/ingredient';
import { writeNumber } from '../quantity/number';
import { type Bench, editEntry, takeOff, withEntries, withFormula, withGrams, workedOn } from './bench';

const isFlourLine = (l: FormulaLine): boolean =>
  l.use === 'batter' && l.grams !== null && l.parts.every((p) => isFlour(p.ingredient)) && l.parts.length > 0;

/** The flours a blend is made of: two and more that count and have grams. */
export const blendOf = (lines: readonly FormulaLine[]): readonly FormulaLine[] => {
  const flours = lines.filter(isFlourLine);
  return flours.length > 1 ? flours : [];
};

/** Shares grams out over flours as they stand to each other. */
function sharedOut(flours: readonly FormulaLine[], grams: number): ReadonlyMap<string, number> {
  const sum = flours.reduce((a, l) => a + (l.grams ?? 0), 0);
  return new Map(flours.map((l) => [l.key, Math.max(0, (l.grams ?? 0) + (grams * (l.grams ?? 0)) / sum)]));
}

/**
 * A line at other grams. In a blend whose total is held the other flours make up for it; a flour asked for more than
 * the whole blend gets all that the others can give.
 */
export function setGrams(b: Bench, key: string, grams: number): Formula {
  const { lines } = workedOn(b);
  const line = lines.find((l) => l.key === key);
  if (!line?.grams || !(grams > 0) || line.drainedG > 0) return b.formula;
  const others =
    b.formula.held.blend && isFlourLine(line) ? blendOf(lines).filter((l) => l.key !== key && !l.pinned) : [];
  const spare = others.reduce((a, l) => a + (l.grams ?? 0), 0);
  const to = others.length > 0 ? Math.min(grams, line.grams + spare - 0.1 * others.length) : grams;
  const put = new Map<string, number>([[key, to], ...(others.length > 0 ? sharedOut(others, line.grams - to) : [])]);
  return withGrams(b, lines, put);
}

/**
 * A line at another percent of the flour. For a flour outside a held blend the flour total follows, so that its share
 * is what was asked; the only flour is always 100.
 * @returns null where that can't be: the only flour, or 100 % and more of a blend
 */
export function setPercent(b: Bench, key: string, percent: number): Formula | null {
  const { lines, analysis } = workedOn(b);
  const line = lines.find((l) => l.key === key);
  const flourG = analysis.tally.flourG;
  if (!line?.grams || !(flourG > 0) || !(percent > 0)) return null;
  if (!isFlourLine(line)) return setGrams(b, key, (percent * flourG) / 100);
  if (percent >= 100 || blendOf(lines).length === 0) return null;
  if (b.formula.held.blend) return setGrams(b, key, (percent * flourG) / 100);
  const others = flourG - line.grams;
  return setGrams(b, key, (percent * others) / (100 - percent));
}

/** Switches a line off or on; in a held blend the other flours take over what it held, and give it back. */
export function switchLine(b: Bench, key: string, off: boolean): Formula {
  const { lines } = workedOn(off ? b : withFormula(b, editEntry(b.formula, key, { off: undefined })));
  const line = lines.find((l) => l.key === key);
  const blend = blendOf(lines);
  const switched = editEntry(b.formula, key, { off: off || undefined });
  if (!b.formula.held.blend || !line?.grams || !blend.some((l) => l.key === key)) return switched;
  const others = blend.filter((l) => l.key !== key && !l.pinned);
  const give = off ? line.grams : -line.grams;
  const room = others.reduce((a, l) => a + (l.grams ?? 0), 0);
  if (others.length === 0 || room + give <= 1) return switched;
  return withGrams(withFormula(b, switched), lines, sharedOut(others, give));
}

/** Takes a line off for good; in a held blend the other flours take over what it held. */
export function removeLine(b: Bench, key: string): Formula {
  return takeOff(switchLine(b, key, true), key);
}

/** "3 eggs, separated" as two lines: the yolks where they stand, the whites to be folded in. Null for anything else. */
export function takeApart(b: Bench, key: string): Formula | null {
  const line = workedOn(b).lines.find((l) => l.key === key);
  const entry = b.formula.entries.find((e) => e.key === key);
  const [part] = line?.parts ?? [];
  if (!line || !entry || !part || line.parts.length !== 1 || line.use !== 'batter') return null;
  if (part.ingredient.category !== 'egg' || part.ingredient.id === 'egg-yolk' || part.ingredient.id === 'egg-white')
    return null;
  const [amount] = line.amounts;
  const counted = amount && amount.unit === null && !amount.high && line.written.length === 1;
  const share = part.grams / EGG_G;
  const [yolks, whites] = counted
    ? [`${writeNumber(amount.low)} egg yolk`, `${writeNumber(amount.low)} egg white`]
    : [`${writtenGrams(YOLK_G * share)} egg yolk`, `${writtenGrams(WHITE_G * share)} egg white`];
  const many = counted && amount.low.valueOf() > 1 ? 's' : '';
  const peaks = line.foam ?? 'soft';
  const { vessel: _v, stands: _s, ingredientId: _i, ...rest } = entry;
  const white: Entry = {
    ...rest,
    key: nextKey(b.formula.entries),
    text: `${whites}${many}, whipped to ${peaks} peaks`,
  };
  return withEntries(
    b.formula,
    b.formula.entries.flatMap((e) => (e.key === key ? [{ ...rest, text: `${yolks}${many}` }, white] : [e])),
  );
}

/** A line that says several things ("1 tsp each") as so many lines. @param rows each as it would stand alone */
export function asRows(f: Formula, key: string, rows: readonly string[]): Formula {
  const at = f.entries.findIndex((e) => e.key === key);
  const entry = f.entries[at];
  const [first, ...more] = rows;
  if (!entry || first === undefined) return f;
  const { ingredientId: _, stands: __, ...kept } = entry;
  /** A row that says its own use stands in no bowl that was chosen for the line. */
  const row = (text: string): Omit<Entry, 'key'> => {
    const { key: _key, vessel, ...others } = kept;
    return { ...others, text, ...(vessel && !/ for the pan$/.test(text) && { vessel }) };
  };
  return more.reduce<Formula>(
    (g, text, n) => {
      const made: Entry = { ...row(text), key: nextKey(g.entries) };
      return withEntries(g, [...g.entries.slice(0, at + n + 1), made, ...g.entries.slice(at + n + 1)]);
    },
    withEntries(
      f,
      f.entries.map((e) => (e.key === key ? { ...row(first), key } : e)),
    ),
  );
}

/** The formula with every line that can be parted, parted: so that a part can be changed without the others. */
export const allApart = (f: Formula, lines: readonly FormulaLine[]): Formula =>
  lines
    .filter((l) => l.use === 'batter' && l.parts.length > 1 && l.rows.length > 1 && !l.pinned)
    .reduce((g, l) => asRows(g, l.key, l.rows), f);

/** Makes a shared line differ by end: one line in each, to be changed apart. */
export function differByEnd(f: Formula, key: string): Formula {
  const entry = f.entries.find((e) => e.key === key);
  if (!f.ends || !entry || entry.end) return f;
  const twin: Entry = { ...entry, key: nextKey(f.entries), end: 'b' };
  return withEntries(
    f,
    f.entries.flatMap((e) => (e.key === key ? [{ ...e, end: 'a' as const }, twin] : [e])),
  );
}

/** Puts a line into one end, or into the base that both share. */
export const toEnd = (f: Formula, key: string, end: EndId | null): Formula =>
  editEntry(f, key, { end: end ?? undefined });

/** Forks a formula, or joins it again: the lines of the end that is not kept are taken off. */
export function fork(f: Formula, names: readonly [string, string], schools: readonly [string, string]): Formula {
  return {
    ...f,
    ends: [
      { id: 'a', name: names[0], school: schools[0] },
      { id: 'b', name: names[1], school: schools[1] },
    ],
  };
}

export function joinEnds(f: Formula, keep: EndId): Formula {
  const { kind, school, portionMl } = atEnd(f, keep);
  const entries = f.entries.filter((e) => e.end === undefined || e.end === keep).map(({ end: _, ...e }) => e);
  return { ...f, kind, school, portionMl, ends: null, entries };
}

/** Moves a line before another of the list, or to the end of a vessel. */
export function moveLine(
  f: Formula,
  key: string,
  to: { readonly vessel: NonNullable<Entry['vessel']>; readonly before: string | null },
): Formula {
  const entry = f.entries.find((e) => e.key === key);
  if (!entry || to.before === key) return f;
  const rest = f.entries.filter((e) => e.key !== key);
  const at = to.before === null ? rest.length : rest.findIndex((e) => e.key === to.before);
  const { group, ...own } = entry;
  // out of its place beside the batter it is no part of that sauce any more
  const leaves = group !== undefined && to.vessel !== (group.role === 'pan' ? 'pan' : 'topping');
  const moved: Entry = { ...own, ...(group && !leaves && { group }), vessel: to.vessel };
  return withEntries(f, [...rest.slice(0, at < 0 ? rest.length : at), moved, ...rest.slice(at < 0 ? rest.length : at)]);
}
