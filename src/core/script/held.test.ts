/** A sentence is true of its batch: over random batches none names what the batch hasn't. */

import fc from 'fast-check';
import { analyse } from '../analyse';
import { MARKS, occursOn } from '../batch/came-out';
import { planOf } from '../batch/plan-of';
import { scriptOfBatch } from '../batch/script-of';
import { ONE } from '../batch/split';
import { stepsOf } from '../day/steps';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { KIND_IDS, kindById } from '../formula/kinds';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { standingOf, type Ways } from '../formula/ways';
import { causesOf } from '../judge/diagnose';
import { findIngredient } from '../pantry/pantry';
import { miseOf } from '../prep/mise';
import { linesOf } from '../testing/formulas';
import { JUDGED_AS_USUAL } from '../testing/judged';
import { anyCard, anyWays } from '../testing/kitchens';
import { methodIn } from './act';
import { heldBy } from './held';
import { waysMade } from './pan-fat';
import { foamed, joiningIn } from './read';

const find = (id: string) => findIngredient(id);
/** Everything that is said of the making of a batch. */
function saidOf(
  texts: readonly string[],
  kind: (typeof KIND_IDS)[number],
  ways: Ways,
): { readonly said: readonly string[]; readonly may: (what: string) => boolean } | null {
  const formula: Formula = {
    ...EMPTY_FORMULA,
    kind,
    school: kindById(kind).schools[0].id,
    name: 'x',
    entries: texts.map((text, n) => ({ key: `l${n + 1}`, text })),
  };
  const driver = { by: 'factor', factor: 1 } as const;
  const planned = planOf({
    formula,
    house: FRESH_KITCHEN,
    end: null,
    driver,
    split: ONE,
    eggs: null,
    exactness: 'gram',
    portionMl: 60,
    sides: [],
  });
  if (!planned.ok) return null;
  const { sheet } = planned.value;
  const made = waysMade(ways, sheet);
  const held = heldBy(sheet, find);
  const script = scriptOfBatch({ sheet, kind, school: formula.school }, made, find);
  const joining = joiningIn(script);
  const { restMin } = standingOf(made, kindById(kind));
  const steps = stepsOf({
    batch: { sheet, split: ONE, kind, driver },
    ways: made,
    script,
    restMin,
    life: { min: 60, why: '' },
    pourings: [{ kind, name: null, pieces: 8, times: { first: 140, second: 90 }, atOnce: 4 }],
    find,
  });
  const mise = miseOf({ sheet, kind, split: ONE, entries: [] }, made, find, {
    measured: { exactness: 'gram', conventions: FRESH_KITCHEN.conventions, drawer: FRESH_KITCHEN.drawer },
    bowls: [],
    mixMl: 800,
  });
  const analysis = analyse(linesOf(...texts), kind);
  const causes = MARKS.filter((m) => occursOn(m, kind)).flatMap((m) =>
    causesOf(m, {
      kind,
      analysis,
      pour: analysis.thickness?.pour ?? null,
      wantedPour: null,
      holds: sheet.flatMap((l) => (l.parts ?? []).map((p) => p.id)),
      ...JUDGED_AS_USUAL,
      batterC: 10,
      panFat: made.panFat,
    }),
  );
  const said = [
    ...steps.flatMap((s) => [s.name, s.why, s.slips]),
    ...methodIn(script).flatMap((s) => [s.do, s.why]),
    ...mise.tools.flatMap((t) => [t.name, t.instead]),
    ...mise.ingredients.flatMap((t) => [t.name]),
    ...joining.parts.map((p) => p.is),
    ...joining.steps,
    // that there is little or none of a thing is true of what has none
    ...causes.flatMap((c) => [c.cause, c.change]).filter((x) => !/\b(?:little|more) (?:egg|leavening)\b/i.test(x)),
  ];
  const text = texts.join(' ');
  const has: Readonly<Record<string, boolean>> = {
    egg: held.egg,
    whites: foamed(script),
    milk: /milk/.test(text),
    butter:
      /butter/.test(text) ||
      /butter|clarified/.test(made.panFat) ||
      (made.panFat === 'usual' && ['oven', 'ball'].includes(kind)),
    leavening: held.leavened,
    rest: restMin > 0,
  };
  return { said, may: (what) => has[what] === true };
}

/** A word that names a thing, and the thing. */
const NAMES: readonly (readonly [RegExp, string])[] = [
  [/\beggs?\b/i, 'egg'],
  [/\bwhites\b/i, 'whites'],
  [/\bmilk\b/i, 'milk'],
  [/\bbutter\b/i, 'butter'],
  [/\b(?:leavening|baking powder|powder|soda)\b/i, 'leavening'],
  [/\b(?:after|before|in) (?:the|it|its|a) rests?\b(?! of)|\bbatter rests\b/i, 'rest'],
];

test('no sentence of the making names an egg, whites, milk, butter, leavening or rest that the batch has not', () => {
  let batches = 0;
  fc.assert(
    fc.property(anyCard, fc.constantFrom(...KIND_IDS), anyWays, (card, kind, ways) => {
      const s = saidOf(card, kind, ways);
      if (!s) return;
      batches++;
      const wrong = s.said.flatMap((x) =>
        NAMES.flatMap(([word, thing]) => (word.test(x) && !s.may(thing) ? [`${thing}: ${x}`] : [])),
      );
      expect([...new Set(wrong)]).toEqual([]);
    }),
    { numRuns: 200 },
  );
  expect(batches).toBeGreaterThan(160);
});
