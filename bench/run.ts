/**
 * The first part of npm run bench: how many 20-line formulas are analysed, rails dragged and cards read in a second.
 * Median of five rounds, after a warm-up.
 */

import { readFileSync } from 'node:fs';
import { analyse } from '../src/core/analyse';
import { analyseFormula } from '../src/core/analyse-formula';
import { workedOn } from '../src/core/balance/bench';
import { keepsOf } from '../src/core/balance/bounds';
import { fixesFor } from '../src/core/balance/fixes';
import { kitchenMeasures } from '../src/core/balance/kitchen';
import { WISHES } from '../src/core/balance/moves';
import { ask, bend } from '../src/core/balance/ratios';
import { solve } from '../src/core/balance/solve';
import { swapRebalanced, swapsFor } from '../src/core/balance/swaps';
import { kitchenLines } from '../src/core/batch/kitchen';
import { mixesFor } from '../src/core/batch/mixes';
import { plannedSheet, readyFor } from '../src/core/batch/plan';
import { scriptOfBatch } from '../src/core/batch/script-of';
import { ONE } from '../src/core/batch/split';
import { meansOf } from '../src/core/batch/worth';
import { readCard } from '../src/core/card/card';
import { readLine } from '../src/core/card/line';
import { cooked } from '../src/core/cooking/cook';
import { timeLine } from '../src/core/day/schedule';
import { stepsOf } from '../src/core/day/steps';
import { EMPTY_FORMULA, type Formula } from '../src/core/formula/formula';
import { entriesFromCard } from '../src/core/formula/from-card';
import { RAILS, railOf } from '../src/core/formula/kinds';
import { FRESH_KITCHEN } from '../src/core/formula/kitchen-settings';
import { countedLines } from '../src/core/formula/lines';
import { AS_IT_GOES, rehearsalOf, rehearse } from '../src/core/morning/rehearse';
import { solveMorning } from '../src/core/morning/solve';
import { FRESH_CONVENTIONS } from '../src/core/pantry/conventions';
import { findIngredient } from '../src/core/pantry/pantry';
import { USUAL_TIMES } from '../src/core/script/on-heat';
import { suspectsIn } from '../src/core/suspects/suspects';
import { COMMON } from '../src/core/testing/common';
import { judge, LINE_VERDICTS, workedLines } from '../src/core/testing/corpus';
import { FAULTY } from '../src/core/testing/faulty';
import { linesOf } from '../src/core/testing/formulas';
import { heldHonest } from '../src/core/testing/held-honest';
import { REGATTA, regattaAsked } from '../src/core/testing/regatta';
import { SLIPPED, UNUSUAL } from '../src/core/testing/slips';
import { cardOut } from '../src/server/reading/card-out';
import { CARD, METHOD } from './card';

/** Operations per second: the median of five rounds of about 0.4 s. */
function perSecond(work: (n: number) => void): number {
  for (let n = 0; n < 50; n++) work(n);
  const rounds: number[] = [];
  for (let r = 0; r < 5; r++) {
    const from = performance.now();
    let n = 0;
    while (performance.now() - from < 400) for (let i = 0; i < 10; i++) work(n++);
    rounds.push((1000 * n) / (performance.now() - from));
  }
  return rounds.sort((a, b) => a - b)[2] ?? 0;
}

const card = readCard(CARD, FRESH_CONVENTIONS);
if (!card.ok) throw new Error(card.error.message);
const { lines } = card.value;
if (lines.length !== 20 || lines.some((l) => l.grams === null)) throw new Error('the bench card is not 20 whole lines');

// each round changes one amount, as typing does, so that nothing can be answered from memory
const changed = (n: number) =>
  lines.map((l, i) =>
    i === n % 20 ? { ...l, parts: l.parts.map((p) => ({ ...p, grams: p.grams * (1 + (n % 97) / 1000) })) } : l,
  );

const show = (name: string, n: number): void =>
  console.log(`${name.padEnd(64)} ${Math.round(n).toLocaleString('en-GB').padStart(9)} per second`);
