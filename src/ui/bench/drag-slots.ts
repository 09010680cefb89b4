/** Between the sheet's lines and what drags them, which comes later and draws none of them anew. */
import type { useDroppable } from '@dnd-kit/core';
import type { useSortable } from '@dnd-kit/sortable';
import { useCallback, useSyncExternalStore } from 'react';

type Sortable = ReturnType<typeof useSortable>;

/** What a line is dragged by. */
export interface LineDrag extends Pick<Sortable, 'attributes' | 'listeners' | 'setNodeRef' | 'setActivatorNodeRef' | 'transition' | 'isDragging'> {
  /** As CSS says it. */
  readonly transform: string | undefined;
}
/** What a line is dropped on, beside other lines. */
export type HeadDrop = Pick<ReturnType<typeof useDroppable>, 'setNodeRef' | 'isOver'>;

/** Where the drag leaves what it has for each place, by its name. */
export interface Slots<T> {
  readonly get: (id: string) => T | null;
  readonly put: (id: string, has: T | null) => void;
  readonly watch: (id: string, told: () => void) => () => void;
}

export function slots<T>(): Slots<T> {
  const held = new Map<string, T>();
  const told = new Map<string, Set<() => void>>();
  return {
    get: (id) => held.get(id) ?? null,
    put: (id, has) => {
      if (has === null) held.delete(id);
      else held.set(id, has);
      for (const tell of told.get(id) ?? []) tell();
    },
    watch: (id, tell) => {
      const all = told.get(id) ?? new Set();
      told.set(id, all.add(tell));
      return () => all.delete(tell);
    },
  };
}

/** What the drag has for a place; null while it has nothing. */
export function useSlot<T>(of: Slots<T>, id: string): T | null {
  const watch = useCallback((tell: () => void) => of.watch(id, tell), [of, id]);
  return useSyncExternalStore(
    watch,
    () => of.get(id),
    () => null,
  );
}
