/**
 * Numbers as they are said on screen and in findings: grams to what a kitchen scale can show, percent of flour to a
 * whole number (one decimal below 10), never more digits than are true. Units always follow the number, in what the
 * house weighs and reads: grams or ounces, Celsius or Fahrenheit.
 */

import { type Dating, FRESH_DATING } from './day';

export const WEIGHT_UNITS = ['g', 'oz'] as const;
export const TEMPERATURE_UNITS = ['C', 'F'] as const;

export interface Units extends Dating {
  readonly weight: (typeof WEIGHT_UNITS)[number];
  readonly temperature: (typeof TEMPERATURE_UNITS)[number];
  /** Sign of the money prices are in. */
  readonly currency: string;
}

export const FRESH_UNITS: Units = { weight: 'g', temperature: 'C', currency: '€', ...FRESH_DATING };

type Weighs = Pick<Units, 'weight'>;

/** g in an ounce, exact. */
export const OZ_G = 28.349523125;

const trim = (x: number, digits: number): string => {
  const s = x.toFixed(digits);
  return digits > 0 ? s.replace(/\.?0+$/, '') : s;
};

/** A narrow space between thousands, so that 12500 g can be read at arm's length; no line ends at it. */
const grouped = (s: string): string => s.replace(/\B(?=(\d{3})+(?!\d))/g, '\u202f');
/** A number as it is said, as it is typed: thousands run together. What was kept earlier has a thin space between them. */
export const asTyped = (said: string): string => said.replace(/[\u2009\u202f]/g, '');

const whole = (x: number): string => grouped(x.toFixed(0));

/** A number of grams, without the unit: 0.1 g steps below 10 g, whole above; 0.01 g below 1 g. */
export function gramsNumber(x: number): string {
  const a = Math.abs(x);
  if (a >= 9.95) return whole(x);
  return trim(x, a >= 0.995 ? 1 : 2);
}

/**
 * A weight given in grams as the house weighs, without the unit: ounces to the hundredth below ten, to the tenth above.
 */
export function massNumber(g: number, u: Weighs): string {
  if (u.weight === 'g') return gramsNumber(g);
  const oz = g / OZ_G;
  return Math.abs(oz) >= 9.95
    ? (([int = '', frac]) => `${grouped(int)}${frac ? `.${frac}` : ''}`)(trim(oz, 1).split('.'))
    : trim(oz, 2);
}

/** A weight given in grams as the house weighs, with its unit. */
export const grams = (g: number, u: Weighs = FRESH_UNITS): string => `${massNumber(g, u)} ${u.weight}`;

/** The same for a sheet that is weighed by: where the house weighs in ounces, the grams stand beside them. */
export const massBoth = (g: number, u: Weighs): string =>
  u.weight === 'g' ? grams(g) : `${grams(g, u)} (${grams(g)})`;

/** Degrees as the house reads them, of a temperature in Celsius. */
export const degreesRead = (c: number, u: Pick<Units, 'temperature'>): number =>
  u.temperature === 'C' ? c : (c * 9) / 5 + 32;
/** A temperature given in Celsius, as the house reads it, to the whole degree. */
export const temperature = (c: number, u: Pick<Units, 'temperature'> = FRESH_UNITS): string =>
  `${degreesRead(c, u).toFixed(0)} °${u.temperature}`;

/**
 * Words that name a temperature in Celsius, or a step of so many degrees ("by about 10 °C"), as the house reads them.
 */
export const asRead = (text: string, u: Pick<Units, 'temperature'>): string =>
  u.temperature === 'C'
    ? text
    : text.replace(
        /(\bby (?:about )?)?(\d+)(?: to (\d+))? °C/g,
        (_, by: string | undefined, low: string, high: string | undefined) =>
          by
            ? `${by}${Math.round((Number(low) * 9) / 5)} °F`
            : `${high ? `${temperature(Number(low), u).replace(' °F', '')} to ` : ''}${temperature(Number(high ?? low), u)}`,
      );

/** A temperature as the house reads it, in Celsius. */
export const celsiusFrom = (x: number, u: Pick<Units, 'temperature'>): number =>
  u.temperature === 'C' ? x : ((x - 32) * 5) / 9;

