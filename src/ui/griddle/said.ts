/** What is said aloud at the griddle: what was pressed, and the one next thing; a clock that runs says nothing. */
import type { BoardStep, Tap } from '@/core/griddle/board';
import { ACT_WORDS, DONE_WORDS } from '../shared/clock-words';

/** The one next thing, as it is shown and as it is said aloud. */
export interface Saying {
  readonly step: BoardStep;
  /** The number of the next piece that is poured. */
  readonly next: number;
  /** It is one to test with. */
  readonly test: boolean;
  /** The test piece is off, and nobody has said how it is. */
  readonly held: boolean;
  /** Of two ends from one base the one that is poured; null: there is one. */
  readonly end: string | null;
  /** Until when the bowl rests, as it is said; null: it may be poured. */
  readonly rests: string | null;
}

/** The one next thing, as it is said aloud. */
function nextSaid({ step, next, test, held, end, rests }: Saying): string {
  if (step.do === 'done') return held ? 'How is the test piece?' : 'All off the heat';
  if (step.do === 'pour')
    return rests === null
      ? `Pour ${next}${end ? `, ${end}` : ''}${test ? ', one to test with' : ''}`
      : `Rests until ${rests}; heat the griddle`;
  return step.do === 'wait' ? `Piece ${step.piece.piece} is next` : `${ACT_WORDS[step.do]} ${step.piece.piece}`;
}

const DONE: Readonly<Record<Tap['act'], string>> = { ...DONE_WORDS, join: 'Combined', wait: 'Not yet', move: 'Moved' };

/** @param last the last tap of all screens; null: there is none */
export const saidAtGriddle = (s: Saying, last: Pick<Tap, 'act' | 'piece'> | null): string =>
  [last ? `${DONE[last.act]}: ${last.act === 'join' ? 'bowl ' : ''}${last.piece}` : '', nextSaid(s)]
    .filter(Boolean)
    .join('. ');
