/** Where two parts meet: over random kitchens, what one part says of a batch another never contradicts. */

import fc from 'fast-check';
import { z } from 'zod';
import { sheetLineSchema } from '@/contract/stored';
import { noticeOf, panFatIds } from '../batch/notice';
import { planOf, type WholePlan } from '../batch/plan-of';
import { scriptOfBatch } from '../batch/script-of';
import { linesOfSheet, usesOf } from '../batch/sheet';
import { sheetGroups } from '../batch/sheet-groups';
import { bowlLines, plannedG } from '../batch/sheet-line';
import { mixesIn, ONE } from '../batch/split';
import { takeOut } from '../batch/take-out';
import { bowlOf } from '../day/bowl';
import { daySteps } from '../day/day';
import { findIngredient } from '../pantry/pantry';
import { miseOf } from '../prep/mise';
import { methodIn } from '../script/act';
import { heatZone, usualTimes } from '../script/cues';
import { FOAM_STANDS_MIN } from '../script/foam';
import { waysMade } from '../script/pan-fat';
import { foamed, foldsBefore, heatIn } from '../script/read';
import { scriptOf } from '../script/script';
import { type AnyKitchen, anyKitchen } from './kitchens';

const find = (id: string) => findIngredient(id);

function make(k: AnyKitchen): WholePlan | null {
  const p = planOf({ ...k, eggs: null, portionMl: k.driver.by === 'factor' ? null : 60, sides: [], rough: true });
  return p.ok ? p.value : null;
}
const law = (runs: number, holds: (k: AnyKitchen, m: WholePlan) => void): void => {
  let made = 0;
  fc.assert(
    fc.property(anyKitchen, (k) => {
      const m = make(k);
      if (!m) return;
      made++;
      holds(k, m);
    }),
    { numRuns: runs },
  );
  // a law over nothing is none
  expect(made).toBeGreaterThan(0.8 * runs);
};
const near = (a: number, b: number, within: number): void => expect(Math.abs(a - b)).toBeLessThanOrEqual(within);

test('sheet, gather list and set out weigh the same of each thing', () => {
  law(70, (k, { planned }) => {
    const { sheet } = planned;
    const onSheet = new Map<string, number>();
    for (const l of sheet) for (const p of l.parts ?? []) onSheet.set(p.id, (onSheet.get(p.id) ?? 0) + p.grams);
    const gathered = takeOut(usesOf(linesOfSheet(sheet, find), {}), {}).rows;
    for (const r of gathered) near(r.grams, onSheet.get(r.ingredient.id) ?? 0, 1e-6);
    const mise = miseOf({ sheet, kind: k.kind, split: k.split, entries: [] }, waysMade(k.house.ways, sheet), find, {
      measured: { exactness: k.exactness, conventions: k.house.conventions, drawer: k.house.drawer },
      bowls: [],
      mixMl: null,
    });
    for (const t of mise.ingredients)
      if (t.key.startsWith('of:')) near(t.grams ?? 0, onSheet.get(t.key.slice(3)) ?? 0, 1e-6);
  });
});

test('each mix is the same, and together they are what the plan says of batter', () => {
  law(70, (k, { planned }) => {
    const n = mixesIn(k.split);
    const sum = (mix: number): number => bowlLines(planned.sheet, mix).reduce((a, l) => a + (plannedG(l) ?? 0), 0);
    const all = Array.from({ length: n }, (_, m) => sum(m + 1));
    for (const x of all) near(x, all[0] ?? 0, 1e-6);
    if (k.driver.by !== 'both')
      near(
        all.reduce((a, x) => a + x, 0),
        planned.massG,
        1e-6 * planned.massG + 1e-6,
      );
  });
});