/** Money, to the hundredth; less than that as "under". */
export const money = (x: number, u: Pick<Units, 'currency'>): string =>
  x > 0 && x < 0.005
    ? `under ${u.currency}0.01`
    : `${u.currency}${(([int = '', frac]) => `${grouped(int)}.${frac}`)(x.toFixed(2).split('.'))}`;

/** To the tenth of a gram, as the exact sheet shows it; a whole one without its nought. */
export const gramsExact = (x: number): string => {
  const [int = '', frac = '0'] = x.toFixed(1).split('.');
  return `${grouped(int)}${frac === '0' ? '' : `.${frac}`} g`;
};

/** What a price is for: a kilogram, or a pound where the house weighs in ounces; g, and its name. */
export const PRICED_G: Readonly<Record<Units['weight'], number>> = { g: 1000, oz: 16 * OZ_G };
export const PRICED_NAME: Readonly<Record<Units['weight'], string>> = { g: 'a kilogram', oz: 'a pound' };

/** What a weight of it costs, as the house buys. @param perG money for a gram */
export const pricePer = (perG: number, u: Pick<Units, 'currency' | 'weight'>): string =>
  `${money(PRICED_G[u.weight] * perG, u)} ${PRICED_NAME[u.weight]}`;

/** Under so many grams the tenth is weighed too. */
const TENTHS_UNDER_G = 20;

/**
 * An amount as it is written to be weighed: whole grams for what is large, the tenth under twenty and for what does
 * much in little; a pinch is never rounded away.
 * @param fine leavening, acid, salt and spice: to the tenth, however much it is
 */
export function asWeighed(x: number, fine = false): { readonly grams: number; readonly measure: string } {
  const tenths = fine || x < TENTHS_UNDER_G - 0.05;
  const g = tenths ? Math.max(0.1, Math.round(x * 10) / 10) : Math.round(x);
  return { grams: g, measure: tenths ? gramsExact(g) : grams(g) };
}

/** Percent of flour: whole, one decimal below 10. */
export function percentNumber(x: number): string {
  const a = Math.abs(x);
  return a >= 9.95 ? whole(x) : trim(x, 1);
}

export const percent = (x: number): string => `${percentNumber(x)} %`;

/** "flour, milk and salt"; nothing of nothing. */
export const listAnd = (of: readonly string[]): string =>
  of.length > 1 ? `${of.slice(0, -1).join(', ')} and ${of.at(-1)}` : (of[0] ?? '');

/** With a large first letter. */
export const capital = (s: string): string => `${s.charAt(0).toUpperCase()}${s.slice(1)}`;

/** "1 griddle cake", "12 griddle cakes". @param plural of what is counted, as it is said of several */
export const counted = (n: number, plural: string): string =>
  `${n} ${n === 1 ? plural.replace(/ies$/, 'y').replace(/s$/, '') : plural}`;

export const millilitres = (x: number): string => `${whole(x)} ml`;

/** A portion on screens and papers: as it was said, and what it comes to. @param said null: in millilitres */
export const portionWords = (ml: number, said: string | null | undefined): string =>
  said ? `${said} (${millilitres(ml)})` : millilitres(ml);

/** g CO2 per 100 g flour. */
export const lift = (x: number): string => (Math.abs(x) < 0.005 ? '0' : x.toFixed(2));

export const meq = (x: number): string => `${trim(x, Math.abs(x) < 9.95 ? 1 : 0)} meq`;

/** Seconds as minutes and seconds: 145 is "2:25". */
export const minutesAndSeconds = (s: number): string => `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;

/** Minutes with their seconds where there are some: "4:30 min", "20 min", "12 h". */
export const minutesAndParts = (min: number): string => {
  const seconds = Math.round(60 * min);
  return min < 60 && seconds % 60 !== 0 ? `${minutesAndSeconds(seconds)} min` : minutesOrHours(min);
};

/** Minutes, and whole hours from one on: "45 min", "12 h", "1 1/2 h". */
export const minutesOrHours = (min: number): string => {
  if (min < 60) return `${trim(min, 0)} min`;
  const h = min / 60;
  return Number.isInteger(h * 2)
    ? `${Math.floor(h)}${h % 1 ? ' 1/2' : ''} h`
    : `${Math.floor(h)} h ${trim(min % 60, 0)} min`;
};
