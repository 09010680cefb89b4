/**
 * What pages ask of a script: what has to be ready before dry and wet meet, how the whites go in, how hot it is, what is
 * looked for and how long a side takes. Nothing is worked here that an act does not say.
 */
import type { Zone } from '../formula/kinds';
import {
  AS_POURED,
  BEFORE_TURN,
  type HowFar,
  JOIN_PARTS,
  type JoinPart,
  type Script,
  type ScriptAct,
  type Verb,
} from './act';
import type { Cues, SideTimes } from './on-heat';

type Acts = Pick<Script, 'acts'>;

/** The first act of a verb, or of one object of it; undefined: it is not done. */
export const actIn = ({ acts }: Acts, verb: Verb, of?: string): ScriptAct | undefined =>
  acts.find((a) => a.verb === verb && (of === undefined || a.of === of));

/** An act that has to be there: every script combines and pours. */
function mustBe(a: ScriptAct | undefined, what: string): ScriptAct {
  if (!a) throw new Error(`a script without "${what}"`);
  return a;
}

const at = ({ acts }: Acts, verb: Verb): number => acts.findIndex((a) => a.verb === verb);

/** How hot the oven is in which pieces wait, where a formula says so, Celsius; null: it does not. */
export const holdIn = (s: Acts): number | null => actIn(s, 'hold')?.heatC?.[0] ?? null;

/** Whites are whipped and folded in. */
export const foamed = (s: Acts): boolean => actIn(s, 'whip') !== undefined;
/** Whites are whipped before dry and wet meet, and wait in the cold. */
export const whipsBefore = (s: Acts): boolean => foamed(s) && at(s, 'whip') < at(s, 'combine');
/** Whites go in before the batter rests. */
export const foldsBefore = (s: Acts): boolean => foamed(s) && at(s, 'rest') >= 0 && at(s, 'fold') < at(s, 'rest');

interface PartReady {
  readonly part: JoinPart;
  readonly name: string;
  /** How it is when it is ready. */
  readonly is: string;
}

export interface Joining {
  /** What a mix joins, each with how it is when it is ready. */
  readonly parts: readonly PartReady[];
  /** How dry and wet meet, but for the mixing; and all that is done around it, whites and all. */
  readonly combines: readonly string[];
  readonly steps: readonly string[];
  readonly far: HowFar;
}

const PART_NAMES: Readonly<Record<JoinPart, string>> = { dry: 'Dry bowl', wet: 'Wet bowl', whites: 'Whites' };
const doing = (a: ScriptAct | undefined): readonly string[] => a?.says.map((s) => s.do) ?? [];
const lower = (s: string): string => s.replace(/^./, (c) => c.toLowerCase());

/** Dry and wet meet: what has to be ready, and what is done. */
export function joiningIn(s: Acts): Joining {
  const combine = mustBe(actIn(s, 'combine'), 'combine');
  const first = whipsBefore(s);
  const is = (part: JoinPart): string | null => {
    if (part === 'whites')
      return foamed(s) ? (first ? 'whipped, in the cold' : 'a clean, dry bowl at hand: they are whipped last') : null;
    return actIn(s, 'whisk', part)?.until ?? null;
  };
  const fold = foldingIn(s);
  // the mixing itself is counted
  const combines = doing(combine).slice(0, -1);
  const when =
    at(s, 'rest') < 0 || !fold ? 'Last of all' : fold.beforeRest ? 'Last, before it rests' : 'Last, after the rest';
  return {
    parts: JOIN_PARTS.flatMap((part) => {
      const so = is(part);
      return so === null ? [] : [{ part, name: PART_NAMES[part], is: so }];
    }),
    combines,
    steps: [
      ...(first ? doing(actIn(s, 'whip')) : []),
      ...combines,
      ...(fold ? [`${when}: ${lower(fold.steps.join(' '))}`] : []),
    ],
    far: combine.far ?? { words: combine.until ?? '', count: 0, unit: 'turns' },
  };
}

export interface Folding {
  readonly steps: readonly string[];
  readonly beforeRest: boolean;
}

/** How the whites go in; null where there are none. */
export function foldingIn(s: Acts): Folding | null {
  if (!foamed(s)) return null;
  return {
    steps: [...(whipsBefore(s) ? [] : doing(actIn(s, 'whip'))), ...doing(actIn(s, 'fold'))],
    beforeRest: foldsBefore(s),
  };
}

export interface AtTheHeat {
  readonly zoneC: Zone;
  readonly cues: Cues;
  /** What it is changed to once the first is on it; null: it stays. */
  readonly thenC: number | null;
  /** Seconds. */
  readonly times: SideTimes;
  /** The card or the cook gave the seconds of a side. */
  readonly given: { readonly first: boolean; readonly second: boolean };
}

/** One heat that is told is right within so many degrees: a griddle swings. */
const SWINGS_C = 8;
const zoneOf = ([low, high]: Zone): Zone => (low === high ? [low - SWINGS_C, high + SWINGS_C] : [low, high]);

const seconds = (a: ScriptAct | undefined): number => Math.round(60 * (a?.minutes?.all ?? 0));

/** Keys of the lines that are put on pieces: as they are poured, or before they are turned. */
export const putOnIn = ({ acts }: Acts, at: 'poured' | 'flip'): readonly string[] =>
  acts.flatMap((a) =>
    a.verb === 'put on' && a.until === (at === 'poured' ? AS_POURED : BEFORE_TURN)
      ? a.takes.flatMap((t) => (t.of === 'line' ? [t.id] : []))
      : [],
  );

/** How one of what is poured is cooked. @param n which of them, from 0 */
export function heatIn({ acts }: Acts, n = 0): AtTheHeat {
  const from = acts.flatMap((a, k) => (a.verb === 'preheat' ? [k] : []));
  const mine = acts.slice(from[n] ?? from[0], from[n + 1] ?? acts.length);
  const of = (verb: Verb): ScriptAct | undefined => actIn({ acts: mine }, verb);
  const preheat = mustBe(of('preheat'), 'preheat');
  const [turn, off, bake] = [of('turn'), of('take off'), of('bake')];
  return {
    zoneC: zoneOf(preheat.heatC ?? [0, 0]),
    thenC: preheat.thenC,
    cues: {
      pour: of('grease')?.until ?? '',
      first: (turn ?? bake)?.until ?? '',
      second: off?.until ?? '',
      asks: (turn ?? bake)?.asks === 'clock' ? 'clock' : 'cue',
      secondByCue: off?.asks === 'cue alone',
    },
    times: turn ? { first: seconds(turn), second: seconds(off) } : { first: seconds(bake), second: null },
    given: { first: (turn ?? bake)?.minutesGiven === true, second: off?.minutesGiven === true },
  };
}