test('each end is its share of the base and its own lines; as one end alone base and end are weighed once', () => {
  let forks = 0;
  law(110, (k, { planned }) => {
    if (!k.formula.ends) return;
    const salts = planned.sheet.filter((l) => l.parts?.some((p) => p.id === 'salt-table') && (l.mix ?? 1) === 1);
    if (k.driver.by !== 'both') {
      // the sweet end has no salt of its own: what stands there is the base's, once
      expect(salts.length).toBe(k.formula.entries.some((e) => e.key !== 'l91' && /salt/.test(e.text)) ? 1 : 0);
      return;
    }
    forks++;
    const own = salts.filter((l) => l.forEnd !== undefined);
    expect(own.map((l) => l.forEnd)).toEqual(['savoury']);
    // an end's own line is as many times the card as its pieces ask: sugar of the sweet and salt of the savoury by
    // their sizes
    const flour = planned.sheet.find((l) => l.parts?.some((p) => p.id.startsWith('flour')));
    const sugar = planned.sheet.find((l) => l.forEnd === 'sweet');
    const perCard = (g: number | null | undefined, card: number): number => (g ?? 0) / card;
    const flourOnCard = k.formula.entries.reduce(
      (a, e) => a + (/flour/.test(e.text) ? Number.parseFloat(e.text) : 0),
      0,
    );
    const flourAll = planned.sheet
      .filter((l) => l.parts?.some((p) => p.id.startsWith('flour')))
      .reduce((a, l) => a + (l.grams ?? 0), 0);
    if (flour && sugar && (k.exactness === 'exact' || k.exactness === 'gram'))
      near(
        perCard(flourAll, flourOnCard),
        perCard(sugar.grams, 15) + perCard(own[0]?.grams, 5),
        0.04 * perCard(flourAll, flourOnCard) + 0.15,
      );
  });
  expect(forks).toBeGreaterThan(3);
});

test('a notice tells the allergens of everything on the sheet and of the fat that is really taken', () => {
  law(70, (k, { planned }) => {
    const batch = { sheet: planned.sheet, kind: k.kind, entries: [], driver: k.driver };
    const ways = waysMade(k.house.ways, planned.sheet);
    const held = noticeOf(batch, ways, find).held.map((h) => h.name);
    const ids = [...planned.sheet.flatMap((l) => (l.parts ?? []).map((p) => p.id)), ...panFatIds(batch, ways)];
    const has = (of: string): boolean => ids.some((id) => find(id)?.allergens.some((a) => a === of));
    expect([held.includes('milk'), held.includes('egg'), held.includes('wheat')]).toEqual([
      has('milk'),
      has('egg'),
      has('wheat'),
    ]);
    // what is set out for the pan is what the notice reads
    const mise = miseOf(batch.driver ? { ...batch, split: k.split } : { ...batch, split: ONE }, ways, find, {
      measured: { exactness: k.exactness, conventions: k.house.conventions, drawer: k.house.drawer },
      bowls: [],
      mixMl: null,
    });
    if (mise.ingredients.some((t) => /^Butter for the pan/.test(t.name))) expect(held).toContain('milk');
  });
});

test('the day: every piece that is planned is off at the end, and foam never stands longer than it keeps without a word', () => {
  law(70, (k, { planned }) => {
    const { sheet } = planned;
    const ways = waysMade(k.house.ways, sheet);
    const batch = {
      sheet,
      weights: {},
      entries: [],
      split: k.split,
      kind: k.kind,
      school: k.formula.school,
      driver: k.driver,
      piecesPlanned: planned.pieces?.all ?? null,
      portionMl: 60,
    };
    const bowl = bowlOf(batch, ways, k.house, find);
    const steps = daySteps(batch, bowl, ways, [], find, k.house.units, { gear: k.house.gear });
    const loads = steps.filter((s) => s.loads);
    if (planned.pieces && loads.length > 0 && k.driver.by !== 'both')
      expect(loads.at(-1)?.loads?.off).toBeCloseTo(planned.pieces.all, 6);
    const whites = foamed(bowl.script);
    const fold = steps.filter((s) => /^whip\d+$/.test(s.id));
    const rest = steps.find((s) => s.id === 'rest1');
    expect(fold.length > 0).toBe(whites);
    if (whites && rest && foldsBefore(bowl.script))
      expect(rest.keepsMin ?? 0).toBeLessThanOrEqual(FOAM_STANDS_MIN - rest.min);
    // sheet and day fold on the same side of the rest
    const told = methodIn(scriptOfBatch({ sheet, kind: k.kind, school: k.formula.school }, ways, find)).map(
      (s) => s.do,
    );
    const [foldAt, restAt] = [
      told.findIndex((s) => /from below, turning the bowl/.test(s)),
      told.findIndex((s) => /^Rest /.test(s)),
    ];
    if (whites && rest) expect(foldAt < restAt).toBe(foldsBefore(bowl.script));
  });
});

