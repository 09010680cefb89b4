/** From the bowl to the plate: one base parted for its ends, and each end poured, turned and taken off. */
import { kindById } from '../formula/kinds';
import { millilitres, temperature } from '../quantity/say';
import { AS_POURED, BEFORE_TURN, type ScriptAct, type Verb } from './act';
import { cuesFor, heatZone, pourTool, usualTimes } from './cues';
import {
  type Given,
  line,
  listed,
  mix,
  type PouredAs,
  type ScriptLine,
  SOME,
  type SoFar,
  sentence,
  toBowl,
} from './making';

/** One base for two ends is parted; each gets what is its own. @returns the batter of each pouring */
export function endsOf({ q, acts, own }: SoFar, batter: string): readonly string[] {
  if (q.pourings.length === 1) {
    const one = own.filter((l) => l.forEnd !== undefined && l.moment === undefined);
    if (one.length === 0) return [batter];
    acts.put('stir in', listed(one), {
      takes: [mix(batter), ...one.map(toBowl)],
      gives: ['finished batter'],
      vessel: 'large bowl',
      says: [{ do: sentence(`stir in the ${listed(one)}`), why: '' }],
    });
    return ['finished batter'];
  }
  const nameOf = (p: PouredAs, n: number): string => p.name ?? String(n + 1);
  const parts = q.pourings.map((p, n) => `batter for ${nameOf(p, n)}`);
  acts.put('part', 'batter', {
    takes: [mix(batter)],
    gives: parts,
    vessel: 'second bowl',
    says: [
      {
        do: sentence(
          `part the batter: ${q.pourings.map((p, n) => `${p.ml ? `${millilitres(p.ml)} for ` : ''}${nameOf(p, n)}`).join(', ')}`,
        ),
        why: '',
      },
    ],
  });
  return q.pourings.map((p, n) => {
    const part = parts[n] ?? batter;
    const finish = own.filter((l) => l.forEnd === p.name && l.moment === undefined);
    if (finish.length === 0) return part;
    const finished = `${part}, finished`;
    acts.put('stir in', listed(finish), {
      takes: [mix(part), ...finish.map(toBowl)],
      gives: [finished],
      vessel: 'second bowl',
      says: [{ do: sentence(`into the part for ${nameOf(p, n)}: ${listed(finish)}`), why: '' }],
    });
    return finished;
  });
}

/** One of what is poured, at its turn. */
interface AtHeat {
  readonly p: PouredAs;
  /** The batter it is poured from. */
  readonly batter: string;
  /** What goes on all that is poured goes on with the first. */
  readonly first: boolean;
  /** Of two ends each is named. */
  readonly named: boolean;
  /** Another of its kind was told before: the sheet says nothing twice. */
  readonly again: boolean;
  /** Two kinds are poured: the heat is said of each by name. */
  readonly kinds: boolean;
}

/** Minutes that fruit fries before the batter, where nobody says. */
const FRY_MIN = 5;

/** Seconds of hands as minutes. */
const all = (s: number): { readonly all: number; readonly hands: number } => ({ all: s / 60, hands: s / 60 });

const unless = <T>(not: boolean, says: readonly T[]): readonly T[] => (not ? [] : says);

/** What is fried first where the batter goes over it. @returns the act, where there is one */
function fried(
  { acts, own }: SoFar,
  { first }: AtHeat,
  vessel: ScriptAct['vessel'],
  preheat: string,
): readonly string[] {
  const sides = first ? own.filter((l) => l.moment === 'fried') : [];
  const [side] = sides;
  if (!side) return [];
  const fats = own.filter((l) => (l.fryShare?.share ?? 0) > SOME);
  const min = side.goes?.min ?? FRY_MIN;
  return [
    acts.put('fry first', listed(sides), {
      takes: [...sides.map((l) => line(l)), ...fats.map((l) => line(l, l.fryShare?.share))],
      gives: [`fried ${listed(sides)}`],
      vessel,
      minutes: { all: min, hands: min },
      after: [preheat],
      says: [{ do: sentence(`fry the ${listed(sides)} first, in the pan the batter goes into`), why: '' }],
      ...(side.goes && { source: { from: 'told', words: side.goes.words } }),
    }).id,
  ];
}

