/** The three calls, from a checked body to an answer: thin translations around the core. */

import type { z } from 'zod';
import {
  type analyseRequest,
  type analyseResponse,
  type proposeRequest,
  type proposeResponse,
  type readRequest,
  type readResponse,
  type scaleRequest,
  type scaleResponse,
  type scaleTo,
  schoolId,
} from '@/contract/api';
import { analyse } from '@/core/analyse';
import { type Bench, withFormula, workedOn } from '@/core/balance/bench';
import { proposalsFor } from '@/core/balance/propose';
import type { Driver } from '@/core/batch/driver';
import { inKitchen } from '@/core/batch/kitchen';
import { scale } from '@/core/batch/scale';
import { timesOf } from '@/core/batch/worth';
import { notesOn, readCard } from '@/core/card/card';
import { type Line, readLine } from '@/core/card/line';
import { portionTold } from '@/core/card/told/portion';
import type { AccountLine } from '@/core/facts/account';
import { EMPTY_FORMULA, type Entry, type Formula, nextKey } from '@/core/formula/formula';
import { entriesFromCard } from '@/core/formula/from-card';
import { type KindId, kindById, type Rail, railOf } from '@/core/formula/kinds';
import { FRESH_KITCHEN } from '@/core/formula/kitchen-settings';
import { withCard } from '@/core/formula/pasted';
import { FRESH_CONVENTIONS, type KitchenConventions } from '@/core/pantry/conventions';
import { ownFill } from '@/core/pantry/fill';
import { type Ingredient, membersOf } from '@/core/pantry/ingredient';
import { nameFor } from '@/core/pantry/naming';
import { findIngredient } from '@/core/pantry/pantry';
import { FRESH_DRAWER } from '@/core/pantry/tools';
import { asTyped } from '@/core/quantity/say';
import { suspectsIn } from '@/core/suspects/suspects';
import { reach } from '../db/pool';
import { lastHouse, loadHouse } from '../queries/house';
import { type ApiLine, outLine } from '../reading/card-out';
import { inReader } from '../reading/reader';
import { problem } from './problem';

export type CallAnswer<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly response: Response };

export const refuseCall = (
  status: number,
  path: string,
  message: string,
  more = {},
): { ok: false; response: Response } => ({
  ok: false,
  response: problem(status, message, [{ path, message }], more),
});

type ConventionsIn = z.infer<typeof readRequest>['conventions'];

/** What a call has to say for itself to need no house. */
const SAID_BY_CALLS = ['cup', 'flourFill', 'egg', 'salt', 'powder'];

/** The conventions a call is read in: what it says itself, else the house's own, as it is or was last known. */
async function house(c: ConventionsIn): Promise<CallAnswer<KitchenConventions>> {
  const given = Object.fromEntries(Object.entries(c ?? {}).filter(([, v]) => v !== undefined));
  const kept = await reach(loadHouse);
  const house = kept.up ? kept.value : lastHouse();
  const whole = SAID_BY_CALLS.every((k) => k in given);
  if (!house && !whole)
    return {
      ok: false,
      response: problem(
        503,
        "The house's own conventions are out of reach: send all of them, or ask again after the time in Retry-After.",
      ),
    };
  const value: KitchenConventions = { ...(house?.conventions ?? FRESH_CONVENTIONS), ...given };
  if (value.flourFill === 'own' && c?.flourFill === 'own' && !ownFill(value))
    return refuseCall(422, 'conventions.flourFill', 'This kitchen has no calibrated cup of its own yet.');
  return { ok: true, value };
}

export async function read(body: z.infer<typeof readRequest>): Promise<CallAnswer<z.infer<typeof readResponse>>> {
  const h = await house(body.conventions);
  if (!h.ok) return h;
  const read = await inReader('card', body.text, h.value);
  return read.ok ? read : refuseCall(422, 'text', read.error.message);
}

type Source = Pick<z.infer<typeof analyseRequest>, 'text' | 'lines' | 'conventions'>;
interface Worked {
  readonly house: KitchenConventions;
  readonly lines: readonly AccountLine[];
  readonly out: readonly ApiLine[];
  /** The same lines in words, as a slip of the pen would stand in them. */
  readonly written: readonly Line[];
  /** What stood around the lines of a card. */
  readonly notes: string;
}

