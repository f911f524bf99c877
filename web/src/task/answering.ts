import type { FigureDocument } from '@bogen/core/figure';
import type { ConditionResult, Sheet, TaskAnswer, TaskKind, TaskOf } from '@bogen/core/lesson';
import type { ReactNode } from 'react';
import type { Projection } from '../figure/geometry/projection.js';
import type { Pane } from '../figure/scene/pane.js';
import type { FigureScene } from '../figure/scene/scene.js';

/** What a task lays over the figure, such as marks to answer with. */
export type OverFigure = (projection: Projection, pane: Pane) => ReactNode;

type AnswerOf<Kind extends TaskKind> = Extract<TaskAnswer, { readonly kind: Kind }>;

/** What the fields get in which a task of a kind is answered. */
export interface AnswerProps<Kind extends TaskKind> {
  readonly task: TaskOf<Kind>;
  readonly sheet: Sheet;
  /** The figure as it was given. */
  readonly start: FigureDocument;
  readonly scene: FigureScene;
  readonly answer: AnswerOf<Kind> | undefined;
  readonly onAnswer: (answer: AnswerOf<Kind>) => void;
  /** How the answer came out; nothing until it is checked. */
  readonly results: readonly ConditionResult[] | null;
  /** Which of the things that are mixed come in which order: the same for the same reader. */
  readonly mixing: string;
  /** Lays something over the figure. */
  readonly onOver: (over: OverFigure | null) => void;
}
