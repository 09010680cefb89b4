/**
 * The script of a card as it was read, before it is a formula: its lines by their keys, its method's word above all.
 */
import type { Line } from '../card/line';
import type { ToldFact } from '../card/told/clause';
import { guessKind } from '../formula/guess-kind';
import { kindById, schoolOf, usualPortionMl } from '../formula/kinds';
import { offersFrom } from '../formula/offers';
import { FRESH_WAYS, type Ways } from '../formula/ways';
import type { KitchenConventions } from '../pantry/conventions';
import type { Ingredient } from '../pantry/ingredient';
import type { ScriptAct } from './act';
import type { ScriptAsked, ScriptLine } from './making';
import { cardPanFat } from './pan-fat';
import { scriptOf } from './script';
import { editsTold } from './told-acts';
import { asTold, scriptLineOf } from './told-lines';

interface CardRead {
  readonly title: string;
  /** Lines of the batter, its pan and its plate, without those of a sauce; one that is not read is part of no act. */
  readonly lines: readonly (Line & { readonly key: string })[];
  /** What stands around the lines. */
  readonly notes: string;
  /** What the notes tell. */
  readonly facts: readonly ToldFact[];
}

/** @returns no act where the card is of no kind that is known */
export function actsOfCard(
  { title, lines, notes, facts }: CardRead,
  house: KitchenConventions,
  find: (id: string) => Ingredient | undefined,
): readonly ScriptAct[] {
  const guess = guessKind(title, lines, notes, facts);
  if (!guess) return [];
  const offers = offersFrom(notes, lines, house, facts);
  const told: Record<string, string> = {};
  const chosen: Record<string, string | number> = {};
  const moments = new Map<string, string>();
  let portionMl: number | null = null;
  for (const o of offers) {
    if (o.what === 'way') {
      told[o.way] = o.words;
      chosen[o.way] = o.value;
    } else if (o.what === 'portion') {
      told.portion = o.words;
      portionMl = o.ml;
    } else if (o.what === 'moment') moments.set(o.key, o.moment);
  }
  const asLines = lines
    .filter((l) => l.ingredient !== null && l.side === null)
    .map((l): ScriptLine => {
      const moment = moments.get(l.key);
      return { ...scriptLineOf(l), ...(moment !== undefined && moment !== 'bowl' && { moment }) };
    });
  const placed = asTold(asLines, notes, house, find);
  const kind = kindById(guess.kind);
  const school = schoolOf(kind, guess.school);
  const ways = { ...FRESH_WAYS, panFat: cardPanFat(asLines) ?? FRESH_WAYS.panFat, ...chosen } as Ways;
  const asked: ScriptAsked = {
    lines: placed,
    kind: kind.id,
    ways,
    pourings: [
      {
        name: null,
        kind: kind.id,
        school: school.id,
        portionMl: portionMl ?? (school.portionMl === null ? null : usualPortionMl(school)),
      },
    ],
    find,
    units: { temperature: 'C' },
    told,
  };
  const plain = scriptOf(asked).acts;
  const edits = editsTold(facts, plain);
  return edits.length === 0 ? plain : scriptOf({ ...asked, edits }).acts;
}
