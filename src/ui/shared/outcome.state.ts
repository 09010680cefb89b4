/** What came out, as it stands in the form: from a batch, as typed, and to what is sent. */
import type { Batch, Verdict } from '@/core/batch/batch';
import { MARKS, type Mark, type Scales, type Tested } from '@/core/batch/came-out';
import { minutesAndSeconds } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';

export interface OutcomeFields {
  readonly pieces: string;
  readonly first: string;
  readonly second: string;
  readonly verdict: Verdict | '';
  readonly marks: readonly Mark[];
  readonly note: string;
  readonly scales: Scales;
  readonly waste: string;
  readonly height: string;
  readonly across: string;
  readonly change: string;
  /** Left out in a copy of an older form. */
  readonly tested?: Tested;
}

const clockText = (s: number | null): string => (s === null ? '' : minutesAndSeconds(s));

/** "2:25", "145" or "145 s" as seconds; null when empty; NaN when it is no time. */
export function seconds(text: string): number | null {
  const t = text.trim();
  if (t === '') return null;
  const m = /^(\d{1,3}):([0-5]\d)$/.exec(t);
  if (m) return Number(m[1]) * 60 + Number(m[2]);
  const s = /^(\d{1,5})\s*s?$/.exec(t);
  return s ? Number(s[1]) : Number.NaN;
}

/** "18", "18 mm"; null when empty, as a copy of an older form is; NaN when it is no number. */
export const mm = (text: string | undefined): number | null =>
  text === undefined || text.trim() === '' ? null : typedNumber(text, 'mm');

/** What is measured of one piece, as typed, and what of it is no number. */
export function measuresTyped(form: { readonly height?: string; readonly across?: string }): {
  readonly heightMm: number | null;
  readonly acrossMm: number | null;
  readonly errors: Readonly<Record<string, string>>;
} {
  const [heightMm, acrossMm] = [mm(form.height), mm(form.across)];
  return {
    heightMm,
    acrossMm,
    errors: {
      ...(Number.isNaN(heightMm) && { heightMm: 'Height: a number of mm.' }),
      ...(Number.isNaN(acrossMm) && { acrossMm: 'Across: a number of mm.' }),
    },
  };
}

export const known = (s: number | null): number | null => (s === null || Number.isNaN(s) ? null : s);

/** What was tapped at the griddle: what stands in the boxes until the cook says otherwise. */
export interface Seen {
  readonly pieces: number | null;
  readonly firstSideS: number | null;
  readonly secondSideS: number | null;
}

/** The fields as they begin, and what is in the log so far: what is written now is kept against that. */
export function outcomeOf(
  b: Batch,
  seen: Seen,
): { readonly fields: OutcomeFields; readonly row: { readonly revision: number; readonly base: object } } {
  const { pieces, firstSideS, secondSideS, verdict, marks, note, scales, waste, heightMm, acrossMm, change } = b;
  const tested = b.tested ?? {};
  const written = (x: number | null): string => (x === null ? '' : String(x));
  return {
    fields: {
      pieces: written(pieces ?? seen.pieces),
      first: clockText(firstSideS ?? seen.firstSideS),
      second: clockText(secondSideS ?? seen.secondSideS),
      verdict: verdict ?? '',
      marks: MARKS.filter((m) => marks.includes(m)),
      note,
      scales,
      waste: written(waste),
      height: written(heightMm),
      across: written(acrossMm),
      change,
      tested,
    },
    row: {
      revision: b.outcomeRevision ?? 1,
      base: {
        pieces,
        firstSideS,
        secondSideS,
        verdict,
        marks,
        note,
        scales,
        waste,
        heightMm,
        acrossMm,
        change,
        tested,
      },
    },
  };
}

/** Fields that can't be sent as they are, with what is wrong; and what is sent else. */
export function outcomeToSend(form: OutcomeFields): {
  readonly errors: Readonly<Record<string, string>>;
  readonly outcome: object;
} {
  const errors: Record<string, string> = {};
  const whole = (text: string): number | null =>
    text.trim() === '' ? null : /^\s*\d{1,6}\s*$/.test(text) ? Number(text) : Number.NaN;
  const [pieces, waste] = [whole(form.pieces), whole(form.waste)];
  const measures = measuresTyped(form);
  const { heightMm, acrossMm } = measures;
  const [firstSideS, secondSideS] = [seconds(form.first), seconds(form.second)];
  if (Number.isNaN(pieces)) errors.pieces = 'Pieces: a whole number.';
  if (Number.isNaN(waste)) errors.waste = 'Thrown away: a whole number.';
  if (Number.isNaN(firstSideS)) errors.firstSideS = 'Write minutes and seconds, 2:25, or seconds.';
  if (Number.isNaN(secondSideS)) errors.secondSideS = 'Write minutes and seconds, 1:10, or seconds.';
  Object.assign(errors, measures.errors);
  if (form.verdict === '') errors.verdict = 'Say how it was.';
  const { verdict, marks, note, scales, change, tested = {} } = form;
  return {
    errors,
    outcome: {
      pieces,
      firstSideS,
      secondSideS,
      verdict,
      marks,
      note,
      scales,
      waste,
      heightMm,
      acrossMm,
      change,
      tested,
    },
  };
}
