/** From the cold to the bowl: what is done first, dry and wet, whites, how they meet, and how the batter stands. */
import { kindById } from '../formula/kinds';
import { choiceFor } from '../formula/schools';
import { effectOf, restsChilled, standingOf } from '../formula/ways';
import { minutesOrHours, temperature } from '../quantity/say';
import type { JoinPart, ScriptTake, Verb } from './act';
import { foldSteps, foldsBeforeRest, howFar, isWhipped, joinSteps, whipsFirst } from './combine';
import { FOAM_STANDS_MIN } from './foam';
import { inABowl, isCold, meltsFrom, softensFrom, togetherNamed } from './held';
import {
  type Given,
  line,
  listed,
  mix,
  ofTheBase,
  type ScriptAsked,
  type ScriptLine,
  type SoFar,
  sentence,
  toBowl,
} from './making';
import { EGG_PART } from './separated';

/** What is done to a thing before it is weighed in, as its line says. */
const FIRST: readonly {
  readonly verb: Verb;
  readonly is: RegExp;
  readonly heatC: number | null;
  readonly why: string;
}[] = [
  {
    verb: 'roast',
    is: /\broast|\bbaked?\b/i,
    heatC: 180,
    why: 'Water goes and sweetness stays; hot puree would set off the leavening.',
  },
  { verb: 'ripen', is: /\bripen/i, heatC: 150, why: 'Soft and sweet enough to mash smooth.' },
  {
    verb: 'steep',
    is: /\bsoak|\bsteep/i,
    heatC: null,
    why: 'What drinks slowly has to have drunk before the batter is combined.',
  },
];

/** What is done before anything is weighed: out of the cold, roasted, softened, melted. @returns mixes for the wet */
function firstOf({ q, acts, held, own }: SoFar): readonly string[] {
  const { ways } = q;
  // what is for the pan or the plate is not the batter's
  const bowl = own.filter(inABowl);
  if (held.cold.length > 0 && ways.warmth === 'counter' && !restsChilled(ways))
    acts.put('let warm', togetherNamed(held.cold).toLowerCase(), {
      on: bowl.filter((l) => (l.parts ?? []).flatMap((p) => q.find(p.id) ?? []).some(isCold)).map((l) => l.key),
      vessel: 'counter',
      per: 'batch',
    });
  for (const { verb, is, heatC, why } of FIRST) {
    const of = bowl.filter((l) => is.test(`${l.preparation} ${l.text}`));
    if (of.length > 0)
      acts.put(verb, listed(of), {
        on: of.map((l) => l.key),
        vessel: heatC === null ? 'cold' : 'oven',
        heatC: heatC === null ? null : [heatC, heatC],
        per: 'batch',
        says: [{ do: sentence(`${verb} the ${listed(of)}${heatC === null ? '' : ', and let it cool'}`), why }],
      });
  }
  const soft = own.filter((l) => softensFrom(l, q.find));
  if (soft.length > 0)
    acts.put('soften', listed(soft), { on: soft.map((l) => l.key), vessel: 'counter', per: 'batch' });
  const melts = own.filter((l) => ofTheBase(l) && meltsFrom(l, q.find));
  if (melts.length === 0) return [];
  const browns = melts.some((l) => /\bbrown(?:ed)?\b/i.test(`${l.preparation} ${l.text}`));
  acts.put(browns ? 'brown' : 'melt', held.melted ?? 'fat', {
    takes: melts.map(toBowl),
    gives: ['fat'],
    vessel: 'pot',
    until: browns ? 'it smells of nuts, the specks at the bottom are hazel' : null,
  });
  acts.put('cool', held.melted ?? 'fat', {
    takes: [mix('fat')],
    gives: ['cooled fat'],
    vessel: 'pot',
    keepsMin: 40,
  });
  return ['cooled fat'];
}

const isWhite = (l: ScriptLine, find: ScriptAsked['find']): boolean =>
  (l.parts ?? []).some((p) => find(p.id)?.id === 'egg-white');

/** What goes into which bowl. */
interface Parted {
  readonly dry: readonly ScriptLine[];
  readonly wet: readonly ScriptLine[];
  /** Folded in by themselves, when dry and wet have met. */
  readonly late: readonly ScriptLine[];
  readonly yolks: readonly ScriptTake[];
  readonly whites: readonly ScriptTake[];
}

