/** A sheet as it is read: bowl by bowl, what serves them all, each sauce by its name. */
import { VESSEL_NAMES, type Vessel } from '../card/parts';
import type { SheetLine } from './sheet-line';

/** An add-in that goes on at the heat, and never into the bowl. */
export const atTheHeat = (l: Pick<SheetLine, 'moment'>): boolean => l.moment !== undefined && l.moment !== 'rest';

/** What stands under every sheet. */
export const RAW =
  'Keep wet mixes and batter cold until they are used, and do not taste them raw. Times and temperatures: as the local food code has them. Check labels for allergens.';

interface Bowl {
  readonly name: string;
  readonly of: readonly Vessel[];
}

/** Waits for the rest by itself, and is not weighed into its bowl: soda in the morning. */
const waits = (l: SheetLine): boolean => l.moment === 'rest' && l.vessel !== 'fold-in';

interface SheetGroup {
  readonly name: string;
  readonly lines: readonly SheetLine[];
}

/**
 * A sheet in the order it is worked: bowl by bowl (by eye there is one), then what serves them all, then each sauce or
 * butter by its name.
 */
export function sheetGroups(lines: readonly SheetLine[], oneBowl = false): readonly SheetGroup[] {
  const batter = lines.filter((l) => l.side === undefined && l.forEnd === undefined);
  const sides = [...new Set(lines.flatMap((l) => (l.side === undefined ? [] : [l.side])))];
  const named = (v: Vessel): Bowl => ({ name: VESSEL_NAMES[v], of: [v] });
  const bowls: readonly Bowl[] = oneBowl
    ? [{ name: 'One bowl, or the blender', of: ['dry', 'wet'] }, named('fold-in')]
    : [named('dry'), named('wet'), named('fold-in')];
  const into = ({ name, of }: Bowl): SheetGroup => ({
    name,
    lines: batter.filter((l) => of.includes(l.vessel) && !atTheHeat(l) && !waits(l)),
  });
  return [
    ...bowls.map(into),
    { name: 'After the rest', lines: batter.filter(waits) },
    { name: 'Fried first, in the pan', lines: batter.filter((l) => l.moment === 'fried') },
    into(named('pan')),
    into(named('topping')),
    { name: 'Beside the heat', lines: batter.filter((l) => atTheHeat(l) && l.moment !== 'fried') },
    ...[...new Set(lines.flatMap((l) => (l.side === undefined ? (l.forEnd ?? []) : [])))].map((end) => ({
      name: `Into the ${end} part`,
      lines: lines.filter((l) => l.side === undefined && l.forEnd === end),
    })),
    ...sides.map((name) => ({ name, lines: lines.filter((l) => l.side === name) })),
  ].filter((g) => g.lines.length > 0);
}
