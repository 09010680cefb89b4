/** Five formulas worked by hand from the pantry table, to the gram, the percent and the milliequivalent. */
import { analyse } from '../analyse';
import { piecesOf } from '../batter/volume';
import { linesOf } from '../testing/formulas';

/*
 * 1. Soda that a sour milk balances.
 *   acid   flour 250 x 1.0 % = 2.50, buttermilk 480 x 9.4 % = 45.12             = 47.62 meq
 *   soda   4 g x 1000/84.007 = 47.615 meq                                       nothing left of it
 *   CO2    47.615 x 0.04401 = 2.0955 g; / 250 x 100                             = 0.8382 g
 *   water  buttermilk 480 x .9013 = 432.624, egg 76.15, butter 8.97,
 *          salt .01, soda .008, sugar .005                                      = 517.767 g = 207.11 %
 *   fat    flour 2.45, buttermilk 4.224, egg 9.51, butter 40.555                = 56.739 g = 22.70 %
 *   sugar  flour .675, buttermilk 18.912, egg .37, butter .03, sugar 24.9875    = 44.9745 g = 17.99 %; lactose is 18.942 of it
 *   salt   5 x .995 = 4.975 g                                                   = 1.99 %
 */
test('soda with buttermilk that balances', () => {
  const a = analyse(
    linesOf(
      '250 g flour',
      '25 g sugar',
      '5 g salt',
      '4 g baking soda',
      '480 g buttermilk',
      '2 large eggs',
      '50 g butter, melted',
    ),
    'griddle',
    'even',
  );
  expect(a.tally.massG).toBeCloseTo(914, 6);
  expect(a.percent?.liquid).toBeCloseTo(192, 6);
  expect(a.percent?.water).toBeCloseTo(207.107, 2);
  expect(a.percent?.egg).toBeCloseTo(40, 6);
  expect(a.percent?.fat).toBeCloseTo(22.696, 2);
  expect(a.percent?.sugar).toBeCloseTo(17.99, 2);
  expect(a.percent?.sweetness).toBeCloseTo((100 * (44.9745 - 18.942)) / 250, 2);
  expect(a.percent?.salt).toBeCloseTo(1.99, 2);
  expect(a.ledger.acidMeq).toBeCloseTo(47.62, 6);
  expect(a.ledger.unspentSodaG).toBe(0);
  expect(a.ledger.unspentAcidMeq).toBeCloseTo(0.005, 2);
  expect(a.co2Per100gFlour).toBeCloseTo(0.8382, 3);
  expect(a.findings).toEqual([]);
});

/*
 * 2. Soda with nothing to work on.
 *   acid   flour 2.5, milk 430 x 1.0 % = 4.3                                    = 6.8 meq
 *   soda   5 g = 59.519 meq; 52.719 meq are left = 4.4288 g                     = 1.77 % of the flour: stop
 *   CO2    (6.8 + 0.5 x 0.3 x 52.719) x 0.04401 = 0.6473 g                      = 0.2589 g per 100 g flour
 */
test('soda with sweet milk that does not', () => {
  const a = analyse(
    linesOf('250 g flour', '25 g sugar', '3 g salt', '5 g baking soda', '430 g milk', '1 large egg', '40 g oil'),
    'griddle',
    'even',
  );
  expect(a.ledger.acidMeq).toBeCloseTo(6.8, 6);
  expect(a.ledger.unspentSodaG).toBeCloseTo(4.4288, 3);
  expect(a.ledger.unspentAcidMeq).toBe(0);
  expect(a.co2Per100gFlour).toBeCloseTo(0.2589, 3);
  expect(a.findings[0]).toMatchObject({
    code: 'soda-unspent',
    severity: 'stop',
    basis: 'arithmetic',
    message: expect.stringContaining('4.4 g of soda'),
  });
  expect(a.findings.map((f) => f.code)).toContain('under-raised');
});

/*
 * 3. Waffles from cups: flour 2 x 125, sugar 25, powder 3 x 4.6 = 13.8, salt 3/4 x 292/48 = 4.5625, milk 1.75 x 244 =
 * 427.
 *   powder brings 13.8 x .30 = 4.14 g of soda and its own acid: 49.2816 meq x 0.04401 = 2.1689 g CO2  = 0.8675 g
 *   food acid 2.5 + 4.27 = 6.77 meq stays
 *   water  powder .69, salt .009, milk 376.315, egg 114.225, butter 20.344, sugar .005  = 511.588 g = 204.64 %
 *   fat    flour 2.45, milk 13.8775, egg 14.265, butter 91.979                          = 122.571 g = 49.03 %
 */