const analysed = perSecond((n) => analyse(changed(n), 'griddle', 'even'));
show('analyse a 20-line formula (ratios, ledger, thickness, findings)', analysed);
const pasted = entriesFromCard(CARD, FRESH_CONVENTIONS);
if (!pasted.ok) throw new Error(pasted.message);
const formula: Formula = { ...EMPTY_FORMULA, entries: pasted.value.entries };
const retyped = (n: number): Formula => ({
  ...formula,
  entries: formula.entries.map((e, i) => (i === 0 ? { ...e, text: `${300 + (n % 500)} g flour` } : e)),
});
show(
  'full analysis: 20 lines of text to numbers and findings',
  perSecond((n) => analyseFormula(retyped(n), FRESH_KITCHEN)),
);
// a rail dragged: the water to another place at each step, as the worker is asked
const bench = { formula, house: FRESH_KITCHEN, end: null };
const worked = workedOn(bench);
const water = worked.analysis.percent?.freeWater ?? 0;
const questions = Array.from(
  { length: 50 },
  (_, n) => ask(bench, worked, [{ rail: 'water', value: water * (0.9 + n / 250) }]).question,
);
if (!questions.every((q) => solve(q).met)) throw new Error('a drag of the bench card is out of reach');
show(
  'a rail drag answered (solver, 20 lines)',
  perSecond((n) => {
    const q = questions[n % questions.length];
    if (q) solve(q);
  }),
);
show(
  'read a 20-line card to grams',
  // no line twice, so that none is known already
  perSecond((n) =>
    readCard(
      CARD.replaceAll(/^\d+/gm, (d) => String(Number(d) + n)),
      FRESH_CONVENTIONS,
    ),
  ),
);
show(
  'read a card of 20 lines and 12 sentences to lines, facts and acts',
  perSecond((n) =>
    cardOut(`${CARD.replaceAll(/^\d+/gm, (d) => String(Number(d) + n))}\n\n${METHOD}`, FRESH_CONVENTIONS),
  ),
);
// 60 ml at 11 cm and 175 degrees, to the turn and to done; each a little thicker than the one before
show(
  'a piece cooked through, by the model of heat',
  perSecond((n) =>
    cooked(
      {
        kgPerM2: 6.6 + (n % 50) / 100,
        densityGPerMl: 1.05,
        waterShare: 0.55,
        liftMl: 180,
        batterC: 21,
        browns: 1,
      },
      { surfaceC: 175, roomC: 24, lid: false },
      { sugarPercent: 9, film: false },
    ),
  ),
);
// a regatta: five dishes, three waves, 127 steps; alone, and with every way out worked
const regatta = regattaAsked(REGATTA);
show(
  'a regatta morning in one schedule',
  perSecond(() => solveMorning(regatta, false)),
);
show(
  'a regatta morning with its ways out',
  perSecond(() => solveMorning(regatta)),
);
const solvedRegatta = solveMorning(regatta, false);
if (solvedRegatta.ok) {
  const plan = rehearsalOf(regatta, solvedRegatta.value);
  show(
    'that morning rehearsed 500 times',
    perSecond((n) => rehearse(plan, AS_IT_GOES, 500, (n * 0.37) % 1)),
  );
}
// a batch planned for 84 guests in bowls: times, what it means otherwise, mixes and waves, the sheet of every mix
show(
  'a batch for 84 guests planned in bowls, with its sheets',
  perSecond((n) => {
    const driver = {
      by: 'guests',
      guests: 84 + (n % 7),
      each: 2,
      secondsPct: 10,
      testPiece: true,
      portionMl: 60,
    } as const;
    const whole = readyFor({ formula, house: FRESH_KITCHEN, end: null, driver, split: ONE, eggs: null });
    if (!whole.ok) throw new Error(whole.error.message);
    const means = meansOf(whole.value.lines, whole.value.before, whole.value.all, 60);
    const m = mixesFor({
      massG: means.massG,
      volumeMl: means.volumeMl,
      pieces: means.pieces,
      perMin: 3,
      lifeMin: 60,
      bowls: [],
    });
    const split = {
      by: 'bowls',
      mixes: m.mixes,
      atOnce: m.atOnce,
      bowl: null,
      lifeMin: 60,
      apartMin: m.apartMin,
    } as const;
    const ready = readyFor({ formula, house: FRESH_KITCHEN, end: null, driver, split, eggs: null });
    if (
      !ready.ok ||
      !plannedSheet(ready.value, {
        driver,
        exactness: 'gram',
        house: FRESH_KITCHEN,
        kind: formula.kind,
        portionMl: 60,
        split,
        stepG: 1,
      }).ok
    )
      throw new Error('the bench card cannot be planned');
  }),
);
// the same day as a time line, the first plates at another minute each time
const sheetOfDay = (() => {
  const driver = { by: 'guests', guests: 84, each: 2, secondsPct: 10, testPiece: true, portionMl: 60 } as const;
  const split = { by: 'bowls', mixes: 4, atOnce: 1, bowl: null, lifeMin: 60, apartMin: 12 } as const;
  const ready = readyFor({ formula, house: FRESH_KITCHEN, end: null, driver, split, eggs: null });
  const planned = ready.ok
    ? plannedSheet(ready.value, {
        driver,
        exactness: 'gram',
        house: FRESH_KITCHEN,
        kind: formula.kind,
        portionMl: 60,
        split,
        stepG: 1,
      })
    : null;
  if (!planned?.ok) throw new Error('the bench card cannot be planned');
  return { driver, split, sheet: planned.value.sheet };
})();
const dayBatch = { ...sheetOfDay, kind: 'griddle' } as const;
const steps = stepsOf({
  batch: dayBatch,
  ways: FRESH_KITCHEN.ways,
  script: scriptOfBatch(dayBatch, FRESH_KITCHEN.ways, (id) => findIngredient(id)),
  restMin: 10,
  life: { min: 60, why: '' },
  pourings: [{ kind: 'griddle', name: null, pieces: 185, times: USUAL_TIMES.griddle, atOnce: 10 }],
  find: (id) => findIngredient(id),
});
show(
  `its time line of ${steps.length} steps, counted back from the plates`,
  perSecond((n) =>
    timeLine(
      steps,
      { at: 1.8e12 + 60_000 * (n % 500), anchor: 'first', helpers: n % 3, dayOneAt: null, moved: {} },
      null,
    ),
  ),
);
const counted = countedLines(formula, FRESH_KITCHEN, null);

