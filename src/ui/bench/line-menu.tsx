'use client';
import type { BenchLine } from '@/core/bench/sight';
import { VESSEL_NAMES, VESSELS } from '@/core/card/parts';
import {
  DRESSING_NAMES,
  DRESSINGS,
  type EndId,
  type Formula,
  MOMENT_NAMES,
  MOMENTS,
  whitesSaid,
} from '@/core/formula/formula';
import { grams } from '@/core/quantity/say';
import { type MenuEntry, MoreMenu } from '../kit/menu';
import { useTime } from '../kit/time';
import { useUnits } from '../kit/units';
import type { LineTools } from './line-tools';

/** What can be done with a line. */
export function LineMenu({
  line,
  ends,
  tools,
  onShift,
}: {
  readonly line: BenchLine;
  readonly ends: Formula['ends'];
  readonly tools: LineTools;
  readonly onShift: (key: string, by: 1 | -1) => void;
}) {
  const units = useUnits();
  const time = useTime();
  const entries = (): readonly MenuEntry[] => {
    const { send, ask } = tools;
    const choose = (choice: Parameters<typeof tools.choose>[1]) => () => tools.choose(line.key, choice);
    const { can } = line;
    const on = !line.off;
    const onEnd = (to: EndId | null | 'differ') => () => send({ do: 'end', key: line.key, to });
    const where = (is: boolean, ...then: MenuEntry[]): readonly MenuEntry[] => (is ? then : []);
    const endWords =
      line.end === null ? 'In both finishes' : `Only in ${ends?.find((e) => e.id === line.end)?.name ?? ''}`;
    return [
      { name: 'Swap for something else', off: !can.swap, act: () => ask('swap', line.key) },
      ...where(can.drive, { name: 'Set the rest by it', act: () => ask('drive', line.key) }),
      ...where(line.proposed !== null, { name: 'The amount is right', act: choose({ proposed: undefined }) }),
      ...(line.mostG === null
        ? []
        : [{ name: `There is more than ${grams(line.mostG, units)} again`, act: choose({ mostG: undefined }) }]),
      {
        name: line.pinned ? 'Let it move again' : 'Keep: this one does not move',
        act: choose({ pinned: line.pinned ? undefined : true }),
      },
      {
        name: on ? 'Switch off: what if without it' : 'Switch on',
        act: () => send({ do: 'switch', key: line.key, off: on }),
      },
      ...where(can.apart, { name: 'Yolks here, whites there', act: () => send({ do: 'apart', key: line.key }) }),
      ...where(can.age, {
        name: line.opened ? `Opened ${time.day(line.opened)}` : 'When was it opened?',
        act: () => ask('opened', line.key),
      }),
      ...where(can.drain, {
        name: line.drainedG > 0 ? `Pressed out: ${grams(line.drainedG, units)}` : 'Squeezed or drained?',
        act: () => ask('drained', line.key),
      }),
      ...where(can.whip, {
        name: `Whites: ${whitesSaid(line.foam)}`,
        items: ([null, 'soft', 'firm'] as const).map((foam) => ({
          name: whitesSaid(foam),
          off: foam === line.foam,
          act: choose({ foam: foam ?? undefined }),
        })),
      }),
      ...where(can.wait, {
        name: `When: ${MOMENT_NAMES[line.moment ?? 'bowl']}`,
        items: (['bowl', 'whipped', 'rest'] as const).map((m) => ({
          name: MOMENT_NAMES[m],
          off: m === (line.moment ?? 'bowl'),
          act: choose({ moment: m === 'bowl' ? undefined : m }),
        })),
      }),
      ...(line.moment && !can.wait
        ? [
            {
              name: `When: ${MOMENT_NAMES[line.moment]}`,
              items: MOMENTS.map((m) => ({
                name: MOMENT_NAMES[m],
                off: m === line.moment,
                act: choose({ moment: m }),
              })),
            },
            {
              name: `How: ${DRESSING_NAMES[line.dressing]}`,
              items: DRESSINGS.map((d) => ({
                name: DRESSING_NAMES[d],
                off: d === line.dressing,
                act: choose({ dressing: d }),
              })),
            },
          ]
        : []),
      {
        name: `Goes in: ${VESSEL_NAMES[line.vessel].toLowerCase()}`,
        items: VESSELS.map((v) => ({ name: VESSEL_NAMES[v], off: v === line.vessel, act: choose({ vessel: v }) })),
      },
      ...(ends
        ? [
            {
              name: endWords,
              items: [
                line.end === null
                  ? { name: 'Another amount in each finish', act: onEnd('differ') }
                  : { name: 'In both finishes', act: onEnd(null) },
                ...ends.map((e) => ({ name: `Only in ${e.name}`, off: line.end === e.id, act: onEnd(e.id) })),
              ],
            },
          ]
        : []),
      { name: 'Move it up', act: () => onShift(line.key, -1) },
      { name: 'Move it down', act: () => onShift(line.key, 1) },
      null,
      { name: 'Take this line away', act: () => send({ do: 'take-off', key: line.key }) },
    ];
  };
  return (
    <MoreMenu
      label={`More for ${line.text.slice(0, 60) || 'an empty line'}`}
      className="!min-h-9 !px-1"
      entries={entries}
    />
  );
}