/** Each line of the base in its bowl; eggs that are separated in two. */
function parted({ q, acts, own }: SoFar): Parted {
  const melted = new Set(acts.acts.flatMap((a) => a.takes.map((t) => t.id)));
  const base = own.filter((l) => ofTheBase(l) && !melted.has(l.key));
  // on a sheet separated eggs stand as two lines, on a card as one
  const whipped = base.filter((l) => isWhipped(l, q.find) && !l.key.endsWith(`${EGG_PART}y`));
  const eggs = whipped.filter((l) => !l.key.endsWith(`${EGG_PART}w`) && !isWhite(l, q.find));
  if (whipped.some((l) => !isWhite(l, q.find)))
    acts.put('separate', 'eggs', {
      on: base.filter((l) => l.key.includes(EGG_PART)).map((l) => l.key),
      takes: eggs.map((l) => line(l)),
      gives: eggs.length > 0 ? ['yolks', 'whites'] : [],
      vessel: 'clean bowl',
      keepsMin: 30,
    });
  const apart = eggs.length > 0;
  // without whites nothing is whipped with them
  const intoFoam = whipped.length === 0 ? [] : base.filter((l) => l.moment === 'whipped' && !whipped.includes(l));
  const others = base.filter((l) => !whipped.includes(l) && !intoFoam.includes(l));
  return {
    dry: others.filter((l) => l.vessel === 'dry'),
    wet: others.filter((l) => l.vessel === 'wet'),
    late: others.filter((l) => l.vessel === 'fold-in'),
    yolks: apart ? [mix('yolks')] : [],
    whites: [
      ...whipped.filter((l) => !eggs.includes(l)).map((l) => line(l)),
      ...(apart ? [mix('whites')] : []),
      ...intoFoam.map((l) => line(l)),
    ],
  };
}

/** Dry and wet, each in its bowl. @returns the parts there are */
function inTheirBowls(
  { q, acts, held }: SoFar,
  { dry, wet, yolks }: Parted,
  fat: readonly ScriptTake[],
): readonly JoinPart[] {
  const parts: JoinPart[] = [];
  if (dry.length > 0) {
    acts.put('whisk', 'dry', {
      takes: dry.map(toBowl),
      gives: ['dry'],
      vessel: 'large bowl',
      until: `whisked through${held.leavened ? ', no lumps of leavening' : ''}`,
      says: [
        {
          do: 'Whisk the dry through.',
          why: held.leavened ? 'Leavening in a lump is bitter where it lies, and missing elsewhere.' : '',
        },
      ],
    });
    parts.push('dry');
  }
  if (wet.length + yolks.length + fat.length > 0) {
    acts.put('whisk', 'wet', {
      takes: [...wet.map(toBowl), ...yolks, ...fat],
      gives: ['wet'],
      vessel: 'second bowl',
      until: `whisked smooth${held.melted ? `; melted ${held.melted} under ${temperature(40, q.units)}` : ''}`,
      after: acts.acts.filter((a) => a.on.length > 0 && a.verb !== 'separate').map((a) => a.id),
      keepsMin: 60,
      says: [
        {
          do: `Whisk the wet smooth${held.melted ? `; melted ${held.melted} under ${temperature(40, q.units)}` : ''}.`,
          why: held.melted && held.egg ? 'Warmer, it sets the egg in threads.' : 'So that it combines in few turns.',
        },
      ],
    });
    parts.push('wet');
  }
  return parts;
}

/** Dry and wet meet. */
function combined(m: SoFar, parts: readonly JoinPart[], fat: readonly ScriptTake[], foamed: boolean): void {
  const { q, acts, sourceOf } = m;
  const far = howFar(q.kind, q.ways, foamed);
  const lumps = choiceFor('mixing', 'usual', q.kind) !== choiceFor('mixing', 'smooth', q.kind);
  const joining = sourceOf('joining');
  acts.put('combine', parts.join(' and ') || 'all', {
    takes: [...parts.map((p) => mix(p)), ...fat],
    gives: ['batter'],
    vessel: effectOf(q.ways, 'joining', q.kind).blends ? 'blender' : 'large bowl',
    until: far.words,
    far,
    // whites that wait in the cold are whipped before
    after: acts.acts.filter((a) => a.verb === 'whip').map((a) => a.id),
    says: [
      ...joinSteps(q.kind, q.ways, parts).map((s) => ({ do: s, why: '' })),
      {
        do: `${sentence(`mix ${far.words}`)} About ${far.count} ${far.unit}.`,
        why: lumps ? 'Worked further, the flour makes it tough.' : 'A lump left in tears a thin one.',
      },
    ],
    source: joining.from === 'usual' ? sourceOf('mixing') : joining,
  });
}

