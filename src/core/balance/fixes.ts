/**
 * Fixes: for a finding, what would put it right, each to be looked at before it is taken. A table from a finding's code
 * to the tools of the Bench; a finding without a row here is only said.
 */

import type { Finding } from '../findings/finding';
import { withWay } from '../formula/act-edits';
import {
  DRESSING_NAMES,
  type Formula,
  type FormulaLine,
  kindIdOf,
  kitchenOf,
  MOMENT_NAMES,
  sameFormula,
} from '../formula/formula';
import type { Rail } from '../formula/kinds';
import { formulaLines } from '../formula/lines';
import { isOpen } from '../formula/open';
import { choiceFor, choicesOf, MATTERS, WAY_IDS, type WayId } from '../formula/schools';
import { testedFlourG } from '../formula/tally';
import { type Ways, wayName } from '../formula/ways';
import { type Bench, editEntry, type Proposal, withFormula, workedOn } from './bench';
import { bringsWhatLacks, keepsBatch } from './bounds';
import { movesRail } from './brings';
import { usingUp } from './drive';
import { ANSWERS } from './fix-answers';
import {
  bringSour,
  byWhites,
  type Fix,
  lessSpice,
  moreEgg,
  pourRight,
  pureeFix,
  sourcesOf,
  type Tries,
  zoneFix,
} from './fix-balance';
import { relift } from './leavening';
import { allApart } from './lines';
import { proven } from './proof';

/** More ways than this are no help. */
const MOST_FIXES = 3;

const way = <W extends WayId>(b: Bench, key: W, value: Ways[W], why: string): Proposal | null =>
  kitchenOf(b.formula, b.house).ways[key] === value
    ? null
    : {
        title: `${MATTERS[key].name}: ${wayName(key, value)}`,
        why,
        formula: { ...b.formula, edits: withWay(b.formula.edits, key, value) },
        short: null,
      };

const addIn: Fix = (b, _w, f) => {
  const all = (edit: Parameters<typeof editEntry>[2]): Formula =>
    (f.keys ?? []).reduce((x, k) => editEntry(x, k, edit), b.formula);
  return [
    {
      title: 'Sprinkle it on',
      why: `Goes in ${MOMENT_NAMES.poured}.`,
      formula: all({ moment: 'poured' }),
      short: null,
    },
    {
      title: 'Toss it in flour',
      why: `Stays in the bowl, ${DRESSING_NAMES.floured}.`,
      formula: all({ dressing: 'floured' }),
      short: null,
    },
  ];
};

const FIXES: Readonly<Record<string, Fix>> = {
  'soda-unspent': (b, w) => {
    const [first = 'soda-first', ...others] = sourcesOf(b);
    return [relift(b, first), bringSour(b, w), ...others.map((s) => relift(b, s))];
  },
  'acid-unspent': (b) => [relift(b, 'soda-first')],
  'self-raising-and-powder': (b, w, f) => {
    const formula = (f.keys ?? []).reduce((x, k) => editEntry(x, k, { off: true }), b.formula);
    return [
      { title: 'Leave the powder out', why: 'The flour raises it by itself.', formula, short: null },
      ...zoneFix('lift')(b, w, f),
    ];
  },
  'under-raised': zoneFix('lift'),
  'over-raised': zoneFix('lift'),
  'salt-high': zoneFix('salt'),
  'salt-low': zoneFix('salt'),
  'sugar-high': zoneFix('sugar'),
  'fat-high': zoneFix('fat'),
  'egg-high': zoneFix('egg'),
  'egg-low': (b, w, f) => zoneFix('egg')(b, w, f).map((tries) => byWhites(b, Array.isArray(tries) ? tries : [tries])),
  'sugar-low': zoneFix('sugar'),
  'fat-low': zoneFix('fat'),
  'spice-high': lessSpice,
  'too-thick': pourRight,
  'too-thin': pourRight,
  'puree-heavy': pureeFix,
  'no-gluten': moreEgg,
  'add-ins-sink': addIn,
  'soda-and-wait': (b) => [
    relift(b, 'no-soda'),
    way(b, 'rest', 'none', 'Combine dry and wet only when the heat is ready.'),
  ],
  'whites-and-wait': (b) => [
    way(b, 'rest', 'none', 'The batter may rest; the whites go in last, straight before the heat.'),
  ],
  'more-than-there-is': (b, w, f) => {
    const line = w.lines.find((l) => f.keys?.includes(l.key));
    return line?.mostG
      ? [usingUp(b, line.key, line.mostG, 'scale'), usingUp(b, line.key, line.mostG, 'rebalance')]
      : [];
  },
  'way-against-kind': (b) => {
    const { ways } = kitchenOf(b.formula, b.house);
    const kind = kindIdOf(b.formula, b.end);
    // each such way as the kind is used to, or its first school that does not go against it
    const anew = WAY_IDS.flatMap((m) => {
      const goesAgainst = (id: string): boolean => choiceFor(m, id, kind)?.against?.[kind] !== undefined;
      const other = goesAgainst(String(ways[m])) ? choicesOf(m).find(([id]) => !goesAgainst(id)) : undefined;
      return other ? [[m, other[0]] as const] : [];
    });
    if (anew.length === 0) return [];
    return [
      {
        title: anew.map(([m, id]) => `${MATTERS[m].name}: ${wayName(m, id)}`).join('; '),
        why: 'For this formula alone; the house keeps its own.',
        formula: { ...b.formula, edits: anew.reduce((e, [m, id]) => withWay(e, m, id), b.formula.edits) },
        short: null,
      },
    ];
  },
  'cold-batter': (b) => [
    way(b, 'warmth', 'counter', 'Egg and milk stand out first, as long as the local food code allows.'),
  ],
  'portion-large': (b) => [
    {
      title: 'The usual portion',
      why: 'Pours what is usual for the kind.',
      formula: { ...b.formula, portionMl: null },
      short: null,
    },
  ],
};

