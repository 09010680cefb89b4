import { cooked, type HowTurned } from './cook';
import {
  cueC as cueOf,
  heatFor,
  laid,
  lossShare,
  type PieceOnHeat,
  type Plate,
  type PouredLayer,
  turn,
} from './heat-through';

/** A portion by its mL and width, cm. */
const pour = (ml: number, cm: number, more: Partial<PouredLayer> = {}): PouredLayer => {
  const densityGPerMl = more.densityGPerMl ?? 1.05;
  return {
    kgPerM2: (ml * densityGPerMl * 1e-3) / ((Math.PI / 4) * cm ** 2 * 1e-4),
    densityGPerMl,
    waterShare: 0.55,
    liftMl: 180,
    batterC: 21,
    browns: 1,
    ...more,
  };
};
const plate = (surfaceC: number, lid = false): Plate => ({ surfaceC, roomC: 24, lid });
const CAKE: HowTurned = { sugarPercent: 9, film: false };

// the prototype's own values: seconds to the turn, then to done, colour of both sides, loss %, height mm
test.each([
  ['60 ml at 11 cm, 175 C', pour(60, 11), plate(175), CAKE, [155, 70.5, 1.0106, 0.3501, 5.705, 11.024]],
  ['cooler', pour(60, 11), plate(160), CAKE, [161.5, 100.5, 0.4547, 0.3511, 5.423, 11.042]],
  ['hotter', pour(60, 11), plate(190), CAKE, [147, 53.5, 1.5251, 0.3534, 5.981, 11.006]],
  ['from the cold', pour(60, 11, { batterC: 4 }), plate(175), CAKE, [181, 71, 1.178, 0.35, 5.78, 11.019]],
  ['30 ml', pour(30, 8.7), plate(175), CAKE, [94.5, 73, 0.3117, 0.3521, 5.94, 8.799]],
  ['under a lid', pour(120, 11), plate(160, true), CAKE, [384.5, 129.5, 2.689, 0.35, 3.743, 22.306]],
  [
    'sweet and alkaline',
    pour(60, 11, { browns: 1.6 ** 0.5 }),
    plate(175),
    { ...CAKE, sugarPercent: 18 },
    [181.5, 58, 1.757, 0.3554, 6.051, 11.001],
  ],
  [
    'a crepe',
    pour(60, 20, { densityGPerMl: 1.08, waterShare: 0.7, liftMl: 0 }),
    plate(200),
    { sugarPercent: 6, film: true },
    [52.5, 15, 0.027, 0.0034, 19.818, 1.497],
  ],
])('%s cooks as the prototype does', (_, p, at, how, [first, second, b1, b2, loss, height]) => {
  const c = cooked(p, at, how);
  expect([c.firstS, c.secondS]).toEqual([first, second]);
  expect(c.brown.first).toBeCloseTo(b1 as number, 3);
  expect(c.brown.second).toBeCloseTo(b2 as number, 3);
  expect(c.lossPercent).toBeCloseTo(loss as number, 2);
  // the prototype read its height a step earlier
  expect(c.heightMm).toBeCloseTo(height as number, 1);
  expect(c.through).toBe(true);
});

test('twice the batter on the same width never sets without a lid', () => {
  expect(cooked(pour(120, 11), plate(175), CAKE)).toMatchObject({ firstS: 480, through: false });
});

const sum = (xs: Float64Array): number => xs.reduce((a, x) => a + x, 0);
const heatOf = (p: PieceOnHeat): number =>
  p.c.reduce((a, c, i) => a + c * ((p.dry[i] as number) * 1650 + (p.water[i] as number) * 4180), 0);

test('no water and no heat is lost or made: what went in is in it, or left', () => {
  const p = laid(pour(60, 11), plate(175));
  const [water, heat] = [sum(p.water), heatOf(p)];
  for (let n = 0; n < 240; n++) heatFor(p, 0.5);
  turn(p);
  for (let n = 0; n < 120; n++) heatFor(p, 0.5);
  expect(sum(p.water) + p.steamed + p.dried).toBeCloseTo(water, 9);
  expect(lossShare(p) * p.pour.kgPerM2).toBeCloseTo(p.steamed + p.dried, 12);
  // steam leaves at 100 degrees, what dries off at about 60
  const gained = heatOf(p) - heat + p.steamed * (2.26e6 + 418_000) + p.dried * (2.36e6 + 250_800);
  expect((p.heatIn - p.heatOut + p.dried * 2.36e6) / gained).toBeGreaterThan(0.95);
  expect((p.heatIn - p.heatOut + p.dried * 2.36e6) / gained).toBeLessThan(1.05);
});

test('smaller steps tell the same: a turn within 3 seconds', () => {
  const turned = (dt: number): number => {
    const p = laid(pour(60, 11), plate(175));
    // 69.15 degrees at an eighth of the depth, as the cook looks for it
    while (p.s < 400 && cueOf(p) < 69.15) heatFor(p, dt);
    return p.s;
  };
  expect(Math.abs(turned(0.1) - turned(0.5))).toBeLessThan(3);
});
