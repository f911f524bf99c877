import '../text/enAlone.js';
import type { AloneLesson, WorkFile } from '@bogen/contract';
import { figureVersion } from '@bogen/core/figure';
import { useState } from 'react';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Field } from '../ui/Field.js';
import { Popup } from '../ui/Popup.js';
import { saveFile } from '../ui/saveFile.js';
import type { Keeping } from './keeping.js';

interface HandInProps {
  readonly lesson: AloneLesson;
  readonly keeping: Keeping;
}

/** What was done, as a file that the class desk takes in. */
function workFileOf({ reading }: AloneLesson, { works, tasks, drawnBy }: Keeping, name: string): WorkFile {
  return {
    format: 'bogen-work',
    version: 1,
    lesson: reading.lesson,
    edition: reading.edition.id,
    title: reading.title,
    name,
    commandVersion: figureVersion,
    ...(drawnBy ? { drawnBy } : {}),
    works: works.map(({ sheet, stage, steps }) => ({ sheet, stage, steps: [...steps] })),
    tasks: tasks.map(({ sheet, task, answer }) => ({
      sheet,
      task,
      ...(answer ? { answer: answer as NonNullable<WorkFile['tasks'][number]['answer']> } : {}),
    })),
  };
}

/** Where somebody sees that their work is kept, and saves it as a file to hand in. */
export function HandIn({ lesson, keeping }: HandInProps) {
  const { t } = useTranslation();
  const [isOpen, setOpen] = useState(false);
  const [name, setName] = useState('');
  const sheets = new Set(keeping.works.filter(({ revision }) => revision > 0).map(({ sheet }) => sheet));
  keeping.tasks.forEach(({ sheet }) => sheets.add(sheet));
  return (
    <Popup
      label={t('alone.handIn')}
      align="end"
      className="w-[320px] p-4"
      open={isOpen}
      onOpen={setOpen}
      trigger={<Button quiet>{t('alone.handIn')}</Button>}
    >
      <form
        className="flex flex-col gap-3 text-[13.5px]"
        onSubmit={(event) => {
          event.preventDefault();
          const own = name.trim().slice(0, 80);
          const file = JSON.stringify(workFileOf(lesson, keeping, own));
          const title = t('alone.fileName', {
            title: lesson.reading.title,
            name: own || t('alone.somebody'),
          });
          saveFile(new Blob([file], { type: 'application/json' }), `${title}.json`);
          setOpen(false);
        }}
      >
        <p>{t(keeping.isLasting ? 'alone.lead' : 'alone.notKept')}</p>
        <p role="status" data-own-work>
          {sheets.size === 0
            ? t('alone.nothing')
            : t('alone.sheets', {
                count: sheets.size,
                tasks: t('alone.tasks', { count: keeping.tasks.length }),
              })}
        </p>
        <Field
          label={t('alone.name')}
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
        />
        <Button primary type="submit" className="self-start" disabled={sheets.size === 0}>
          {t('alone.save')}
        </Button>
      </form>
    </Popup>
  );
}
