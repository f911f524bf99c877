import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  horizontalListSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { CSSProperties, ReactNode } from 'react';

interface SortableListProps {
  readonly ids: readonly string[];
  readonly direction: 'across' | 'down';
  /** Told which one goes, and to which place in the row. */
  readonly onMove: (id: string, to: number) => void;
  readonly children: ReactNode;
}

/** A row of things that are put in another order by dragging, with the pointer or the keys. */
export function SortableList({ ids, direction, onMove, children }: SortableListProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (over && active.id !== over.id) onMove(String(active.id), ids.indexOf(String(over.id)));
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
      <SortableContext
        items={[...ids]}
        strategy={direction === 'across' ? horizontalListSortingStrategy : verticalListSortingStrategy}
      >
        {children}
      </SortableContext>
    </DndContext>
  );
}

/** What one of the things in a sortable row needs: the row's element, what it is dragged by, and whether it is. */
export function useSortableRow(id: string, disabled = false) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({ id, disabled });
  const style: CSSProperties = { transform: CSS.Translate.toString(transform), transition: transition ?? '' };
  return {
    row: setNodeRef,
    style,
    grip: { ...attributes, ...listeners },
    gripRef: setActivatorNodeRef,
    isDragging,
  };
}
