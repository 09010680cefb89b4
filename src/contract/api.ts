/** The JSON interface's bodies and answers; the OpenAPI document is made from these. */
import { z } from 'zod';
import { WISHES } from '@/core/balance/moves';
import { VESSELS } from '@/core/card/parts';
import { FACTS, TAKEN } from '@/core/card/told/clause';
import { CLAIMS } from '@/core/card/words';
import { KIND_IDS, KINDS, RAILS } from '@/core/formula/kinds';
import { ROLES, SURFACE_KINDS } from '@/core/morning/morning';
import { EGG_SIZES, FLOUR_FILLS, POWDERS, SALT_CRYSTALS } from '@/core/pantry/conventions';
import { ALLERGENS } from '@/core/pantry/ingredient';
import { CUP_SYSTEMS, TABLESPOONS } from '@/core/quantity/units';
import { ACT_ASKS, ACT_VESSELS, FROM, VERBS } from '@/core/script/act';

const conventions = z
  .strictObject({
    cup: z.enum(CUP_SYSTEMS).optional(),
    tablespoon: z.enum(TABLESPOONS).optional().describe("Whose tablespoon, where it is not the cup's own"),
    flourFill: z.enum(FLOUR_FILLS).optional().describe('"own" is the kitchen\'s calibrated cup'),
    egg: z.enum(EGG_SIZES).optional(),
    salt: z.enum(SALT_CRYSTALS).optional(),
    powder: z.enum(POWDERS).optional().describe('What "baking powder" means'),
  })
  .describe('What is left out is as the house has it');

const text = z.string().min(1, 'The text is empty.').describe('A pasted card, or ingredient lines');

const grams = z
  .number()
  .positive('Grams have to be more than nothing.')
  .max(1_000_000, 'At most 1,000,000 g on a line.');
const ingredientId = z.string().min(1).max(60);
const lineIn = z.object({
  ingredientId: ingredientId.nullable(),
  grams: grams.nullable(),
  use: z.enum(['batter', 'side', 'pan', 'topping']).optional(),
  text: z.string().max(2000).optional(),
  parts: z
    .array(z.object({ ingredientId, grams }))
    .max(24)
    .optional()
    .describe('As "read" gave them, for a line of more than one ingredient, or of a blend'),
});
const lines = z
  .array(lineIn)
  .min(1, 'There are no lines.')
  .max(500, 'At most 500 lines.')
  .describe('Lines as "read" gave them can be sent back; those without an ingredient or grams are not counted');

const schools = KINDS.flatMap((k) => k.schools.map((s) => s.id));
const kind = z.enum(KIND_IDS);
const school = z
  .string()
  .max(30)
  .describe(`One of the kind's: ${[...new Set(schools)].join(', ')}`);

const oneOf = (b: { text?: unknown; lines?: unknown }): boolean => (b.text === undefined) !== (b.lines === undefined);
const ONE = { message: 'Send either "text" or "lines".', path: ['text'] };

function schoolFits(
  b: { kind?: (typeof KIND_IDS)[number] | undefined; school?: string | undefined },
  ctx: z.RefinementCtx,
): void {
  if (b.school === undefined) return;
  if (b.kind === undefined) {
    ctx.addIssue({ code: 'custom', path: ['school'], message: 'A style needs its kind beside it.' });
    return;
  }
  const own = KINDS.find((k) => k.id === b.kind)?.schools.map((s) => s.id) ?? [];
  if (!own.includes(schoolId(b.school)))
    ctx.addIssue({
      code: 'custom',
      path: ['school'],
      message: `"${b.school}" is no style of ${b.kind}: ${own.join(', ')}.`,
    });
}

/** "soft fold" and "soft-fold" are the same school. */
export const schoolId = (s: string): string => s.trim().toLowerCase().replace(/\s+/g, '-');

export const readRequest = z.object({ text, conventions: conventions.optional() });
/** The same by GET: the text alone, in the house's conventions. */
export const readAsked = z.object({ text });

