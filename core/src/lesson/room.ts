import { filledOfFigure, type Filled } from '../figure/document/room.js';
import { lessonLimits, type LessonDocument, type Sheet } from './lesson.js';
import { proseLimits, type ProseNode } from './prose/prose.js';

/** What of a lesson is counted. */
export interface LessonFilled extends Filled<
  'sheets' | 'stages' | 'stageSteps' | 'tasks' | 'blocks' | 'signs' | 'items' | 'points'
> {
  /** The sheet, where it is counted by sheet. */
  readonly sheet?: string;
}

/** How much of what a lesson may hold is there. */
export function filledOfLesson({ sheets }: LessonDocument): readonly LessonFilled[] {
  return [{ of: 'sheets', used: sheets.length, most: lessonLimits.sheets }, ...sheets.flatMap(ofSheet)];
}

function ofSheet({ title: sheet, stages, tasks, prose, figure }: Sheet): readonly LessonFilled[] {
  return [
    { of: 'stages', sheet, used: stages.length, most: lessonLimits.stages },
    {
      of: 'stageSteps',
      sheet,
      used: Math.max(...stages.map(({ commands }) => commands.length)),
      most: lessonLimits.stageCommands,
    },
    { of: 'tasks', sheet, used: tasks.length, most: lessonLimits.tasks },
    { of: 'blocks', sheet, used: mostParts(prose), most: proseLimits.parts },
    { of: 'signs', sheet, used: mostSigns(prose), most: proseLimits.signs },
    ...filledOfFigure(figure).map((filled) => ({ ...filled, sheet })),
  ];
}

/** How many parts the text, or the part of it that has the most, has. */
const mostParts = ({ content = [] }: Pick<ProseNode, 'content'>): number =>
  Math.max(content.length, ...content.map(mostParts));

/** How long its longest piece of text without another mark is. */
const mostSigns = ({ text = '', content = [] }: Pick<ProseNode, 'text' | 'content'>): number =>
  Math.max(text.length, ...content.map(mostSigns));
