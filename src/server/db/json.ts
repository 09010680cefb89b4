/**
 * The one way to read what stands in a JSON column. A value is read field by field and item by item: what can't be read
 * is left out and told, its neighbours stay, and nothing of it is ever written back from here. The raw value stays
 * where it is.
 */
import type { z } from 'zod';
import type { Unreadable } from '@/core/records/unreadable';

export interface Stored<T> {
  readonly value: T;
  readonly unreadable: readonly Unreadable[];
}

/** A stored column: its schema beside its writer, its older shapes, and what stands in where nothing can be read. */
export interface JsonColumn<T> {
  /** "kitchen.house": table and column. */
  readonly at: string;
  /** As a cook calls it. */
  readonly called: string;
  readonly schema: z.ZodType<T>;
  /** Brings an older shape to today's, before it is read. What it does not know it leaves alone. */
  readonly upgrade?: (raw: unknown) => unknown;
  readonly fresh: T;
}

type Fault = { readonly path: readonly (string | number)[]; readonly why: string };
type Tried = { readonly ok: true; readonly value: unknown } | { readonly ok: false };

// what a schema is made of, as Zod itself says it
interface Def {
  readonly type: string;
  readonly shape?: Readonly<Record<string, z.ZodType>>;
  readonly element?: z.ZodType;
  readonly valueType?: z.ZodType;
  readonly innerType?: z.ZodType;
  readonly left?: z.ZodType;
  /** Of what is brought to today's shape first: how, and what it is then. */
  readonly in?: z.ZodType;
  readonly out?: z.ZodType;
  readonly transform?: (raw: unknown) => unknown;
  readonly options?: readonly z.ZodType[];
  readonly discriminator?: string;
}
const defOf = (s: z.ZodType): Def => (s as unknown as { def: Def }).def;
const isBag = (v: unknown): v is Readonly<Record<string, unknown>> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/** Reads as much as can be read. */
function salvage(
  schema: z.ZodType,
  raw: unknown,
  fresh: unknown,
  path: readonly (string | number)[],
  faults: Fault[],
): Tried {
  const whole = schema.safeParse(raw);
  if (whole.success) return { ok: true, value: whole.data };
  const def = defOf(schema);
  const why = whole.error.issues[0]?.message ?? 'it has another shape';
  if (def.type === 'optional' || def.type === 'nullable' || def.type === 'default') {
    const mine: Fault[] = [];
    const inner = def.innerType ? salvage(def.innerType, raw, fresh, path, mine) : { ok: false as const };
    faults.push(...mine);
    if (inner.ok) return inner;
    const stand = schema.safeParse(def.type === 'nullable' ? null : undefined);
    return stand.success ? { ok: true, value: fresh ?? stand.data } : { ok: false };
  }
  if (def.type === 'pipe' && def.in && def.out) {
    const upgraded = defOf(def.in).transform?.(raw) ?? raw;
    return salvage(def.out, upgraded, fresh, path, faults);
  }
  if (def.type === 'object' && def.shape && isBag(raw)) {
    const out: Record<string, unknown> = {};
    const freshFields = isBag(fresh) ? fresh : {};
    for (const [k, s] of Object.entries(def.shape)) {
      const t = salvage(s, raw[k], freshFields[k], [...path, k], faults);
      if (t.ok) {
        if (t.value !== undefined) out[k] = t.value;
      } else if (freshFields[k] !== undefined) out[k] = freshFields[k];
      else return { ok: false };
    }
    return { ok: true, value: out };
  }
  if (def.type === 'array' && def.element && Array.isArray(raw)) {
    const { element } = def;
    const kept = raw.flatMap((v: unknown, n): unknown[] => {
      const t = salvage(element, v, undefined, [...path, n], faults);
      return t.ok ? [t.value] : [];
    });
    return { ok: true, value: kept };
  }
  if (def.type === 'record' && def.valueType && isBag(raw)) {
    const { valueType } = def;
    const kept = Object.entries(raw).flatMap(([k, v]): [string, unknown][] => {
      const t = salvage(valueType, v, undefined, [...path, k], faults);
      return t.ok ? [[k, t.value]] : [];
    });
    return { ok: true, value: Object.fromEntries(kept) };
  }
  faults.push({ path, why });
  return { ok: false };
}

const said = (path: Fault['path']): string =>
  path.map((p) => (typeof p === 'number' ? `number ${p + 1}` : p)).join(', ');

/**
 * @param id which row, where its name does not say it
 * @returns what can be read, with what stands in for the rest; never throws
 */
export function readStored<T>(column: JsonColumn<T>, raw: unknown, id = ''): Stored<T> {
  const faults: Fault[] = [];
  const place = id === '' ? column.at : `${column.at} ${id}`;
  let upgraded = raw;
  try {
    upgraded = column.upgrade ? column.upgrade(raw) : raw;
  } catch (e) {
    faults.push({ path: [], why: e instanceof Error ? e.message : 'its older shape is unknown' });
  }
  const tried = salvage(column.schema, upgraded, column.fresh, [], faults);
  if (!tried.ok && faults.length === 0) faults.push({ path: [], why: 'it has another shape' });
  return {
    value: tried.ok ? (tried.value as T) : column.fresh,
    unreadable: faults.map((f) => ({
      what: f.path.length === 0 ? column.called : `${column.called}: ${said(f.path)}`,
      where: [place, ...f.path].join('.'),
      why: f.why,
    })),
  };
}