export const analyseRequest = z
  .object({
    text: text.optional(),
    lines: lines.optional(),
    kind: kind.optional(),
    school: school.optional(),
    conventions: conventions.optional(),
  })
  .refine(oneOf, ONE)
  .superRefine(schoolFits);

const asked = z.union(
  [
    z.strictObject({ wish: z.enum(WISHES.map((w) => w.id) as [string, ...string[]]) }),
    z.strictObject({
      rail: z.enum(RAILS),
      value: z.number().min(0).max(100_000).describe('Percent of flour; for the gas g per 100 g flour'),
    }),
    z.strictObject({ fix: z.string().min(1).max(40).describe('The code of a finding that "analyse" answers') }),
    z.strictObject({ swap: z.strictObject({ from: ingredientId, to: ingredientId }) }),
  ],
  'Ask for one thing: { wish }, { rail, value }, { fix } or { swap: { from, to } }.',
);

export const proposeRequest = z
  .object({
    text: text.optional(),
    lines: lines.optional(),
    kind,
    school: school.optional(),
    conventions: conventions.optional(),
    ask: asked,
  })
  .refine(oneOf, ONE)
  .superRefine(schoolFits);

/** "07:30", or with its day: "2026-11-29T07:30". */
const localTime = z
  .string()
  .regex(
    /^(?:\d{4}-\d{2}-\d{2}T)?(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d)?$/,
    'A local time: "07:30", or "2026-11-29T07:30".',
  );
const someName = z.string().trim().min(1).max(80);
const places = z.number().int().min(1).max(500);

export const morningRequest = z
  .object({
    date: z.iso.date(),
    waves: z
      .array(z.object({ at: localTime, covers: z.number().int().min(1).max(10_000) }))
      .min(1)
      .max(24),
    dishes: z
      .array(
        z
          .object({
            text: text.optional(),
            formulaId: z.uuid().optional(),
            name: someName.optional(),
            kind: kind.optional().describe('Of a formula: its own where left out'),
            portion_ml: z.number().positive().max(5000).optional(),
            each: z.number().positive().max(100).default(1).describe('Pieces on a plate'),
            share: z.number().min(0).max(1).optional().describe('Of the covers of each wave'),
            count: z.number().int().min(1).max(100_000).optional().describe('Plates in all'),
            without: z.array(z.enum(ALLERGENS)).max(ALLERGENS.length).default([]),
          })
          .refine(
            (d) => (d.text === undefined) !== (d.formulaId === undefined),
            'Give a text or a formulaId, one of them.',
          )
          .refine((d) => (d.share === undefined) !== (d.count === undefined), 'Give a share or a count, one of them.')
          .refine((d) => d.formulaId !== undefined || d.kind !== undefined, {
            path: ['kind'],
            message: 'A text needs its kind beside it.',
          }),
      )
      .min(1)
      .max(12),
    people: z
      .array(z.object({ name: someName, role: z.enum(ROLES), from: localTime, to: localTime }))
      .min(1)
      .max(40),
    surfaces: z
      .array(
        z.object({
          name: someName,
          kind: z.enum(SURFACE_KINDS),
          places,
          from: localTime.optional(),
          to: localTime.optional(),
        }),
      )
      .max(40),
    ovens: z.number().int().min(0).max(20).default(1),
    hob: z.number().int().min(0).max(40).default(4),
    bell: localTime.optional(),
    kept: z
      .array(
        z.object({
          dish: z.number().int().min(0).describe('Which dish, from 0'),
          pieces: z.number().int().min(1).max(10_000),
          state: z.enum(['frozen', 'chilled']),
        }),
      )
      .max(40)
      .default([]),
    sides: z
      .array(z.object({ name: someName, minutes: z.number().positive().max(600), hob: z.boolean().default(false) }))
      .max(40)
      .default([]),
    eveningBefore: z.boolean().default(false).describe('What can be weighed the evening before is'),
  })
  .superRefine((m, ctx) => {
    const shared = m.dishes.reduce((a, d) => a + (d.share ?? 0), 0);
    if (shared > 0 && Math.abs(shared - 1) > 1e-6)
      ctx.addIssue({
        code: 'custom',
        path: ['dishes'],
        message: `Shares sum to 1; these sum to ${Number(shared.toFixed(3))}.`,
      });
    for (const [n, k] of m.kept.entries())
      if (k.dish >= m.dishes.length)
        ctx.addIssue({ code: 'custom', path: ['kept', n, 'dish'], message: 'There is no such dish.' });
    for (const list of ['people', 'surfaces'] as const) {
      const names = m[list].map((x) => x.name);
      const twice = names.findIndex((x, n) => names.indexOf(x) < n);
      if (twice >= 0)
        ctx.addIssue({ code: 'custom', path: [list, twice, 'name'], message: 'That name is there already.' });
    }
  });

