/** Every line and card of the corpus against its worked reading. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { judge, type LineVerdict, readAsWorked, workedLines } from '../testing/corpus';
import { stripBullet } from './bullet';
import { placeOf, readCard } from './card';
import { readLine } from './line';
import { isWord, tokensOf } from './words';
import { unwrapped } from './wrapped';

const tableOf = (file: string): string => readFileSync(join(__dirname, 'corpus', file), 'utf8');
const LINES = workedLines(tableOf('lines.tsv'));

test(`${LINES.length} lines, each as it was worked out`, () => {
  expect(LINES.length).toBeGreaterThanOrEqual(1300);
  const judged = LINES.map((w) => ({ w, l: readLine(w.text, FRESH_CONVENTIONS) })).map(({ w, l }) => ({
    w,
    l,
    is: judge(w, l),
  }));
  const bad = judged.filter((j) => j.is !== 'right' && j.is !== 'rightly asked');
  expect(bad.map((j) => `${j.w.text}: ${j.is}, ${readAsWorked(j.l)} ${j.l.grams}`)).toEqual([]);
  // what the table is good for: both sorts of answer in numbers
  const count = (is: LineVerdict): number => judged.filter((j) => j.is === is).length;
  expect(count('right')).toBeGreaterThan(1200);
  expect(count('rightly asked')).toBeGreaterThan(70);
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

test('what is told beside a scaled amount holds no amount of its own: only sizes, degrees, minutes, pages, types of flour and hydration', () => {
  for (const w of LINES) {
    const l = readLine(w.text, FRESH_CONVENTIONS);
    if (l.status !== 'read') continue;
    const bare = l.preparation.replace(
      /(?:\d+-)?\d+\s*(?:degrees|times|cm|mm|inch(?:es)?|°\s*[CF]?|[CF]\b|min(?:ute)?s?|hours?)|\b(?:tip|type?|tipo|t) ?\d+|^(?:630|1050)$|\d+ ?% hydration/gi,
      '',
    );
    expect([w.text, bare]).toEqual([w.text, bare.replace(/\d/g, '#')]);
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
const CARDS: readonly WorkedCard[] = tableOf('cards.txt')
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
      l.status === 'read'
        ? `${l.parts.map((p) => p.ingredient.id).join('+')} ${Math.round((l.grams ?? 0) * 10) / 10}`
        : `? ${l.text.trim()}`,
    ),
  ).toEqual(w.lines);
  // nothing is lost: every row is a line, set aside, the title, or empty
  const placed = new Set([...c.lines.map((l) => l.lineNumber), ...c.ignored.map((i) => i.lineNumber)]);
  const rows = unwrapped(w.text.split('\n'));
  const empty = rows.filter((x) => stripBullet(x) === '').length;
  // a title that begins a paragraph stands in a row that is placed already
  const named = (c.title ?? '').toLowerCase();
  const begins = (x: string): boolean =>
    new RegExp(`^(?:\\p{L}+,? )?${named.replace(/[^\p{L}\d ]/gu, '.')}(?:[.:!]| [-–—|·])`, 'iu').test(x);
  const apart = c.title !== null && !rows.some((x, n) => placed.has(n + 1) && begins(x));
  expect(placed.size + empty + Number(apart)).toBe(rows.length);
});
