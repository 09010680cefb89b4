/**
 * A version of a formula as it is kept: what was saved, from which version it came, and when. Nothing is overwritten.
 */
import type { Unreadable } from '../records/unreadable';
import { editsSince } from './act-edits';
import { type Formula, MOST_NAME_CHARS } from './formula';
import type { KindId, Thickness } from './kinds';

export interface Version {
  readonly versionId: string;
  readonly formulaId: string;
  readonly number: number;
  readonly basedOn: number | null;
  readonly changeNote: string;
  readonly savedAt: Date;
  /** The formula's newest version number. */
  readonly newest: number;
  readonly formula: Formula;
  /** What of it is kept and can't be read. */
  readonly unreadable?: readonly Unreadable[];
}

export interface VersionSummary {
  readonly number: number;
  readonly basedOn: number | null;
  readonly changeNote: string;
  readonly savedAt: Date;
  /** Who has signed for it, and on which device; null: nobody. */
  readonly by: string | null;
}

export interface Saved {
  readonly formulaId: string;
  readonly versionId: string;
  readonly number: number;
  /** A version somebody saved after the one this was based on; both are kept. */
  readonly passedBy: { readonly number: number /** As ISO 8601 has it. */; readonly savedAt: string } | null;
}

export interface ShelfRow {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly kind: KindId;
  readonly school: string;
  readonly mainFlour: string | null;
  readonly mainLiquid: string | null;
  readonly pour: Thickness | null;
  /** Worst finding's severity at the save; null: calm. */
  readonly worst: string | null;
  readonly lastVerdict: 'best' | 'good' | 'fair' | 'poor' | null;
  /** What its last making said to change; null: nothing. */
  readonly nextTime: string | null;
  readonly savedAt: Date;
}

/** A name without what says that it is a copy. */
export const copyStem = (name: string): string => name.replace(/, copy(?: \d+)?$/, '');

/**
 * A name for a copy: "Cakes, copy", "Cakes, copy 2", never one that is there. @param taken names there are, in lower
 * case
 */
export function copyName(name: string, taken: ReadonlySet<string>): string {
  const stem = copyStem(name);
  for (let n = 1; ; n++) {
    const tail = n === 1 ? ', copy' : `, copy ${n}`;
    const tried = stem.slice(0, MOST_NAME_CHARS - tail.length) + tail;
    if (!taken.has(tried.toLowerCase())) return tried;
  }
}

/** Settings as versions before 0.7.0 kept them: findings that were dismissed stood under another name. */
function dismissedSince(kept: unknown): unknown {
  if (typeof kept !== 'object' || kept === null || !('meant' in kept) || 'dismissed' in kept) return kept;
  const { meant, ...rest } = kept;
  return { ...rest, dismissed: meant };
}

/** A formula's settings as any version kept them, in the shape of today. */
export const settingsSince = (kept: unknown): unknown => editsSince(dismissedSince(kept));
