/** Several whole ingredients on one row, taken apart: "flour 200 g, eggs 3 and milk 400 ml". */
import type { KitchenConventions } from '../pantry/conventions';
import type { Language } from '../pantry/tables/other-names';
import { readAmount } from '../quantity/amount';
import { type Line, readLine } from './line';

/** Where one item may end and the next begin. */
const SEAM =
  /\s*;\s*|[.!]\s+(?=[A-Z0-9½¼¾])|\s*,\s+(?:and\s+|plus\s+|then\s+|&\s*)?|\s+(?:and then|and|then|plus|&|\+)\s+|\s+[–—-]\s+|\s+[/|•·]\s+/gi;

const whole = (l: Line): boolean =>
  l.ingredient !== null && l.written.length > 0 && (l.status === 'read' || l.findings[0]?.code !== 'two-amounts');
const isEgg = (l: Line): boolean => l.ingredient?.category === 'egg';

/** Whether what begins here is an item of its own: it starts with an amount, or ends in one. */
const begins = (text: string): boolean => {
  const a = readAmount(text.trim());
  return (
    a !== null ||
    /\d\s*\p{L}{0,12}\s*$/u.test(text) ||
    /^\s*(?:(?:a\s+)?(?:little|bit|touch)(?:\s+bit)?\s+of|some)\s/i.test(text)
  );
};

/**
 * The items of a row, each as it was written; null where the row is one item.
 * @param least so many amounts have to be found for the row to be parted
 */
export function itemsIn(
  text: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): readonly string[] | null {
  if (text.length > 2000 || !/[,;&+–—-]|[.!]\s+[A-Z0-9]|\s[/|•·]\s|\b(?:and|then|plus)\b/i.test(text)) return null;
  const read = (t: string): Line => readLine(t, house, {}, null, languages);
  const seams = [...text.matchAll(SEAM)].filter((m) => m[0] !== '' && m.index > 0);
  if (seams.length === 0) return null;
  // inside brackets nothing is parted
  const depth = (at: number): number =>
    (text.slice(0, at).match(/[([]/g)?.length ?? 0) - (text.slice(0, at).match(/[)\]]/g)?.length ?? 0);
  const out: string[] = [];
  let strokes = 0;
  let from = 0;
  for (const [n, m] of seams.entries()) {
    if (depth(m.index) > 0) continue;
    const left = text.slice(from, m.index).trim();
    const at = m.index + m[0].length;
    const right = text.slice(at, seams[n + 1]?.index ?? text.length).trim();
    if (!left || !right) continue;
    const comma = /[,;.!]/.test(m[0]);
    const [l, r] = [read(left), read(right)];
    if (!whole(l) || !begins(right)) continue;
    const far =
      whole(r) ||
      (comma && r.ingredient !== null && r.written.length === 0) ||
      (comma && whole(read(text.slice(at).trim())));
    // "2 eggs and 1 yolk" are one line of two parts; so is "1 cup plus 2 tablespoons"
    if (!far || (!comma && isEgg(l) && isEgg(r))) continue;
    if (!comma && seams.length === 1 && /plus|\+/i.test(m[0])) continue;
    out.push(left);
    if (/[/|•·]/.test(m[0])) strokes++;
    from = at;
  }
  const last = text.slice(from).trim();
  // one stroke stands between two ways to take one thing as often as between two things
  if (out.length === 0 || strokes === 1) return null;
  // the last may be known and have no amount: "and a bit of salt"
  const end = read(last);
  const named = !/[.!?]\s/.test(last) && last.length < 60 && (end.ingredient !== null || end.rows.length > 1);
  return whole(end) || named ? [...out, last] : null;
}
