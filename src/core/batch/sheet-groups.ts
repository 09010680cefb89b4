/**
 * A sheet as it is read: in the vessels its making puts the lines into, then what serves them all, each sauce by its
 * name.
 */
import { VESSEL_NAMES } from '../card/parts';
import type { Script, ScriptAct } from '../script/act';
import type { SheetLine } from './sheet-line';

/** An add-in that goes on at the heat, and never into the bowl. */
export const atTheHeat = (l: Pick<SheetLine, 'moment'>): boolean =>
  l.moment !== undefined && l.moment !== 'rest' && l.moment !== 'whipped';

/** What stands under every sheet. */
export const RAW =
  'Keep wet mixes and batter cold until they are used, and do not taste them raw. Times and temperatures: as the local food code has them. Check labels for allergens.';

interface SheetGroup {
  readonly name: string;
  readonly lines: readonly SheetLine[];
}

const ONE_BOWL = 'One bowl, or the blender';
const AFTER_REST = 'After the rest';
const FRIED = 'Fried first, in the pan';
const BESIDE = 'Beside the heat';
const WHITES = 'Whites, in a clean bowl';
/** In the order they are worked. */
const ORDER = [
  ONE_BOWL,
  VESSEL_NAMES.dry,
  VESSEL_NAMES.wet,
  WHITES,
  VESSEL_NAMES['fold-in'],
  AFTER_REST,
  FRIED,
  VESSEL_NAMES.pan,
  VESSEL_NAMES.topping,
  BESIDE,
];

/** Where an act of the making puts a line. */
function placeOf(a: ScriptAct, l: SheetLine): string {
  switch (a.verb) {
    case 'whisk':
      return a.of === 'dry' ? VESSEL_NAMES.dry : VESSEL_NAMES.wet;
    case 'melt':
    case 'brown':
      // weighed with the wet that it goes into
      return VESSEL_NAMES.wet;
    case 'whip':
      return WHITES;
    case 'stir in':
    case 'fold':
      return l.vessel === 'fold-in' ? VESSEL_NAMES['fold-in'] : AFTER_REST;
    case 'fry first':
      return FRIED;
    case 'grease':
      return VESSEL_NAMES.pan;
    case 'put on':
      return BESIDE;
    default:
      return VESSEL_NAMES[l.vessel];
  }
}

/** A line of another mix is the first mix's, with that mix behind its key. */
const keyOfOne = (key: string): string => key.replace(/m\d+$/, '');

/**
 * A sheet in the order it is worked: as the making takes each line (by eye there is one bowl), then what is of one end
 * alone, then each sauce or butter by its name.
 * @param script of one mix; of several the lines are the same
 */
export function sheetGroups(
  lines: readonly SheetLine[],
  { acts }: Pick<Script, 'acts'>,
  oneBowl = false,
): readonly SheetGroup[] {
  const nameOf = (l: SheetLine): string => {
    if (l.side !== undefined) return l.side;
    const by = acts.find((a) => a.takes.some((t) => t.of === 'line' && t.id === keyOfOne(l.key)));
    if (l.forEnd !== undefined && by?.verb === 'put on') return `${BESIDE}, ${l.forEnd}`;
    if (l.forEnd !== undefined && (!by || by.verb === 'stir in')) return `Into the ${l.forEnd} part`;
    const name = by ? placeOf(by, l) : VESSEL_NAMES[l.vessel];
    return oneBowl && (name === VESSEL_NAMES.dry || name === VESSEL_NAMES.wet) ? ONE_BOWL : name;
  };
  const rank = (l: SheetLine): number => {
    if (l.side !== undefined) return ORDER.length + 1;
    const n = ORDER.indexOf(nameOf(l));
    return n < 0 ? ORDER.length : n;
  };
  // a sauce may be called as a bowl is: the two stay apart
  const groups = new Map<string, { readonly name: string; readonly rank: number; readonly lines: SheetLine[] }>();
  for (const l of lines) {
    const [name, at] = [nameOf(l), rank(l)];
    const group = groups.get(`${at} ${name}`) ?? { name, rank: at, lines: [] };
    group.lines.push(l);
    groups.set(`${at} ${name}`, group);
  }
  return [...groups.values()].sort((a, b) => a.rank - b.rank).map(({ name, lines: of }) => ({ name, lines: of }));
}
