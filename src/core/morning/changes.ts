/**
 * What can be changed of a morning to mend what does not go: a way out is one of these, worked whole and then taken.
 */

import type { MorningSurface, Person, Pin } from './morning';
import type { KeptFor } from './work';

export type MorningChange =
  /** What can be weighed the evening before is. */
  | { readonly do: 'before' }
  /** Who comes first comes so much earlier, min. */
  | { readonly do: 'earlier'; readonly min: number }
  /** One more thing to make pieces on. */
  | { readonly do: 'light'; readonly surface: MorningSurface & { readonly gearId?: string | null } }
  | { readonly do: 'oven' }
  /** Somebody more, who cooks. */
  | { readonly do: 'hand'; readonly from: number; readonly to: number }
  /** Fewer pieces on a plate. */
  | { readonly do: 'each'; readonly dish: string; readonly each: number }
  /** So many covers more at a wave, or fewer, below 0. */
  | { readonly do: 'covers'; readonly wave: number; readonly by: number }
  /** Something that pieces are made on is out. */
  | { readonly do: 'out'; readonly surface: string }
  /** A wave so much later, min. */
  | { readonly do: 'later'; readonly wave: number; readonly min: number }
  /** Kept pieces are heated again. */
  | { readonly do: 'kept'; readonly kept: KeptFor }
  /** A step stands at a time, or is somebody's; with neither it is as it was. */
  | { readonly do: 'pin'; readonly pin: Pin };

/** What of a morning changes: as it is solved, and as it is planned. */
interface ChangeableMorning {
  readonly waves: readonly { readonly at: number; readonly covers: number }[];
  readonly dishes: readonly { readonly id: string; readonly each: number }[];
  readonly people: readonly Person[];
  readonly surfaces: readonly { readonly name: string }[];
  readonly ovens: number;
  readonly before: boolean;
  readonly kept: readonly KeptFor[];
  readonly pins?: readonly Pin[] | undefined;
}

/** A name that nobody and nothing has yet: "one more", "one more 2". */
function freeName(name: string, had: readonly { readonly name: string }[]): string {
  for (let n = 1; ; n++) {
    const tried = n === 1 ? name : `${name} ${n}`;
    if (!had.some((x) => x.name === tried)) return tried;
  }
}

/** The same morning with one thing changed. */
export function changedMorning<M extends ChangeableMorning>(m: M, c: MorningChange): M {
  switch (c.do) {
    case 'before':
      return { ...m, before: true };
    case 'earlier': {
      const first = Math.min(...m.people.map((p) => p.from));
      return { ...m, people: m.people.map((p) => (p.from === first ? { ...p, from: p.from - c.min } : p)) };
    }
    case 'light':
      return { ...m, surfaces: [...m.surfaces, { ...c.surface, name: freeName(c.surface.name, m.surfaces) }] };
    case 'oven':
      return { ...m, ovens: m.ovens + 1 };
    case 'hand': {
      const more: Person = { name: freeName('one more', m.people), role: 'cook', from: c.from, to: c.to };
      return { ...m, people: [...m.people, more] };
    }
    case 'each':
      return { ...m, dishes: m.dishes.map((d) => (d.id === c.dish ? { ...d, each: c.each } : d)) };
    case 'covers':
      return {
        ...m,
        waves: m.waves.map((w, n) => (n === c.wave ? { ...w, covers: Math.max(1, w.covers + c.by) } : w)),
      };
    case 'out':
      return { ...m, surfaces: m.surfaces.filter((s) => s.name !== c.surface) };
    case 'later':
      return { ...m, waves: m.waves.map((w, n) => (n === c.wave ? { ...w, at: w.at + c.min } : w)) };
    case 'kept':
      return { ...m, kept: [...m.kept, c.kept] };
    case 'pin': {
      const others = (m.pins ?? []).filter((p) => p.step !== c.pin.step);
      return { ...m, pins: c.pin.from === null && c.pin.by === null ? others : [...others, c.pin] };
    }
  }
}
