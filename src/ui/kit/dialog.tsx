'use client';
import type { ReactNode } from 'react';
import { later, useLater } from './later';

const plate = later(() => import('./dialog-plate'));

/** A plate over the page: its title, a way out, and what is asked. Its script comes when it is first opened. */
export function Dialog({
  open,
  onOpen,
  title,
  wide = false,
  children,
}: {
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly title: string;
  readonly wide?: boolean;
  readonly children: ReactNode;
}) {
  const part = useLater(plate, open);
  if (!part) return null;
  return (
    <part.DialogPlate open={open} onOpen={onOpen} title={title} wide={wide}>
      {children}
    </part.DialogPlate>
  );
}
