import type { Sheet, Task } from '@bogen/core/lesson';
import { useTranslation } from '../text/text.js';
import { ScaleBar } from './DrawnFigure.js';

/** Room to draw, in millimetres. */
const room = { width: 170, height: 55 };

interface HandoutTaskProps {
  readonly sheet: Sheet;
  readonly task: Task;
}

/** What is asked, with room for the answer: boxes to tick, a line to write on, or paper to draw on. */
export function HandoutTask({ sheet, task }: HandoutTaskProps) {
  const { t } = useTranslation();
  const { length: count } = sheet.tasks;
  const number = sheet.tasks.indexOf(task) + 1;
  return (
    <section className="handout-task" data-handout-task>
      <h3>{count > 1 ? t('sheet.yourTurnOf', { number, count }) : t('sheet.yourTurn')}</h3>
      <p>{task.prompt}</p>
      {task.kind === 'choice' && (
        <ul>
          {task.choices.map(({ text }, index) => (
            <li key={index}>{text}</li>
          ))}
        </ul>
      )}
      {task.kind === 'order' && (
        <ol>
          {/* Not in the order that is asked for. */}
          {task.entries
            .toSorted((a, b) => a.text.localeCompare(b.text))
            .map(({ text }, index) => (
              <li key={index}>
                {text} <span className="handout-line" />
              </li>
            ))}
        </ol>
      )}
      {task.kind === 'number' && <p className="handout-answer">{t('handout.answer')}</p>}
      {(task.kind === 'shape' || task.kind === 'prediction') && <DrawingRoom />}
    </section>
  );
}

/** Paper to draw on, with a cross every ten millimetres. */
function DrawingRoom() {
  const crosses: string[] = [];
  for (let x = 10; x < room.width; x += 10)
    for (let y = 10; y < room.height; y += 10) crosses.push(`M${x - 0.6} ${y}h1.2M${x} ${y - 0.6}v1.2`);
  return (
    <figure className="handout-figure">
      <svg
        width={`${room.width}mm`}
        height={`${room.height}mm`}
        viewBox={`0 0 ${room.width} ${room.height}`}
        aria-hidden
      >
        <path
          d={`M0.1 0.1H${room.width - 0.1}V${room.height - 0.1}H0.1Z`}
          fill="none"
          stroke="#000"
          strokeWidth="0.18"
        />
        <path d={crosses.join('')} fill="none" stroke="#000" strokeWidth="0.1" />
      </svg>
      <figcaption>
        <ScaleBar length={50} ratio={1} />
      </figcaption>
    </figure>
  );
}
