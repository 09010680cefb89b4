import { morningOfLoose, servedTogether } from './loose';

const UTC = { zone: 'UTC', clock: '24', days: 'en' } as never;
const at = (day: number, h: number, min = 0): { readonly at: number } => ({ at: Date.UTC(2030, 4, day, h, min) });
const batch = (id: string, timeline: { readonly at: number } | null, piecesPlanned: number | null = 20) => ({
  id,
  formulaId: `f-${id}`,
  piecesPlanned,
  timeline,
});

test('what is served within half an hour of the first, on one day, is served together; what is of a morning stays there', () => {
  const all = [
    batch('c', at(4, 9, 20)),
    batch('a', at(4, 8, 50)),
    batch('d', at(4, 9, 21)),
    batch('tomorrow', at(5, 8, 50)),
    batch('no time', null),
    batch('no pieces', at(4, 9), null),
    { ...batch('of a morning', at(4, 9)), morningId: 'm' },
  ];
  expect(servedTogether(all, UTC).map((g) => g.map((b) => b.id))).toEqual([['a', 'c']]);
  // on two days, though ten minutes apart
  expect(servedTogether([batch('x', at(4, 23, 55)), batch('y', at(5, 0, 5))], UTC)).toEqual([]);
});

test('the morning has a wave when the first is served, and a dish for each batch with all its pieces', () => {
  const plan = morningOfLoose([batch('c', at(4, 9, 20), 24), batch('a', at(4, 8, 50), 30)], [], [], UTC);
  expect(plan).toMatchObject({
    day: '2030-05-04',
    waves: [{ at: 8 * 60 + 50, covers: 30 }],
    dishes: [
      { id: 'd1', formulaId: 'f-c', each: 1, of: { count: 24 } },
      { id: 'd2', formulaId: 'f-a', each: 1, of: { count: 30 } },
    ],
    people: [{ name: 'The cook', role: 'lead' }],
  });
  expect(morningOfLoose([], [], [], UTC)).toBeNull();
});
