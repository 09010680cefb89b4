/**
 * The rules that read the balance: one small function each, in a list. A rule looks at the numbers and says nothing, or a
 * plain sentence with the number that caused it. Outside a zone is a note, more than a quarter of the zone's width outside
 * is a look; stop is kept for no flour and for unspent soda above 0.8 % of it.
 */
import { POUR_NOUNS, POUR_WORDS, RAIL_NAMES, type Rail, railOf, THICKNESSES, type Zone } from '../formula/kinds';
import { MEQ_PER_G_SODA } from '../lift/ledger';
import { isA } from '../pantry/ingredient';
import { grams, lift, percent, percentNumber } from '../quantity/say';
import { type Evidence, keysOf, quoted, type Rule, type Severity } from './finding';

const span = ([low, high]: Zone): string => `${percentNumber(low)} to ${percent(high)}`;
const plural = (e: Evidence): string => `${e.kind?.pieces ?? 'batters'}${e.kind && e.kind.schools.length > 1 && e.school ? ` (${e.school.name})` : ''}`;

const noFlour: Rule = (e) =>
  e.tally.flourG > 0
    ? null
    : {
        code: 'no-flour',
        severity: 'stop',
        basis: 'arithmetic',
        message: 'There is no flour in this formula, so no ratio can be worked. Add a flour, meal or starch line.',
      };

const amountsDisagree: Rule = (e) => {
  const apart = e.lines.filter((l) => l.findings?.some((f) => f.code === 'amounts-disagree'));
  if (apart.length === 0) return null;
  const what = apart.length === 1 ? `${quoted(apart[0])} is` : `${apart.length} lines are`;
  return {
    code: 'amounts-disagree',
    severity: 'look',
    basis: 'measured',
    keys: keysOf(apart),
    message: `${what} written twice and the two amounts disagree. Say which stands: every ratio hangs on it.`,
  };
};

const linesOpen: Rule = (e) => {
  const open = e.lines.filter((l) => l.use === 'batter' && l.parts.length === 0);
  if (open.length === 0) return null;
  const what = open.length === 1 ? `${quoted(open[0])} is` : `${open.length} lines are`;
  return {
    code: 'lines-open',
    severity: 'look',
    basis: 'measured',
    keys: keysOf(open),
    message: `${what} not counted yet: the balance is without ${open.length === 1 ? 'it' : 'them'}.`,
  };
};

const SODA_STEPS: readonly (readonly [percentOfFlour: number, severity: Severity])[] = [
  [0.8, 'stop'],
  [0.45, 'look'],
  [0.25, 'note'],
];

const sodaUnspent: Rule = (e) => {
  const left = e.ledger.unspentSodaG;
  // acid that is not known may well work it
  if (!(e.tally.flourG > 0) || e.tally.unknown.acid) return null;
  const pct = (100 * left) / e.tally.flourG;
  const step = SODA_STEPS.find(([limit]) => pct > limit);
  if (!step) return null;
  const works = e.ledger.sodaG - left;
  const keep =
    works < 0.05
      ? 'Leave the soda out, or bring a sour liquid.'
      : `The acid here works ${grams(works, e.units)}; keep that much, or bring more of a sour liquid.`;
  return {
    code: 'soda-unspent',
    severity: step[1],
    basis: 'arithmetic',
    message: `${grams(left, e.units)} of soda has no acid to work on (${percent(pct)} of the flour): soapy taste, yellow-brown crust. ${keep}`,
  };
};

/** meq of food acid left over per 100 g flour from which a batter tastes tangy and browns slowly. */
const TANGY_MEQ = 14;

const acidUnspent: Rule = (e) => {
  if (!(e.tally.flourG > 0) || e.tally.unknown.soda) return null;
  const per100 = (100 * e.ledger.unspentAcidMeq) / e.tally.flourG;
  if (per100 <= TANGY_MEQ) return null;
  return {
    code: 'acid-unspent',
    severity: 'note',
    basis: 'arithmetic',
    message: `${e.ledger.unspentAcidMeq.toFixed(0)} meq of acid is left over: some tang, and slower browning. It could work ${grams(e.ledger.unspentAcidMeq / MEQ_PER_G_SODA, e.units)} of soda.`,
  };
};

interface ZoneWords {
  readonly code: string;
  readonly rail: Rail;
  readonly when: 'above' | 'below';
  readonly says: (e: Evidence) => string;
}

const ZONE_WORDS: readonly ZoneWords[] = [
  { code: 'salt-high', rail: 'salt', when: 'above', says: () => 'it will taste of it; salted butter is counted' },
  { code: 'salt-low', rail: 'salt', when: 'below', says: () => 'it will taste flat' },
  {
    code: 'sugar-high',
    rail: 'sugar',
    when: 'above',
    says: (e) => (e.kind?.id === 'crepe' ? 'crepes stiffen and tear' : 'the crust browns before the middle sets'),
  },
  { code: 'fat-high', rail: 'fat', when: 'above', says: () => 'heavy and greasy' },
  { code: 'egg-high', rail: 'egg', when: 'above', says: () => 'rubbery and less airy' },
  { code: 'egg-low', rail: 'egg', when: 'below', says: () => 'it may break when turned' },
];