/** Fifty sizes of the card in kitchen measures: how long each takes, and how much less they drift than line by line. */
function rounding(): void {
  let better = 0;
  let seconds = 0;
  for (let n = 0; n < 50; n++) {
    const from = performance.now();
    const c = kitchenMeasures(kitchenLines(counted, 0.3 * 1.06 ** n), FRESH_CONVENTIONS, FRESH_KITCHEN.drawer);
    seconds += (performance.now() - from) / 1000;
    if (c.drift > c.plainDrift + 0.25 + 1e-9)
      throw new Error(`kitchen measures at ${n} drift more than rounding each line`);
    if (c.drift < c.plainDrift - 1e-9) better += 1;
  }
  console.log(
    `${'kitchen measures for 20 lines, 50 sizes'.padEnd(64)} ${(50 / seconds).toFixed(1).padStart(9)} per second`,
  );
  console.log(`less drift than rounding each line in ${better} of 50; more nowhere by a quarter of a tolerance.`);
}
rounding();

// how well cards are read: the corpus' own lines, each alone
const corpus = workedLines(readFileSync(new URL('../src/core/card/corpus/lines.tsv', import.meta.url), 'utf8'));
const verdicts = corpus.map((w) => judge(w, readLine(w.text, FRESH_CONVENTIONS)));
console.log(
  `\n${corpus.length} lines of the corpus: ${LINE_VERDICTS.map((v) => `${v} ${verdicts.filter((x) => x === v).length}`).join(', ')}`,
);

// what is said of common formulas, and of faulty ones
const said = COMMON.map((c) =>
  analyse(linesOf(...c.lines), c.kind, c.school).findings.filter((f) => f.code !== 'honey-infant'),
);
const calm = said.filter((f) => f.length === 0).length;
const loud = said.filter((f) => f.some((x) => x.severity !== 'note')).length;
console.log(
  `${COMMON.length} common formulas: wholly calm ${calm}, with notes ${COMMON.length - calm - loud}, with a look or stop ${loud}`,
);
const told = (gross: boolean) =>
  FAULTY.filter((f) => f.gross === gross).map((f) =>
    analyse(linesOf(...f.lines), f.kind, f.school).findings.some((x) => x.code === f.code),
  );
for (const gross of [true, false])
  console.log(`${told(gross).length} ${gross ? 'gross' : 'subtle'} faults: told ${told(gross).filter(Boolean).length}`);
