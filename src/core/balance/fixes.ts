/**
 * Fixes: for a finding, what would put it right, each to be looked at before it is taken. A table from a finding's code to
 * the tools of the Bench; a finding without a row here is only said.
 */
import type { Finding } from '../findings/finding';
import { DRESSING_NAMES, type Formula, kindIdOf, kitchenOf, MOMENT_NAMES, sameFormula } from '../formula/formula';
import { choiceFor, choicesOf, MATTERS, WAY_IDS, type WayId } from '../formula/schools';
import { type Ways, wayName } from '../formula/ways';
import { type Bench, editEntry, type Proposal, withFormula, workedOn } from './bench';
import { usingUp } from './drive';
import { ANSWERS } from './fix-answers';
import { bringSour, byWhites, type Fix, lessSpice, moreEgg, pourRight, puree, sourcesOf, zoneFix } from './fix-balance';
import { relift } from './leavening';
import { allApart } from './lines';
import { proven } from './proof';

/** More ways than this are no help. */
const MOST_FIXES = 3;

const way = <W extends WayId>(b: Bench, key: W, value: Ways[W], why: string): Proposal | null =>
  kitchenOf(b.formula, b.house).ways[key] === value
    ? null
    : { title: `${MATTERS[key].name}: ${wayName(key, value)}`, why, formula: { ...b.formula, ways: { ...b.formula.ways, [key]: value } }, short: null };

const addIn: Fix = (b, _w, f) => {
  const all = (edit: Parameters<typeof editEntry>[2]): Formula => (f.keys ?? []).reduce((x, k) => editEntry(x, k, edit), b.formula);
  return [
    { title: 'Sprinkle it on', why: `Goes in ${MOMENT_NAMES.poured}.`, formula: all({ moment: 'poured' }), short: null },
    { title: 'Toss it in flour', why: `Stays in the bowl, ${DRESSING_NAMES.floured}.`, formula: all({ dressing: 'floured' }), short: null },
  ];
};

const FIXES: Readonly<Record<string, Fix>> = {
  'soda-unspent': (b, w) => {
    const [first = 'soda-first', ...others] = sourcesOf(b);
    return [relift(b, first), bringSour(b, w), ...others.map((s) => relift(b, s))];
  },
  'acid-unspent': (b) => [relift(b, 'soda-first')],
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
  'puree-heavy': puree,
  'no-gluten': moreEgg,
  'add-ins-sink': addIn,
  'soda-and-wait': (b) => [relift(b, 'no-soda'), way(b, 'rest', 'none', 'Combine dry and wet only when the heat is ready.')],
  'whites-and-wait': (b) => [way(b, 'rest', 'none', 'The batter may rest; the whites go in last, straight before the heat.')],
  'more-than-there-is': (b, w, f) => {
    const line = w.lines.find((l) => f.keys?.includes(l.key));
    return line?.mostG ? [usingUp(b, line.key, line.mostG, 'scale'), usingUp(b, line.key, line.mostG, 'rebalance')] : [];
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
        formula: { ...b.formula, ways: { ...b.formula.ways, ...Object.fromEntries(anew) } },
        short: null,
      },
    ];
  },
  'cold-batter': (b) => [way(b, 'warmth', 'counter', 'Egg and milk stand out first, as long as the local food code allows.')],
  'portion-large': (b) => [{ title: 'The usual portion', why: 'Pours what is usual for the kind.', formula: { ...b.formula, portionMl: null }, short: null }],
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
  const found = w.analysis.findings.find((x) => x.code === f.code);
  if (!found) return [];
  const offered: Proposal[] = [];
  const isNew = (p: Proposal): boolean => !offered.some((o) => sameFormula(o.formula, p.formula));
  for (const tries of fix(b, w, found)) {
    if (offered.length === MOST_FIXES) break;
    const all: readonly (Proposal | null)[] = Array.isArray(tries) ? tries : [tries];
    const good = all.filter((p): p is Proposal => changes(p) && isNew(p)).map((p) => ({ p, how: proven(asked, f, p) }));
    const best = good.find((x) => x.how === 'ends') ?? good.find((x) => x.how === 'eases');
    if (best) offered.push(best.p);
  }
  return offered;
}
