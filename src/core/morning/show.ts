/** A solved morning as people read it: what each does, what lies where, and what a change has moved. Minutes. */
import type { PlacedStep } from './work';

/** One thing for a person, or on a surface: loads that follow each other are one. */
export interface ShownStep {
  readonly id: string;
  readonly name: string;
  readonly from: number;
  readonly to: number;
  /** On which surface or in which oven; null: on the bench. */
  readonly on: string | null;
  readonly dish: string | null;
  /** Loads it stands for; 0: it is no load. */
  readonly loads: number;
  readonly pieces: number;
  readonly ovenC: number | null;
}

/** Loads with less than this between them are one thing to do, min. */
const TOGETHER_MIN = 4;

/** Pieces of a dish for a wave that lie on the heat together. */
export const isLoad = (s: PlacedStep): boolean => s.dish !== null && s.wave !== null;

const shown = (s: PlacedStep): ShownStep => ({
  id: s.id,
  name: s.name,
  from: s.from,
  to: s.to,
  on: s.on ?? s.oven,
  dish: s.dish,
  loads: isLoad(s) ? 1 : 0,
  pieces: isLoad(s) ? s.places : 0,
  ovenC: s.ovenC,
});

/** Loads of one dish in one place that follow each other become one. */
function together(steps: readonly ShownStep[]): readonly ShownStep[] {
  const out: ShownStep[] = [];
  for (const s of [...steps].sort((a, b) => a.from - b.from || a.to - b.to)) {
    const last = out.at(-1);
    if (
      last &&
      s.loads > 0 &&
      last.loads > 0 &&
      last.dish === s.dish &&
      last.on === s.on &&
      s.from - last.to < TOGETHER_MIN
    )
      out[out.length - 1] = {
        ...last,
        to: Math.max(last.to, s.to),
        loads: last.loads + s.loads,
        pieces: last.pieces + s.pieces,
      };
    else out.push(s);
  }
  return out;
}

/** What a person does, in its order; hands that are free before a step ends are free. */
export const personSteps = (steps: readonly PlacedStep[], person: string): readonly ShownStep[] =>
  together(
    steps.filter((s) => s.by === person).map((s) => ({ ...shown(s), to: isLoad(s) ? s.to : s.from + s.handsMin })),
  );

/** What lies on a surface or stands in an oven, in its order. */
export const onSurface = (steps: readonly PlacedStep[], surface: string): readonly ShownStep[] =>
  together(steps.filter((s) => (s.on ?? s.oven) === surface).map(shown));

export interface MovedSteps {
  readonly steps: number;
  /** Whose, who has most of them first. */
  readonly people: readonly string[];
}

/** What is otherwise since a schedule was looked at: steps that begin at another time or are another's, by their id. */
export function movedBetween(was: readonly PlacedStep[], now: readonly PlacedStep[]): MovedSteps {
  const before = new Map(was.map((s) => [s.id, s]));
  const moved = now.filter((s) => {
    const b = before.get(s.id);
    return !b || Math.abs(b.from - s.from) > 0.5 || b.by !== s.by || b.on !== s.on;
  });
  const by = new Map<string, number>();
  for (const s of moved) if (s.by) by.set(s.by, (by.get(s.by) ?? 0) + 1);
  const people = [...by].sort(([a, x], [b, y]) => y - x || a.localeCompare(b)).map(([name]) => name);
  return { steps: moved.length, people };
}