const localMoment = z.string().describe('ISO, local');
const allergens = z.array(z.enum(ALLERGENS));
export const morningResponse = z.object({
  batches: z.array(
    z.object({
      id: z.string(),
      dish: z.number().int().describe('Which dish, from 0'),
      pieces: z.number(),
      waves: z.array(z.number().int()).describe('Which waves it serves, from 0'),
      allergens,
    }),
  ),
  steps: z.array(
    z.object({
      id: z.string(),
      batch: z.string().nullable(),
      name: z.string(),
      from: localMoment,
      to: localMoment,
      by: z.string().nullable(),
      hands: z.boolean(),
      on: z.string().nullable(),
      places: z.number(),
      oven: z.number().nullable().describe('Degrees C'),
      keepsMin: z.number().nullable(),
      allergens,
      needs: z.array(z.string()),
    }),
  ),
  plates: z.array(
    z.object({
      wave: z.number().int().describe('Which wave, from 0'),
      dish: z.number().int().describe('Which dish, from 0'),
      ready: z.number().describe('Plates by the time of the wave'),
      wanted: z.number(),
      at: localMoment.nullable().describe('When all of them are; null: some never are'),
    }),
  ),
  unmet: z.array(
    z.object({
      what: z.string(),
      by: z.number().describe('Minutes; pieces where something has no place at all'),
      waysOut: z.array(z.object({ label: z.string(), effect: z.string() })),
    }),
  ),
});

const twice = z.array(z.number()).length(2).describe('Before and after');

export const proposeResponse = z.object({
  offered: z.array(
    z.object({
      label: z.string(),
      why: z.string(),
      short: z.string().nullable().describe('What of it could not be reached'),
      lines: z.array(
        z.object({ ingredientId: z.string().nullable(), before: z.number().nullable(), after: z.number().nullable() }),
      ),
      mass_g: twice,
      flour_g: twice,
      changes: z.object({ water: twice, egg: twice, fat: twice, sugar: twice, salt: twice, lift: twice }),
      findingsEnded: z.array(z.string()),
      findingsNew: z.array(z.string()),
    }),
  ),
  refused: z.array(
    z.object({
      why: z.string(),
      add: z
        .object({ ingredientId: z.string(), grams: z.number() })
        .nullable()
        .describe('A line that would bring what is lacking'),
    }),
  ),
});

const positive = (what: string, most: number) =>
  z
    .number()
    .positive(`${what} has to be more than nothing.`)
    .max(most, `${what}: at most ${most.toLocaleString('en-GB')}.`);

