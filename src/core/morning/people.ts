/** People of the kitchen: a first name or nickname, how they take part in a morning, and a drawn mark. */
import type { MorningRole } from './morning';

/** Drawn marks that tell people apart on a board, as each is called. */
export const PERSON_MARKS = ['whisk', 'ladle', 'egg', 'leaf', 'wave', 'sun', 'oar', 'lantern'] as const;
export type PersonMark = (typeof PERSON_MARKS)[number];

export const ROLE_WORDS: Readonly<Record<MorningRole, string>> = {
  lead: 'leads',
  cook: 'cooks',
  helper: 'helps',
  child: 'a child, beside a grown-up',
};

export const MOST_PERSON_CHARS = 40;

/** A person as the kitchen knows them. */
export interface KitchenPerson {
  readonly id: string;
  readonly name: string;
  readonly role: MorningRole;
  readonly mark: PersonMark;
  readonly revision: number;
}

/** The mark for a new person: the first that the fewest others have. */
export function nextMark(people: readonly Pick<KitchenPerson, 'mark'>[]): PersonMark {
  const had = (m: PersonMark): number => people.filter((p) => p.mark === m).length;
  return PERSON_MARKS.reduce((best, m) => (had(m) < had(best) ? m : best));
}
