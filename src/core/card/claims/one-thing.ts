/** A line of one amount, however often it is said: its thing, how the measure was filled, what is done to it. */
import { type NameReading, readName } from '../../pantry/lookup';
import type { Amount } from '../../quantity/amount';
import type { LineFinding } from '../parts';
import { isWord, type Token } from '../words';
import { fillOf, fullAfter, PREFILL, takeFillAfter } from './amounts';
import { listedThings, type NamedThing, readEach, readNames, severalThings } from './choices';
import { fruitPart } from './fruit';
import { isUnknown, nameOf } from './names';
import { finish, type Reader, type Span, type SplitLine, unitOf } from './reader';

/** "1 tsp each ginger and nutmeg": a line of each. @returns null where the things are not understood */
function eachOf(
  r: Reader,
  free: readonly Token[],
  amounts: readonly Amount[],
  spans: readonly Span[],
): SplitLine | null {
  const each =
    free.find((t) => /^(?:each|both|apiece)$/.test(t.norm)) ??
    (/^(?:je|jeweils)$/.test(free[0]?.norm ?? '') ? free[0] : undefined);
  const [a] = amounts;
  if (!each || !a) return null;
  each.as = 'filler';
  for (const [n, t] of free.entries())
    if (t.norm === 'of' && (free[n + 1] === each || free[n - 1] === each)) t.as = 'filler';
  const things = readEach(
    r,
    free.filter((t) => t.as === null),
  );
  const [one, ...more] = things ?? [];
  if (!one) return null;
  for (const t of free) t.as ??= 'filler';
  const measured = r.text.slice(spans[0]?.start ?? 0, spans[0]?.end ?? 0).trim();
  r.rows.push(...[one, ...more].map((x) => `${measured} ${x.said}`));
  return {
    ...finish(r),
    amounts,
    amountSpans: spans,
    name: one.name,
    said: one.said,
    extras: more.map((x) => ({ amount: a, name: x.name, said: x.said })),
  };
}

/** Known things without an amount, each of which wants a line. */
function listOf(r: Reader, open: readonly Token[]): SplitLine | null {
  const list = isUnknown(nameOf(r, open)) ? listedThings(r, open) : null;
  if (!list) return null;
  const tail = r.prep.map((x) => x.text).join(', ');
  r.rows.push(...list.map((x) => (tail ? `${x}, ${tail}` : x)));
  return {
    ...finish(r),
    said: list.join(', '),
    problem: { code: 'several-lines', message: `${list.length} things on one line: each wants a line of its own.` },
  };
}

/** "A thumb of butter": a word that no table has, behind a count, is a measure of what follows. */
const OF_A_MEASURE =
  /^\s+(?:\p{L}{3,9}\s+)?(?!(?:bit|touch|lot|few|little|hint|couple|mix|mixture|side|kind|sort|type)\b)\p{L}{3,12}\s+(?:(?:of|de|von)\s+|d[’'])(?=\p{L})/iu;
/** "A wipe of oil": how a surface is greased. */
const ON_A_SURFACE =
  /\b(?:rub|wipe|smear|coat|coating|film|scrap|brush|lick|whisper|swipe|slick|sheen|trace|inch|cm|centimetres?|centimeters?|layer|spray|skim)\b/i;
function measureOf(r: Reader, open: readonly Token[], amounts: Amount[], spans: readonly Span[]): NamedThing | null {
  const [a, span] = [amounts[0], spans[0]];
  if (!a || !span || unitOf(a) !== null || !isUnknown(nameOf(r, open))) return null;
  const measure = OF_A_MEASURE.exec(r.text.slice(span.end));
  if (!measure) return null;
  const begins = span.end + measure[0].length;
  const [own, thing] = [open.filter((t) => t.start < begins), open.filter((t) => t.start >= begins)];
  const name = thing.length === 0 ? null : nameOf(r, thing);
  if (name?.kind !== 'found' || (name.ingredient.category === 'fat' && ON_A_SURFACE.test(measure[0]))) return null;
  for (const t of own) t.as = 'amount';
  amounts[0] = { ...a, terms: a.terms.map((term) => ({ ...term, unit: 'measure' })) };
  return readNames(r, thing);
}

/** What keeps a line of one amount from being weighed; null: nothing. */
function problemOf(r: Reader, named: NamedThing, free: readonly Token[], measured: boolean): LineFinding | null {
  if (named.name.kind === 'unknown' && named.alternatives.length === 0 && measured) {
    const things = severalThings(r, free);
    if (things) return things;
  }
  return r.divided && named.name.kind === 'found' && r.use === null
    ? {
        code: 'divided',
        message: 'Divided: how much of it goes into the batter? Give each part a line of its own.',
      }
    : null;
}

/** "1/2 cube yeast": pressed yeast alone is sold so. */
function yeastByTheCube(r: Reader, { name }: NamedThing, [a]: readonly Amount[]): NameReading | null {
  const isCube = a !== undefined && unitOf(a) === 'cube-42g';
  return isCube && name.kind === 'found' ? readName(['fresh', 'yeast'], r.asking.house) : null;
}

export function single(r: Reader, from: number, to: number, amounts: Amount[], spans: Span[]): SplitLine {
  const [span] = spans;
  // right behind the amount, or right before the thing
  const filled = span ? PREFILL.exec(r.text.slice(span.end).replace(/^\s*(?:of\s+)?/, ' ')) : null;
  if (filled) r.fill = fillOf(filled[1], filled[2] ?? '');
  const free = r.free(from, to).filter(isWord);
  const each = eachOf(r, free, amounts, spans);
  if (each) return each;
  const open = fullAfter(
    free.filter((t) => t.as === null),
    amounts,
  );
  const list = amounts.length === 0 ? listOf(r, open) : null;
  if (list) return list;
  const named = measureOf(r, open, amounts, spans) ?? readNames(r, open);
  const out = { ...finish(r), amounts, amountSpans: spans, ...named };
  takeFillAfter(r);
  const meant = fruitPart(r, named) ?? yeastByTheCube(r, named, amounts);
  const problem = problemOf(r, named, free, amounts.length > 0);
  return {
    ...out,
    fill: r.fill,
    ...(meant && { name: meant, said: named.said }),
    ...(problem && { problem }),
  };
}
