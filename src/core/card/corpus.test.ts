/** Every line and card of the corpus against its worked reading. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { stripBullet } from './bullet';
import { placeOf, readCard } from './card';
import { type Line, readLine } from './line';
import { isWord, tokensOf } from './words';

const rowsOf = (file: string): readonly string[] =>
  readFileSync(join(__dirname, 'corpus', file), 'utf8')
    .split('\n')
    .filter((r) => r !== '' && !r.startsWith('# '));

interface Worked {
  readonly text: string;
  readonly reading: string;
  readonly grams: number | null;
  readonly more: string;
}
const LINES: readonly Worked[] = rowsOf('lines.tsv').map((r) => {
  const [text = '', reading = '', grams = '', more = ''] = r.split('\t');
  return { text: text.replaceAll('\\t', '\t'), reading, grams: grams === '' ? null : Number(grams), more };
});

const readingOf = (l: Line): string => (l.status === 'read' ? l.parts.map((p) => p.ingredient.id).join('+') : `?${l.findings[0]?.code}`);

/** Right, rightly asked, asked though plain, or silently wrong. */
function judge(w: Worked, l: Line): 'right' | 'asked rightly' | 'asked though plain' | 'wrong' {
  if (w.reading.startsWith('?'))
    return l.status === 'read' ? 'wrong' : w.reading === '?' || readingOf(l) === w.reading ? 'asked rightly' : 'asked though plain';
  if (l.status !== 'read') return 'asked though plain';
  const weighs = w.grams !== null && Math.abs((l.grams ?? 0) - w.grams) <= Math.max(0.006, 0.0006 * w.grams);
  const said = w.more.startsWith('@')
    ? l.use === w.more.slice(1)
    : w.more.startsWith('alt=')
      ? l.alternatives.map((a) => a.ingredient.id).join(',') === w.more.slice(4)
      : w.more.startsWith('!')
        ? l.findings.some((f) => f.code === w.more.slice(1))
        : true;
  return readingOf(l) === w.reading && weighs && said ? 'right' : 'wrong';
}

test(`${LINES.length} lines, each as it was worked out`, () => {
  expect(LINES.length).toBeGreaterThanOrEqual(600);
  const judged = LINES.map((w) => ({ w, l: readLine(w.text, FRESH_CONVENTIONS) })).map(({ w, l }) => ({ w, l, is: judge(w, l) }));
  const bad = judged.filter((j) => j.is === 'wrong' || j.is === 'asked though plain');
  expect(bad.map((j) => `${j.w.text}: ${j.is}, ${readingOf(j.l)} ${j.l.grams}`)).toEqual([]);
  const count = (is: string): number => judged.filter((j) => j.is === is).length;
  // what the table is good for: both sorts of answer in numbers
  expect(count('right')).toBeGreaterThan(500);
  expect(count('asked rightly')).toBeGreaterThan(70);
});

test('every line stays inside its bracket, keeps its text, and answers for each of its words', () => {
  for (const w of LINES) {
    const l = readLine(w.text, FRESH_CONVENTIONS);
    expect(l.text).toBe(w.text);
    if (l.grams !== null) {
      expect(l.gramsLow).toBeLessThanOrEqual(l.grams + 1e-9);
      expect(l.gramsHigh).toBeGreaterThanOrEqual(l.grams - 1e-9);
    }
    if (l.findings[0]?.code === 'too-long') continue;
    expect(l.words.map((x) => x.text)).toEqual(
      tokensOf(stripBullet(w.text))
        .filter(isWord)
        .map((t) => t.text),
    );
  }
});

interface WorkedCard {
  readonly name: string;
  readonly text: string;
  readonly title: string | null;
  readonly sections: readonly string[];
  readonly lines: readonly string[];
}

/** "role: heading" for each section with lines, "id grams" for each line; as the table writes them. */
const CARDS: readonly WorkedCard[] = readFileSync(join(__dirname, 'corpus', 'cards.txt'), 'utf8')
  .split(/^=== /m)
  .slice(1)
  .map((block) => {
    const [name = '', ...rest] = block.split('\n');
    const [text = '', reading = ''] = rest.join('\n').split(/^---$/m);
    const rows = reading.split('\n').filter((r) => r.trim() !== '');
    return {
      name: name.trim(),
      text: text.replaceAll('\\t', '\t').replace(/\n$/, ''),
      title: rows.find((r) => r.startsWith('title: '))?.slice(7) ?? null,
      sections: rows.filter((r) => r.startsWith('[')),
      lines: rows.filter((r) => !r.startsWith('[') && !r.startsWith('title: ')),
    };
  });

test(`there are ${CARDS.length} cards`, () => expect(CARDS.length).toBeGreaterThanOrEqual(60));

test.each(CARDS)('$name', (w) => {
  const r = readCard(w.text, FRESH_CONVENTIONS);
  if (!r.ok) throw new Error(r.error.message);
  const c = r.value;
  const out: string[] = [];
  for (const s of c.sections) {
    const own = c.lines.filter((l) => l.section === s.id);
    if (own.length > 0) out.push(`[${s.asked ? 'ask ' : ''}${placeOf(s.role)}] ${s.heading ?? ''}`.trim());
  }
  expect(c.title).toBe(w.title);
  expect(out).toEqual(w.sections);
  expect(
    c.lines.map((l) =>
      l.status === 'read' ? `${l.parts.map((p) => p.ingredient.id).join('+')} ${Math.round((l.grams ?? 0) * 10) / 10}` : `? ${l.text.trim()}`,
    ),
  ).toEqual(w.lines);
  // nothing is lost: every row is a line, set aside, the title, or empty
  const placed = new Set([...c.lines.map((l) => l.lineNumber), ...c.ignored.map((i) => i.lineNumber)]);
  const rows = w.text.split('\n');
  const empty = rows.filter((x) => stripBullet(x) === '').length;
  expect(placed.size + empty + (c.title === null ? 0 : 1)).toBe(rows.length);
});