async function linesOf(body: Source): Promise<CallAnswer<Worked>> {
  const h = await house(body.conventions);
  if (!h.ok) return h;
  if (body.text !== undefined) {
    const card = readCard(body.text, h.value);
    if (!card.ok) return refuseCall(422, 'text', card.error.message);
    const { lines, recipes } = card.value;
    if (recipes.length > 0) {
      const titles = recipes.map((r) => r.title).join(', ');
      return refuseCall(422, 'text', `There are ${recipes.length} recipes in it: ${titles}. Send one of them.`);
    }
    const out = lines.map((l) => outLine(l, l.lineNumber));
    return { ok: true, value: { house: h.value, lines, out, written: lines, notes: notesOn(card.value) } };
  }
  const lines: ReturnType<typeof apiLine>[] = [];
  for (const [n, l] of (body.lines ?? []).entries()) {
    const stranger = strangerIn(l, h.value);
    if (stranger) return refuseCall(400, `lines.${n}.${stranger.path}`, `"${stranger.id}" is not in the pantry.`);
    lines.push(apiLine(l, n + 1, h.value));
  }
  return {
    ok: true,
    value: {
      house: h.value,
      lines: lines.map((l) => l.line),
      out: lines.map((l) => l.out),
      written: lines.map((l) => inWords(l.line, h.value)),
      notes: '',
    },
  };
}

type LineIn = NonNullable<Source['lines']>[number];

/** The first id of a line that is in no pantry. */
function strangerIn(l: LineIn, h: KitchenConventions): { readonly path: string; readonly id: string } | null {
  if (l.ingredientId !== null && !findIngredient(l.ingredientId, h.own))
    return { path: 'ingredientId', id: l.ingredientId };
  const m = (l.parts ?? []).findIndex((p) => !findIngredient(p.ingredientId, h.own));
  return m < 0 ? null : { path: `parts.${m}.ingredientId`, id: l.parts?.[m]?.ingredientId ?? '' };
}

const partsOf = (i: Ingredient, grams: number) =>
  membersOf(i).map((m) => ({ ingredient: m.ingredient, grams: grams * m.share }));

/** A line sent as grams. Its text, where it fits the ingredient, still says what is done to it and where it goes. */
function apiLine(
  l: LineIn,
  lineNumber: number,
  conventions: KitchenConventions,
): { readonly line: AccountLine; readonly out: ApiLine } {
  const i = l.ingredientId === null ? null : (findIngredient(l.ingredientId, conventions.own) ?? null);
  const said = l.text === undefined ? null : readLine(l.text, conventions);
  const same = said !== null && said.ingredient?.id === i?.id ? said : null;
  const text = l.text ?? '';
  // what goes beside the batter counts in no ratio, like a topping
  const use = l.use === 'side' ? 'topping' : (l.use ?? same?.use ?? 'batter');
  const whole = i && l.grams !== null ? partsOf(i, l.grams) : [];
  const sent = (l.grams === null ? [] : (l.parts ?? [])).flatMap((p) => {
    const part = findIngredient(p.ingredientId, conventions.own);
    return part ? partsOf(part, p.grams) : [];
  });
  const parts = sent.length > 0 ? sent : whole;
  const out: ApiLine = {
    lineNumber,
    text,
    use,
    status: whole.length > 0 ? 'read' : i ? 'unclear' : 'unknown',
    ingredient: i ? { id: i.id, name: i.name } : null,
    ingredientId: i?.id ?? null,
    amounts: l.grams === null ? [] : [{ value: l.grams, valueHigh: null, unit: 'g' }],
    grams: l.grams,
    gramsLow: l.grams,
    gramsHigh: l.grams,
    parts: parts.map((p) => ({ ingredientId: p.ingredient.id, grams: p.grams })),
    vessel: same?.vessel ?? (use === 'batter' ? 'dry' : use),
    findings: [],
    suggestions: [],
  };
  const line = {
    ingredient: i,
    text,
    use,
    parts,
    preparation: same?.preparation ?? '',
    foam: same?.foam ?? null,
  };
  return { line, out };
}

/** A line that was sent as grams, as it would be written. */
function inWords(l: AccountLine, conventions: KitchenConventions): Line {
  const grams = l.parts.reduce((a, p) => a + p.grams, 0);
  const text = l.text ?? '';
  const said = readLine(text, conventions);
  if (said.ingredient?.id === l.ingredient?.id && said.grams !== null && Math.abs(said.grams - grams) <= 0.01 * grams)
    return { ...said, use: l.use };
  const named = l.ingredient && nameFor(l.ingredient.id, conventions);
  const line = readLine(named ? `${grams} g ${named.name}` : text, conventions, {
    ingredientId: named?.ingredientId,
  });
  return { ...line, use: l.use };
}