export const scaleTo = z.union(
  [
    z.strictObject({
      pieces: positive('pieces', 1_000_000).int('Pieces come whole.'),
      portion_ml: positive('portion_ml', 10_000),
    }),
    z.strictObject({ factor: positive('factor', 1_000_000) }),
    z.strictObject({ flour_g: positive('flour_g', 1_000_000) }),
    z.strictObject({ mass_g: positive('mass_g', 1_000_000) }),
    z.strictObject({ ingredientId, grams: positive('grams', 1_000_000) }),
    z.strictObject({ eggs: positive('eggs', 100_000) }),
  ],
  'Say what to scale to: { pieces, portion_ml }, { factor }, { flour_g }, { mass_g }, { ingredientId, grams } or { eggs }, each more than nothing.',
);

export const scaleRequest = z
  .object({
    text: text.optional(),
    lines: lines.optional(),
    to: scaleTo,
    measure: z.enum(['exact', 'gram', 'kitchen'], 'The measures are "exact", "gram" and "kitchen".'),
    kind: kind.optional(),
    school: school.optional(),
    conventions: conventions.optional(),
  })
  .refine(oneOf, ONE)
  .superRefine(schoolFits);

const named = z.object({ id: z.string(), name: z.string() });

export const lineOut = z.object({
  lineNumber: z.number().int(),
  text: z.string(),
  status: z.enum(['read', 'unclear', 'unknown']),
  ingredient: named.nullable(),
  ingredientId: z.string().nullable(),
  amounts: z.array(
    z.object({
      value: z.number(),
      valueHigh: z.number().nullable(),
      unit: z.string().describe('"piece" for a bare count'),
    }),
  ),
  grams: z.number().nullable(),
  gramsLow: z.number().nullable(),
  gramsHigh: z.number().nullable(),
  parts: z
    .array(z.object({ ingredientId: z.string(), grams: z.number() }))
    .describe('More than one for "2 eggs plus 1 yolk"'),
  use: z.enum(['batter', 'pan', 'topping']),
  vessel: z.enum(VESSELS),
  findings: z.array(z.object({ code: z.string(), message: z.string() })),
  suggestions: z.array(named),
});

/** A line as "read" answers it: with what each of its words was taken for. */
const readLineOut = lineOut.extend({
  use: z
    .enum(['batter', 'side', 'pan', 'topping'])
    .describe('"side": it goes with the batter, as a sauce or a glaze does'),
  section: z.string().describe('The id of its section'),
  words: z
    .array(z.object({ text: z.string(), as: z.enum(CLAIMS) }))
    .describe('Every word of the line, as it was claimed'),
  alternatives: z
    .array(z.object({ ingredientId: z.string(), grams: z.number().nullable() }))
    .describe('Other things that will do: "or oil"'),
  readings: z
    .array(
      z.object({
        ingredientId: z.string().nullable(),
        grams: z.number().nullable(),
        text: z.string(),
        why: z.string(),
      }),
    )
    .describe('Where two readings of a number are possible: each, and the line as it would be written then'),
});

const SECTION_ROLES = ['batter', 'side', 'pan', 'topping', 'method', 'unknown'] as const;

