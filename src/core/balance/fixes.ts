/**
 * Fixes: for a finding, what would put it right, each to be looked at before it is taken. A table from a finding's code to
 * the tools of the Bench; a finding without a row here is only said.
 */
import type { Worked } from '../analyse';
import { batterVolume } from '../batter/volume';
import { yieldClaim } from '../card/method';
import { writtenGrams } from '../card/rewrite';
import { strongLimit } from '../findings/card-rules';
import type { Finding } from '../findings/finding';
import { isShellEgg } from '../formula/eggs';
import { DRESSING_NAMES, type Formula, kitchenOf, MOMENT_NAMES, sameFormula } from '../formula/formula';
import { along, RAIL_NAMES, type Rail, railOf, sayRail, THICKNESSES, usualPortionMl, type Zone } from '../formula/kinds';
import { choiceFor, choicesOf, MATTERS, WAY_IDS, type WayId } from '../formula/schools';
import { testedFlourG } from '../formula/tally';
import { effectOf, type Ways, wayName } from '../formula/ways';
import { MEQ_PER_G_SODA } from '../lift/ledger';
import { inSpoons, instead } from '../pantry/honest';
import { nameFor } from '../pantry/naming';
import { ingredient } from '../pantry/pantry';
import { grams, millilitres, percent } from '../quantity/say';
import { amountFor } from './amount-for';
import { addAfter, type Bench, conventionsOn, editEntry, type Proposal, withEntries, withFormula, withGrams, workedOn } from './bench';
import { usingUp } from './drive';
import { relift, type Source } from './leavening';
import { allApart } from './lines';
import { byOneLine, type OneLine } from './one-line';
import { proven } from './proof';
import { bend } from './ratios';

/** Each of the ways; or several tries at the same way, of which the first that is proven is offered. */
type Tries = Proposal | null | readonly (Proposal | null)[];
type Fix = (b: Bench, w: Worked, f: Finding) => readonly Tries[];

/** More ways than this are no help. */
const MOST_FIXES = 3;

/** How far inside its zone a rail is brought, as a share of the width: not onto the edge. */
const INSIDE = 0.08;

/** One line changed, or one added, said as it is. */
const oneLine = (b: Bench, rail: Rail, o: OneLine): Proposal => {
  const after = railOf(workedOn(withFormula(b, o.formula)).analysis, rail);
  const to = after ? sayRail(rail, after.tested) : '';
  return {
    title: `${RAIL_NAMES[rail]} to ${to}: ${o.is}`,
    why: o.was ? `"${o.was}" becomes "${o.is}"; no other line moves.` : `"${o.is}" is added; no other line moves.`,
    formula: o.formula,
    short: null,
  };
};

/** A rail brought to a value with as many lines as it takes, and called by where it comes to stand. */
function bent(b: Bench, rail: Rail, value: number, why: string): Proposal {
  const { formula, short } = bend(b, [{ rail, value }]);
  const after = railOf(workedOn(withFormula(b, formula)).analysis, rail);
  return { title: `${RAIL_NAMES[rail]} to ${sayRail(rail, after?.tested ?? value)}`, why, formula, short };
}

/** A rail just inside its zone: by its own line, and where that is not enough by several. */
const zoneFix =
  (rail: Rail): Fix =>
  (b, w) => {
    const r = railOf(w.analysis, rail);
    if (!r?.zone || !r.reading || r.reading.standing === 'in') return [];
    const inside = (share: number): number => (r.reading?.standing === 'below' ? along(r.zone as Zone, share) : along(r.zone as Zone, 1 - share));
    const why = `Brings ${RAIL_NAMES[rail].toLowerCase()} from ${sayRail(rail, r.tested)} just inside the zone; the other ratios stay about where they are.`;
    const alone = [INSIDE, 0.25].flatMap((share) => byOneLine(b, w.lines, rail, inside(share), w.analysis).map((o) => oneLine(b, rail, o)));
    const again = rail === 'lift' ? [relift(b, 'soda-first', inside(0.1))] : [];
    return r.reading.standing === 'below'
      ? [[...alone, bent(b, rail, inside(INSIDE), why)], ...again]
      : [[...alone, ...again, bent(b, rail, inside(INSIDE), why)]];
  };

