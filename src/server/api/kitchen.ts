/** The kitchen's records for other programs: formulas, batches, the pantry, a page at a time. */

import type { z } from 'zod';
import type {
  batchesResponse,
  formulaResponse,
  formulasResponse,
  newFormulaRequest,
  newFormulaResponse,
  pantryResponse,
} from '@/contract/api';
import { formulaSchema } from '@/contract/formula';
import { analyseFormula } from '@/core/analyse-formula';
import type { OpenRecipe } from '@/core/exchange/open-recipe';
import { kindById, schoolOf } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { formulaLines } from '@/core/formula/lines';
import type { Version } from '@/core/formula/version';
import { everyIngredient } from '@/core/pantry/pantry';
import { reach } from '../db/pool';
import { log } from '../queries/batches';
import { formulaShelf } from '../queries/formulas';
import { loadHouse } from '../queries/house';
import { cursorIn } from '../queries/paging';
import { stockNoted } from '../queries/pantry';
import { outLine } from '../reading/card-out';
import { inReader } from '../reading/reader';
import { keepFormula } from '../usecases/keep-formula';
import { isUuid } from './params';
import { json, problem, troubled } from './problem';

const AT_ONCE = 100;

/** Where a page begins; the answer to give where that is no such place. */
function placeIn(
  query: URLSearchParams,
):
  | { readonly ok: true; readonly after: ReturnType<typeof cursorIn> }
  | { readonly ok: false; readonly response: Response } {
  const after = query.get('after');
  const at = after === null ? null : cursorIn(after);
  return after !== null && at === null
    ? {
        ok: false,
        response: problem(400, 'after: what a page answered as "next".', [
          { path: 'after', message: 'What a page answered as "next".' },
        ]),
      }
    : { ok: true, after: at };
}

/** A program is answered once all facts are of the kitchen as it is. */
const FACTS_MS = 60_000;

/** `find`: words of its name, kind, style, flour or liquid. */
export async function listFormulas(query: URLSearchParams): Promise<Response> {
  const place = placeIn(query);
  if (!place.ok) return place.response;
  const r = await reach(() => formulaShelf({ text: query.get('find') ?? '', after: place.after }, AT_ONCE, FACTS_MS));
  if (!r.up) return troubled(r.kind);
  const answer: z.infer<typeof formulasResponse> = {
    formulas: r.value.rows.map((f) => ({
      id: f.id,
      name: f.name,
      kind: f.kind,
      school: f.school,
      version: f.number,
      savedAt: f.savedAt.toISOString(),
      lastVerdict: f.lastVerdict,
    })),
    next: r.value.next,
  };
  return json(answer);
}

/** A version with its lines as they are read here. */
export function oneFormula(v: Version, house: Kitchen): z.infer<typeof formulaResponse> {
  const { formula: f } = v;
  const { flourG } = analyseFormula(f, house).analysis.tally;
  return {
    id: v.formulaId,
    name: f.name,
    kind: f.kind,
    school: f.school,
    version: v.number,
    savedAt: v.savedAt.toISOString(),
    portion_ml: f.portionMl,
    notes: f.cardNotes,
    lines: formulaLines(f, house).map((l) => {
      const { lineNumber: _, ...line } = outLine(l, 0);
      const percent = l.grams !== null && flourG > 0 && l.use === 'batter' ? (100 * l.grams) / flourG : null;
      return { ...line, key: l.key, off: l.off, end: l.end, percent };
    }),
  };
}

/**
 * Keeps a recipe as a new formula. @param requestId the same again keeps nothing twice
 * @returns 201 with its place, or the refusal
 */
export async function keepRecipe(
  r: OpenRecipe,
  asked: Omit<z.infer<typeof newFormulaRequest>, 'text'>,
  requestId: string | null,
): Promise<Response> {
  const house = await reach(loadHouse);
  if (!house.up) return troubled(house.kind);
  const taken = await inReader('formula', r, house.value);
  if (!taken.ok) return problem(422, taken.error.message);
  const { formula: read, lines, asked: open } = taken.value;
  const kind = asked.kind ?? read.kind;
  const school = schoolOf(kindById(kind), asked.school ?? (kind === read.kind ? read.school : '')).id;
  const checked = formulaSchema.safeParse({ ...read, name: asked.name ?? read.name, kind, school });
  if (!checked.success) {
    const errors = checked.error.issues.map((i) => ({ path: i.path.map(String).join('.'), message: i.message }));
    return problem(422, errors[0]?.message ?? 'That is no formula.', errors);
  }
  const kept = await reach(() =>
    keepFormula({
      formulaId: null,
      basedOn: null,
      knownNewest: null,
      formula: checked.data,
      requestId,
      changeNote: 'Sent by another program',
    }),
  );
  if (!kept.up) return troubled(kept.kind);
  if (!kept.value.ok) return problem(422, kept.value.message);
  const { formulaId: id, number } = kept.value.saved;
  const answer: z.infer<typeof newFormulaResponse> = {
    id,
    version: number,
    name: checked.data.name,
    lines,
    asked: open,
  };
  const response = json(answer, 201);
  response.headers.set('location', `/api/v1/formulas/${id}`);
  return response;
}

/** The request's own id, by which it is told when it is sent once more; false where it is none. */
export function requestIdOf(request: Request): string | null | false {
  const id = request.headers.get('idempotency-key');
  return id === null ? null : isUuid(id) && id;
}

export async function listBatches(query: URLSearchParams): Promise<Response> {
  const place = placeIn(query);
  if (!place.ok) return place.response;
  const r = await reach(() => log({ text: query.get('find') ?? '', verdict: null, after: place.after }, AT_ONCE));
  if (!r.up) return troubled(r.kind);
  const answer: z.infer<typeof batchesResponse> = {
    batches: r.value.rows.map((b) => ({
      id: b.id,
      formulaId: b.formulaId,
      name: b.name,
      version: b.versionNumber,
      startedAt: b.startedAt.toISOString(),
      finishedAt: b.finishedAt?.toISOString() ?? null,
      piecesPlanned: b.piecesPlanned,
      pieces: b.pieces,
      waste: b.waste,
      verdict: b.verdict,
      marks: [...b.marks],
      note: b.note,
      change: b.change,
      givenUp: b.putAway === true,
    })),
    next: r.value.next,
  };
  return json(answer);
}

/** Every ingredient with its stock, by id. */
export async function listPantry(query: URLSearchParams): Promise<Response> {
  const r = await reach(() => Promise.all([loadHouse(), stockNoted()]));
  if (!r.up) return troubled(r.kind);
  const [house, stock] = r.value;
  const after = query.get('after') ?? '';
  const all = [...everyIngredient(house.conventions.own)]
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .filter((i) => i.id > after);
  const rows = all.slice(0, AT_ONCE);
  const answer: z.infer<typeof pantryResponse> = {
    ingredients: rows.map((i) => {
      const s = stock[i.id];
      return {
        id: i.id,
        name: i.name,
        category: i.category,
        own: i.id.startsWith('own-'),
        onHand_g: s?.onHandG ?? null,
        price: s?.price ?? null,
        pack_g: s?.packG ?? null,
        opened: s?.opened ?? null,
        bestBefore: s?.bestBefore ?? null,
        allergens: i.allergens ? [...i.allergens] : null,
      };
    }),
    next: all.length > AT_ONCE ? (rows.at(-1)?.id ?? null) : null,
  };
  return json(answer);
}
