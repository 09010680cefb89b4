/**
 * How a batter is worked, in the order of the hands, and why each thing matters: for the sheet, and for a card on
 * paper.
 */
import type { Pouring } from '../batch/pourings';
import { bareName, type SheetLine } from '../batch/sheet-line';
import { type KindId, kindById } from '../formula/kinds';
import { choiceFor } from '../formula/schools';
import { standingOf, type Ways } from '../formula/ways';
import { heatZone } from '../griddle/heat';
import { cuesFor } from '../griddle/times';
import type { Ingredient } from '../pantry/ingredient';
import { foldSteps, foldsBeforeRest, howFar, joinParts, joinSteps } from '../prep/join';
import { minutesOrHours, temperature, type Units } from '../quantity/say';
import { heldBy } from '../script/held';

export interface WorkStep {
  readonly do: string;
  /** Empty where the doing says it. */
  readonly why: string;
}

const sentence = (s: string): string => `${s.charAt(0).toUpperCase()}${s.slice(1).replace(/[.:;]$/, '')}.`;

/** How hot a kind wants it, and the fat before each pour. @param name of two ends the one it is said of */
function heating(
  e: Pick<Pouring, 'kind' | 'school'>,
  name: string | null,
  ways: Ways,
  units: Pick<Units, 'temperature'>,
): readonly WorkStep[] {
  const [low, high] = heatZone(e.kind, e.school);
  const cues = cuesFor(e.kind, ways);
  const oven = e.kind === 'oven';
  return [
    {
      do: `${name ? sentence(name).replace(/\.$/, ': heat') : 'Heat:'} ${temperature(low, units)} to ${temperature(high, units)}${oven ? ' in the oven, the pan in it' : ', a drop of water dances'}.`,
      why: oven ? 'It climbs by the first blast.' : 'Cooler it lies flat, hotter it browns before it is through.',
    },
    ...(cues.pour ? [{ do: sentence(cues.pour), why: '' }] : []),
  ];
}

/** What to look for before it is turned, and before it comes off. */
function turning(e: Pick<Pouring, 'kind'>, ways: Ways): readonly WorkStep[] {
  const cues = cuesFor(e.kind, ways);
  return [
    { do: sentence(cues.first), why: cues.second ? '' : 'Opened or turned early, it tears and falls.' },
    ...(cues.second ? [{ do: sentence(cues.second), why: 'The look tells, not the clock.' }] : []),
  ];
}

/** What is done, and why. @param sheet the lines of one mix */
export function workSteps(q: {
  readonly sheet: readonly SheetLine[];
  readonly kind: KindId;
  readonly school: string;
  /** Of two ends each; left out: there is one. */
  readonly pourings?: readonly Pick<Pouring, 'name' | 'kind' | 'school'>[];
  readonly ways: Ways;
  readonly units: Pick<Units, 'temperature'>;
  readonly find: (id: string) => Ingredient | undefined;
}): readonly WorkStep[] {
  const { kind, ways, sheet } = q;
  const own = sheet.filter((l) => l.side === undefined);
  const parts = joinParts(own, q.find);
  const whites = parts.includes('whites');
  const held = heldBy(own, q.find);
  const far = howFar(kind, ways, whites);
  const { restMin } = standingOf(ways, kindById(kind));
  const lumps = choiceFor('mixing', 'usual', kind) !== choiceFor('mixing', 'smooth', kind);
  const late = (moment: SheetLine['moment']): string =>
    own
      .filter((l) => l.moment === moment)
      .map((l) => bareName(l).toLowerCase())
      .join(', ');
  const fold: readonly WorkStep[] = whites
    ? foldSteps(kind, ways).map((s, n) => ({ do: s, why: n === 1 ? 'Foam sinks from the moment it is made.' : '' }))
    : [];
  const rest: readonly WorkStep[] =
    restMin > 0
      ? [
          {
            do: `Rest ${minutesOrHours(restMin)}, covered${restMin >= 240 ? ' and chilled' : ''}.`,
            why: `Flour drinks and the bubbles of stirring go${held.leavened ? '; longer, and the leavening spends itself' : ''}.`,
          },
        ]
      : [];
  const all = q.pourings ?? [{ name: null, kind, school: q.school }];
  const ends = all.filter((e, n) => all.findIndex((x) => x.kind === e.kind) === n);
  return [
    ...(parts.includes('dry')
      ? [
          {
            do: 'Whisk the dry through.',
            why: held.leavened ? 'Leavening in a lump is bitter where it lies, and missing elsewhere.' : '',
          },
        ]
      : []),
    ...(parts.includes('wet')
      ? [
          {
            do: `Whisk the wet smooth${held.melted ? `; melted ${held.melted} under ${temperature(40, q.units)}` : ''}.`,
            why: held.melted && held.egg ? 'Warmer, it sets the egg in threads.' : 'So that it combines in few turns.',
          },
        ]
      : []),
    ...joinSteps(
      kind,
      ways,
      parts.filter((p) => p !== 'whites'),
    ).map((s) => ({ do: s, why: '' })),
    {
      do: `${sentence(`mix ${far.words}`)} About ${far.count} ${far.unit}.`,
      why: lumps ? 'Worked further, the flour makes it tough.' : 'A lump left in tears a thin one.',
    },
    ...(foldsBeforeRest(ways, kind) ? [...fold, ...rest] : [...rest, ...fold]),
    ...(late('rest')
      ? [{ do: sentence(`fold in ${late('rest')}`), why: 'Early, it colours the batter and sinks.' }]
      : []),
    ...ends.flatMap((e, n): readonly WorkStep[] => [
      ...heating(e, ends.length > 1 ? e.name : null, ways, q.units),
      // what goes on as it is poured is said once, with the first
      ...(n === 0 && (late('poured') || late('top'))
        ? [
            {
              do: sentence(`as it is poured, put on ${[late('poured'), late('top')].filter(Boolean).join(', ')}`),
              why: '',
            },
          ]
        : []),
      ...(n === 0 && late('flip') ? [{ do: sentence(`before it is turned, put on ${late('flip')}`), why: '' }] : []),
      ...turning(e, ways),
    ]),
  ];
}
