/**
 * What a kitchen has besides the shipped tables: ingredients of its own, and measures it has weighed or answered for. A
 * measure says what one of a unit holds: grams where it holds for one ingredient ("my cup of flour"), millilitres where
 * it is a vessel for anything ("the blue ladle"), each with the bracket it was found in.
 */
import type { Ingredient } from './ingredient';

export interface OwnMeasure {
  readonly id: string;
  /** A unit's id: `cup`, `tbsp`, `ladle`, `glass`, `splash` ... */
  readonly unit: string;
  /** Which of several of that sort: "blue", "tall"; empty for the only one. */
  readonly which: string;
  /** How full it was, as a fraction is written: "1", "2/3". A part of a ladle is a size of its own. */
  readonly full: string;
  /** The one ingredient it holds for; null: a vessel for anything. */
  readonly ingredientId: string | null;
  /** What one holds, g (of its ingredient) or mL (of anything): best and the bracket. */
  readonly each: number;
  readonly low: number;
  readonly high: number;
  /** g each weighing, as weighed; empty where the cook answered without a scale. */
  readonly weighings: readonly number[];
  /** Whether amounts follow it. */
  readonly used: boolean;
}

export interface Own {
  /** Another word whenever anything in it changes. */
  readonly stamp: string;
  readonly ingredients: readonly Ingredient[];
  readonly measures: readonly OwnMeasure[];
}

export const NOTHING_OWN: Own = { stamp: '', ingredients: [], measures: [] };

const byIds = new WeakMap<Own, ReadonlyMap<string, Ingredient>>();

export function ownIngredient(own: Own | undefined, id: string): Ingredient | undefined {
  if (!own) return undefined;
  let map = byIds.get(own);
  if (!map) {
    map = new Map(own.ingredients.map((i) => [i.id, i]));
    byIds.set(own, map);
  }
  return map.get(id);
}

interface Sought {
  readonly unit: string;
  readonly which: string;
  readonly full: string;
  readonly ingredientId: string | null;
}

/** The measure in use that is exactly what is sought. */
export const ownMeasure = (own: Own | undefined, s: Sought): OwnMeasure | undefined =>
  own?.measures.find(
    (m) => m.used && m.unit === s.unit && m.which === s.which && m.full === s.full && m.ingredientId === s.ingredientId,
  );