/** Whites to foam, in a bowl of their own. */
function whip({ q, acts, sourceOf }: SoFar, takes: readonly ScriptTake[], says = ''): void {
  const first = whipsFirst(q.ways, q.kind);
  const { peaks } = effectOf(q.ways, 'whites', q.kind).whites ?? { peaks: 'soft peaks' };
  acts.put('whip', 'whites', {
    takes,
    gives: ['foam'],
    vessel: first ? 'cold' : 'clean bowl',
    until: peaks,
    keepsMin: FOAM_STANDS_MIN,
    says: [
      {
        do: says || `First of all, with clean beaters: whip the whites to ${peaks}, and set them in the cold.`,
        why: '',
      },
    ],
    source: sourceOf(first ? 'whip' : 'whites'),
  });
}

/** Where a card has its batter stand. */
const ON_COUNTER = /\b(?:counter|worktop|sill|room temperature|warm place)\b/i;

/** The batter from the bowl to the heat: add-ins, whites and rest, in the order of the ways. @returns its name then */
function standing(m: SoFar, { late, whites }: Parted): string {
  const { q, acts, held, own, sourceOf } = m;
  const { kind, ways } = q;
  let batter = 'batter';
  let count = 1;
  const next = (verb: Verb, of: string, given: Given): void => {
    const was = batter;
    batter = `batter ${++count}`;
    acts.put(verb, of, { vessel: 'large bowl', ...given, takes: [mix(was), ...(given.takes ?? [])], gives: [batter] });
  };
  const fold = (): void => {
    if (whites.length === 0) return;
    const [whipping = '', folding = ''] = foldSteps(kind, ways);
    const first = whipsFirst(ways, kind);
    if (!first) whip(m, whites, whipping);
    next('fold', 'foam', {
      takes: [mix('foam')],
      keepsMin: FOAM_STANDS_MIN,
      says: [
        ...(first ? [{ do: whipping, why: '' }] : []),
        { do: folding, why: 'Foam sinks from the moment it is made.' },
      ],
      source: sourceOf('whites'),
    });
  };
  const rest = (): void => {
    const { restMin } = standingOf(ways, kindById(kind));
    if (restMin === 0) return;
    const source = sourceOf('rest');
    const told = source.from === 'told' ? (source.words ?? '') : '';
    const chilled = /\b(?:chill|fridge|refrigerat|cold)/i.test(told) || (restsChilled(ways) && !ON_COUNTER.test(told));
    next('rest', 'batter', {
      vessel: chilled ? 'cold' : ON_COUNTER.test(told) ? 'counter' : 'large bowl',
      minutes: { all: restMin, hands: 0 },
      says: [
        {
          do: `Rest ${minutesOrHours(restMin)}, covered${chilled ? ' and chilled' : ''}.`,
          why: `Flour drinks and the bubbles of stirring go${held.leavened ? '; longer, and the leavening spends itself' : ''}.`,
        },
      ],
      source,
    });
  };
  if (late.length > 0)
    next('stir in', listed(late), {
      takes: late.map(toBowl),
      says: [{ do: sentence(`stir in the ${listed(late)}, a few turns only`), why: '' }],
    });
  for (const act of foldsBeforeRest(ways, kind) ? [fold, rest] : [rest, fold]) act();
  const after = own.filter((l) => l.moment === 'rest' && l.forEnd === undefined);
  const stirred = after.every((l) => l.vessel !== 'fold-in');
  if (after.length > 0)
    next(stirred ? 'stir in' : 'fold', listed(after), {
      ...(after[0]?.goes?.to === 'late' && { source: { from: 'told', words: after[0].goes.words } }),
      takes: after.map(toBowl),
      says: [
        stirred
          ? { do: sentence(`stir in the ${listed(after)}`), why: 'Wet early, it would be spent before the heat.' }
          : { do: sentence(`fold in ${listed(after)}`), why: 'Early, it colours the batter and sinks.' },
      ],
    });
  return batter;
}

/** Everything up to the heat. @returns the name of the batter that is poured, or parted */
export function toTheHeat(m: SoFar): string {
  const { kind, ways } = m.q;
  const fat = firstOf(m).map((f) => mix(f));
  const bowls = parted(m);
  const last = ways.joining === 'butter-last';
  const foamed = bowls.whites.length > 0;
  if (foamed && whipsFirst(ways, kind)) whip(m, bowls.whites);
  const parts = inTheirBowls(m, bowls, last ? [] : fat);
  combined(m, parts, last ? fat : [], foamed);
  return standing(m, bowls);
}
