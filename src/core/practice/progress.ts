/** What somebody has practised: what was tried, how it went, what to try next. */
import { mean } from 'simple-statistics';
import { DRILL_WORDS, DRILLS, type DrillId } from './drills';
import { LESSONS } from './lessons';

/** One go at a lesson, or one question of a drill. */
export interface Try {
  /** "lesson:first-cake", "drill:grams". */
  readonly what: string;
  readonly passed: boolean;
  /** 0 to 1. */
  readonly worth: number;
  /** The largest thing that was wrong; empty: nothing. */
  readonly was: string;
  readonly at: Date;
}

interface LessonProgress {
  readonly id: string;
  readonly title: string;
  readonly tries: number;
  readonly passed: boolean;
  /** Of the best go; null: none yet. */
  readonly best: number | null;
}
interface DrillProgress {
  readonly id: DrillId;
  readonly title: string;
  readonly tries: number;
  /** Right of the last few, share; null: none yet. */
  readonly right: number | null;
}
export interface PracticeProgress {
  readonly lessons: readonly LessonProgress[];
  readonly drills: readonly DrillProgress[];
  /** Of lessons and drills. */
  readonly tries: number;
  /** Lessons that are passed. */
  readonly passed: number;
  /** What to try next, and where. */
  readonly next: { readonly what: string; readonly to: string } | null;
  /** Worth of each go at a lesson, in order. */
  readonly curve: readonly { readonly n: number; readonly worth: number }[];
}

/** A drill is known by its last few answers, and is fine from so many right. */
const LAST = 10;
const FINE = 0.8;

/** @param tries in the order they were made */
export function practiceProgress(tries: readonly Try[]): PracticeProgress {
  const of = (what: string): readonly Try[] => tries.filter((t) => t.what === what);
  const lessons = LESSONS.map(({ id, title }): LessonProgress => {
    const own = of(`lesson:${id}`);
    return {
      id,
      title,
      tries: own.length,
      passed: own.some((t) => t.passed),
      best: own.length > 0 ? Math.max(...own.map((t) => t.worth)) : null,
    };
  });
  const drills = DRILLS.map((id): DrillProgress => {
    const own = of(`drill:${id}`);
    const last = own.slice(-LAST).map((t) => Number(t.passed));
    return { id, title: DRILL_WORDS[id].title, tries: own.length, right: last.length > 0 ? mean(last) : null };
  });
  const lesson = lessons.find((l) => !l.passed);
  const drill = [...drills].sort((a, b) => (a.right ?? 0) - (b.right ?? 0) || a.tries - b.tries)[0];
  return {
    lessons,
    drills,
    tries: [...lessons, ...drills].reduce((a, x) => a + x.tries, 0),
    passed: lessons.filter((l) => l.passed).length,
    next: lesson
      ? { what: lesson.title, to: `/practice/${lesson.id}` }
      : drill && (drill.right ?? 0) < FINE
        ? { what: drill.title, to: `/practice/drill/${drill.id}` }
        : null,
    curve: tries.filter((t) => t.what.startsWith('lesson:')).map((t, n) => ({ n: n + 1, worth: t.worth })),
  };
}
