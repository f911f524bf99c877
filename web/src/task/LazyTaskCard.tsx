import { lazy, Suspense } from 'react';
import type { TaskCardProps } from './TaskCard.js';
import { TaskToRead } from './TaskToRead.js';

const TaskCard = lazy(async () => ({ default: (await import('./TaskCard.js')).TaskCard }));

/** A task with its checks, which are fetched with the first task; until then what it asks can be read. */
export function LazyTaskCard(props: TaskCardProps) {
  return (
    <Suspense fallback={<TaskToRead task={props.task} sheet={props.sheet} />}>
      <TaskCard {...props} />
    </Suspense>
  );
}
