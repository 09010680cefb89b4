import { touchesInOrder } from './instrument';

test('an instrument is touched in the order it was pressed, however long each touch takes; one that fails is passed', async () => {
  const arrived: string[] = [];
  let failures = 0;
  const slow: Readonly<Record<string, number>> = { clear: 30, tare: 10, pour: 0 };
  const touch = touchesInOrder<string>(
    async (act) => {
      await new Promise((go) => setTimeout(go, slow[act] ?? 0));
      if (act === 'torn') throw new Error('nobody there');
      arrived.push(act);
    },
    () => {
      failures += 1;
    },
  );
  await Promise.all(['clear', 'torn', 'tare', 'pour'].map(touch));
  expect(arrived).toEqual(['clear', 'tare', 'pour']);
  expect(failures).toBe(1);
});
