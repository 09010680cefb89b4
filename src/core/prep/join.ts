/** Dry meets wet: what has to be ready, in which order it is done, and how far each kind is mixed. Defaults of ours. */
import type { JoinPart } from '../batch/acts';
import type { SheetLine } from '../batch/sheet-line';
import type { KindId } from '../formula/kinds';
import type { Joining } from '../formula/ways';
import type { Ingredient } from '../pantry/ingredient';

/** What a batch joins: whites only where they are whipped apart. */
export function joinParts(lines: readonly SheetLine[], find: (id: string) => Ingredient | undefined): readonly JoinPart[] {
  const has = (of: (l: SheetLine) => boolean): boolean => lines.some((l) => l.grams !== null && of(l));
  // whites by themselves, or of eggs that are separated
  const whites = (l: SheetLine): boolean =>
    (l.parts ?? []).some((p) => {
      const i = find(p.id);
      return i?.category === 'egg' && ((i.id === 'egg-white' && l.vessel === 'fold-in') || /separat|whip|stiff|peaks/i.test(`${l.preparation} ${l.text}`));
    });
  return [
    ...(has((l) => l.vessel === 'dry') ? (['dry'] as const) : []),
    ...(has((l) => l.vessel === 'wet') ? (['wet'] as const) : []),
    ...(has(whites) ? (['whites'] as const) : []),
  ];
}

export const PART_WORDS: Readonly<Record<JoinPart, { readonly name: string; readonly is: string }>> = {
  dry: { name: 'Dry bowl', is: 'whisked through, no lumps of leavening' },
  wet: { name: 'Wet bowl', is: 'whisked smooth; melted butter under 40 °C' },
  whites: { name: 'Whites', is: 'a clean, dry bowl at hand: they are whipped last' },
};

export interface HowFar {
  readonly words: string;
  /** What is counted, and to how many. */
  readonly count: number;
  readonly unit: 'turns' | 'seconds';
}

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

export function howFar(kind: KindId, joining: Joining): HowFar {
  const hand = BY_HAND[kind];
  if (joining === 'blender')
    return {
      words: 'until it turns over evenly, no longer: a blender works the flour hard',
      count: kind === 'crepe' || kind === 'oven' ? 20 : 8,
      unit: 'seconds',
    };
  return joining === 'strained' ? { ...hand, words: `${hand.words}; then through a sieve, pressing nothing` } : hand;
}

/** What is done, in order. */
export function joinSteps(joining: Joining, parts: readonly JoinPart[]): readonly string[] {
  const whites = parts.includes('whites') ? ['Last of all, after the rest: whip the whites, fold in a third, then what is left.'] : [];
  if (!parts.includes('dry') || !parts.includes('wet')) return ['Mix it through.', ...whites];
  switch (joining) {
    case 'well':
      return ['Make a well in the dry.', 'Pour all of the wet into it.', 'Stir from the middle outwards.', ...whites];
    case 'sprinkle':
      return ['Sprinkle a third of the dry over the wet, stir.', 'The second third, stir.', 'The last third, and stop.', ...whites];
    case 'blender':
      return ['Wet into the blender, then the dry on top.', 'Lid on, a hand on it.', 'Short pulses.', ...whites];
    case 'strained':
      return ['Make a well in the dry.', 'Half of the wet: whisk to a smooth paste.', 'The rest of the wet, whisk.', 'Through a sieve.', ...whites];
  }
}
