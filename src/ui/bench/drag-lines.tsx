'use client';
import { closestCenter, DndContext, type DragEndEvent, KeyboardSensor, PointerSensor, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { useLayoutEffect } from 'react';
import type { HeadDrop, LineDrag, Slots } from './drag-slots';

interface Props {
  /** Keys of the lines, from the top. */
  readonly order: readonly string[];
  /** Names of the heads that a line can be dropped on. */
  readonly heads: readonly string[];
  readonly lines: Slots<LineDrag>;
  readonly on: Slots<HeadDrop>;
  readonly onDragging: (is: boolean) => void;
  readonly onDrop: (key: string, to: string) => void;
}

/** The drag of the sheet's lines. It draws nothing: the lines and heads stand elsewhere, and take from their slots what they are dragged by. */
export function DragLines({ order, heads, lines, on, onDragging, onDrop }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    onDragging(false);
    if (over && over.id !== active.id) onDrop(String(active.id), String(over.id));
  };
  return (
    <DndContext
      id="sheet"
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragStart={() => onDragging(true)}
      onDragCancel={() => onDragging(false)}
      onDragEnd={onDragEnd}
    >
      <SortableContext items={[...order]} strategy={verticalListSortingStrategy}>
        {order.map((k) => (
          <DragLine key={k} id={k} lines={lines} />
        ))}
        {heads.map((h) => (
          <DropHead key={h} id={h} on={on} />
        ))}
      </SortableContext>
    </DndContext>
  );
}

function DragLine({ id, lines }: { readonly id: string; readonly lines: Slots<LineDrag> }) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({ id });
  const moved = CSS.Translate.toString(transform);
  useLayoutEffect(() => {
    lines.put(id, { attributes, listeners, setNodeRef, setActivatorNodeRef, transition, isDragging, transform: moved });
  }, [lines, id, attributes, listeners, setNodeRef, setActivatorNodeRef, transition, isDragging, moved]);
  useLayoutEffect(() => () => lines.put(id, null), [lines, id]);
  return null;
}

function DropHead({ id, on }: { readonly id: string; readonly on: Slots<HeadDrop> }) {
  const { setNodeRef, isOver } = useDroppable({ id });
  useLayoutEffect(() => {
    on.put(id, { setNodeRef, isOver });
  }, [on, id, setNodeRef, isOver]);
  useLayoutEffect(() => () => on.put(id, null), [on, id]);
  return null;
}
