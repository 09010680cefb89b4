/** A card that was read, put onto a formula. The reader itself is fetched apart. */

import { type End, type Entry, type Formula, MOST_NAME_CHARS, nextKey } from './formula';
import type { KindGuess } from './guess-kind';

export interface PastedCard {
  readonly title: string | null;
  readonly entries: readonly Entry[];
  readonly notes: string;
  /** The names of the card's two ends, sweet and savoury; null mostly. */
  readonly ends: readonly [string, string] | null;
  readonly guess: KindGuess | null;
  /** Where the text holds several recipes, of which this is the first: all of them, to be chosen from. */
  readonly recipes: readonly { readonly title: string; readonly text: string }[];
  /** Lines of the same list in another size, which are left out. */
  readonly otherSizes: number;
}

/** What is left out of a card, to be said as it is put there; null: nothing is. */
export const leftOut = ({ otherSizes }: PastedCard): string | null =>
  otherSizes === 0 ? null : `The list stands there in another size, too: its ${otherSizes} lines are left out.`;

/** The same card with keys that no line of the formula has: its own were given before it was put there. */
function besideLines(card: PastedCard, there: readonly Entry[]): readonly Entry[] {
  const out: Entry[] = [];
  for (const e of card.entries) out.push({ ...e, key: nextKey([...there, ...out]) });
  return out;
}

/** A formula with a card's lines behind its own: named, of its kind and forked by it where it has nothing yet. */
export function withCard(f: Formula, card: PastedCard): Formula {
  const { title, notes, guess, ends } = card;
  const first = f.entries.length === 0 && guess !== null;
  const begun = {
    ...f,
    name: f.name.trim() === '' && title ? title.slice(0, MOST_NAME_CHARS) : f.name,
    ...(first && { kind: guess.kind, school: guess.school }),
  };
  const end = (id: 'a' | 'b', name: string): End => ({
    id,
    name,
    school: begun.kind === 'crepe' ? (id === 'a' ? 'sweet' : 'savoury') : begun.school,
  });
  return {
    ...begun,
    ends: begun.ends ?? (ends ? [end('a', ends[0]), end('b', ends[1])] : null),
    entries: [...f.entries, ...besideLines(card, f.entries)],
    cardNotes: [f.cardNotes, notes].filter(Boolean).join('\n'),
  };
}
