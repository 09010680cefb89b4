'use client';
import { MoreHorizontal } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { lookOf } from './button';
import { later, useLater } from './later';
import { Press } from './press';

/** How an item of a menu looks, wherever one opens. */
export const MENU_ITEM =
  'flex min-h-11 items-center gap-2 rounded-[7px] px-3 outline-none data-[highlighted]:bg-wash data-[disabled]:opacity-45';
const PLATE = 'hold z-30 min-w-52 p-1 shadow-lg';

const floats = later(() => import('./floats'));
type Floats = typeof import('./floats');

/** The package once something of it was wanted here; before that the opener is a plain button. */
function useFloats(): {
  readonly part: Floats | null;
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
} {
  const [open, setOpen] = useState(false);
  const [wanted, setWanted] = useState(false);
  const part = useLater(floats, wanted);
  const onOpen = (to: boolean): void => {
    setWanted(true);
    setOpen(to);
  };
  return { part: wanted ? part : null, open, onOpen };
}

interface MenuItem {
  readonly name: ReactNode;
  readonly off?: boolean;
  readonly act: () => void;
}
/** A menu in the menu. */
interface SubMenu {
  readonly name: string;
  readonly items: readonly MenuItem[];
}
/** What a menu lists, from top to bottom; null: a line between. */
export type MenuEntry = MenuItem | SubMenu | null;

const isSub = (e: MenuItem | SubMenu): e is SubMenu => 'items' in e;

/** What else can be done with a thing, behind three dots. @param entries asked when it opens */
export function MoreMenu({
  label,
  className,
  entries,
}: {
  readonly label: string;
  readonly className: string;
  readonly entries: () => readonly MenuEntry[];
}) {
  const { part, open, onOpen } = useFloats();
  const dots = <MoreHorizontal size={20} aria-hidden />;
  const look = `${lookOf('bare')} ${className}`;
  if (!part)
    return (
      <Press
        aria-label={label}
        aria-haspopup="menu"
        aria-expanded={false}
        className={look}
        onClick={() => onOpen(true)}
        onKeyDown={(e) => {
          if (e.key !== 'ArrowDown') return;
          e.preventDefault();
          onOpen(true);
        }}
      >
        {dots}
      </Press>
    );
  const { DropdownMenu: M } = part;
  const item = (i: MenuItem, n: number): ReactNode => (
    <M.Item key={`${n} ${String(i.name)}`} disabled={i.off === true} className={MENU_ITEM} onSelect={i.act}>
      {i.name}
    </M.Item>
  );
  return (
    <M.Root open={open} onOpenChange={onOpen}>
      <M.Trigger className={look} aria-label={label}>
        {dots}
      </M.Trigger>
      <M.Portal>
        <M.Content align="end" collisionPadding={8} className={`${PLATE} max-h-[80vh] !min-w-60 overflow-auto`}>
          {(open ? entries() : []).map((e, n) =>
            e === null ? (
              // biome-ignore lint/suspicious/noArrayIndexKey: a line between has nothing else to tell it by
              <M.Separator key={`line ${n}`} className="my-1 border-t border-line" />
            ) : isSub(e) ? (
              <M.Sub key={e.name}>
                <M.SubTrigger className={`${MENU_ITEM} data-[state=open]:bg-wash`}>
                  {e.name}
                  <span className="ml-auto pl-3 text-soft" aria-hidden>
                    ›
                  </span>
                </M.SubTrigger>
                <M.Portal>
                  <M.SubContent collisionPadding={8} className={PLATE}>
                    {e.items.map(item)}
                  </M.SubContent>
                </M.Portal>
              </M.Sub>
            ) : (
              item(e, n)
            ),
          )}
        </M.Content>
      </M.Portal>
    </M.Root>
  );
}

/** A plate beside its opener, with whatever stands on it. */
export function Popped({
  label,
  align,
  opener,
  className,
  plate,
  children,
}: {
  /** Of the plate. */
  readonly label: string;
  readonly align: 'start' | 'end';
  /** What stands on the opener, how it looks, and its name where that says more. */
  readonly opener: { readonly children: ReactNode; readonly label?: string };
  readonly className: string;
  readonly plate: string;
  /** Asked while it is open. */
  readonly children: () => ReactNode;
}) {
  const { part, open, onOpen } = useFloats();
  if (!part)
    return (
      <Press
        aria-label={opener.label}
        aria-haspopup="dialog"
        aria-expanded={false}
        className={className}
        onClick={() => onOpen(true)}
      >
        {opener.children}
      </Press>
    );
  const { Popover: P } = part;
  return (
    <P.Root open={open} onOpenChange={onOpen}>
      <P.Trigger className={className} aria-label={opener.label}>
        {opener.children}
      </P.Trigger>
      <P.Portal>
        <P.Content
          align={align}
          collisionPadding={12}
          aria-label={label}
          className={`hold z-30 p-4 shadow-lg ${plate}`}
        >
          {open ? children() : null}
        </P.Content>
      </P.Portal>
    </P.Root>
  );
}
