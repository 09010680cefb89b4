'use client';
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { createContext, type ReactNode, use, useMemo } from 'react';
import { Press } from '../kit/press';

interface Props {
  /** Keys of the lines, from the top. */
  readonly order: readonly string[];
  readonly onDragging: (is: boolean) => void;
  readonly onDrop: (key: string, to: string) => void;
  readonly children: ReactNode;
}

/** Around the sheet's lines and heads, which can be dragged and dropped on. */
export function DragLines({ order, onDragging, onDrop, children }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    onDragging(false);
    if (over && over.id !== active.id) onDrop(String(active.id), String(over.id));
  };
  // the same list as long as no line moved: every row hangs on it
  const items = useMemo(() => [...order], [order]);
  return (
    <DndContext
      id="sheet"
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragStart={() => onDragging(true)}
      onDragCancel={() => onDragging(false)}
      onDragEnd={onDragEnd}
    >
      <SortableContext items={items} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

const Dragged = createContext<ReturnType<typeof useSortable> | null>(null);

/** A row that can be dragged by its `DragHandle`; a drag draws the row's place anew, not what stands in it. */
export function DragLine({
  id,
  className,
  children,
}: {
  readonly id: string;
  readonly className: string;
  readonly children: ReactNode;
}) {
  const drag = useSortable({ id });
  return (
    <Dragged value={drag}>
      <li
        ref={drag.setNodeRef}
        className={`${drag.isDragging ? 'rounded-hold bg-wash' : ''} ${className}`}
        style={{ transform: CSS.Translate.toString(drag.transform), transition: drag.transition }}
        data-row={id}
      >
        {children}
      </li>
    </Dragged>
  );
}

export function DragHandle({
  label,
  className,
  children,
}: {
  readonly label: string;
  readonly className: string;
  readonly children: ReactNode;
}) {
  const drag = use(Dragged);
  return (
    <Press
      ref={drag?.setActivatorNodeRef}
      {...drag?.attributes}
      {...drag?.listeners}
      aria-label={label}
      className={className}
    >
      {children}
    </Press>
  );
}
