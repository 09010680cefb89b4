/** The demo kitchen, Lantern Lock Boathouse: formulas and batches from database/demo, all invented. */

import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { driverSchema, outcomeSchema } from '@/contract/batch';
import { actSchema } from '@/contract/event-log';
import { settingsSchema } from '@/contract/formula';
import { conventionsSchema } from '@/contract/house';
import { morningPlanSchema } from '@/contract/morning';
import { gearSchema, thingSchema, weighedMeasureSchema } from '@/contract/pantry';
import { personSchema } from '@/contract/people';
import { lotTestSchema, premixSchema } from '@/contract/premix';
import { sideSchema } from '@/contract/side';
import { END_IDS, MOMENTS } from '@/core/formula/formula';
import { entriesFromCard } from '@/core/formula/from-card';
import { KIND_IDS } from '@/core/formula/kinds';
import { surfacesIn } from '@/core/morning/plan';
import { measureFrom } from '@/core/pantry/calibrate';
import { FRESH_CONVENTIONS } from '@/core/pantry/conventions';
import { ALLERGENS } from '@/core/pantry/ingredient';
import { USE_KINDS } from '@/core/premix/premix';
import { blendSheet, type Fill, massOfFills } from '@/core/premix/weigh';
import { dayAfter, localDay } from '@/core/quantity/day';
import { FRESH_UNITS } from '@/core/quantity/say';
import { writeOutcome } from '../queries/batches';
import { keepItems } from '../queries/event-log';
import { saveVersion } from '../queries/formulas';
import { changeHouse, loadHouse } from '../queries/house';
import { letBagsGo } from '../queries/lot-books';
import { keepTest } from '../queries/lot-tests';
import { closeMorning, keepMorning } from '../queries/mornings';
import { keepMeasure, keepPantry } from '../queries/pantry';
import { keepPerson } from '../queries/people';
import { keepPremix } from '../queries/premixes';
import { keepSide, sides } from '../queries/sides';
import { loadMonths } from './demo-months';
import { weighLot } from './lot-works';
import { makeLot, workedPremix } from './premix-lots';
import { startBatch } from './start-batch';

/** Days before now, for what was opened then. */
const choiceSchema = z.object({
  end: z.enum(END_IDS).optional(),
  pinned: z.boolean().optional(),
  openedDaysAgo: z.number().optional(),
  moment: z.enum(MOMENTS).optional(),
});
const versionSchema = z.object({
  daysAgo: z.number(),
  note: z.string(),
  card: z.array(z.string()),
  /** What was settled about lines, by the line's place on the card. */
  choices: z.record(z.string().regex(/^l\d+$/), choiceSchema).default({}),
  settings: settingsSchema.default(settingsSchema.parse({})),
});
const batchSchema = z.object({
  version: z.number().int(),
  hoursAgo: z.number(),
  driver: driverSchema,
  portionMl: z.number(),
  exactness: z.enum(['exact', 'gram']),
  tickedLines: z.number().int().default(0),
  /** What was noted while it was made, minutes after it was begun. */
  entries: z.array(z.object({ min: z.number(), act: actSchema })).default([]),
  outcome: outcomeSchema.omit({ batchId: true }).optional(),
});
const demoSchema = z.array(
  z.object({
    name: z.string(),
    kind: z.enum(KIND_IDS),
    school: z.string(),
    conventions: conventionsSchema.partial().default({}),
    versions: z.array(versionSchema).min(1),
    batches: z.array(batchSchema).default([]),
  }),
);

const pantrySchema = z.object({
  gear: z.array(gearSchema),
  measures: z.array(weighedMeasureSchema.extend({ used: z.boolean() })),
  things: z.array(thingSchema.extend({ id: z.string() })),
  stock: z.array(
    z.object({
      id: z.string(),
      price: z.number().nullable().default(null),
      packG: z.number().nullable().default(null),
      onHandG: z.number().nullable().default(null),
      openedDays: z.number().optional(),
      bestBeforeDays: z.number().optional(),
    }),
  ),
});

const demoFile = (name: string): unknown =>
  JSON.parse(readFileSync(join(process.cwd(), 'database/demo', name), 'utf8'));
const day = (fromNow: number): string => dayAfter(localDay(Date.now(), FRESH_UNITS), fromNow);

/** What stands on the boathouse's shelf, what it weighs with and cooks on, and the measures it has weighed. */
async function loadPantry(): Promise<void> {
  const { gear, measures, things, stock } = pantrySchema.parse(demoFile('pantry.json'));
  await keepPantry(
    things,
    stock.map(({ id, openedDays, bestBeforeDays, ...s }) => ({
      ...s,
      ingredientId: id,
      opened: openedDays === undefined ? null : day(-openedDays),
      bestBefore: bestBeforeDays === undefined ? null : day(bestBeforeDays),
    })),
  );
  for (const { used, ...m } of measures) await keepMeasure({ ...measureFrom({ id: '', ...m }), used });
  await changeHouse({ gear, maker: { name: 'Lantern Lock Boathouse', place: 'at the lock, by the towpath' } });
}

