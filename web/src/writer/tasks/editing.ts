import type { FigureDocument } from '@bogen/core/figure';
import type { Sheet, TaskKind, TaskOf } from '@bogen/core/lesson';
import type { FigureScene } from '../../figure/scene/scene.js';
import type { EditedDraft } from '../draft.js';

/** What the fields get in which a kind of task is written. */
export interface TaskFieldsProps<Kind extends TaskKind> {
  readonly edited: EditedDraft;
  readonly sheet: Sheet;
  readonly task: TaskOf<Kind>;
  /** The figure of the stage on which it is given. */
  readonly start: FigureDocument;
  readonly scene: FigureScene;
  /** Changes the task as it is at that moment, since a field can become a step a little later than it was typed in. */
  readonly onChange: (change: (now: TaskOf<Kind>) => TaskOf<Kind>) => void;
  /** The name of a stage. */
  readonly stageName: (id: string) => string;
}