const toldOut = z.object({
  fact: z.enum(FACTS),
  value: z
    .union([z.number(), z.string()])
    .describe('Minutes, millilitres, centimetres, degrees C, a count; or a word.'),
  unit: z.enum(['min', 'ml', 'cm', 'C']).nullable(),
  of: z
    .string()
    .nullable()
    .describe(
      'What it is of: batter, wet, dough, butter, piece, filling; surface, oven, milk, holding; an ingredient.',
    ),
  words: z.string().describe('The clause that tells it.'),
  taken: z
    .enum(TAKEN)
    .describe('Told; asked where it is left open how much; a remark where it is not done, or not here.'),
});
const share = z.number().describe('By weight: 1 is all of it.');
const actOut = z.object({
  id: z.string().describe('Verb and object, and a number from the second of its kind on.'),
  verb: z.enum(VERBS),
  of: z.string(),
  on: z.array(z.number().int()).describe('Numbers of the lines that it treats and does not take.'),
  takes: z.array(
    z.union([
      z.object({ line: z.number().int(), share }),
      z.object({ mix: z.string().describe('As an earlier act gave it.'), share }),
    ]),
  ),
  gives: z.array(z.string()).describe('Mixes that come out of it.'),
  vessel: z.enum(ACT_VESSELS).nullable(),
  tools: z.array(z.string()).describe('What it is done with, by size.'),
  minutes: z.object({ all: z.number(), hands: z.number() }).nullable().describe('For one mix, or one piece.'),
  heatC: z.tuple([z.number(), z.number()]).nullable(),
  thenC: z.number().nullable().describe('What the heat is changed to once the first is on it.'),
  portionMl: z.number().nullable(),
  load: z.number().nullable().describe('Pieces made at a time, where that is told.'),
  per: z.enum(['batch', 'mix', 'piece']),
  until: z.string().nullable().describe('What to look for.'),
  asks: z.enum(ACT_ASKS).nullable().describe('What leads: the look, the time, or the look without a clock.'),
  far: z
    .object({ words: z.string(), count: z.number(), unit: z.enum(['turns', 'seconds']) })
    .nullable()
    .describe('How far it is mixed, counted.'),
  note: z.string().nullable().describe("The cook's own, where no number says so."),
  keepsMin: z.number().nullable(),
  after: z.array(z.string()).describe('Acts that have to be over before.'),
  from: z.enum(FROM).describe("Whose word it is: the card's, the formula's own, the house's, or the kind's usual."),
  words: z.string().nullable().describe("The card's words."),
});
export const readResponse = z.object({
  title: z.string().nullable(),
  kind: z.enum(KIND_IDS).nullable().describe('The kind the card seems to be'),
  school: z.string().nullable(),
  why: z.string().nullable().describe('Why that kind'),
  lines: z.array(readLineOut),
  sections: z.array(
    z.object({
      id: z.string(),
      heading: z.string().nullable(),
      role: z.enum(SECTION_ROLES),
      guess: z
        .enum(SECTION_ROLES)
        .optional()
        .describe('Where the lines of an "unknown" section were put until it is settled'),
    }),
  ),
  ignored: z.array(
    z.object({
      lineNumber: z.number().int(),
      text: z.string(),
      why: z
        .enum(['heading', 'yield', 'method', 'note', 'another'])
        .describe('another: of a second recipe in the same text, or of the same in another size, and not read'),
    }),
  ),
  text: z
    .string()
    .optional()
    .describe('Where a file was sent: the card that was read out of it, whose lines are numbered'),
  told: z.array(toldOut).describe('What the method tells, each once.'),
  acts: z
    .array(actOut)
    .describe('How the batter is made, from the cold to the plate; empty where its kind is not known.'),
});

const page = { next: z.string().nullable().describe('"after" of the next page; null: this is the last') };
const when = z.string().describe('ISO 8601');

const formulaRow = z.object({
  id: z.string(),
  name: z.string(),
  kind: z.enum(KIND_IDS),
  school: z.string(),
  version: z.number().int(),
  savedAt: when,
  lastVerdict: z.enum(['best', 'good', 'fair', 'poor']).nullable(),
});
export const formulasResponse = z.object({ formulas: z.array(formulaRow), ...page });

export const formulaResponse = formulaRow.omit({ lastVerdict: true }).extend({
  portion_ml: z.number().nullable(),
  notes: z.string().describe('What stands around the lines: yield, method, remarks'),
  lines: z.array(
    lineOut.omit({ lineNumber: true }).extend({
      key: z.string(),
      off: z.boolean().describe('Switched off: it counts in nothing'),
      end: z.enum(['a', 'b']).nullable().describe('Only in this one of two finishes'),
      percent: z.number().nullable().describe('Of the flour = 100'),
    }),
  ),
});

/** A formula by its words; the open formats are sent as they are, by their content type. */
export const newFormulaRequest = z.object({
  text,
  name: z.string().trim().min(1).max(120).optional(),
  kind: kind.optional(),
  school: school.optional(),
});
export const newFormulaResponse = z.object({
  id: z.string(),
  version: z.number().int(),
  name: z.string(),
  lines: z.number().int(),
  asked: z.number().int().describe('Lines that ask something before they can be weighed'),
});

