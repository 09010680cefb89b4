import { LESSONS } from './lessons';
import { practiceProgress, type Try } from './progress';

const go = (what: string, passed: boolean, worth = Number(passed)): Try => ({
  what,
  passed,
  worth,
  was: '',
  at: new Date(0),
});

test('the next lesson is the first that is not passed; then the drill that is weakest', () => {
  expect(practiceProgress([]).next).toEqual({ what: 'The first cake', to: '/practice/first-cake' });
  const passed = LESSONS.map((l) => go(`lesson:${l.id}`, l.id !== 'eight', 0.9));
  expect(practiceProgress(passed).next?.to).toBe('/practice/eight');
  const all = [...passed, go('lesson:eight', true)];
  const drills = ['grams', 'scale', 'pour', 'soda', 'drop', 'card', 'cause'];
  const answers = drills.flatMap((d) => [go(`drill:${d}`, true), go(`drill:${d}`, d !== 'soda')]);
  expect(practiceProgress([...all, ...answers]).next?.to).toBe('/practice/drill/soda');
  // by the last ten alone
  const since = Array.from({ length: 10 }, () => go('drill:soda', true));
  expect(practiceProgress([...all, ...answers, ...since]).next).toBeNull();
});

test('a lesson is known by its best go, and each go is drawn', () => {
  const p = practiceProgress([go('lesson:two', false, 0.4), go('drill:drop', true), go('lesson:two', true, 0.75)]);
  expect(p.lessons[1]).toMatchObject({ tries: 2, passed: true, best: 0.75 });
  expect(p.curve).toEqual([
    { n: 1, worth: 0.4 },
    { n: 2, worth: 0.75 },
  ]);
  expect(p.drills.find((d) => d.id === 'drop')).toMatchObject({ tries: 1, right: 1 });
});