test('waffles from cups and a stick of butter', () => {
  const a = analyse(
    linesOf(
      '2 cups flour',
      '2 tablespoons sugar',
      '1 tablespoon baking powder',
      '3/4 teaspoon salt',
      '1 3/4 cups milk',
      '3 eggs',
      '1 stick butter, melted',
    ),
    'waffle',
    'crisp',
  );
  expect(a.tally.flourG).toBeCloseTo(250, 6);
  expect(a.percent?.water).toBeCloseTo(204.635, 2);
  expect(a.percent?.fat).toBeCloseTo(49.028, 2);
  expect(a.percent?.egg).toBeCloseTo(60, 6);
  expect(a.percent?.salt).toBeCloseTo(1.8159, 3);
  expect(a.ledger.sodaG).toBe(0);
  expect(a.ledger.sodaInPowderG).toBeCloseTo(4.14, 6);
  expect(a.ledger.unspentAcidMeq).toBeCloseTo(6.77, 6);
  expect(a.co2Per100gFlour).toBeCloseTo(0.8675, 3);
  expect(a.findings).toEqual([]);
});

/*
 * 4. Crepes, and how many they are.
 *   sugar  flour .675, milk 24, egg .74, butter .03, sugar 29.982                      = 55.427 g = 22.17 %; without milk's and butter's 24.03: 12.56 %
 *   water  milk 440.65, egg 152.3, butter 8.97, salt .004, sugar .009                  = 601.933 g = 240.77 %
 *   volume flour 250/1.45 = 172.414, milk 500/1.03 = 485.437, egg 200/1.03 = 194.175, sugar 30/1.59 = 18.868,
 *          butter 106.7876 mL per 100 g = 53.394, salt .872                            = 925.16 mL, and 2 % air 943.66 mL
 *   density 1032/943.66 = 1.0936 g/mL; loss 3 % = 30.96 g; 1001.04/1.0936 = 915.4 mL   = 18 of 50 mL, 15 mL left
 */
test('crepes, with their volume and pieces', () => {
  const a = analyse(
    linesOf('250 g flour', '30 g caster sugar', '2 g salt', '4 large eggs', '500 g milk', '50 g butter, melted'),
    'crepe',
    'sweet',
  );
  expect(a.percent?.water).toBeCloseTo(240.773, 2);
  expect(a.percent?.sugar).toBeCloseTo(22.171, 2);
  expect(a.percent?.sweetness).toBeCloseTo(12.559, 2);
  expect(a.volume?.airlessMl).toBeCloseTo(925.16, 0);
  expect(a.volume?.volumeMl).toBeCloseTo(943.66, 0);
  expect(a.volume?.densityGPerMl).toBeCloseTo(1.0936, 3);
  const y = piecesOf(a.tally.massG, a.volume?.densityGPerMl ?? 1, 50);
  expect(y.pieces).toBe(18);
  expect(y.restMl).toBeCloseTo(15.4, 0);
  expect(a.findings).toEqual([]);
});

/*
 * 5. A puree: its water is shown, but not tested against the zone.
 *   water  powder .4, pumpkin 200 x .8997 = 179.94, milk 211.512, egg 38.075, brown sugar .402, salt .004 = 430.333 g = 215.17 %
 *          of it free 250.393 g                                                                          = 125.20 %
 *   acid   flour 2, pumpkin 3, milk 2.4, brown sugar .09                                                 = 7.49 meq
 *   puree  200/200                                                                                       = 100 % of the flour
 */
test('pumpkin cakes', () => {
  const a = analyse(
    linesOf(
      '200 g flour',
      '8 g baking powder',
      '30 g brown sugar',
      '2 g salt',
      '200 g pumpkin puree',
      '240 g milk',
      '1 egg',
    ),
    'griddle',
    'even',
  );
  expect(a.percent?.water).toBeCloseTo(215.167, 2);
  expect(a.percent?.freeWater).toBeCloseTo(125.197, 2);
  expect(a.ledger.acidMeq).toBeCloseTo(7.49, 6);
  expect(a.rails.find((r) => r.rail === 'water')?.tested).toBeCloseTo(125.197, 2);
  expect(a.findings.map((f) => f.code)).toContain('puree-heavy');
});
