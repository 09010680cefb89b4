/**
 * Two people change one row: what each changed since both saw the same is kept, and where it is the same thing both are
 * told. A row is looked at as paths to its smallest parts ("price", "moved.rest", "marks:tall", "gear:griddle-1"), so
 * that two changes meet only where they really do.
 */

/** How a field's value is parted; what is not named is one thing whole. */
export type Shape =
  | 'whole'
  /** A list of words without an order of its own: each is there or not. */
  | 'set'
  /** A list of things known by one of their fields. */
  | { readonly by: string }
  | { readonly fields: Readonly<Record<string, Shape>> }
  /** Fields by any name. */
  | 'record';

export type MergeSide = 'theirs' | 'yours';

interface Meeting {
  readonly path: string;
  readonly theirs: unknown;
  readonly yours: unknown;
}

interface Merge<T> {
  readonly value: T;
  /** Paths that only the other has changed. */
  readonly taken: readonly string[];
  /** Paths that both have changed, each to something else; in `value` they are as the other has them. */
  readonly clashes: readonly Meeting[];
}

type Leaves = Map<string, unknown>;
type Bag = Readonly<Record<string, unknown>>;

const isBag = (v: unknown): v is Bag => typeof v === 'object' && v !== null && !Array.isArray(v);
const bag = (v: unknown): Bag => (isBag(v) ? v : {});
const list = (v: unknown): readonly unknown[] => (Array.isArray(v) ? v : []);

/**
 * Text that is the same for values that are the same, whatever the order of their fields; what is not there is null.
 */
const asText = (v: unknown): string =>
  JSON.stringify(v ?? null, (_, x: unknown) =>
    isBag(x) ? Object.fromEntries(Object.entries(x).sort(([a], [b]) => (a < b ? -1 : 1))) : x,
  );
export const same = (a: unknown, b: unknown): boolean => asText(a) === asText(b);

function leavesOf(value: unknown, shape: Shape, path: string, into: Leaves): void {
  if (shape === 'whole') into.set(path, value);
  else if (shape === 'set') for (const v of list(value)) into.set(`${path}:${String(v)}`, v);
  else if (shape === 'record') for (const [k, v] of Object.entries(bag(value))) into.set(`${path}.${k}`, v);
  else if ('by' in shape) for (const v of list(value)) into.set(`${path}:${String(bag(v)[shape.by])}`, v);
  else
    for (const [k, s] of Object.entries(shape.fields))
      leavesOf(bag(value)[k], s, path === '' ? k : `${path}.${k}`, into);
}

/**
 * Things that stand in a list: in the other's order, then what is new in yours; in your order where only that was
 * changed.
 */
function listed(
  path: string,
  theirs: unknown,
  yours: unknown,
  base: unknown,
  key: (v: unknown) => string,
  leaves: Leaves,
): unknown[] {
  const at = (v: unknown): string => `${path}:${key(v)}`;
  const [t, y] = [list(theirs).map(at), list(yours).map(at)];
  const order = same(t, list(base).map(at)) ? [...y, ...t] : [...t, ...y];
  return [...new Set(order)].filter((p) => leaves.has(p)).map((p) => leaves.get(p));
}

/** A list of nothing and no list at all are two things: whoever changed it last says which. */
function orNone(found: unknown[], theirs: unknown, yours: unknown, base: unknown): unknown {
  if (found.length > 0) return found;
  const last = same(theirs, base) ? yours : theirs;
  return Array.isArray(last) ? [] : last;
}

function joined(shape: Shape, path: string, theirs: unknown, yours: unknown, base: unknown, leaves: Leaves): unknown {
  if (shape === 'whole') return leaves.get(path);
  if (shape === 'set') return orNone(listed(path, theirs, yours, base, String, leaves), theirs, yours, base);
  if (shape === 'record')
    return Object.fromEntries(
      [...leaves].filter(([p]) => p.startsWith(`${path}.`)).map(([p, v]) => [p.slice(path.length + 1), v]),
    );
  if ('by' in shape)
    return orNone(
      listed(path, theirs, yours, base, (v) => String(bag(v)[shape.by]), leaves),
      theirs,
      yours,
      base,
    );
  // nothing at all is another thing than a bag of nothing: whoever changed it says which
  if (!isBag(theirs) || !isBag(yours)) {
    if (same(theirs, base)) return yours;
    if (same(yours, base)) return theirs;
    const begins = path === '' ? '' : `${path}.`;
    if (![...leaves].some(([p, v]) => p.startsWith(begins) && v !== undefined)) return isBag(theirs) ? yours : theirs;
  }
  return Object.fromEntries(
    Object.entries(shape.fields).map(([k, s]) => [
      k,
      joined(s, path === '' ? k : `${path}.${k}`, bag(theirs)[k], bag(yours)[k], bag(base)[k], leaves),
    ]),
  );
}

/**
 * @param base as it was when yours was opened
 * @param yours as it is to be saved
 * @param theirs as it is kept now
 * @param shape how it is parted
 * @param decided which side stands where they meet, where somebody has said so
 */
export function merge<T>(
  base: T,
  yours: T,
  theirs: T,
  shape: Shape,
  decided: Readonly<Record<string, MergeSide>> = {},
): Merge<T> {
  const [b, y, t]: readonly Leaves[] = [new Map(), new Map(), new Map()];
  leavesOf(base, shape, '', b as Leaves);
  leavesOf(yours, shape, '', y as Leaves);
  leavesOf(theirs, shape, '', t as Leaves);
  const [was, mine, other] = [b as Leaves, y as Leaves, t as Leaves];
  const out: Leaves = new Map();
  const taken: string[] = [];
  const clashes: Meeting[] = [];
  const settle = (from: Leaves, path: string): void => {
    if (from.has(path)) out.set(path, from.get(path));
    else out.delete(path);
  };
  for (const path of new Set([...other.keys(), ...mine.keys(), ...was.keys()])) {
    const [w, m, o] = [was.get(path), mine.get(path), other.get(path)];
    const [iChanged, theyChanged] = [!same(w, m), !same(w, o)];
    if (iChanged && theyChanged && !same(m, o) && decided[path]) settle(decided[path] === 'yours' ? mine : other, path);
    else if (iChanged && theyChanged && !same(m, o)) {
      clashes.push({ path, theirs: o ?? null, yours: m ?? null });
      settle(other, path);
    } else if (iChanged) settle(mine, path);
    else {
      if (theyChanged) taken.push(path);
      settle(other, path);
    }
  }
  return { value: joined(shape, '', theirs, yours, base, out) as T, taken, clashes };
}