/** The nearest water at which the batter pours as the school wants it, looked for by halving. @param as how water is changed */
function pourAt(b: Bench, w: Worked, as: (water: number) => readonly Formula[]): { readonly formula: Formula; readonly water: number } | null {
  const { school, thickness } = w.analysis;
  const now = railOf(w.analysis, 'water');
  if (!school || !thickness || !now) return null;
  const at = THICKNESSES.indexOf(thickness.pour);
  const [from, to] = school.pour.map((p) => THICKNESSES.indexOf(p)) as [number, number];
  const thicker = at < from;
  const goal = thicker ? from : to;
  let [near, far] = thicker ? [now.tested, 0.4 * now.tested] : [now.tested, Math.max(2.5 * now.tested, school.zones.water[1])];
  let found: { formula: Formula; water: number } | null = null;
  for (let i = 0; i < 10; i++) {
    const mid = (near + far) / 2;
    const [formula] = as(mid);
    const a = formula ? workedOn(withFormula(b, formula)).analysis : null;
    const pour = a?.thickness ? THICKNESSES.indexOf(a.thickness.pour) : at;
    if (formula && (thicker ? pour >= goal : pour <= goal)) {
      far = mid;
      found = { formula, water: a ? (railOf(a, 'water')?.tested ?? mid) : mid };
    } else near = mid;
  }
  return found;
}

const POUR_WHY = 'it pours as it should. The model is good to one class: add or hold back a little at a time, and pour a test.';

const pourRight: Fix = (b, w) => {
  const alone = pourAt(b, w, (water) => byOneLine(b, w.lines, 'water', water, w.analysis).map((o) => o.formula));
  const moved = alone?.formula.entries.find((e, n) => e.text !== b.formula.entries[n]?.text);
  const byItself: Proposal | null =
    alone && moved
      ? { title: `Water to ${percent(alone.water)}: ${moved.text}`, why: `With "${moved.text}" ${POUR_WHY}`, formula: alone.formula, short: null }
      : null;
  const all = pourAt(b, w, (water) => [bend(b, [{ rail: 'water', value: water }]).formula]);
  return [
    [byItself, all && { title: `Water to ${percent(all.water)}`, why: `At ${percent(all.water)} of water ${POUR_WHY}`, formula: all.formula, short: null }],
  ];
};

/** Sour milk in place of some sweet milk, as much as the unspent soda needs. */
function bringSour(b: Bench, w: Worked): Proposal | null {
  const milk = w.lines.find(
    (l) =>
      l.use === 'batter' && !l.pinned && l.parts.length === 1 && l.ingredient?.category === 'dairy' && l.ingredient.acidMeqPer100g < 2 && (l.grams ?? 0) > 0,
  );
  const unspentMeq = w.analysis.ledger.unspentSodaG * MEQ_PER_G_SODA;
  if (!milk?.grams || !milk.ingredient) return null;
  const c = conventionsOn(b);
  const per = (ingredient('buttermilk').acidMeqPer100g - milk.ingredient.acidMeqPer100g) / 100;
  const need = unspentMeq / per;
  if (need < 5) return null;
  const sour = nameFor('buttermilk', c).name;
  if (need > milk.grams * 1.001) {
    // all the milk made sour is not enough: then less soda as well
    const all = editEntry(b.formula, milk.key, { text: `${writtenGrams(milk.grams)} ${sour}`, stands: undefined, ingredientId: undefined });
    const rest = relift(withFormula(b, all), 'soda-first');
    return rest ? { ...rest, title: 'Buttermilk for the milk, and less soda', why: `All the milk as buttermilk still leaves soda over. ${rest.why}` } : null;
  }
  const rest = milk.grams - need;
  const reduced = rest < 0.03 * milk.grams ? null : withGrams(b, w.lines, new Map([[milk.key, rest]]));
  const formula = reduced
    ? addAfter(reduced, milk.key, `${writtenGrams(need)} ${sour}`)
    : editEntry(b.formula, milk.key, { text: `${writtenGrams(milk.grams)} ${sour}`, stands: undefined, ingredientId: undefined });
  return {
    title: `Swap ${grams(need, b.house.units)} of milk for buttermilk`,
    why: `${grams(need, b.house.units)} of buttermilk brings the ${unspentMeq.toFixed(0)} meq of acid that the soda lacks.`,
    formula,
    short: null,
  };
}

const way = <W extends WayId>(b: Bench, key: W, value: Ways[W], why: string): Proposal | null =>
  kitchenOf(b.formula, b.house).ways[key] === value
    ? null
    : { title: `${MATTERS[key].name}: ${wayName(key, value)}`, why, formula: { ...b.formula, ways: { ...b.formula.ways, [key]: value } }, short: null };

/** The sources of lift a house looks to, the first first. */
const sourcesOf = (b: Bench): readonly Source[] => {
  const { lift } = kitchenOf(b.formula, b.house).ways;
  return lift === 'powder' ? ['no-soda', 'soda-first'] : lift === 'soda' ? ['no-powder', 'soda-first', 'no-soda'] : ['soda-first', 'no-soda'];
};