/** What a fix of a finding is about, where that is a rail: its lines move as far as it takes. */
const RAILS_OF: Readonly<Record<string, readonly Rail[]>> = {
  'soda-unspent': ['lift', 'water'],
  'acid-unspent': ['lift'],
  'soda-and-wait': ['lift'],
  'self-raising-and-powder': ['lift'],
  'under-raised': ['lift'],
  'over-raised': ['lift'],
  'salt-high': ['salt'],
  'salt-low': ['salt'],
  'sugar-high': ['sugar'],
  'sugar-low': ['sugar'],
  'fat-high': ['fat'],
  'fat-low': ['fat'],
  'egg-high': ['egg'],
  'egg-low': ['egg'],
  'no-gluten': ['egg'],
  'too-thick': ['water'],
  'too-thin': ['water'],
  'puree-heavy': ['water', 'lift'],
};
/** Findings whose fix says that it makes the batch another size. */
const RESIZES: ReadonlySet<string> = new Set(['more-than-there-is']);

const isAbout =
  (f: Finding) =>
  (l: FormulaLine): boolean =>
    f.keys?.includes(l.key) === true || (RAILS_OF[f.code] ?? []).some((r) => movesRail(l, r));

/** All powders together, percent of flour, from which they are tasted. */
const MOST_POWDER = 10;
const powderShareOf = (b: Bench): number => {
  const { lines, analysis } = workedOn(b);
  const g = lines.reduce(
    (a, l) =>
      a +
      (l.use === 'batter' && l.ingredient?.category === 'leavening' && l.ingredient.ownAcidMeqPer100g > 0
        ? (l.grams ?? 0)
        : 0),
    0,
  );
  return (100 * g) / testedFlourG(analysis.tally);
};
const tastesOfPowder = (b: Bench, p: Proposal): boolean => {
  const after = powderShareOf(withFormula(b, p.formula));
  return after > MOST_POWDER && after > powderShareOf(b) + 0.01;
};

/** Of the batter's lines, the share still open from which nothing is known well enough to be mended. */
const MOST_OPEN = 0.35;
const tooLittleKnown = (b: Bench): boolean => {
  const batter = formulaLines(b.formula, b.house).filter((l) => !l.off && l.use === 'batter' && l.text.trim() !== '');
  return batter.filter(isOpen).length > MOST_OPEN * batter.length;
};

/**
 * What would put a finding right: none, one or a few, the best first. Each changes something, and each but an answer is
 * proven: its finding is gone or clearly smaller with it, and nothing worse is new.
 */
export function fixesFor(asked: Bench, f: Finding): readonly Proposal[] {
  const answer = ANSWERS[f.code];
  const changes = (p: Proposal | null): p is Proposal => p !== null && !sameFormula(p.formula, asked.formula);
  if (answer) return answer(asked, workedOn(asked), f).flat().filter(changes);
  const fix = FIXES[f.code];
  if (!fix) return [];
  // lines that hold several things are parted first: what is too much of one is no reason to cut the other
  const b = withFormula(asked, allApart(asked.formula, workedOn(asked).lines));
  const w = workedOn(b);
  if (tooLittleKnown(b)) return [];
  const found = w.analysis.findings.find((x) => x.code === f.code);
  if (!found) return [];
  const ways = fix(b, w, found);
  const about = isAbout(f);
  const kept = offeredOf(
    asked,
    f,
    ways,
    (p) => RESIZES.has(f.code) || keepsBatch(asked, p, about, 'all but what is too much'),
  );
  return kept.length > 0 ? kept : offeredOf(asked, f, ways, (p) => bringsWhatLacks(asked, p, about));
}

/** Of each way the first try that stays in its bounds and is proven, as far as they differ. */
function offeredOf(
  asked: Bench,
  f: Finding,
  ways: readonly Tries[],
  inBounds: (p: Proposal) => boolean,
): readonly Proposal[] {
  const offered: Proposal[] = [];
  const may = (p: Proposal | null): p is Proposal =>
    p !== null &&
    !sameFormula(p.formula, asked.formula) &&
    !offered.some((o) => sameFormula(o.formula, p.formula)) &&
    inBounds(p) &&
    !tastesOfPowder(asked, p);
  for (const tries of ways) {
    if (offered.length === MOST_FIXES) break;
    const all: readonly (Proposal | null)[] = Array.isArray(tries) ? tries : [tries];
    const good = all.filter(may).map((p) => ({ p, how: proven(asked, f, p) }));
    const best = good.find((x) => x.how === 'ends') ?? good.find((x) => x.how === 'eases');
    if (best) offered.push(best.p);
  }
  return offered;
}