export const batchesResponse = z.object({
  batches: z.array(
    z.object({
      id: z.string(),
      formulaId: z.string(),
      name: z.string(),
      version: z.number().int(),
      startedAt: when,
      finishedAt: when.nullable(),
      piecesPlanned: z.number().nullable(),
      pieces: z.number().nullable(),
      waste: z.number().nullable(),
      verdict: z.enum(['best', 'good', 'fair', 'poor']).nullable(),
      marks: z.array(z.string()),
      note: z.string(),
      change: z.string().describe('The one change for next time'),
      givenUp: z.boolean(),
    }),
  ),
  ...page,
});

export const pantryResponse = z.object({
  ingredients: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      category: z.string(),
      own: z.boolean().describe('Entered in this kitchen'),
      onHand_g: z.number().nullable(),
      price: z.number().nullable().describe('Of a pack'),
      pack_g: z.number().nullable(),
      opened: z.string().nullable(),
      bestBefore: z.string().nullable(),
      allergens: z.array(z.string()).nullable().describe('null: nobody has stated them'),
    }),
  ),
  ...page,
});

const finding = z.object({
  code: z.string(),
  severity: z.enum(['stop', 'look', 'note']),
  basis: z.enum(['measured', 'arithmetic', 'model']),
  message: z.string(),
});

const suspect = z.object({
  line: z.number().int().describe('The line, as /read numbers it; 0: a line that was left out.'),
  as: z.string().describe('The slip: "tablespoon for teaspoon".'),
  instead: z.object({ text: z.string(), grams: z.number() }).describe('The line as it may have been meant.'),
});
export const analyseResponse = z.object({
  lines: z.array(lineOut),
  mass_g: z.number(),
  flour_g: z.number(),
  percent: z.object({
    liquid: z.number(),
    water: z.number(),
    egg: z.number(),
    fat: z.number(),
    sugar: z.number(),
    salt: z.number(),
  }),
  lift: z.object({
    soda_g: z.number(),
    sodaInPowder_g: z.number(),
    acid_meq: z.number(),
    base_meq: z.number(),
    unspentSoda_g: z.number(),
    unspentAcid_meq: z.number(),
    co2_g_per_100g_flour: z.number(),
  }),
  batter: z.object({ density_g_per_ml: z.number(), volume_ml: z.number(), pour: z.string().nullable() }),
  findings: z.array(finding),
  suspects: z
    .array(
      suspect.extend({
        also: z.array(suspect).describe('A second line, where only two slips together explain it; empty mostly.'),
        ends: z.array(z.string()).describe('Codes of findings that would be gone.'),
        left: z.array(z.string()).describe('Codes of findings that would stay.'),
        weight: z.number().min(0).max(1).describe('How likely it is beside the others, and beside no slip at all.'),
      }),
    )
    .describe('Lines that may be a slip of the pen, the likeliest first; empty where nothing explains what is found.'),
});

export const scaleResponse = z.object({
  factor: z.number(),
  pieces: z.number().int().nullable(),
  lines: z.array(
    z.object({
      ingredientId: z.string().nullable(),
      grams: z.number().nullable(),
      measure: z.string().nullable(),
      text: z.string(),
    }),
  ),
  drift: z.object({
    liquid: z.number(),
    water: z.number(),
    egg: z.number(),
    fat: z.number(),
    sugar: z.number(),
    salt: z.number(),
    co2: z.number(),
  }),
});

/** `disk` stands where the records' disk takes nothing more: what is there can be read, and no save goes in. */
export const healthResponse = z.object({
  status: z.enum(['ok', 'degraded']),
  database: z.enum(['up', 'away']),
  disk: z.literal('full').optional(),
});

export const problemResponse = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })),
});