test('a sheet that is kept is read back as it was, line by line', () => {
  law(60, (_, { planned }) => {
    const kept = JSON.parse(JSON.stringify(planned.sheet));
    expect(z.array(sheetLineSchema).parse(kept)).toEqual(kept);
  });
});

test('the script: each line is taken whole and once, nothing before it is given, and the day takes as long as it says', () => {
  law(120, (k, { planned }) => {
    const sheet = bowlLines(planned.sheet, 1).concat(
      planned.sheet.filter((l) => l.side === undefined && (l.vessel === 'pan' || l.vessel === 'topping' || l.forEnd)),
    );
    const ways = waysMade(k.house.ways, sheet);
    const batch = {
      sheet,
      weights: {},
      entries: [],
      split: ONE,
      kind: k.kind,
      school: k.formula.school,
      driver: k.driver,
      piecesPlanned: planned.pieces?.all ?? null,
      portionMl: 60,
    };
    const bowl = bowlOf(batch, ways, k.house, find);
    const { acts } = scriptOf({
      lines: sheet,
      kind: k.kind,
      ways,
      pourings: bowl.pourings,
      find,
      units: k.house.units,
    });
    // each line, and each mix but the last, goes somewhere; whole, and once
    const taken = new Map<string, number>();
    const given = new Set<string>();
    const done = new Set<string>();
    for (const a of acts) {
      for (const t of a.takes) {
        if (t.of === 'mix') expect(given).toContain(t.id);
        taken.set(`${t.of} ${t.id}`, (taken.get(`${t.of} ${t.id}`) ?? 0) + t.share);
      }
      for (const id of a.after) expect(done).toContain(id);
      expect(done).not.toContain(a.id);
      done.add(a.id);
      for (const g of a.gives) {
        expect(given).not.toContain(g);
        given.add(g);
      }
    }
    const all = [
      ...sheet.map((l) => `line ${l.key}`),
      ...[...given].filter((g) => g !== 'served').map((g) => `mix ${g}`),
    ];
    expect(Object.fromEntries(taken)).toEqual(Object.fromEntries(all.map((id) => [id, 1])));
    // each page has the same: bowls of the sheet, rest, how long a piece lies, heat
    const groups = sheetGroups(sheet, { acts });
    expect(groups.flatMap((g) => g.lines.map((l) => l.key)).sort()).toEqual(sheet.map((l) => l.key).sort());
    const takenBy = (verb: string, of?: string): readonly string[] =>
      acts
        .filter((a) => a.verb === verb && (of === undefined || a.of === of))
        .flatMap((a) => a.takes.flatMap((t) => (t.of === 'line' ? [t.id] : [])))
        .sort();
    const inGroup = (name: string): readonly string[] =>
      (groups.find((g) => g.name === name)?.lines ?? []).map((l) => l.key).sort();
    expect(inGroup('Dry bowl')).toEqual(takenBy('whisk', 'dry'));
    expect(inGroup('Whites, in a clean bowl')).toEqual(takenBy('whip'));
    expect(inGroup('Wet bowl')).toEqual([...takenBy('whisk', 'wet'), ...takenBy('melt'), ...takenBy('brown')].sort());
    expect(bowl.script.acts.find((a) => a.verb === 'rest')?.minutes?.all ?? 0).toBe(bowl.standing.restMin);
    bowl.pourings.forEach((p, n) => {
      const { times, zoneC } = heatIn(bowl.script, n);
      expect(times).toEqual(usualTimes(p.kind, ways));
      expect(zoneC).toEqual(heatZone(p.kind, p.school));
    });
    // the day's steps are its acts: there where they are, and as long
    const steps = daySteps(batch, bowl, ways, [], find, k.house.units, { gear: k.house.gear });
    for (const [verb, id] of [
      ['let warm', 'out'],
      ['soften', 'soften'],
      ['cool', 'cool'],
      ['combine', 'join1'],
      ['rest', 'rest1'],
      ['whip', ways.whip === 'first' ? 'whites1' : 'whip1'],
    ] as const) {
      const act = acts.find((a) => a.verb === verb);
      const step = steps.find((x) => x.id === id);
      expect([id, step?.min]).toEqual([id, act?.minutes?.all]);
    }
  });
});
