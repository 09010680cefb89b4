/** A pasted card as a formula: its lines as entries, its companions and ends as groups, and the kind it seems to be. */

import { stripBullet } from '../card/bullet';
import { notesOn, placeOf, readCard, type Section } from '../card/card';
import type { Role } from '../card/headings';
import { readLine } from '../card/line';
import { factsTold } from '../card/told/told';
import type { KitchenConventions } from '../pantry/conventions';
import { capital } from '../quantity/say';
import { type EndId, type Entry, type Group, nextKey } from './formula';
import { guessKind } from './guess-kind';
import type { PastedCard } from './pasted';

const MOST_GROUP_NAME = 60;

/** The end of a forked card that a section is for. */
const ENDS_OF: Partial<Readonly<Record<Role, EndId>>> = { sweet: 'a', savoury: 'b' };
const IN_A_BOWL: ReadonlySet<Role> = new Set(['dry', 'wet', 'fold-in']);

/** The group of the lines under a heading; null: they are the batter's as any others. */
function groupOf({ heading, role, asked }: Section): Group | null {
  if (!heading || IN_A_BOWL.has(role)) return null;
  const use = placeOf(role);
  const apart = use === 'side' || use === 'pan' || use === 'topping';
  if (!apart && !asked) return null;
  return { name: groupName(heading), role: apart ? use : 'batter', ...(asked && { asked: true as const }) };
}

/**
 * Turns a pasted card into entries. Where a heading put a line into a vessel other than the one it would have by
 * itself, that is kept as the cook's choice; so is an ingredient that only the rest of the card told.
 * @returns the reason when the text is too long to be a card
 */
export function entriesFromCard(
  text: string,
  house: KitchenConventions,
  after: readonly Entry[] = [],
): { readonly ok: true; readonly value: PastedCard } | { readonly ok: false; readonly message: string } {
  const card = readCard(text, house);
  if (!card.ok) return { ok: false, message: card.error.message };
  const { title, lines, sections, recipes, ignored } = card.value;
  const entries: Entry[] = [...after];
  const first = entries.length;
  const forked = sections.some((s) => s.role === 'sweet') && sections.some((s) => s.role === 'savoury');
  for (const l of lines) {
    const text = stripBullet(l.text);
    const alone = readLine(text, house);
    const section = sections.find((s) => s.id === l.section);
    const group = section ? groupOf(section) : null;
    const end = forked ? ENDS_OF[section?.role ?? 'batter'] : undefined;
    entries.push({
      key: nextKey(entries),
      text,
      ...(alone.vessel !== l.vessel && { vessel: l.vessel }),
      ...(l.ingredient && alone.ingredient?.id !== l.ingredient.id && { ingredientId: l.ingredient.id }),
      ...(l.foam && alone.foam !== l.foam && { foam: l.foam }),
      ...(group && { group }),
      ...(end && { end }),
    });
  }
  const notes = notesOn(card.value);
  const value: PastedCard = {
    title,
    entries: entries.slice(first),
    notes,
    ends: forked ? ['sweet', 'savoury'] : null,
    guess: guessKind(title ?? '', lines, notes, factsTold(notes, house)),
    recipes,
    otherSizes: recipes.length > 0 ? 0 : ignored.filter((i) => i.why === 'another').length,
  };
  return { ok: true, value };
}

/** "For the caramel sauce:" is the caramel sauce's group. */
const groupName = (heading: string): string => {
  const bare =
    heading
      .replace(
        /^(?:for (?:the |my |a )?|für (?:die |den |das )?|pour (?:la |le |les |l[’'])?|para (?:la |el |las |los )?)/i,
        '',
      )
      .trim() || heading;
  return (bare === bare.toUpperCase() ? bare.charAt(0) + bare.slice(1).toLowerCase() : capital(bare)).slice(
    0,
    MOST_GROUP_NAME,
  );
};
