/** The house as its form has it: a change applied, and the parts that a change speaks of. */
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Conventions } from '@/core/pantry/conventions';
import type { Gear } from '@/core/pantry/gear';
import type { ToolId } from '@/core/pantry/tools';
import type { Units } from '@/core/quantity/say';

export type HouseParts = Pick<Kitchen, 'conventions' | 'ways' | 'units' | 'gear' | 'drawer' | 'maker'>;
export interface HouseChange {
  readonly conventions?: Partial<Conventions>;
  readonly ways?: Partial<Kitchen['ways']>;
  readonly units?: Partial<Units>;
  readonly gear?: readonly Gear[];
  readonly drawer?: readonly ToolId[];
  readonly maker?: Partial<Kitchen['maker']>;
}

export const changed = (h: HouseParts, change: HouseChange): HouseParts => ({
  conventions: { ...h.conventions, ...change.conventions },
  ways: { ...h.ways, ...change.ways },
  units: { ...h.units, ...change.units },
  gear: change.gear ?? h.gear,
  drawer: change.drawer ?? h.drawer,
  maker: { ...h.maker, ...change.maker },
});

/** Two changes as one, the later on top. */
export const together = (a: HouseChange | null, b: HouseChange): HouseChange => ({
  ...a,
  ...b,
  ...((a?.conventions || b.conventions) && { conventions: { ...a?.conventions, ...b.conventions } }),
  ...((a?.ways || b.ways) && { ways: { ...a?.ways, ...b.ways } }),
  ...((a?.units || b.units) && { units: { ...a?.units, ...b.units } }),
  ...((a?.maker || b.maker) && { maker: { ...a?.maker, ...b.maker } }),
});

/** The parts of a house that a change speaks of, as they are. */
export const partsTyped = (h: HouseParts, change: HouseChange): HouseChange => {
  const of = (part: 'conventions' | 'ways' | 'units' | 'maker'): object =>
    Object.fromEntries(Object.keys(change[part] ?? {}).map((k) => [k, Reflect.get(h[part], k)]));
  return {
    ...(change.conventions && { conventions: of('conventions') }),
    ...(change.ways && { ways: of('ways') }),
    ...(change.units && { units: of('units') }),
    ...(change.maker && { maker: of('maker') }),
    ...(change.gear && { gear: h.gear }),
    ...(change.drawer && { drawer: h.drawer }),
  };
};