/** The sauces, butters and fillings it serves. */
async function loadSides(): Promise<void> {
  for (const s of z.array(sideSchema.omit({ id: true })).parse(demoFile('sides.json')))
    await keepSide({ ...s, id: null });
}

const premixesSchema = z.array(
  premixSchema.omit({ id: true, versionId: true }).extend({
    formula: z.string(),
    version: z.number().int(),
    lots: z.array(
      z.object({
        madeDaysAgo: z.number(),
        bags: z.number().int(),
        /** Weighed in, blend by blend; of several sacks each blend takes the next. */
        weighed: z.boolean().default(false),
        lots: z.record(z.string(), z.string()),
        checked: z.string(),
        /** What one piece and one spoon of it showed. */
        test: lotTestSchema.shape.values.optional(),
        gone: z.array(
          z.object({
            bags: z.number(),
            kind: z.enum(USE_KINDS).default('other'),
            who: z.string().default(''),
            why: z.string().default(''),
            price: z.number().nullable().default(null),
          }),
        ),
      }),
    ),
  }),
);

/** Weighs a lot in as its sheet asks. @param codes of the sacks, by ingredient @returns the weighing that fills it */
async function weighedIn(
  lot: { readonly premixId: string; readonly fills: readonly Fill[]; readonly made: string },
  codes: Readonly<Record<string, string>>,
): Promise<string> {
  const house = await loadHouse();
  const kept = await workedPremix(lot.premixId, house);
  const workId = randomUUID();
  const list = kept?.worked ? blendSheet(kept.worked, massOfFills(lot.fills), house, null).list : [];
  for (const w of list) {
    const own = (codes[w.ingredient.id] ?? '').split(', ');
    const sacks = [{ lot: own[Math.min(w.blend, own.length) - 1] ?? '', grams: w.targetG }];
    const noted = await weighLot({
      ...lot,
      workId,
      key: w.key,
      sacks,
      replaces: null,
      who: '',
      why: '',
      requestId: null,
    });
    if (!noted.ok) throw new Error(`A lot of the demo: ${noted.message}`);
  }
  return workId;
}

/** The dry mixes it keeps, a lot of which is near its date. @param versions ids by formula, in order */
async function loadPremixes(versions: ReadonlyMap<string, readonly string[]>): Promise<void> {
  for (const { formula, version, lots, ...p } of premixesSchema.parse(demoFile('premixes.json'))) {
    const versionId = versions.get(formula)?.[version - 1];
    const kept = versionId ? await keepPremix({ ...p, id: null, versionId }) : null;
    if (!kept?.ok) throw new Error(`${p.name} could not be kept`);
    const premixId = kept.id;
    for (const l of lots) {
      const lot = { premixId, fills: [{ bagG: p.settings.bagG, bags: l.bags }], made: day(-l.madeDaysAgo) };
      const made = await makeLot({
        ...lot,
        workId: l.weighed ? await weighedIn(lot, l.lots) : null,
        sacks: Object.fromEntries(Object.entries(l.lots).map(([id, lot]) => [id, [{ lot, grams: null }]])),
        checked: l.checked,
        note: '',
        take: 'no',
        requestId: null,
      });
      if (!made.ok) throw new Error(`${p.name}: ${made.message}`);
      if (l.test) await keepTest({ id: randomUUID(), lotId: made.id, values: l.test, who: '', note: '' });
      for (const g of l.gone)
        await letBagsGo(made.id, {
          bags: g.bags,
          kind: g.kind,
          who: g.who,
          why: g.why,
          price: g.price,
          usedAt: ago((l.madeDaysAgo * 24) / 2),
        });
    }
  }
}

const demoMorningsSchema = z.object({
  people: z.array(personSchema.pick({ name: true, role: true, mark: true })),
  mornings: z.array(
    z.object({
      daysAhead: z.number(),
      name: z.string(),
      waves: morningPlanSchema.shape.waves,
      dishes: z.array(
        z.object({
          formula: z.string(),
          each: z.number(),
          share: z.number(),
          without: z.array(z.enum(ALLERGENS)).default([]),
        }),
      ),
      people: z.array(z.object({ name: z.string(), from: z.number(), to: z.number() })),
      /** What is lit, of the house's gear. */
      lit: z.array(z.string()),
      ovens: z.number(),
      hob: z.number(),
      sides: morningPlanSchema.shape.sides,
      /** Of one that is over, in the order of its dishes. */
      closing: z
        .object({
          dishes: z.array(z.object({ made: z.number(), served: z.number(), kept: z.number(), thrown: z.number() })),
          next: z.string(),
        })
        .optional(),
    }),
  ),
});

