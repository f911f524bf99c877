import {
  firstCondition,
  isGroup,
  type Condition,
  type ConditionGroup,
  type ConditionResult,
  type SingleCondition,
} from '@bogen/core/lesson';
import type { FigureDocument } from '@bogen/core/figure';
import { Check, Pencil, X } from 'lucide-react';
import { useState } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { conditionText, measuredText } from '../../task/conditionText.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Choice } from '../../ui/Choice.js';
import { IconButton } from '../../ui/IconButton.js';
import { AddCondition } from './AddCondition.js';
import { ConditionFields } from './ConditionFields.js';

interface ConditionRowProps {
  readonly scene: FigureScene;
  /** The figure on which it is asked: its items are called as they are there. */
  readonly figure: FigureDocument;
  readonly condition: Condition;
  readonly result: ConditionResult;
  readonly isLost: boolean;
  readonly onChange: (condition: Condition | null) => void;
}

/** How a condition stands: by itself, or in a group of which all, any or none must hold. */
const standings = ['alone', 'all', 'any', 'none'] as const;
type Standing = (typeof standings)[number];

/** One condition with what is measured now; its blanks are changed in place, and others can be grouped with it. */
export function ConditionRow({ scene, figure, condition, result, isLost, onChange }: ConditionRowProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const group = isGroup(condition) ? condition : undefined;
  const stand = (standing: Standing): void => {
    const parts = group ? group.conditions : [condition];
    if (standing !== 'alone') onChange({ kind: standing, conditions: parts } as ConditionGroup);
    else if (parts[0]) onChange(parts[0]);
  };
  return (
    <li className="flex flex-col gap-1.5 text-[13px] leading-snug" data-condition-row={condition.kind}>
      <div className="flex items-start gap-2">
        <span className="flex-1">
          {group && open ? t(`task.standing.${group.kind}`) : conditionText(condition, figure, t)}
        </span>
        {isLost ? (
          <strong role="alert" className="text-bad">
            {t('writer.conditionLost')}
          </strong>
        ) : (
          <span className="font-mono text-[12px] whitespace-nowrap text-soft">
            {measuredText(condition, result, t)}
          </span>
        )}
        <IconButton label={t(open ? 'task.close' : 'task.edit')} onPress={() => setOpen(!open)}>
          {open ? <Check size={14} /> : <Pencil size={14} />}
        </IconButton>
        <IconButton label={t('task.remove')} onPress={() => onChange(null)}>
          <X size={14} />
        </IconButton>
      </div>
      {open && (
        <div className="flex flex-col gap-2 border-l-2 border-line pl-3">
          {group ? (
            <GroupParts scene={scene} figure={figure} group={group} onChange={onChange} />
          ) : (
            <SingleFields scene={scene} condition={condition as SingleCondition} onChange={onChange} />
          )}
          <Choice<Standing>
            label={t('task.counts')}
            value={group ? group.kind : 'alone'}
            // A group of several has no one condition to be instead.
            choices={standings.filter((one) => one !== 'alone' || (group?.conditions.length ?? 1) === 1)}
            name={(one) => t(`task.standing.${one}`)}
            onChange={stand}
          />
        </div>
      )}
    </li>
  );
}

function SingleFields({
  scene,
  condition,
  onChange,
}: {
  scene: FigureScene;
  condition: SingleCondition;
  onChange: (condition: Condition) => void;
}) {
  const { t } = useTranslation();
  const { document, cursor, evaluation } = scene;
  return (
    <div className="flex flex-wrap items-center gap-2">
      <ConditionFields scene={scene} condition={condition} onChange={onChange} />
      <Button
        quiet
        onClick={() => {
          const made = firstCondition(condition.kind, document, condition.item, cursor, evaluation);
          if (made) onChange(made);
        }}
      >
        {t('task.fromFigure')}
      </Button>
    </div>
  );
}

/** The conditions of a group: each can be changed and taken away, and others come in. */
function GroupParts({
  scene,
  figure,
  group,
  onChange,
}: {
  scene: FigureScene;
  figure: FigureDocument;
  group: ConditionGroup;
  onChange: (condition: Condition | null) => void;
}) {
  const { t } = useTranslation();
  const withParts = (conditions: readonly Condition[]): void =>
    onChange(conditions.length > 0 ? ({ ...group, conditions } as ConditionGroup) : null);
  return (
    <>
      <ul className="flex flex-col gap-2">
        {group.conditions.map((part, index) => {
          const change = (next: Condition): void => withParts(group.conditions.with(index, next as never));
          return (
            <li key={index} className="flex flex-col gap-1" data-condition-part={part.kind}>
              <span className="flex items-start gap-2">
                <span className="flex-1">{conditionText(part, figure, t)}</span>
                <IconButton
                  label={t('task.remove')}
                  onPress={() => withParts(group.conditions.toSpliced(index, 1))}
                >
                  <X size={14} />
                </IconButton>
              </span>
              {!isGroup(part) && <SingleFields scene={scene} condition={part} onChange={change} />}
            </li>
          );
        })}
      </ul>
      <AddCondition scene={scene} onAdd={(condition) => withParts([...group.conditions, condition])} />
    </>
  );
}
