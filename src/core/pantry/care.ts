/** The care of what is baked on: its diary, and what it says. */

import type { GearSort } from './gear';

export const CARES = ['seasoned', 'cleaned', 'stripped', 'stuck'] as const;
export type Care = (typeof CARES)[number];
/** What a hand does to it; that something stuck is seen, not done. */
export const CARE_ACTS = ['seasoned', 'cleaned', 'stripped'] as const satisfies readonly Care[];
export const CARE_WORDS: Readonly<Record<Care, string>> = {
  seasoned: 'seasoned',
  cleaned: 'cleaned',
  stripped: 'stripped bare',
  stuck: 'something stuck',
};

/** What has a face that is cared for. */
export const CARED: readonly GearSort[] = ['griddle', 'pan', 'iron', 'ball-pan'];

export interface CareNote {
  readonly id: string;
  readonly gearId: string;
  readonly what: Care;
  readonly note: string;
  readonly batchId: string | null;
  readonly at: Date;
  readonly undone: boolean;
}

interface CareState {
  readonly seasoned: Date | null;
  /** Batches that stuck since it was seasoned or stripped. */
  readonly sticksSince: number;
  /** What to do about it; null: nothing. */
  readonly says: string | null;
}

/** So many times it may stick before it asks for a new face. */
const STICKS = 2;

/** @param notes of one thing, in any order; what was taken back is not counted */
export function careOf(notes: readonly CareNote[]): CareState {
  const counted = notes.filter((n) => !n.undone).sort((a, b) => a.at.getTime() - b.at.getTime());
  const last = (what: Care): Date | null => counted.findLast((n) => n.what === what)?.at ?? null;
  const [seasoned, stripped] = [last('seasoned'), last('stripped')];
  const since = Math.max(seasoned?.getTime() ?? 0, stripped?.getTime() ?? 0);
  const sticksSince = counted.filter((n) => n.what === 'stuck' && n.at.getTime() > since).length;
  const bare = stripped !== null && (seasoned === null || seasoned < stripped);
  const says = bare
    ? 'Stripped, and not seasoned since: season it before anything is poured.'
    : sticksSince >= STICKS
      ? `It stuck ${sticksSince === 2 ? 'twice' : `${sticksSince} times`}${seasoned ? ' since it was seasoned' : ''}: wipe it, oil it thin, and season it.`
      : sticksSince === 1
        ? 'It stuck once: clean it while it is warm, and see whether it does again.'
        : null;
  return { seasoned, sticksSince, says };
}
