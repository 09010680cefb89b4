/** What stands in the form of a trial, and the changes it means: text until it is planned. */
import type { ActEdit } from '@/core/formula/act-edits';
import type { WayId } from '@/core/formula/schools';
import { LEAST_WAYS, MOST_WAYS, type TrialChange } from '@/core/judge/trial';
import { celsiusFrom, type Units } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';

/** What can be otherwise, as it is asked. */
export const SORT_WORDS = {
  line: 'another amount or ingredient',
  leave: 'something left out',
  add: 'something more',
  way: 'how it is mixed and rested',
  act: 'a time or a heat',
  portion: 'the portion',
  version: 'an earlier version',
} as const;
export type Sort = keyof typeof SORT_WORDS;

/** One way as it is typed. */
export interface WayTyped {
  readonly sort: Sort;
  /** Of a line: which, and what it is to say. */
  readonly key: string;
  readonly text: string;
  readonly way: WayId;
  readonly value: string;
  readonly act: string;
  readonly minutes: string;
  readonly degrees: string;
  readonly ml: string;
  readonly version: string;
}
export const NEW_WAY: WayTyped = {
  sort: 'line',
  key: '',
  text: '',
  way: 'rest',
  value: '',
  act: '',
  minutes: '',
  degrees: '',
  ml: '',
  version: '',
};

export interface TrialTyped {
  /** The ways besides the first, which is as written. */
  readonly ways: readonly WayTyped[];
  readonly pieces: string;
  readonly portion: string;
  readonly maker: string;
}

/** An act of the making that a trial can time or heat otherwise. */
export interface ActOffered {
  readonly id: string;
  readonly name: string;
  readonly minutes: boolean;
  readonly heat: boolean;
}

type Said = { readonly change: TrialChange } | { readonly wrong: string };

function editOf(w: WayTyped, units: Units): ActEdit | string {
  const [minutes, degrees] = [
    typedNumber(w.minutes, 'min'),
    typedNumber(w.degrees, `°${units.temperature}`, units.temperature),
  ];
  const [some, hot] = [w.minutes.trim() !== '', w.degrees.trim() !== ''];
  if (w.act === '') return 'Pick a step.';
  if (!some && !hot) return 'Write the minutes or the degrees.';
  if (some && !(minutes > 0)) return 'Minutes: a number, more than nothing.';
  const heatC = Math.round(10 * celsiusFrom(degrees, units)) / 10;
  if (hot && !(heatC >= 30 && heatC <= 400)) return 'No heat of a kitchen.';
  return { do: 'set', act: w.act, ...(some && { minutes }), ...(hot && { heatC }) };
}

/** The change that one way means, or what is still to be said. */
export function changeOf(w: WayTyped, units: Units): Said {
  switch (w.sort) {
    case 'line':
      if (w.key === '') return { wrong: 'Pick a line.' };
      return w.text.trim() === ''
        ? { wrong: 'Write what it is to be.' }
        : { change: { do: 'line', key: w.key, text: w.text.trim() } };
    case 'leave':
      return w.key === '' ? { wrong: 'Pick a line.' } : { change: { do: 'leave', key: w.key } };
    case 'add':
      return w.text.trim() === '' ? { wrong: 'Write the line.' } : { change: { do: 'add', text: w.text.trim() } };
    case 'way':
      return w.value === ''
        ? { wrong: 'Pick another way.' }
        : { change: { do: 'edit', edit: { do: 'way', act: w.way, value: w.value } } };
    case 'act': {
      const edit = editOf(w, units);
      return typeof edit === 'string' ? { wrong: edit } : { change: { do: 'edit', edit } };
    }
    case 'portion': {
      const ml = typedNumber(w.ml, 'ml');
      return ml > 0 ? { change: { do: 'portion', ml } } : { wrong: 'A number of millilitres.' };
    }
    case 'version':
      return w.version === '' ? { wrong: 'Pick a version.' } : { change: { do: 'version', number: Number(w.version) } };
  }
}

interface Asked {
  readonly changes: readonly TrialChange[];
  readonly pieces: number;
  readonly portionMl: number;
  readonly maker: string;
}

/** What a trial asks to be kept, or what is wrong and where: `changes.1` is the way after the one as written. */
export function trialAsked(
  t: TrialTyped,
  units: Units,
): { readonly asked: Asked } | { readonly errors: Readonly<Record<string, string>> } {
  const said = t.ways.map((w) => changeOf(w, units));
  const [pieces, portionMl] = [typedNumber(t.pieces, ''), typedNumber(t.portion, 'ml')];
  const errors: Record<string, string> = {};
  said.forEach((s, n) => {
    if ('wrong' in s) errors[`changes.${n + 1}`] = s.wrong;
  });
  if (!(Number.isInteger(pieces) && pieces > 0)) errors.pieces = 'A whole number.';
  if (!(portionMl > 0)) errors.portionMl = 'A number of millilitres.';
  if (Object.keys(errors).length > 0) return { errors };
  const changes = said.flatMap((s) => ('change' in s ? [s.change] : []));
  return { asked: { changes: [{ do: 'same' }, ...changes], pieces, portionMl, maker: t.maker.trim() } };
}

export const canAddWay = (t: Pick<TrialTyped, 'ways'>): boolean => t.ways.length + 1 < MOST_WAYS;
export const canDropWay = (t: Pick<TrialTyped, 'ways'>): boolean => t.ways.length + 1 > LEAST_WAYS;
