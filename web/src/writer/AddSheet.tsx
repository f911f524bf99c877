import { useQuery } from '@tanstack/react-query';
import { newSheet, type Sheet } from '@bogen/core/lesson';
import i18next from 'i18next';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { call } from '../api/instructorCall.js';
import { newId } from '../saving/newId.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Choice } from '../ui/Choice.js';
import { Popup } from '../ui/Popup.js';
import { ProblemText } from '../ui/ProblemText.js';
import { Thumbnail } from '../thumbnail/Thumbnail.js';
import type { StartName, StartTexts } from '../text/en/starts.js';
import { sheetOfStart } from './starts/define.js';
import { startNames, starts } from './starts/starts.js';

/** What is said on the sheet of a start, in the language of the interface. */
const startTexts = (name: StartName): StartTexts =>
  i18next.getResource(i18next.language, 'texts', `startSheets.${name}`) as StartTexts;

interface AddSheetProps {
  readonly onAdd: (sheet: Sheet) => void;
}

/** A new sheet: from a ready-made start, or from a sheet of one's own. */
export function AddSheet({ onAdd }: AddSheetProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const add = (sheet: Sheet): void => {
    setOpen(false);
    onAdd(sheet);
  };
  return (
    <Popup
      label={t('starts.title')}
      open={open}
      onOpen={setOpen}
      className="p-3"
      trigger={
        <Button quiet>
          <Plus aria-hidden size={15} />
          {t('writer.addSheet')}
        </Button>
      }
    >
      {open && (
        <div className="flex w-[520px] max-w-full flex-col gap-3 text-[13px]" data-add-sheet>
          <p className="text-soft">{t('starts.lead')}</p>
          <ul className="grid grid-cols-3 gap-2">
            {startNames.map((name) => {
              const start = starts[name]();
              const texts = startTexts(name);
              return (
                <li key={name}>
                  <button
                    type="button"
                    className="flex w-full flex-col items-center gap-1 rounded-md border border-line p-2 hover:border-strong focus-visible:ring-3 focus-visible:ring-accent/40"
                    onClick={() => add(newSheet(sheetOfStart(start, texts, newId)))}
                    data-start={name}
                  >
                    <Thumbnail
                      figure={start.figure}
                      of={`start ${name}`}
                      label={texts.title}
                      width={130}
                      height={58}
                    />
                    <span className="font-medium">{texts.title}</span>
                  </button>
                </li>
              );
            })}
          </ul>
          <OwnSheets onAdd={add} />
        </div>
      )}
    </Popup>
  );
}

/** The sheets of one's own lessons, to begin from one of them. */
function OwnSheets({ onAdd }: AddSheetProps) {
  const { t } = useTranslation();
  const [lesson, setLesson] = useState('');
  const shelf = useQuery({ queryKey: ['shelf'], queryFn: ({ signal }) => call('shelf', { signal }) });
  const draft = useQuery({
    queryKey: ['sheets-of', lesson],
    queryFn: ({ signal }) => call('draft', { params: { lesson }, signal }),
    enabled: lesson !== '',
  });
  const lessons = (shelf.data?.courses ?? []).flatMap((course) => course.lessons);
  return (
    <section className="flex flex-col gap-1.5 border-t border-line pt-2">
      <h3 className="font-semibold">{t('starts.own')}</h3>
      <ProblemText error={shelf.error ?? draft.error} />
      <Choice
        label={t('starts.lesson')}
        value={lesson}
        choices={['', ...lessons.map(({ id }) => id)]}
        name={(id) => lessons.find((one) => one.id === id)?.title ?? t('starts.choose')}
        onChange={setLesson}
      />
      {lesson !== '' && draft.isPending && <p className="text-soft">{t('starts.loading')}</p>}
      <ul>
        {(draft.data?.document.sheets ?? []).map((sheet) => (
          <li key={sheet.id}>
            <Button
              quiet
              className="justify-start"
              onClick={() => onAdd({ ...(sheet as Sheet), id: newId() })}
            >
              {t('starts.sheet', { title: sheet.title })}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