/** People of the boathouse, and the morning that they plan. @param formulas by their name */
async function loadMornings(formulas: ReadonlyMap<string, string>): Promise<void> {
  const { people, mornings } = demoMorningsSchema.parse(demoFile('mornings.json'));
  const known = new Map<string, string>();
  for (const p of people) {
    const id = randomUUID();
    known.set(p.name, id);
    const kept = await keepPerson({ ...p, id, revision: null });
    if (!kept.ok) throw new Error(kept.message);
  }
  const gear = surfacesIn((await loadHouse()).gear);
  const sauces = await sides();
  for (const { daysAhead, lit, dishes, people: there, closing, ...m } of mornings) {
    const id = randomUUID();
    await keepMorning({
      id,
      seen: null,
      batches: [],
      plan: {
        ...m,
        day: day(daysAhead),
        dishes: dishes.map(({ formula, share, ...d }, n) => {
          const formulaId = formulas.get(formula);
          if (!formulaId) throw new Error(`The morning makes ${formula}, and there is none.`);
          return { ...d, id: `d${n + 1}`, formulaId, end: null, of: { share } };
        }),
        people: there.map((p) => {
          const of = people.find((x) => x.name === p.name);
          if (!of) throw new Error(`${p.name} is not of the boathouse.`);
          return { ...p, role: of.role, personId: known.get(p.name) ?? null };
        }),
        surfaces: gear.filter((g) => lit.includes(g.gearId)),
        sides: m.sides.map((s) => ({ ...s, sideId: sauces.find((x) => x.name === s.name)?.id ?? null })),
        bell: null,
        kept: [],
        before: false,
      },
    });
    if (closing)
      await closeMorning({
        id,
        closing: { ...closing, dishes: closing.dishes.map((d, n) => ({ ...d, dish: `d${n + 1}` })) },
      });
  }
}

const ago = (hours: number): Date => new Date(Date.now() - hours * 3_600_000);

/** Loads the demo kitchen into an empty database; its dates count back from now. Returns the number of formulas. */
export async function loadDemo(): Promise<number> {
  await loadPantry();
  await loadSides();
  const versions = new Map<string, readonly string[]>();
  const formulas = new Map<string, string>();
  const demo = demoSchema.parse(demoFile('boathouse.json'));
  for (const d of demo) {
    const conventions = { ...FRESH_CONVENTIONS, ...d.conventions };
    let formulaId: string | null = null;
    const versionIds: string[] = [];
    for (const [n, v] of d.versions.entries()) {
      const card = entriesFromCard(v.card.join('\n'), conventions);
      if (!card.ok) throw new Error(`${d.name}: ${card.message}`);
      const entries = card.value.entries.map((e) => {
        const { openedDaysAgo, ...choice } = v.choices[e.key] ?? {};
        return {
          ...e,
          ...choice,
          ...(openedDaysAgo === undefined
            ? {}
            : {
                opened: day(-openedDaysAgo),
              }),
        };
      });
      const formula = {
        name: d.name,
        kind: d.kind,
        school: d.school,
        conventions: d.conventions,
        entries,
        cardNotes: card.value.notes,
        ...v.settings,
      };
      const answer = await saveVersion({
        formulaId,
        basedOn: n || null,
        knownNewest: n || null,
        formula,
        changeNote: v.note,
        savedAt: ago(v.daysAgo * 24),
      });
      if (!answer.ok) throw new Error(`${d.name} could not be saved`);
      const { saved } = answer;
      formulaId = saved.formulaId;
      versionIds.push(saved.versionId);
    }
    versions.set(d.name, versionIds);
    if (formulaId) formulas.set(d.name, formulaId);
    for (const b of d.batches) {
      const versionId = versionIds[b.version - 1];
      if (!versionId) throw new Error(`${d.name} has no version ${b.version}`);
      const started = await startBatch({ ...b, versionId, startedAt: ago(b.hoursAgo) });
      if (!started.ok) throw new Error(`${d.name}: ${started.message}`);
      await keepItems(
        started.id,
        Array.from({ length: b.tickedLines }, (_, i) => ({ id: randomUUID(), do: 'line', key: `l${i + 1}`, to: true })),
      );
      if (b.entries.length > 0)
        await keepItems(
          started.id,
          b.entries.map(({ min, act }) => ({
            id: randomUUID(),
            do: 'enter',
            entry: { id: randomUUID(), at: ago(b.hoursAgo).getTime() + 60_000 * min, act },
          })),
        );
      if (b.outcome) await writeOutcome(started.id, b.outcome, null, ago(b.hoursAgo - 1.5));
    }
  }
  await loadMonths(versions, Date.now());
  await loadPremixes(versions);
  await loadMornings(formulas);
  return demo.length;
}
