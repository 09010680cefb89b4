/**
 * What this kitchen's records can teach, number by number: how many batches say it, how far off was foretold before and
 * with it, and whether it is in use. Nothing is used before the cook agrees.
 */
import type { KindId } from '../formula/kinds';
import { kindById } from '../formula/kinds';
import type { Learned, Lesson, LessonId } from '../formula/learned';
import { outliers, type Prior, taughtBy } from './rule';

type Family = 'spread' | 'height' | 'pours' | 'time' | 'appetite';

interface FamilyRow {
  readonly prior: Prior;
  readonly name: (kind: KindId | null) => string;
  /** How its factor is said: of a cubed width the width. */
  readonly power: number;
  /** More, and less, than is foretold. */
  readonly more: string;
  readonly less: string;
  readonly used: string;
  /** It adds, and does not multiply: the unit of its logarithm, and how finely that is said. */
  readonly adds?: string;
}

/** Spreads as `docs/models.md` has them: judgements of ours. */
const FAMILIES: Readonly<Record<Family, FamilyRow>> = {
  spread: {
    prior: { sdBatch: 0.2, sdKitchens: 0.25, outlier: 2 },
    name: () => 'How wide a cake lies',
    power: 1 / 3,
    more: 'wider',
    less: 'narrower',
    used: 'for widths on the Bench, how many fit at once, and minutes on the heat',
  },
  time: {
    prior: { sdBatch: 0.15, sdKitchens: 0.25, outlier: 2 },
    name: (kind) => `Minutes on the heat: ${kindById(kind ?? 'griddle').name.toLowerCase()}`,
    power: 1,
    more: 'longer',
    less: 'shorter',
    used: 'for formulas that have not been timed here yet',
  },
  height: {
    prior: { sdBatch: 0.15, sdKitchens: 0.3, outlier: 1.8 },
    name: () => 'How high a cake stands',
    power: 1,
    more: 'higher',
    less: 'lower',
    used: 'for the height that a plan foretells',
  },
  pours: {
    prior: { sdBatch: 0.05, sdKitchens: 0.06, outlier: 1.25 },
    name: () => 'What a piece really takes, the bowl’s loss included',
    power: 1,
    more: 'more than its portion',
    less: 'less than its portion',
    used: 'for the pieces that a plan foretells',
  },
  appetite: {
    // pieces, not parts
    prior: { sdBatch: 0.4, sdKitchens: 0.5, outlier: Math.exp(1.5) },
    name: () => 'What a guest eats, against what was planned',
    power: 1,
    more: 'more a guest',
    less: 'fewer a guest',
    used: 'for the pieces a guest is planned in a new morning',
    adds: 'pieces',
  },
};

const familyOf = (id: LessonId): Family => (id.startsWith('time:') ? 'time' : (id as Family));
const kindOf = (id: LessonId): KindId | null => (id.startsWith('time:') ? (id.slice(5) as KindId) : null);

export const priorOf = (id: LessonId): Prior => FAMILIES[familyOf(id)].prior;
export const lessonName = (id: LessonId): string => FAMILIES[familyOf(id)].name(kindOf(id));
/** What it is used for. */
export const lessonUse = (id: LessonId): string => FAMILIES[familyOf(id)].used;

/** "12 % wider"; "as foretold" within half a percent. */
export function factorSaid(id: LessonId, factor: number): string {
  const { power, more, less, adds } = FAMILIES[familyOf(id)];
  if (adds) {
    const tenths = Math.round(10 * Math.log(factor)) / 10;
    return tenths === 0 ? 'as planned' : `${Math.abs(tenths)} ${adds} ${tenths > 0 ? more : less}`;
  }
  const percent = Math.round(100 * (factor ** power - 1));
  if (percent === 0) return 'as foretold';
  return `${Math.abs(percent)} % ${percent > 0 ? more : less}`;
}

/** A share of the lesson's own scale as percent: "14 %". */
export function offSaid(id: LessonId, share: number): string {
  const { power, adds } = FAMILIES[familyOf(id)];
  return adds
    ? `${(Math.round(10 * Math.log1p(share)) / 10).toFixed(1)} ${adds}`
    : `${Math.round(100 * ((1 + share) ** power - 1))} %`;
}

/** What one batch, or one morning, says of one lesson. */
export interface Observation {
  readonly lesson: LessonId;
  /** Of a batch, or of a dish of a morning. */
  readonly batchId: string;
  readonly batch: string;
  /** The morning it is of; left out: a batch. */
  readonly morningId?: string;
  /** ms since 1970 */
  readonly at: number;
  /** Seen / foretold with nothing learned; of what adds, e to the difference. */
  readonly ratio: number;
  /** "11.2 cm, foretold 10.1 cm". */
  readonly says: string;
}

interface Told extends Observation {
  /** Why it does not count; null: it does. */
  readonly aside: 'by hand' | 'too far off' | null;
}

export interface TaughtLesson {
  readonly id: LessonId;
  /** The newest first. */
  readonly told: readonly Told[];
  /** What they teach now; null: too few. */
  readonly now: Lesson | null;
  readonly offBefore: number | null;
  readonly offWith: number | null;
  readonly offered: boolean;
  /** What is used; null: nothing. */
  readonly used: Lesson | null;
}

const rank = (l: TaughtLesson): number => (l.used ? 0 : l.offered ? 1 : 2);

/** The same lesson of the same batch. */
export const asideKey = (lesson: LessonId, batchId: string): string => `${lesson} ${batchId}`;

/**
 * @param asides keys of what the cook has set aside
 * @param used what the kitchen uses
 * @returns lessons that some batch speaks of, or that are used: those in use, those that are offered, then by batches
 */
export function lessonsOf(
  observations: readonly Observation[],
  asides: ReadonlySet<string>,
  used: Learned,
): readonly TaughtLesson[] {
  const ids = [...new Set([...observations.map((o) => o.lesson), ...(Object.keys(used) as LessonId[])])];
  return ids
    .map((id): TaughtLesson => {
      const own = observations.filter((o) => o.lesson === id).sort((a, b) => b.at - a.at);
      const left = own.filter((o) => !asides.has(asideKey(id, o.batchId)));
      const far = outliers(
        left.map((o) => o.ratio),
        priorOf(id),
      );
      const counts = left.filter((_, n) => !far[n]);
      const { lesson, ...how } = taughtBy(
        counts.map((o) => o.ratio),
        priorOf(id),
      );
      const told = own.map((o): Told => {
        const isAside = asides.has(asideKey(id, o.batchId));
        return { ...o, aside: isAside ? 'by hand' : counts.includes(o) ? null : 'too far off' };
      });
      return { id, told, now: lesson, ...how, used: used[id] ?? null };
    })
    .sort((a, b) => rank(a) - rank(b) || b.told.length - a.told.length || a.id.localeCompare(b.id));
}

/** What is used is no longer what the records say: another number by more than a tenth of its spread. */
export const saysOtherwise = (l: TaughtLesson): boolean =>
  l.now !== null &&
  l.used !== null &&
  Math.abs(Math.log(l.now.factor / l.used.factor)) > 0.1 * priorOf(l.id).sdKitchens;