/** More egg with its whites whipped, where the house has it so. */
const byWhites = (b: Bench, ps: readonly (Proposal | null)[]): readonly (Proposal | null)[] => {
  const { kind } = workedOn(b).analysis;
  if (effectOf(kitchenOf(b.formula, b.house).ways, 'moreEgg', kind?.id ?? null).egg !== 'whites') return ps;
  return ps.map((p) => {
    const after = p && workedOn(withFormula(b, p.formula));
    const line = after?.lines.find((l) => l.use === 'batter' && l.ingredient && isShellEgg(l.ingredient.id) && !l.foam && !l.pinned);
    if (!p || !line) return p;
    return {
      ...p,
      title: `${p.title}, separated`,
      why: `${p.why} The whites go in whipped.`,
      formula: editEntry(p.formula, line.key, { text: `${line.text}, separated` }),
    };
  });
};

const otherReading: Fix = (b, _w, f) => {
  const swap = (text: string): string => text.replace(/\b1[\s-](1\/2|1\/4)/, '$1').replace(/\b1\s*([½¼])/, '$1');
  const read = (title: string, which: (key: string) => boolean): Proposal => ({
    title,
    why: 'Both balances stand side by side: the marks show the card as written, and as read anew.',
    formula: withEntries(
      b.formula,
      b.formula.entries.map((e) => (which(e.key) ? { ...e, text: swap(e.text) } : e)),
    ),
    short: null,
  });
  return [read('Read all of them without the 1', () => true), read('Read only this one without the 1', (key) => f.keys?.includes(key) === true)];
};

const stands: Fix = (b, _w, f) => {
  const key = f.keys?.[0];
  if (!key) return [];
  return [
    {
      title: 'The weight stands',
      why: 'The grams written count; the measure is set aside.',
      formula: editEntry(b.formula, key, { stands: 'weight' }),
      short: null,
    },
    {
      title: 'The measure stands',
      why: 'The cups or spoons written count; the weight is set aside.',
      formula: editEntry(b.formula, key, { stands: 'volume' }),
      short: null,
    },
  ];
};

const strengthen: Fix = (b, w, f) => {
  const lines = w.lines.filter((l) => f.keys?.includes(l.key) && l.grams !== null);
  const put = new Map(lines.map((l) => [l.key, (l.grams ?? 0) / l.strength]));
  return [
    {
      title: 'Use more of it',
      why: `More of the old powder makes up for what it lost: ${[...put.values()].map((g) => grams(g, b.house.units)).join(', ')}.`,
      formula: withGrams(b, w.lines, put),
      short: null,
    },
    ...lines.slice(0, 1).map((l) => ({
      title: 'A fresh tin',
      why: 'Counts it as fresh again.',
      formula: editEntry(b.formula, l.key, { opened: b.house.today ?? undefined }),
      short: null,
    })),
  ];
};

/** A batch larger than this is no answer to a pinch. */
const MOST_TIMES = 8;

const spooned: Fix = (b, w, f) => {
  let formula = b.formula;
  for (const l of w.lines.filter((x) => f.keys?.includes(x.key))) {
    const i = l.ingredient;
    const spoons = i && l.grams ? inSpoons(l.grams, i) : null;
    if (i && spoons) formula = editEntry(formula, l.key, { text: `${spoons.text} ${nameFor(i.id, conventionsOn(b)).name}`, stands: undefined });
  }
  return [{ title: 'Measure it in spoons', why: 'The nearest eighth of a teaspoon, level.', formula, short: null }, larger(b, w, f)];
};

/** The whole batch made so much larger that the scale weighs the small amount honestly, in whole or half times. */
function larger(b: Bench, w: Worked, f: Finding): Proposal | null {
  const need = w.lines.flatMap((l) => {
    const other = f.keys?.includes(l.key) && l.ingredient && l.grams ? instead(l.grams, l.ingredient, w.analysis.scaleStepG) : null;
    return other ? [other.times] : [];
  });
  const times = Math.ceil(2 * Math.max(1, ...need)) / 2;
  if (times <= 1 || times > MOST_TIMES || w.lines.some((l) => l.pinned)) return null;
  const all = new Map(w.lines.filter((l) => l.grams !== null && l.use !== 'topping').map((l) => [l.key, (l.grams ?? 0) * times]));
  return {
    title: `${times} times the batch`,
    why: 'Every line goes with it, so that the scale weighs the least of them honestly. No ratio moves.',
    formula: withGrams(b, w.lines, all),
    short: null,
  };
}

const addIn: Fix = (b, _w, f) => {
  const all = (edit: Parameters<typeof editEntry>[2]): Formula => (f.keys ?? []).reduce((x, k) => editEntry(x, k, edit), b.formula);
  return [
    { title: 'Sprinkle it on', why: `Goes in ${MOMENT_NAMES.poured}.`, formula: all({ moment: 'poured' }), short: null },
    { title: 'Toss it in flour', why: `Stays in the bowl, ${DRESSING_NAMES.floured}.`, formula: all({ dressing: 'floured' }), short: null },
  ];
};

