'use client';
import { swapsFor } from '@/core/balance/swaps';
import { VESSEL_NAMES, VESSELS } from '@/core/card/parts';
import { DRESSING_NAMES, DRESSINGS, type Formula, type FormulaLine, MOMENT_NAMES, MOMENTS } from '@/core/formula/formula';
import { behaviourOf } from '@/core/pantry/tables/behaviour';
import { grams } from '@/core/quantity/say';
import { type MenuEntry, MoreMenu } from '../kit/menu';
import { useTime } from '../time';
import { useUnits } from '../units';
import type { LineTools } from './line-tools';

/** What can be done with a line. */
export function LineMenu({ line, ends, tools }: { readonly line: FormulaLine; readonly ends: Formula['ends']; readonly tools: LineTools }) {
  const units = useUnits();
  const time = useTime();
  const entries = (): readonly MenuEntry[] => {
    const { send, ask, onApart, onEnd } = tools;
    const choose = (choice: Parameters<typeof tools.choose>[1]) => () => tools.choose(line.key, choice);
    const { ingredient: i } = line;
    const on = !line.off;
    const eggs = on && i?.category === 'egg' && i.id !== 'egg-yolk' && i.id !== 'egg-white' && line.parts.length === 1;
    const powder = on && (i?.ownAcidMeqPer100g ?? 0) > 0 && i?.category === 'leavening';
    const wet = on && i !== null && line.use === 'batter' && line.grams !== null && behaviourOf(i).boundWater;
    const drives = on && line.use === 'batter' && line.grams !== null && line.drainedG === 0;
    const where = (is: boolean, ...then: MenuEntry[]): readonly MenuEntry[] => (is ? then : []);
    const endWords = line.end === null ? 'In both finishes' : `Only in ${ends?.find((e) => e.id === line.end)?.name ?? ''}`;
    return [
      { name: 'Swap for something else', off: line.off || swapsFor(line).length === 0, act: () => ask('swap', line.key) },
      ...where(drives, { name: 'Let it drive the rest', act: () => ask('drive', line.key) }),
      ...(line.mostG === null ? [] : [{ name: `There is more than ${grams(line.mostG, units)} again`, act: choose({ mostG: undefined }) }]),
      { name: line.pinned ? 'Let it move again' : 'Lock: this one does not move', act: choose({ pinned: line.pinned ? undefined : true }) },
      { name: on ? 'Switch off: what if without it' : 'Switch on', act: () => send({ do: 'switch', key: line.key, off: on }) },
      ...where(eggs, { name: 'Yolks here, whites there', act: () => onApart(line.key) }),
      ...where(powder, { name: line.opened ? `Opened ${time.day(line.opened)}` : 'When was it opened?', act: () => ask('opened', line.key) }),
      ...where(wet, {
        name: line.drainedG > 0 ? `Pressed out: ${grams(line.drainedG, units)}` : 'Squeezed or drained?',
        act: () => ask('drained', line.key),
      }),
      ...(line.moment
        ? [
            {
              name: `When: ${MOMENT_NAMES[line.moment]}`,
              items: MOMENTS.map((m) => ({ name: MOMENT_NAMES[m], off: m === line.moment, act: choose({ moment: m }) })),
            },
            {
              name: `How: ${DRESSING_NAMES[line.dressing]}`,
              items: DRESSINGS.map((d) => ({ name: DRESSING_NAMES[d], off: d === line.dressing, act: choose({ dressing: d }) })),
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
                  ? { name: 'Another amount in each finish', act: () => onEnd(line.key, 'differ') }
                  : { name: 'In both finishes', act: () => onEnd(line.key, null) },
                ...ends.map((e) => ({ name: `Only in ${e.name}`, off: line.end === e.id, act: () => onEnd(line.key, e.id) })),
              ],
            },
          ]
        : []),
      null,
      { name: 'Take off the sheet', act: () => send({ do: 'take-off', key: line.key }) },
    ];
  };
  return <MoreMenu label={`More for ${line.text.slice(0, 60) || 'an empty line'}`} className="!min-h-9 !px-1" entries={entries} />;
}
