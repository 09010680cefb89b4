'use client';
import { MoreHorizontal } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';
import { swapsFor } from '@/core/balance/swaps';
import { VESSEL_NAMES, VESSELS } from '@/core/card/parts';
import { DRESSING_NAMES, DRESSINGS, type Formula, type FormulaLine, MOMENT_NAMES, MOMENTS } from '@/core/formula/formula';
import { behaviourOf } from '@/core/pantry/tables/behaviour';
import { grams } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { MENU, MENU_ITEM } from '../kit/menu';
import { useTime } from '../time';
import { useUnits } from '../units';
import type { LineTools } from './line-tools';

/** What can be done with a line. */
export function LineMenu({ line, ends, tools }: { readonly line: FormulaLine; readonly ends: Formula['ends']; readonly tools: LineTools }) {
  const units = useUnits();
  const time = useTime();
  const { send, ask, onApart, onEnd } = tools;
  const choose = (choice: Parameters<typeof tools.choose>[1]) => () => tools.choose(line.key, choice);
  const eggs =
    !line.off && line.ingredient?.category === 'egg' && line.ingredient.id !== 'egg-yolk' && line.ingredient.id !== 'egg-white' && line.parts.length === 1;
  const on = !line.off;
  const powder = on && (line.ingredient?.ownAcidMeqPer100g ?? 0) > 0 && line.ingredient?.category === 'leavening';
  const wet = on && line.ingredient !== null && line.use === 'batter' && line.grams !== null && behaviourOf(line.ingredient).boundWater;
  const drives = on && line.use === 'batter' && line.grams !== null && line.drainedG === 0;
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button look="bare" className="!min-h-9 !px-1" aria-label={`More for ${line.text.slice(0, 60) || 'an empty line'}`}>
          <MoreHorizontal size={20} aria-hidden />
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" collisionPadding={8} className={MENU}>
          <DropdownMenu.Item className={MENU_ITEM} disabled={line.off || swapsFor(line).length === 0} onSelect={() => ask('swap', line.key)}>
            Swap for something else
          </DropdownMenu.Item>
          {drives ? (
            <DropdownMenu.Item className={MENU_ITEM} onSelect={() => ask('drive', line.key)}>
              Let it drive the rest
            </DropdownMenu.Item>
          ) : null}
          {line.mostG !== null ? (
            <DropdownMenu.Item className={MENU_ITEM} onSelect={choose({ mostG: undefined })}>
              There is more than {grams(line.mostG, units)} again
            </DropdownMenu.Item>
          ) : null}
          <DropdownMenu.Item className={MENU_ITEM} onSelect={choose({ pinned: line.pinned ? undefined : true })}>
            {line.pinned ? 'Let it move again' : 'Lock: this one does not move'}
          </DropdownMenu.Item>
          <DropdownMenu.Item className={MENU_ITEM} onSelect={() => send({ do: 'switch', key: line.key, off: !line.off })}>
            {line.off ? 'Switch on' : 'Switch off: what if without it'}
          </DropdownMenu.Item>
          {eggs ? (
            <DropdownMenu.Item className={MENU_ITEM} onSelect={() => onApart(line.key)}>
              Yolks here, whites there
            </DropdownMenu.Item>
          ) : null}
          {powder ? (
            <DropdownMenu.Item className={MENU_ITEM} onSelect={() => ask('opened', line.key)}>
              {line.opened ? `Opened ${time.day(line.opened)}` : 'When was it opened?'}
            </DropdownMenu.Item>
          ) : null}
          {wet ? (
            <DropdownMenu.Item className={MENU_ITEM} onSelect={() => ask('drained', line.key)}>
              {line.drainedG > 0 ? `Pressed out: ${grams(line.drainedG, units)}` : 'Squeezed or drained?'}
            </DropdownMenu.Item>
          ) : null}
          {line.moment ? (
            <>
              <Sub name={`When: ${MOMENT_NAMES[line.moment]}`}>
                {MOMENTS.map((m) => (
                  <DropdownMenu.Item key={m} disabled={m === line.moment} className={MENU_ITEM} onSelect={choose({ moment: m })}>
                    {MOMENT_NAMES[m]}
                  </DropdownMenu.Item>
                ))}
              </Sub>
              <Sub name={`How: ${DRESSING_NAMES[line.dressing]}`}>
                {DRESSINGS.map((d) => (
                  <DropdownMenu.Item key={d} disabled={d === line.dressing} className={MENU_ITEM} onSelect={choose({ dressing: d })}>
                    {DRESSING_NAMES[d]}
                  </DropdownMenu.Item>
                ))}
              </Sub>
            </>
          ) : null}
          <Sub name={`Goes in: ${VESSEL_NAMES[line.vessel].toLowerCase()}`}>
            {VESSELS.map((v) => (
              <DropdownMenu.Item key={v} disabled={v === line.vessel} className={MENU_ITEM} onSelect={choose({ vessel: v })}>
                {VESSEL_NAMES[v]}
              </DropdownMenu.Item>
            ))}
          </Sub>
          {ends ? (
            <Sub name={line.end === null ? 'In both finishes' : `Only in ${ends.find((e) => e.id === line.end)?.name ?? ''}`}>
              {line.end === null ? (
                <DropdownMenu.Item className={MENU_ITEM} onSelect={() => onEnd(line.key, 'differ')}>
                  Another amount in each finish
                </DropdownMenu.Item>
              ) : (
                <DropdownMenu.Item className={MENU_ITEM} onSelect={() => onEnd(line.key, null)}>
                  In both finishes
                </DropdownMenu.Item>
              )}
              {ends.map((e) => (
                <DropdownMenu.Item key={e.id} disabled={line.end === e.id} className={MENU_ITEM} onSelect={() => onEnd(line.key, e.id)}>
                  Only in {e.name}
                </DropdownMenu.Item>
              ))}
            </Sub>
          ) : null}
          <DropdownMenu.Separator className="my-1 border-t border-line" />
          <DropdownMenu.Item className={MENU_ITEM} onSelect={() => send({ do: 'take-off', key: line.key })}>
            Take off the sheet
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function Sub({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  return (
    <DropdownMenu.Sub>
      <DropdownMenu.SubTrigger className={`${MENU_ITEM} data-[state=open]:bg-wash`}>
        {name}
        <span className="ml-auto pl-3 text-soft" aria-hidden>
          ›
        </span>
      </DropdownMenu.SubTrigger>
      <DropdownMenu.Portal>
        <DropdownMenu.SubContent collisionPadding={8} className="hold z-30 min-w-52 p-1 shadow-lg">
          {children}
        </DropdownMenu.SubContent>
      </DropdownMenu.Portal>
    </DropdownMenu.Sub>
  );
}