/** The likeliest slips of the pen in what was sent. */
function suspectsOf(body: z.infer<typeof analyseRequest>, w: Worked): z.infer<typeof analyseResponse>['suspects'] {
  if (body.kind === undefined) return [];
  const found = suspectsIn({
    lines: w.written,
    kind: body.kind,
    school: body.school === undefined ? null : schoolId(body.school),
    at: { cardNotes: w.notes, toldPortionMl: portionTold(w.notes, w.house) },
    conventions: w.house,
    asLine: (l) => l,
  });
  return found.flatMap(({ rereads, ends, left, weight }) => {
    const [first, ...also] = rereads.map((r) => ({
      line: r.at === null ? 0 : (w.out[r.at]?.lineNumber ?? r.at + 1),
      as: r.as,
      instead: { text: r.text, grams: r.grams },
    }));
    if (!first) return [];
    return [{ ...first, also, ends: ends.map((f) => f.code), left: left.map((f) => f.code), weight }];
  });
}

export async function analyseCall(
  body: z.infer<typeof analyseRequest>,
): Promise<CallAnswer<z.infer<typeof analyseResponse>>> {
  const worked = await linesOf(body);
  if (!worked.ok) return worked;
  const { lines, notes, house: h } = worked.value;
  const school = body.school === undefined ? null : schoolId(body.school);
  // what the method names and the list lacks is found too
  const a = analyse(lines, body.kind ?? null, school, {
    cardNotes: notes,
    toldPortionMl: portionTold(notes, h),
  });
  if (!a.percent || a.co2Per100gFlour === null || !a.volume) {
    const path = body.text === undefined ? 'lines' : 'text';
    const findings = a.findings.map((f) => ({ ...f }));
    return refuseCall(
      422,
      path,
      a.findings.find((f) => f.code === 'no-flour')?.message ?? 'There is nothing to work with.',
      { findings },
    );
  }
  const { liquid, water, egg, fat, sugar, salt } = a.percent;
  return {
    ok: true,
    value: {
      lines: [...worked.value.out],
      mass_g: a.tally.massG,
      flour_g: a.tally.flourG,
      percent: { liquid, water, egg, fat, sugar, salt },
      lift: {
        soda_g: a.ledger.sodaG,
        sodaInPowder_g: a.ledger.sodaInPowderG,
        acid_meq: a.ledger.acidMeq,
        base_meq: a.ledger.baseMeq,
        unspentSoda_g: a.ledger.unspentSodaG,
        unspentAcid_meq: a.ledger.unspentAcidMeq,
        co2_g_per_100g_flour: a.co2Per100gFlour,
      },
      batter: {
        density_g_per_ml: a.volume.densityGPerMl,
        volume_ml: a.volume.volumeMl,
        pour: a.thickness?.pour ?? null,
      },
      findings: a.findings.map((f) => ({ ...f })),
      suspects: suspectsOf(body, worked.value),
    },
  };
}

/** A card as a formula of a kind. @returns the formula, or why the card can't be read */
export function cardFormula(
  text: string,
  kind: KindId,
  school: string,
  conventions: KitchenConventions,
  begun: Formula = EMPTY_FORMULA,
): { readonly ok: true; readonly value: Formula } | { readonly ok: false; readonly message: string } {
  const card = entriesFromCard(text, conventions);
  return card.ok
    ? { ok: true, value: { ...withCard(begun, card.value), kind, school } }
    : { ok: false, message: card.message };
}

/** The formula of a call on the Bench: a card as it is read, or lines in grams. */
function formulaOf(body: z.infer<typeof proposeRequest>, conventions: KitchenConventions): CallAnswer<Formula> {
  const school = body.school === undefined ? kindById(body.kind).schools[0].id : schoolId(body.school);
  const begun: Formula = { ...EMPTY_FORMULA, conventions: { ...body.conventions }, kind: body.kind, school };
  if (body.text !== undefined) {
    const made = cardFormula(body.text, body.kind, school, conventions, begun);
    return made.ok ? made : refuseCall(422, 'text', made.message);
  }
  const entries: Entry[] = [];
  for (const [n, l] of (body.lines ?? []).entries()) {
    const stranger = strangerIn(l, conventions);
    if (stranger) return refuseCall(400, `lines.${n}.${stranger.path}`, `"${stranger.id}" is not in the pantry.`);
    if (l.ingredientId === null || l.grams === null || l.use === 'side') continue;
    const named = nameFor(l.ingredientId, conventions);
    const to = l.use === 'pan' ? ' for the pan' : l.use === 'topping' ? ' to serve' : '';
    entries.push({
      key: nextKey(entries),
      text: `${l.grams} g ${named.name}${to}`,
      ...(named.ingredientId !== undefined && { ingredientId: named.ingredientId }),
    });
  }
  return { ok: true, value: { ...begun, entries } };
}

