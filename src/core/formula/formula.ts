/**
 * A formula: a name, the kind of batter it is meant to be, the conventions it is written in, and its lines as the cook
 * wrote them. Everything else (grams, ratios, findings) is read from these.
 */

import type { Line, LineChoice } from '../card/line';
import type { Conventions } from '../pantry/conventions';
import { type ActEdit, waysIn } from './act-edits';
import type { KindId, Rail } from './kinds';
import type { Kitchen } from './kitchen-settings';

/**
 * When a line goes in, where that is not with its bowl: an add-in at any moment, other lines with the whites or after
 * the rest.
 */
export const MOMENTS = ['bowl', 'whipped', 'rest', 'fried', 'poured', 'flip', 'top'] as const;
export type Moment = (typeof MOMENTS)[number];
export const MOMENT_NAMES: Readonly<Record<Moment, string>> = {
  bowl: 'stirred into the bowl',
  whipped: 'whipped with the whites',
  rest: 'in after the rest',
  fried: 'fried first, in the pan',
  poured: 'sprinkled on the poured face',
  flip: 'just before the flip',
  top: 'laid on top',
};
/** Where the whites of an egg go. @param foam how far they are whipped apart; null: they are not */
export const whitesSaid = (foam: 'soft' | 'firm' | null): string =>
  foam === null ? 'in with the rest' : `whipped apart, ${foam} peaks`;
/** What is done to an add-in so that it stays up. */
export const DRESSINGS = ['plain', 'dried', 'floured'] as const;
export type Dressing = (typeof DRESSINGS)[number];
export const DRESSING_NAMES: Readonly<Record<Dressing, string>> = {
  plain: 'as it is',
  dried: 'patted dry',
  floured: 'tossed in flour',
};

/** One of the two ends a forked formula can have. */
export const END_IDS = ['a', 'b'] as const;
export type EndId = (typeof END_IDS)[number];
export interface End {
  readonly id: EndId;
  readonly name: string;
  /** Where it is another than the formula's: flat cakes and balls from one base. */
  readonly kind?: KindId | undefined;
  readonly school: string;
}

/** Lines that stood under one heading of a card, and where they go: the batter, beside it, the pan, on top. */
export const GROUP_ROLES = ['batter', 'side', 'pan', 'topping'] as const;
export type GroupRole = (typeof GROUP_ROLES)[number];
export interface Group {
  readonly name: string;
  readonly role: GroupRole;
  /** Nobody has said yet where it goes: the role is a guess. */
  readonly asked?: true | undefined;
}

/** From the least to the most that is usual, as shares of an amount. */
export type UsualSpan = readonly [least: number, most: number];

export interface Entry extends LineChoice {
  /** Stable within the formula; ticks and edits hang on it. */
  readonly key: string;
  readonly text: string;
  /** Left out of everything for now: what if without it. */
  readonly off?: boolean | undefined;
  /** Does not move when a ratio does. */
  readonly pinned?: boolean | undefined;
  /** The day a powder was opened, yyyy-mm-dd. */
  readonly opened?: string | undefined;
  /** g of water squeezed or drained off before it goes in. */
  readonly drainedG?: number | undefined;
  /** All there is of it, g: nothing the app works out asks for more. */
  readonly mostG?: number | undefined;
  /** Its amount was proposed, and nobody has weighed or kept it: what is usual, as shares of the amount. */
  readonly proposed?: UsualSpan | undefined;
  readonly moment?: Moment | undefined;
  readonly dressing?: Dressing | undefined;
  /** In a forked formula: only in this end; undefined is the shared base. */
  readonly end?: EndId | undefined;
  readonly group?: Group | undefined;
}

/** A line of a batch by its entry: what its sheet asked for and what went in, g, in all the mixes that were weighed. */
export interface WeighedLine {
  readonly key: string;
  readonly askedG: number;
  readonly wentG: number;
}

/** What stays where it is while a ratio is changed. */
export interface Held {
  readonly rails: readonly Rail[];
  /** The whole batter's mass. */
  readonly mass: boolean;
  /** The number of whole eggs. */
  readonly eggs: boolean;
  /** The flour total, when one flour of a blend is changed or taken out. */
  readonly blend: boolean;
}

export interface Formula {
  readonly name: string;
  readonly kind: KindId;
  /** School of the kind; in a forked formula each end has its own. */
  readonly school: string;
  /** What differs from the house's conventions. */
  readonly conventions: Partial<Conventions>;
  readonly entries: readonly Entry[];
  /** What stood around the lines on the card. */
  readonly cardNotes: string;
  /** mL of one portion; null: the middle of what is usual for the kind. */
  readonly portionMl: number | null;
  readonly held: Held;
  /** What is done otherwise than house, kind and style have it: ways, and acts. */
  readonly edits: readonly ActEdit[];
  /** Findings the cook has answered "Leave it as it is": `code:severity`. */
  readonly dismissed: readonly string[];
  readonly ends: readonly [End, End] | null;
}

