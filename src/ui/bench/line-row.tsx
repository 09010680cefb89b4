'use client';
import { MoreHorizontal } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { type KeyboardEvent, memo } from 'react';
import { VESSEL_NAMES, VESSELS } from '@/core/card/parts';
import type { FormulaLine } from '@/core/formula/formula';
import { isFlour } from '@/core/pantry/ingredient';
import { grams, gramsNumber, percent } from '@/core/quantity/say';
import { Button } from '../kit/button';
import type { BenchAction } from './state';

interface Props {
  readonly line: FormulaLine;
  readonly flourG: number;
  readonly send: (a: BenchAction) => void;
  readonly onFocus: (key: string | null) => void;
  readonly onMove: (from: HTMLInputElement, by: 1 | -1) => void;
}

/** Wide enough a bracket to be worth a line of its own. */
const isWide = (l: FormulaLine): boolean => l.grams !== null && l.gramsLow !== null && l.gramsHigh !== null && l.gramsHigh - l.gramsLow > 0.12 * l.grams;

/** One line of the sheet: as the cook wrote it, and what that weighs. */
export const LineRow = memo(function LineRow({ line, flourG, send, onFocus, onMove }: Props) {
  // what goes in the pan or on the table may well have no amount
  const asNeeded = line.use !== 'batter' && line.grams === null && line.amounts.length === 0;
  const asks = line.status !== 'read' && !asNeeded;
  const pct = line.grams !== null && line.use === 'batter' && flourG > 0 ? (100 * line.grams) / flourG : null;
  const flour = line.ingredient !== null && isFlour(line.ingredient);
  const onKey = (e: KeyboardEvent<HTMLInputElement>): void => {
    if (e.key === 'Enter' || e.key === 'ArrowDown') onMove(e.currentTarget, 1);
    else if (e.key === 'ArrowUp') onMove(e.currentTarget, -1);
    else if (e.key === 'Backspace' && e.altKey) {
      onMove(e.currentTarget, 1);
      send({ do: 'take-off', key: line.key });
    } else return;
    e.preventDefault();
  };
  const says = `says-${line.key}`;
  return (
    <li className={asks ? 'my-1 rounded-hold border-l-8 border-rim bg-white' : ''}>
      <div className="grid grid-cols-[1fr_5.5rem_4rem_2.25rem] items-center gap-x-1">
        <input
          data-line
          aria-label="Line as written"
          aria-describedby={line.findings.length > 0 && !asNeeded ? says : undefined}
          aria-invalid={asks ? true : undefined}
          value={line.text}
          onChange={(e) => send({ do: 'type', key: line.key, text: e.target.value })}
          onFocus={() => onFocus(line.key)}
          onBlur={() => onFocus(null)}
          onKeyDown={onKey}
          spellCheck={false}
          className="min-h-9 w-full min-w-0 rounded-lg border-2 border-transparent bg-transparent px-2 text-ellipsis hover:border-line focus:border-rim focus:bg-white focus:outline-none"
        />
        <span className="text-right leading-tight" data-grams={line.key}>
          {line.grams === null ? (
            <span className="text-soft">{asNeeded ? 'as needed' : 'no grams'}</span>
          ) : (
            <>
              <strong className="font-semibold">{grams(line.grams)}</strong>
              {isWide(line) ? (
                <span className="block text-xs text-soft">
                  {gramsNumber(line.gramsLow ?? 0)} to {gramsNumber(line.gramsHigh ?? 0)}
                </span>
              ) : null}
            </>
          )}
        </span>
        <span className={`text-right ${flour ? 'font-semibold' : 'text-soft'}`}>{pct === null ? '' : percent(pct)}</span>
        <RowMenu line={line} send={send} />
      </div>
      {line.findings.length > 0 && !asNeeded ? (
        <div id={says} className="flex flex-wrap items-center gap-x-2 gap-y-1 pr-2 pb-1.5 pl-2 text-sm">
          {line.findings.map((f) => (
            <span key={f.code} className={asks || f.code === 'amounts-disagree' ? 'font-semibold' : 'text-soft'}>
              {f.message}
            </span>
          ))}
          <Settle line={line} send={send} />
        </div>
      ) : null}
    </li>
  );
});

/** What can be tapped to settle a line. */
function Settle({ line, send }: Pick<Props, 'line' | 'send'>) {
  if (line.findings.some((f) => f.code === 'amounts-disagree'))
    return (
      <>
        <Button className="!min-h-8 !text-sm" onClick={() => send({ do: 'choose', key: line.key, choice: { stands: 'weight' } })}>
          The weight stands
        </Button>
        <Button className="!min-h-8 !text-sm" onClick={() => send({ do: 'choose', key: line.key, choice: { stands: 'volume' } })}>
          The measure stands
        </Button>
      </>
    );
  return line.suggestions.map((i) => (
    <Button key={i.id} className="!min-h-8 !px-2.5 !text-sm" onClick={() => send({ do: 'choose', key: line.key, choice: { ingredientId: i.id } })}>
      {i.name}
    </Button>
  ));
}

const ITEM = 'flex min-h-10 items-center rounded-[7px] px-3 outline-none data-[highlighted]:bg-wash data-[disabled]:opacity-45';

function RowMenu({ line, send }: Pick<Props, 'line' | 'send'>) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button look="bare" className="!min-h-9 !px-1.5" aria-label={`More for ${line.text.slice(0, 60) || 'an empty line'}`}>
          <MoreHorizontal size={20} aria-hidden />
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="hold z-50 min-w-48 p-1 shadow-lg">
          {VESSELS.map((v) => (
            <DropdownMenu.Item
              key={v}
              disabled={v === line.vessel}
              className={ITEM}
              onSelect={() => send({ do: 'choose', key: line.key, choice: { vessel: v } })}
            >
              {v === 'fold-in' ? 'Fold in' : `To: ${VESSEL_NAMES[v].toLowerCase()}`}
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Separator className="my-1 border-t border-line" />
          <DropdownMenu.Item className={ITEM} onSelect={() => send({ do: 'take-off', key: line.key })}>
            Take off the sheet
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