const mended = FAULTY.map((f) => {
  const b = {
    formula: {
      ...EMPTY_FORMULA,
      kind: f.kind,
      school: f.school,
      entries: f.lines.map((text, n) => ({ key: `l${n}`, text })),
    },
    house: FRESH_KITCHEN,
    end: null,
  };
  const found = workedOn(b).analysis.findings.find((x) => x.code === f.code);
  return found ? fixesFor(b, found).length > 0 : false;
});
console.log(`with a proven way to mend it: ${mended.filter(Boolean).length} of ${FAULTY.length}`);

// slips of the pen: the true line among those named, good formulas left in peace, and how long a card takes
const slipMs: number[] = [];
const suspected = (c: Pick<(typeof COMMON)[number], 'lines' | 'kind' | 'school'>) => {
  const lines = linesOf(...c.lines);
  const from = performance.now();
  const s = suspectsIn({
    lines,
    kind: c.kind,
    school: c.school,
    at: {},
    conventions: FRESH_CONVENTIONS,
    asLine: (l) => l,
  });
  slipMs.push(performance.now() - from);
  return s;
};
const slipsFound = SLIPPED.filter((c) => suspected(c).some((s) => s.rereads.some((r) => r.at === c.at))).length;
slipMs.sort((a, b) => a - b);
console.log(
  `one slip on a card: found in ${slipsFound} of ${SLIPPED.length}, ${slipMs[slipMs.length >> 1]?.toFixed(0)} ms a card, at most ${slipMs.at(-1)?.toFixed(0)} ms; suspected of ${UNUSUAL.length} unusual ${UNUSUAL.filter((c) => suspected(c).length > 0).length}, of ${COMMON.length} common ${COMMON.filter((c) => suspected(c).length > 0).length}`,
);

/**
 * Proposals over a thousand askings of a sort on the common formulas: offered, refused, and the least of flour and
 * total that is kept.
 */
function kept(
  name: string,
  askings: readonly (() => {
    readonly b: Parameters<typeof keepsOf>[0];
    readonly p: Parameters<typeof keepsOf>[1] | null;
  })[],
): void {
  let [offered, flour, mass] = [0, 1, 1];
  const asked = askings.slice(0, 1000);
  for (const ask of asked) {
    const { b, p } = ask();
    if (!p) continue;
    offered++;
    const k = keepsOf(b, p);
    flour = Math.min(flour, k.flour);
    mass = Math.min(mass, k.mass);
  }
  console.log(
    `${`proposals: ${name}, of ${asked.length}`.padEnd(64)} ${offered} offered, ${asked.length - offered} refused; least flour kept ${(100 * flour).toFixed(0)} %, total ${(100 * mass).toFixed(0)} %`,
  );
}
const commons = COMMON.map((c) => ({
  formula: {
    ...EMPTY_FORMULA,
    kind: c.kind,
    school: c.school,
    entries: c.lines.map((text, n) => ({ key: `l${n + 1}`, text })),
  },
  house: FRESH_KITCHEN,
  end: null,
}));
for (const w of WISHES)
  kept(
    `"${w.name}"`,
    commons.map((b) => () => ({ b, p: w.propose(b) })),
  );
for (const rail of RAILS)
  for (const times of [0.4, 2.5])
    kept(
      `${rail} dragged to ${times} times`,
      commons.map((b) => () => {
        const r = railOf(workedOn(b).analysis, rail);
        return { b, p: r?.reading ? bend(b, [{ rail, value: times * r.tested }]) : null };
      }),
    );
kept(
  'swaps',
  commons.flatMap((b) =>
    workedOn(b).lines.flatMap((l) => swapsFor(l).map((s) => () => ({ b, p: swapRebalanced(b, l, s) }))),
  ),
);

// what happened in the bowl, on batches made up whose slip is known
const honest = heldHonest({ batches: 4000, draws: 4000, seed: 0.42 });
const share = (x: number): string => `${(100 * x).toFixed(1)} %`;
console.log(
  [
    `what happened: ${honest.slipped} batches with a slip, the first group holds it in ${share(honest.first)}`,
    `(${honest.members.toFixed(1)} slips a group; the most that can be known ${share(honest.ceiling)}; the table's first cause ${share(honest.byTable)})`,
    `said with 70 to 80 %: ${honest.said}, true ${share(honest.saidTrue)}; sizes in their range ${share(honest.sizesIn)} of ${honest.sized}`,
    `of ${honest.good} good batches accused ${share(honest.accused)}`,
  ].join('\n'),
);
