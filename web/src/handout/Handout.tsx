import '../text/enHandout.js';
import './handout.css';
import { figureOfStage, steppedStages, type Sheet } from '@bogen/core/lesson';
import { useMemo } from 'react';
import { stillHost } from '../figure/scene/host.js';
import { FigureScene } from '../figure/scene/scene.js';
import { FigureOfText } from '../live/FigureOfText.js';
import { ProseView } from '../sheet/ProseView.js';
import { useTranslation } from '../text/text.js';
import { DrawnFigure } from './DrawnFigure.js';
import { HandoutTask } from './HandoutTask.js';

/** The room for figures on a page of A4 between its margins, in millimetres: one alone, or one of two side by side. */
const whole = { width: 170, height: 105 };
const half = { width: 82, height: 62 };

interface HandoutProps {
  readonly course: string;
  readonly lesson: string;
  readonly sheets: readonly Sheet[];
  /** The number of the first of them in the lesson, and how many it has. */
  readonly first: number;
  readonly count: number;
}

/** Sheets as they are on paper: text, figures in black with their scale, and room for what is asked. */
export function Handout({ course, lesson, sheets, first, count }: HandoutProps) {
  return (
    <article className="handout" data-handout>
      {sheets.map((sheet, index) => (
        <HandoutSheet key={sheet.id} {...{ course, lesson, sheet, count }} number={first + index} />
      ))}
    </article>
  );
}

interface HandoutSheetProps extends Pick<HandoutProps, 'course' | 'lesson' | 'count'> {
  readonly sheet: Sheet;
  readonly number: number;
}

function HandoutSheet({ course, lesson, sheet, number, count }: HandoutSheetProps) {
  const { t } = useTranslation();
  // What a task asks to be predicted is not shown beside it.
  const told = new Set(sheet.tasks.flatMap((task) => (task.kind === 'prediction' ? [task.to] : [])));
  const stages = steppedStages(sheet).filter(({ id }) => !told.has(id));
  const scene = useMemo(() => new FigureScene(stillHost(sheet.figure)), [sheet]);
  return (
    <section className="handout-sheet">
      <header>
        <span>
          {course} / {lesson}
        </span>
        <span>{t('sheet.of', { number, count })}</span>
      </header>
      <h1>{sheet.title}</h1>
      <FigureOfText value={scene}>
        <ProseView prose={sheet.prose} />
      </FigureOfText>
      <div className={stages.length > 1 ? 'handout-stages' : undefined}>
        {stages.map((stage, index) => (
          <DrawnFigure
            key={stage.id}
            document={figureOfStage(sheet, stage.id)}
            {...(stages.length > 1 ? half : whole)}
            {...(stages.length > 1 && {
              caption: t('handout.stage', { number: index + 1, caption: stage.caption }),
            })}
          />
        ))}
      </div>
      {sheet.tasks.map((task) => (
        <HandoutTask key={task.id} sheet={sheet} task={task} />
      ))}
    </section>
  );
}
