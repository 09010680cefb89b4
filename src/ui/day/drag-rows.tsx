'use client';
import { DndContext, PointerSensor, useDraggable, useSensor, useSensors } from '@dnd-kit/core';
import { type ReactNode, useId, useRef } from 'react';
import { StepRow, type StepRowProps } from './step-row';

/** A row whose bar can be dragged along its track. */
export function DragRow(row: Omit<StepRowProps, 'drag'>) {
  const { step } = row.placed;
  const track = useRef<HTMLDivElement>(null);
  const { attributes, listeners, setNodeRef, transform } = useDraggable({
    id: step.id,
    disabled: row.fixed,
    data: { widePx: () => track.current?.clientWidth ?? 0 },
  });
  return (
    <StepRow
      {...row}
      drag={{ track, bar: setNodeRef, props: { ...listeners, ...attributes }, byPx: transform?.x ?? null }}
    />
  );
}

/** Around such rows. @param onDrop by how much of its track a step was moved, as a part of it, and which way */
export function DragArea({
  onDrop,
  children,
}: {
  readonly onDrop: (id: string, part: number, way: number) => void;
  readonly children: ReactNode;
}) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  return (
    <DndContext
      id={useId()}
      sensors={sensors}
      onDragEnd={({ active, delta }) => {
        const wide = (active.data.current as { readonly widePx: () => number } | undefined)?.widePx() ?? 0;
        if (wide > 0) onDrop(String(active.id), delta.x / wide, Math.sign(delta.x));
      }}
    >
      {children}
    </DndContext>
  );
}
