/** Dry meets wet: what has to be ready, in which order it is done, and how far each kind is mixed. Defaults of ours. */

import { type KindId, kindById } from '../formula/kinds';
import { choiceFor } from '../formula/schools';
import { effectOf, standingOf, type Ways } from '../formula/ways';
import type { Ingredient } from '../pantry/ingredient';
import { capital } from '../quantity/say';
import type { HowFar, JoinPart } from './act';
import type { HeldLine } from './held';

/** Whether a line is of whites that are whipped apart: whites to be folded in, or eggs whose line says so. */
export const isWhipped = (l: HeldLine, find: (id: string) => Ingredient | undefined): boolean =>
  (l.parts ?? []).some((p) => {
    const i = find(p.id);
    return (
      i?.category === 'egg' &&
      ((i.id === 'egg-white' && l.vessel === 'fold-in') ||
        /separat|whip|stiff|peaks/i.test(`${l.preparation} ${l.text}`))
    );
  });

/** Turns of a spoon or whisk by hand, by kind: griddle cakes only just, crepes smooth. */
const BY_HAND: Readonly<Record<KindId, HowFar>> = {
  griddle: { words: 'only until no dry flour is seen; lumps stay', count: 16, unit: 'turns' },
  small: { words: 'only until no dry flour is seen; lumps stay', count: 16, unit: 'turns' },
  foam: { words: 'smooth before the whites, then folded in thirds from below', count: 24, unit: 'turns' },
  ball: { words: 'nearly smooth; small lumps stay', count: 20, unit: 'turns' },
  crepe: { words: 'smooth: no lump left', count: 60, unit: 'turns' },
  waffle: { words: 'nearly smooth; small lumps stay', count: 30, unit: 'turns' },
  oven: { words: 'smooth: no lump left', count: 60, unit: 'turns' },
};

/** Kinds whose batter is mixed smooth anyway: a blender may run longer. */
const BLENDED_S = { smooth: 20, usual: 8 } as const;

/** How far a batter is mixed. @param whites whites are whipped apart and folded in after */
export function howFar(kind: KindId, ways: Ways, whites = true): HowFar {
  const hand = kind === 'foam' && !whites ? { ...BY_HAND.foam, words: 'smooth: no lump left' } : BY_HAND[kind];
  const smooth = choiceFor('mixing', 'usual', kind) === choiceFor('mixing', 'smooth', kind);
  if (effectOf(ways, 'joining', kind).blends)
    return {
      words: 'until it turns over evenly, no longer: a blender works the flour hard',
      count: smooth ? BLENDED_S.smooth : BLENDED_S.usual,
      unit: 'seconds',
    };
  const { far } = ways.mixing === 'usual' ? {} : effectOf(ways, 'mixing', kind);
  // lumps are few turns, smooth is many: from what the kind is used to
  const turns = far ? (far.turns > 1 === smooth ? 1 : smooth ? 0.5 : 2) : 1;
  return far ? { words: far.words, count: Math.round(hand.count * turns), unit: 'turns' } : hand;
}

/** Whites are whipped before dry and wet meet, and wait in the cold. */
export const whipsFirst = (ways: Ways, kind: KindId): boolean => effectOf(ways, 'whip', kind).whipFirst === true;

/** Whites go in before the batter rests, and not after. */
export const foldsBeforeRest = (ways: Ways, kind: KindId): boolean =>
  effectOf(ways, 'whip', kind).foldBeforeRest === true;

const whitesOf = (kind: KindId, ways: Ways) =>
  effectOf(ways, 'whites', kind).whites ?? { peaks: 'soft peaks', fold: 'fold them in' };

/** What is done with the whites when their turn has come. */
export function foldSteps(kind: KindId, ways: Ways): readonly string[] {
  const { peaks, fold } = whitesOf(kind, ways);
  const first = whipsFirst(ways, kind)
    ? 'Whisk the whites through once more'
    : `Whip the whites to ${peaks}, with clean beaters in a clean bowl`;
  return [`${first}.`, `${capital(fold)}, from below, turning the bowl; stop while streaks show.`];
}

/** What is done, in order. */
export function joinSteps(kind: KindId, ways: Ways, parts: readonly JoinPart[]): readonly string[] {
  const { peaks, fold } = whitesOf(kind, ways);
  const whipFirst = whipsFirst(ways, kind);
  const rests = standingOf(ways, kindById(kind)).restMin > 0;
  const when = !rests
    ? 'Last of all'
    : foldsBeforeRest(ways, kind)
      ? 'Last, before it rests'
      : 'Last of all, after the rest';
  const apart = parts.includes('whites');
  const first =
    apart && whipFirst
      ? [`First of all, with clean beaters: whip the whites to ${peaks}, and set them in the cold.`]
      : [];
  const last = apart
    ? [
        whipFirst
          ? `Last of all: whisk the whites through once more, and ${fold}.`
          : `${when}: whip the whites to ${peaks}, and ${fold}.`,
      ]
    : [];
  if (!parts.includes('dry') || !parts.includes('wet')) return [...first, 'Mix it through.', ...last];
  const sieves =
    ways.mixing === 'strained' && !effectOf(ways, 'joining', kind).tools?.includes('sieve') ? ['Through a sieve.'] : [];
  return [...first, ...(effectOf(ways, 'joining', kind).joins ?? []), ...sieves, ...last];
}
