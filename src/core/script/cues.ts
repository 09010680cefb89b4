/**
 * How each kind is cooked by the house's ways: how hot, what to look for, and how long a side lies on the heat. Defaults
 * of ours; a script's acts say what of them is so here. Degrees Celsius, seconds.
 */
import type { KindId, Zone } from '../formula/kinds';
import { effectOf, type Ways } from '../formula/ways';
import { millilitres } from '../quantity/say';
import { type Cues, type SideTimes, USUAL_TIMES } from './on-heat';

/**
 * How long the sides take by the house's ways, until taps have taught better: a second side half of the first, or as
 * long.
 */
export function usualTimes(kind: KindId, ways: Ways): SideTimes {
  const usual = USUAL_TIMES[kind];
  const share = effectOf(ways, 'second', kind).second;
  return usual.second === null || !share ? usual : { first: usual.first, second: Math.round(share * usual.first) };
}

/** Griddles 165 to 190, thick cakes cooler, thin ones and crepes hotter. */
const ZONES: Readonly<Record<KindId, Zone>> = {
  griddle: [165, 190],
  small: [165, 190],
  foam: [165, 177],
  ball: [170, 185],
  crepe: [190, 205],
  waffle: [175, 195],
  oven: [220, 230],
};
/** Schools that lie in a narrower part of it. */
const SCHOOL_ZONES: Readonly<Record<string, Zone>> = { 'griddle tall': [170, 177], 'griddle thin': [190, 205] };

export const heatZone = (kind: KindId, school: string): Zone => SCHOOL_ZONES[`${kind} ${school}`] ?? ZONES[kind];

/** What to look for, by kind: before the first side is turned, and before it comes off. Cues before clocks. */
const CUES: Readonly<Record<KindId, { readonly first: string; readonly second: string }>> = {
  griddle: { first: 'edge dull, bubbles open and stay open', second: 'springs back, no wet line at the edge' },
  small: { first: 'edge dull, bubbles open and stay open', second: 'springs back' },
  foam: { first: 'edge set, underside golden: turn once, gently', second: 'springs back, sides no longer wet' },
  ball: { first: 'rim set: turn a quarter, and again until it is round', second: 'a skewer comes out clean' },
  crepe: { first: 'edge lifts and browns, it slides free', second: 'freckled underneath' },
  waffle: { first: 'the steam has all but stopped: only then open', second: '' },
  oven: { first: 'puffed and deep golden at the rim; the door stays shut until then', second: '' },
};

/** What to look for, and what is done before it is poured and after it is turned, by the house's ways. */
export function cuesFor(kind: KindId, ways: Ways): Cues {
  const turn = ways.flip === 'usual' ? undefined : effectOf(ways, 'flip', kind).turn;
  const { first, second } = CUES[kind];
  return {
    pour: effectOf(ways, 'panFat', kind).pan?.pour ?? '',
    first,
    second: turn && second ? `${turn.step} Then: ${second}` : second,
    asks: effectOf(ways, 'asks', kind).asks ?? 'cue',
    secondByCue: ways.second === 'cue' && second !== '',
  };
}

/** Up to so many millilitres a piece, and what pours it. Ours: what does not drip, and is full once. */
const POURS: readonly (readonly [ml: number, what: string])[] = [
  [20, 'Spoon or squeeze bottle'],
  [130, 'Ladle or scoop'],
  [Number.POSITIVE_INFINITY, 'Jug with a spout'],
];

/** What a portion is poured with. @param ml of one piece; null: it fills its pan */
export function pourTool(kind: KindId, ml: number | null): string {
  if (ml === null || kind === 'oven') return 'Jug, or straight from the bowl';
  const what =
    kind === 'ball' ? 'Jug with a spout, or squeeze bottle' : (POURS.find(([most]) => ml <= most)?.[1] ?? '');
  return `${what}, ${millilitres(ml < 20 ? Math.round(ml) : 5 * Math.round(ml / 5))}`;
}
