/**
 * Numbers as they are said on screen and in findings: grams to what a kitchen scale can show, percent of flour to a
 * whole number (one decimal below 10), never more digits than are true. Units always follow the number.
 */

const trim = (x: number, digits: number): string => {
  const s = x.toFixed(digits);
  return digits > 0 ? s.replace(/\.?0+$/, '') : s;
};

/** Thin space between thousands, so that 12500 g can be read at arm's length. */
const grouped = (s: string): string => s.replace(/\B(?=(\d{3})+(?!\d))/g, '\u2009');

const whole = (x: number): string => grouped(x.toFixed(0));

/** A number of grams, without the unit: 0.1 g steps below 10 g, whole above; 0.01 g below 1 g. */
export function gramsNumber(x: number): string {
  const a = Math.abs(x);
  if (a >= 9.95) return whole(x);
  return trim(x, a >= 0.995 ? 1 : 2);
}

export const grams = (x: number): string => `${gramsNumber(x)} g`;

/** To the tenth of a gram, as the exact sheet shows it. */
export const gramsExact = (x: number): string => {
  const [int = '', frac = '0'] = x.toFixed(1).split('.');
  return `${grouped(int)}.${frac} g`;
};

/** Percent of flour: whole, one decimal below 10. */
export function percentNumber(x: number): string {
  const a = Math.abs(x);
  return a >= 9.95 ? whole(x) : trim(x, 1);
}

export const percent = (x: number): string => `${percentNumber(x)} %`;

export const millilitres = (x: number): string => `${whole(x)} ml`;

/** g CO2 per 100 g flour. */
export const lift = (x: number): string => (Math.abs(x) < 0.005 ? '0' : x.toFixed(2));

export const meq = (x: number): string => `${trim(x, Math.abs(x) < 9.95 ? 1 : 0)} meq`;

/** Seconds as minutes and seconds: 145 is "2:25". */
export const minutesAndSeconds = (s: number): string => `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;

/** Minutes, and whole hours from one on: "45 min", "12 h", "1 1/2 h". */
export const minutesOrHours = (min: number): string => {
  if (min < 60) return `${trim(min, 0)} min`;
  const h = min / 60;
  return Number.isInteger(h * 2) ? `${Math.floor(h)}${h % 1 ? ' 1/2' : ''} h` : `${Math.floor(h)} h ${trim(min % 60, 0)} min`;
};