export interface FormulaLine extends Line {
  readonly key: string;
  readonly off: boolean;
  readonly pinned: boolean;
  readonly end: EndId | null;
  readonly opened: string | null;
  /** Gas a powder still gives, as a share of a fresh one's. */
  readonly strength: number;
  /** g of water squeezed or drained off; 0 mostly. */
  readonly drainedG: number;
  /** All there is of it, g; null: nobody has said. */
  readonly mostG: number | null;
  /** Its amount was proposed: what is usual, as shares of it; null: somebody told it. */
  readonly proposed: UsualSpan | null;
  readonly moment: Moment | null;
  readonly dressing: Dressing;
  readonly group: Group | null;
}

export const MOST_ENTRIES = 200;
export const MOST_NAME_CHARS = 120;
export const MOST_NOTES_CHARS = 20_000;

export const NOTHING_HELD: Held = { rails: [], mass: false, eggs: false, blend: true };

export const EMPTY_FORMULA: Formula = {
  name: '',
  kind: 'griddle',
  school: 'even',
  conventions: {},
  entries: [],
  cardNotes: '',
  portionMl: null,
  held: NOTHING_HELD,
  edits: [],
  dismissed: [],
  ends: null,
};

/** The kitchen as one formula has it: the house, with what the formula says otherwise. */
export const kitchenOf = (
  f: Pick<Formula, 'conventions'> & Partial<Pick<Formula, 'edits'>>,
  house: Kitchen,
): Kitchen => ({
  conventions: { ...house.conventions, ...f.conventions },
  ways: { ...house.ways, ...waysIn(f.edits ?? []) },
  units: house.units,
  gear: house.gear,
  drawer: house.drawer,
  maker: house.maker,
  today: house.today,
  ...(house.openedOn && { openedOn: house.openedOn }),
});

/** Whether a line counts: switched on, and of the base or the end that is looked at. */
export const counts = (l: Pick<FormulaLine, 'off' | 'end'>, end: EndId | null): boolean =>
  !l.off && (l.end === null || l.end === end);

/** The end asked for, or the first; null in a formula that is not forked. */
export const endOf = (f: Pick<Formula, 'ends'>, end: EndId | null): End | null =>
  f.ends?.find((e) => e.id === end) ?? f.ends?.[0] ?? null;

/** The school that is tested: the end's own in a forked formula. */
export const schoolIdOf = (f: Formula, end: EndId | null): string => endOf(f, end)?.school ?? f.school;

/** The kind it is made as: the end's own in a forked formula, where it has one. */
export const kindIdOf = (f: Pick<Formula, 'ends' | 'kind'>, end: EndId | null): KindId => endOf(f, end)?.kind ?? f.kind;

/**
 * A formula as one of its ends has it: of that end's kind and school; of another kind, in that kind's usual portion.
 */
export function atEnd(f: Formula, end: EndId | null): Formula {
  if (!f.ends) return f;
  const kind = kindIdOf(f, end);
  return { ...f, kind, school: schoolIdOf(f, end), portionMl: kind === f.kind ? f.portionMl : null };
}

/** The ends with one of them of another kind, and its first school: the formula is of its first end's kind. */
export function withEndKind(
  f: Formula,
  end: EndId,
  kind: KindId,
  school: string,
): Pick<Formula, 'kind' | 'school' | 'ends' | 'portionMl'> {
  const { ends } = f;
  // another kind has another usual portion
  if (!ends) return { kind, school, ends, portionMl: null };
  const of = (e: End): KindId => (e.id === end ? kind : kindIdOf(f, e.id));
  const first = of(ends[0]);
  const put = (e: End): End => {
    const { kind: _, ...rest } = e;
    return { ...rest, ...(of(e) !== first && { kind: of(e) }), ...(e.id === end && { school }) };
  };
  return {
    kind: first,
    school: end === ends[0].id ? school : f.school,
    ends: [put(ends[0]), put(ends[1])],
    portionMl: first === f.kind ? f.portionMl : null,
  };
}

/** Where a group goes, as the cook says: all of its lines. */
export const placeGroup = (entries: readonly Entry[], name: string, role: GroupRole): readonly Entry[] =>
  entries.map((e): Entry => {
    if (e.group?.name !== name) return e;
    const { vessel: _, ...rest } = e;
    const vessel = role === 'side' ? 'topping' : role === 'batter' ? null : role;
    return { ...rest, ...(vessel && { vessel }), group: { name, role } };
  });

/** The next free key: keys are never used twice in a formula. */
export function nextKey(entries: readonly Pick<Entry, 'key'>[]): string {
  const most = entries.reduce((m, e) => Math.max(m, Number(/^l(\d+)$/.exec(e.key)?.[1] ?? 0)), 0);
  return `l${most + 1}`;
}

/**
 * A value as text that hangs on what is in it, not on the order its fields came in; fields without a value don't count.
 */
export const settled = (x: unknown): string =>
  JSON.stringify(x, (_, v: unknown) =>
    typeof v === 'object' && v !== null && !Array.isArray(v) ? Object.fromEntries(Object.entries(v).sort()) : v,
  );

/** Whether two formulas are the same in every word and setting. */
export function sameFormula(a: Formula, b: Formula): boolean {
  // which way was chosen first is nothing to keep
  const of = (f: Formula): string => settled({ ...f, edits: f.edits.map(settled).sort() });
  return of(a) === of(b);
}