/** The surface hot and greased. @returns what has to be over before it is poured */
function ready(m: SoFar, at: AtHeat): readonly string[] {
  const { q, acts, own, sourceOf } = m;
  const { p, first, again, kinds } = at;
  const oven = p.kind === 'oven';
  const surface = oven ? 'oven' : p.kind === 'waffle' ? 'iron' : p.kind === 'ball' ? 'ball pan' : 'griddle';
  const [low, high] = heatZone(p.kind, p.school);
  const { pour } = cuesFor(p.kind, q.ways);
  const vessel = oven ? 'oven' : 'surface';
  const preheat = acts.put('preheat', surface, {
    vessel,
    heatC: [low, high],
    per: 'batch',
    until: oven ? null : 'a drop of water dances',
    says: ({ heatC, thenC }) => {
      const hot = [...new Set(heatC ?? [])].map((c) => temperature(c, q.units)).join(' to ');
      const then = thenC === null ? '' : `; ${temperature(thenC, q.units)} once the first is ${oven ? 'in' : 'on'}`;
      return unless(again, [
        {
          do: `${kinds && p.name ? sentence(p.name).replace(/\.$/, ': heat') : 'Heat:'} ${hot}${oven ? ' in the oven, the pan in it' : ', a drop of water dances'}${then}.`,
          why: oven ? 'It climbs by the first blast.' : 'Cooler it lies flat, hotter it browns before it is through.',
        },
      ]);
    },
  });
  const after = [preheat.id, ...fried(m, at, vessel, preheat.id)];
  const takes = first
    ? own.flatMap((l) => {
        const share = l.vessel === 'pan' ? 1 : (l.panShare?.share ?? 0);
        return share > SOME ? [line(l, share)] : [];
      })
    : [];
  if (takes.length === 0 && !pour) return after;
  const told = first ? own.find((l) => l.panShare)?.panShare?.words : undefined;
  const grease = acts.put('grease', surface, {
    takes,
    vessel,
    per: oven ? 'batch' : 'piece',
    after,
    until: pour || null,
    says: unless(again || !pour, [{ do: sentence(pour), why: '' }]),
    source: told === undefined ? sourceOf('panFat') : { from: 'told', words: told },
  });
  return [...after, grease.id];
}

/** Poured, put on, turned or baked, and off. @returns the name of its pieces */
export function onTheHeat(m: SoFar, at: AtHeat): string {
  const { q, acts, own, sourceOf } = m;
  const { p, first, named, again } = at;
  const vessel: ScriptAct['vessel'] = p.kind === 'oven' ? 'oven' : 'surface';
  const after = ready(m, at);
  const cues = cuesFor(p.kind, q.ways);
  const times = usualTimes(p.kind, q.ways);
  const stem = `${kindById(p.kind).pieces}${named ? ` ${p.name}` : ''}`;
  let pieces = at.batter;
  const next = (verb: Verb, of: string, gives: string, given: Given): void => {
    acts.put(verb, of, {
      vessel,
      per: 'piece',
      ...given,
      takes: [mix(pieces), ...(given.takes ?? [])],
      gives: [gives],
    });
    pieces = gives;
  };
  /** What goes on at a moment: of this end, and with the first that is poured what is of both. */
  const putOn = (when: string, gives: string, ...moments: readonly string[]): void => {
    const lines: readonly ScriptLine[] = own.filter(
      (l) =>
        l.moment !== undefined &&
        moments.includes(l.moment) &&
        (l.forEnd === undefined ? first : !named || l.forEnd === p.name),
    );
    if (lines.length > 0)
      next('put on', listed(lines), gives, {
        takes: lines.map(toBowl),
        until: when,
        says: [{ do: sentence(`${when}, put on ${listed(lines)}`), why: '' }],
      });
  };
  const under = acts.acts.flatMap((a) => (a.verb === 'fry first' && first ? a.gives.map((g) => mix(g)) : []));
  next('pour', kindById(p.kind).pieces, `${stem}, poured`, {
    takes: under,
    portionMl: p.portionMl ?? null,
    tools: [pourTool(p.kind, p.portionMl ?? null)],
    after,
    says: ({ load }) => (load === null ? [] : [{ do: `${load} at a time.`, why: '' }]),
    source: sourceOf('portion'),
  });
  putOn(AS_POURED, `${stem}, topped as poured`, 'poured', 'top');
  putOn(BEFORE_TURN, `${stem}, topped before the turn`, 'flip');
  if (cues.second) {
    next('turn', 'piece', `${stem}, turned`, {
      minutes: all(times.first),
      until: cues.first,
      asks: cues.asks,
      says: unless(again, [{ do: sentence(cues.first), why: '' }]),
      source: sourceOf('flip'),
    });
    next('take off', 'piece', stem, {
      minutes: all(times.second ?? 0),
      until: cues.second,
      asks: cues.secondByCue ? 'cue alone' : cues.asks,
      says: unless(again, [{ do: sentence(cues.second), why: 'The look tells, not the clock.' }]),
      source: sourceOf('second'),
    });
  } else
    next('bake', 'piece', stem, {
      minutes: { all: times.first / 60, hands: Math.min(1, times.first / 60) },
      heatC: acts.acts.find((a) => after.includes(a.id))?.heatC ?? null,
      until: cues.first,
      asks: cues.asks,
      says: unless(again, [{ do: sentence(cues.first), why: 'Opened or turned early, it tears and falls.' }]),
      source: sourceOf('asks'),
    });
  return stem;
}
