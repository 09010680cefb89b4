import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { DRILLS, type DrillQuestion, isRight, nextQuestion, questionOf } from './drills';

const seeds = Array.from({ length: 150 }, (_, n) => (n * 0.6180339887) % 1);
const all = (id: (typeof DRILLS)[number]): readonly DrillQuestion[] =>
  seeds.map((s) => questionOf(id, s, FRESH_KITCHEN));
const rightOf = ({ answer: a }: DrillQuestion): string => (a.by === 'choice' ? (a.of[a.is] ?? '') : String(a.is));

test.each(DRILLS)('%s: every seed asks what can be answered, and says why', (id) => {
  for (const q of all(id)) {
    expect(q.asks).not.toBe('');
    expect(q.why).not.toBe('');
    if (q.answer.by === 'choice') {
      expect(q.answer.is).toBeGreaterThanOrEqual(0);
      expect(new Set(q.answer.of).size).toBe(q.answer.of.length);
      expect(q.answer.of.length).toBeGreaterThan(2);
    } else expect(q.answer.is).toBeGreaterThan(0);
    expect(isRight(q, q.answer.is)).toBe(true);
  }
  expect(questionOf(id, 0.31, FRESH_KITCHEN)).toEqual(questionOf(id, 0.31, FRESH_KITCHEN));
});

test.each(DRILLS)('%s: forty in a row are forty others', (id) => {
  const asked = new Set<string>();
  for (let n = 0; n < 40; n++) {
    const { key } = nextQuestion(id, (0.137 + n * 0.011) % 1, FRESH_KITCHEN, asked);
    expect(asked.has(key)).toBe(false);
    asked.add(key);
  }
});

test('cups are grams as the core measures them: a spooned cup of flour is 125 g', () => {
  const cup = all('grams').find((q) => q.asks.startsWith('1 cup all-purpose flour:'));
  expect(cup?.answer).toMatchObject({ by: 'number', is: 125 });
  expect(isRight(cup as DrillQuestion, 113)).toBe(true);
  expect(isRight(cup as DrillQuestion, 140)).toBe(false);
});

test('fractions and scaling by hand', () => {
  for (const q of all('scale')) {
    const times = /^(\S+(?: \S+)?) cup, (\S+(?: \S+)?) times/.exec(q.asks);
    const part = (t: string): number =>
      t
        .split(' ')
        .reduce((a, x) => a + (x.includes('/') ? Number(x.split('/')[0]) / Number(x.split('/')[1]) : Number(x)), 0);
    const card = /with (\d+) g .* makes (\d+)\. .* for (\d+)/.exec(q.asks);
    const is = times
      ? part(times[1] ?? '') * part(times[2] ?? '')
      : (Number(card?.[1]) / Number(card?.[2])) * Number(card?.[3]);
    expect(Number(rightOf(q)) / is).toBeCloseTo(1, 1);
  }
});

test('each answer comes up: soda spent, left, and acid left; all five pours; all four drops', () => {
  const answers = (id: (typeof DRILLS)[number]): number => new Set(all(id).map(rightOf)).size;
  expect(answers('soda')).toBe(3);
  expect(answers('pour')).toBeGreaterThanOrEqual(4);
  expect(answers('drop')).toBe(4);
});

test('the wrong line of a card is out of its usual range, and the why says so', () => {
  const said = all('card').filter((q) => q.why.includes('is usual'));
  expect(said.length / seeds.length).toBeGreaterThan(0.95);
});
