/**
 * The corpus of lines with their worked readings, and how a reading is judged against one; for the tests and the bench.
 */
import type { Line } from '../card/line';

/** The texts of `told-cards.txt`, as they were written down. */
export const toldCards = (table: string): readonly string[] =>
  table
    .split('====\n')
    .slice(1)
    .map((c) => c.split('\n---\n')[0] ?? '');

interface WorkedLine {
  readonly text: string;
  /** The ingredient, several joined by +; "?code" a question, "?" any. */
  readonly reading: string;
  readonly grams: number | null;
  /** "@pan", "alt=...", "!code": what else it says. */
  readonly more: string;
}

/** The rows of `lines.tsv`. */
export const workedLines = (table: string): readonly WorkedLine[] =>
  table
    .split('\n')
    .filter((r) => r !== '' && !r.startsWith('# '))
    .map((r) => {
      const [text = '', reading = '', grams = '', more = ''] = r.split('\t');
      return { text: text.replaceAll('\\t', '\t'), reading, grams: grams === '' ? null : Number(grams), more };
    });

export const readAsWorked = (l: Line): string =>
  l.status === 'read' ? l.parts.map((p) => p.ingredient.id).join('+') : `?${l.findings[0]?.code}`;

export const LINE_VERDICTS = ['right', 'rightly asked', 'asked though plain', 'silently wrong', 'lost'] as const;
export type LineVerdict = (typeof LINE_VERDICTS)[number];

function saysToo(l: Line, more: string): boolean {
  if (more.startsWith('@')) return l.use === more.slice(1);
  if (more.startsWith('alt=')) return l.alternatives.map((a) => a.ingredient.id).join(',') === more.slice(4);
  return more.startsWith('!') ? l.findings.some((f) => f.code === more.slice(1)) : true;
}

/** How a line was read, against what it was worked out to be; null: it did not come back at all. */
export function judge(w: WorkedLine, l: Line | null): LineVerdict {
  if (!l) return 'lost';
  if (w.reading.startsWith('?')) {
    if (l.status === 'read') return 'silently wrong';
    return w.reading === '?' || readAsWorked(l) === w.reading ? 'rightly asked' : 'asked though plain';
  }
  if (l.status !== 'read') return 'asked though plain';
  const weighs = w.grams !== null && Math.abs((l.grams ?? 0) - w.grams) <= Math.max(0.006, 0.0006 * w.grams);
  return readAsWorked(l) === w.reading && weighs && saysToo(l, w.more) ? 'right' : 'silently wrong';
}