const zoneRule =
  (w: ZoneWords): Rule =>
  (e) => {
    const r = railOf(e, w.rail);
    if (!r?.zone || r.reading?.standing !== w.when) return null;
    const { zone } = r;
    return {
      code: w.code,
      severity: r.reading.far ? 'look' : 'note',
      basis: 'arithmetic',
      message: `${RAIL_NAMES[w.rail]} is ${r.unknown.length > 0 ? 'at least ' : ''}${percent(r.tested)} of the flour; most ${plural(e)} have ${span(zone)}: ${w.says(e)}.`,
    };
  };

const raised: Rule = (e) => {
  const rail = railOf(e, 'lift');
  if (!rail?.zone || !rail.reading) return null;
  const { zone, reading: r } = rail;
  if (r.standing === 'in' || (r.standing === 'below' && e.volume?.foamed)) return null;
  const says = r.standing === 'below' ? 'they will lie flat' : 'they puff, then fall, and taste of leavening';
  return {
    code: r.standing === 'below' ? 'under-raised' : 'over-raised',
    severity: r.far ? 'look' : 'note',
    basis: 'arithmetic',
    message: `The leavening gives ${lift(rail.value)} g of gas per 100 g flour; most ${plural(e)} have ${lift(zone[0])} to ${lift(zone[1])} g${e.altitudeM > 0 ? ` at ${e.altitudeM} m, where gas takes more room` : ''}: ${says}.`,
  };
};

const pourRule: Rule = (e) => {
  if (!e.school || !e.thickness || !e.percent) return null;
  const at = THICKNESSES.indexOf(e.thickness.pour);
  const [from, to] = e.school.pour.map((p) => THICKNESSES.indexOf(p)) as [number, number];
  const water = railOf(e, 'water')?.reading?.standing;
  const thick = at - to;
  const thin = from - at;
  const wanted = e.school.pour[0] === e.school.pour[1] ? POUR_NOUNS[e.school.pour[0]] : e.school.pour.map((p) => POUR_NOUNS[p]).join(' to ');
  if (thick >= 2 || (thick === 1 && water === 'below'))
    return {
      code: 'too-thick',
      severity: thick >= 2 ? 'look' : 'note',
      basis: 'model',
      message: `The batter ${POUR_WORDS[e.thickness.pour]}; ${plural(e)} want ${wanted}. Free water is ${percent(e.percent.freeWater)} of the flour. Thin it a little at a time.`,
    };
  if (thin >= 2 || (thin === 1 && water === 'above'))
    return {
      code: 'too-thin',
      severity: thin >= 2 ? 'look' : 'note',
      basis: 'model',
      message: `The batter ${POUR_WORDS[e.thickness.pour]}; ${plural(e)} want ${wanted}. Free water is ${percent(e.percent.freeWater)} of the flour. A spoon of flour at a time, and let it stand.`,
    };
  return null;
};

const UNKNOWN_WORDS = { water: 'water', fat: 'fat', sugar: 'sugar', salt: 'salt', lift: 'soda or acid' } as const;

const shareUnknown: Rule = (e) => {
  const said = (['water', 'fat', 'sugar', 'salt', 'lift'] as const).filter((r) => (railOf(e, r)?.unknown.length ?? 0) > 0);
  const names = [...new Set(said.flatMap((r) => railOf(e, r)?.unknown ?? []))];
  if (names.length === 0) return null;
  return {
    code: 'share-unknown',
    severity: 'note',
    basis: 'measured',
    message: `The ${said.map((r) => UNKNOWN_WORDS[r]).join(', ')} of ${names.slice(0, 3).join(', ')} ${said.length === 1 ? 'is' : 'are'} not known: ${said.length === 1 ? 'that ratio is' : 'those ratios are'} without it, and at least what is shown.`,
  };
};

const noGluten: Rule = (e) =>
  e.tally.flourG > 0 && e.tally.glutenFlourG === 0 && e.school?.id !== 'buckwheat'
    ? {
        code: 'no-gluten',
        severity: 'note',
        basis: 'measured',
        message: 'None of this flour has gluten to hold it: it tears easily. Let the batter stand, and more egg helps.',
      }
    : null;

const pureeHeavy: Rule = (e) => {
  if (!(e.tally.flourG > 0)) return null;
  const pct = (100 * e.tally.pureeG) / e.tally.flourG;
  return pct > 60
    ? {
        code: 'puree-heavy',
        severity: 'look',
        basis: 'arithmetic',
        message: `Puree and soft fruit or cheese are ${percent(pct)} of the flour: the middle stays gummy. It wants more lift and less liquid.`,
      }
    : null;
};

const honeyInfant: Rule = (e) =>
  e.lines.some((l) => l.parts.some((p) => isA(p.ingredient, 'honey')))
    ? { code: 'honey-infant', severity: 'note', basis: 'measured', message: 'There is honey in this: not for infants under one year.' }
    : null;

/** The rules that read the balance, in the order of what matters within a severity. */
export const BALANCE_RULES: readonly Rule[] = [
  noFlour,
  amountsDisagree,
  linesOpen,
  sodaUnspent,
  pourRule,
  raised,
  ...ZONE_WORDS.map(zoneRule),
  pureeHeavy,
  noGluten,
  shareUnknown,
  acidUnspent,
  honeyInfant,
];