const claimed: Fix = (b, w) => {
  const claim = yieldClaim(b.formula.cardNotes);
  const volume = batterVolume(w.lines, w.analysis.kind?.air ?? 0);
  const { school } = w.analysis;
  if (!claim || !volume || !school) return [];
  const each = 5 * Math.round((0.97 * volume.volumeMl) / claim.pieces / 5);
  const usual = usualPortionMl(school);
  if (each < 0.4 * usual || each > 3 * usual) return [];
  return [
    {
      title: `Pour ${millilitres(each)} each`,
      why: `Then the bowl gives the ${claim.pieces} the card says.`,
      formula: { ...b.formula, portionMl: each },
      short: null,
    },
  ];
};

/** More lift opens the middle; less of the liquid only where there is much of it. */
const puree: Fix = (b, w) => {
  const [water, now] = [railOf(w.analysis, 'water'), railOf(w.analysis, 'lift')];
  if (!water?.zone || !now?.zone) return [];
  const lift = along(now.zone, 0.52);
  const wet = water.tested > along(water.zone, 0.6);
  return [
    [...byOneLine(b, w.lines, 'lift', lift, w.analysis).map((o) => ({ ...oneLine(b, 'lift', o), title: `More lift: ${o.is}` })), relift(b, 'soda-first', lift)],
    ...(wet
      ? [
          {
            title: 'Less liquid, more lift',
            why: 'The puree brings water of its own; more gas opens the middle.',
            ...bend(b, [
              { rail: 'water' as const, value: along(water.zone, 0.5) },
              { rail: 'lift' as const, value: lift },
            ]),
          },
        ]
      : []),
  ];
};

/** A strong spice brought to half of what most batters stay under, on its line or lines. */
const lessSpice: Fix = (b, w, f) => {
  const lines = w.lines.filter((l) => f.keys?.includes(l.key) && !l.pinned && l.parts.length === 1);
  const [first] = lines;
  const limit = first?.ingredient ? strongLimit(first.ingredient) : null;
  const sum = lines.reduce((a, l) => a + (l.grams ?? 0), 0);
  if (!first || limit === null || !(sum > 0)) return [];
  const share = (0.5 * limit * testedFlourG(w.analysis.tally)) / 100 / sum;
  const named = nameFor(first.ingredient?.id ?? '', conventionsOn(b));
  const texts = lines.map((l) => {
    const g = (l.grams ?? 0) * share;
    const spoons = l.amounts[0]?.unit === 'g' || !l.ingredient ? null : inSpoons(g, l.ingredient);
    return `${spoons?.text ?? writtenGrams(g)} ${named.name}`;
  });
  const formula = lines.reduce(
    (x, l, n) => editEntry(x, l.key, { text: texts[n] ?? l.text, stands: undefined, ...(named.ingredientId ? { ingredientId: named.ingredientId } : {}) }),
    b.formula,
  );
  return [{ title: texts.join(', '), why: 'About what most cards have of it, and no more.', formula, short: null }];
};

/** "Some flour": how much of a thing that is known the kind would have. */
const howMuch: Fix = (b, w, f) => {
  const open = w.lines.filter((l) => f.keys?.includes(l.key) && l.ingredient !== null);
  return open.slice(0, MOST_FIXES).map((l) => amountFor(b, w, l));
};

const moreEgg: Fix = (b, w) => {
  const egg = railOf(w.analysis, 'egg');
  if (!egg?.zone) return [];
  const value = Math.min(egg.zone[1], egg.tested + 0.2 * (egg.zone[1] - egg.zone[0]));
  if (value <= egg.tested + 0.5) return [];
  const { formula, short } = bend(b, [{ rail: 'egg', value }]);
  return [{ title: `Egg to ${percent(value)}`, why: 'Egg holds what gluten would.', formula, short }];
};

/** What the cook answers is a fact and no fix: it is taken as it is, and needs no proof. More of an old powder gives the lift that is written. */
const ANSWERS: Readonly<Record<string, Fix>> = {
  'lines-open': howMuch,
  'amounts-disagree': stands,
  'fraction-doubtful': otherReading,
  'small-weighing': spooned,
  'yield-claim': claimed,
  'powder-old': strengthen,
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
  'soda-and-wait': (b) => [relift(b, 'no-soda'), way(b, 'rest', 'none', 'Join dry and wet only when the heat is ready.')],
  'whites-and-wait': (b) => [way(b, 'rest', 'none', 'The batter may rest; the whites go in last, straight before the heat.')],
  'more-than-there-is': (b, w, f) => {
    const line = w.lines.find((l) => f.keys?.includes(l.key));
    return line?.mostG ? [usingUp(b, line.key, line.mostG, 'scale'), usingUp(b, line.key, line.mostG, 'rebalance')] : [];
  },
  'way-against-kind': (b) => {
    const { ways } = kitchenOf(b.formula, b.house);
    const kind = b.formula.kind;
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