export async function proposeCall(
  body: z.infer<typeof proposeRequest>,
): Promise<CallAnswer<z.infer<typeof proposeResponse>>> {
  const h = await house(body.conventions);
  if (!h.ok) return h;
  const formula = formulaOf(body, h.value);
  if (!formula.ok) return formula;
  const b: Bench = {
    formula: formula.value,
    house: lastHouse() ?? { ...FRESH_KITCHEN, conventions: h.value },
    end: null,
    toldPortionMl: portionTold(formula.value.cardNotes, h.value),
  };
  const was = workedOn(b);
  if (!(was.analysis.tally.flourG > 0))
    return refuseCall(
      422,
      body.text === undefined ? 'lines' : 'text',
      'There is no flour in this formula, so no ratio can be worked.',
    );
  const { offered, refused } = proposalsFor(b, body.ask);
  return {
    ok: true,
    value: {
      offered: offered.map((p) => {
        const is = workedOn(withFormula(b, p.formula));
        const codes = (w: typeof was): readonly string[] => w.analysis.findings.map((f) => f.code);
        const rail = (id: Rail): number[] => [was, is].map((w) => railOf(w.analysis, id)?.tested ?? 0);
        const keys = [...new Set([...was.lines, ...is.lines].map((l) => l.key))];
        const of = (w: typeof was, key: string) => w.lines.find((l) => l.key === key);
        return {
          label: p.title,
          why: p.why,
          short: p.short,
          lines: keys.map((k) => ({
            ingredientId: (of(is, k) ?? of(was, k))?.ingredient?.id ?? null,
            before: of(was, k)?.grams ?? null,
            after: of(is, k)?.grams ?? null,
          })),
          mass_g: [was.analysis.tally.massG, is.analysis.tally.massG],
          flour_g: [was.analysis.tally.flourG, is.analysis.tally.flourG],
          changes: {
            water: rail('water'),
            egg: rail('egg'),
            fat: rail('fat'),
            sugar: rail('sugar'),
            salt: rail('salt'),
            lift: rail('lift'),
          },
          findingsEnded: codes(was).filter((c) => !codes(is).includes(c)),
          findingsNew: codes(is).filter((c) => !codes(was).includes(c)),
        };
      }),
      refused: refused.map((r) => ({ ...r })),
    },
  };
}

function driverOf(to: z.infer<typeof scaleTo>): Driver {
  if ('pieces' in to) return { by: 'pieces', pieces: to.pieces, portionMl: to.portion_ml };
  if ('factor' in to) return { by: 'factor', factor: to.factor };
  if ('flour_g' in to) return { by: 'flour', grams: to.flour_g };
  if ('mass_g' in to) return { by: 'mass', grams: to.mass_g };
  if ('eggs' in to) return { by: 'eggs', eggs: to.eggs };
  return { by: 'ingredient', ingredientId: to.ingredientId, grams: to.grams };
}

export async function scaleCall(
  body: z.infer<typeof scaleRequest>,
): Promise<CallAnswer<z.infer<typeof scaleResponse>>> {
  const worked = await linesOf(body);
  if (!worked.ok) return worked;
  const to = driverOf(body.to);
  const begun = timesOf(worked.value.lines, to, body.kind ?? null);
  if (!begun.ok) return refuseCall(422, begun.error.path, begun.error.message);
  const drawer = lastHouse()?.drawer ?? FRESH_DRAWER;
  const how =
    body.measure === 'kitchen'
      ? inKitchen(worked.value.lines, begun.value.factor, { conventions: worked.value.house, drawer }).taken
      : body.measure;
  const s = scale(worked.value.lines, to, how, body.kind ?? null);
  if (!s.ok) return refuseCall(422, s.error.path, s.error.message);
  return {
    ok: true,
    value: {
      factor: s.value.factor,
      pieces: 'pieces' in body.to ? body.to.pieces : null,
      lines: s.value.lines.map((l, n) => ({
        ingredientId: worked.value.out[n]?.ingredientId ?? null,
        grams: l.grams,
        // grouped for the eye on screen, plain for a program
        measure: l.measure ? asTyped(l.measure) : null,
        text: worked.value.out[n]?.text ?? '',
      })),
      drift: s.value.drift,
    },
  };
}
