/** A sheet as it is read: bowl by bowl, what serves them all, each sauce by its name. */
import { VESSEL_NAMES, VESSELS } from '../card/parts';
import type { SheetLine } from './sheet-line';

/** An add-in that goes on at the heat, and never into the bowl. */
export const atTheHeat = (l: Pick<SheetLine, 'moment'>): boolean => l.moment !== undefined && l.moment !== 'rest';

/** What stands under every sheet. */
export const RAW =
  'Keep wet mixes and batter cold until they are used, and do not taste them raw. Times and temperatures: as the local food code has them. Check labels for allergens.';

interface SheetGroup {
  readonly name: string;
  readonly lines: readonly SheetLine[];
}

/**
 * A sheet in the order it is worked: bowl by bowl (by eye there is one), then what serves them all, then each sauce or
 * butter by its name.
 */
export function sheetGroups(lines: readonly SheetLine[], oneBowl = false): readonly SheetGroup[] {
  const sides = [...new Set(lines.flatMap((l) => (l.side === undefined ? [] : [l.side])))];
  return [
    ...(oneBowl ? [{ name: 'One bowl, or the blender', of: ['dry', 'wet'] }] : [])
      .concat(
        VESSELS.filter((v) => !oneBowl || (v !== 'dry' && v !== 'wet')).map((v) => ({
          name: VESSEL_NAMES[v],
          of: [v],
        })),
      )
      .map(({ name, of }) => ({
        name,
        lines: lines.filter(
          (l) => l.side === undefined && l.forEnd === undefined && of.includes(l.vessel) && !atTheHeat(l),
        ),
      })),
    {
      name: 'Beside the heat',
      lines: lines.filter((l) => l.side === undefined && l.forEnd === undefined && atTheHeat(l)),
    },
    ...[...new Set(lines.flatMap((l) => (l.side === undefined ? (l.forEnd ?? []) : [])))].map((end) => ({
      name: `Into the ${end} part`,
      lines: lines.filter((l) => l.side === undefined && l.forEnd === end),
    })),
    ...sides.map((name) => ({ name, lines: lines.filter((l) => l.side === name) })),
  ].filter((g) => g.lines.length > 0);
}
