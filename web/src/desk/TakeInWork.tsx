import { bodyLimits } from '@bogen/contract/limits';
import type { Answer } from '@bogen/contract';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { call } from '../api/instructorCall.js';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Choice } from '../ui/Choice.js';
import { Panel } from '../ui/Panel.js';
import { ProblemText } from '../ui/ProblemText.js';
import type { DeskHands } from './hands.js';

interface TakeInWorkProps {
  readonly hands: DeskHands;
  readonly onClose: () => void;
}

/** What a file says of itself, before it is taken in. */
interface ReadFile {
  readonly content: unknown;
  readonly title: string;
  readonly name: string;
}

/** @returns the reason where it is no file with work */
async function read(file: File): Promise<ReadFile | 'tooLarge' | 'notWork'> {
  if (file.size > bodyLimits.workFile - 1000) return 'tooLarge';
  try {
    const content = JSON.parse(await file.text()) as Record<string, unknown>;
    if (content['format'] !== 'bogen-work') return 'notWork';
    const textOf = (key: string): string => (typeof content[key] === 'string' ? content[key] : '');
    return { content, title: textOf('title'), name: textOf('name') };
  } catch {
    return 'notWork';
  }
}

/** Takes in what a student did in a lesson that stands alone: first the file, then whose work it is. */
export function TakeInWork({ hands, onClose }: TakeInWorkProps) {
  const { t } = useTranslation();
  const tell = useTold();
  const field = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<ReadFile | null>(null);
  const [problem, setProblem] = useState('');
  const [chosen, setChosen] = useState<string | null>(null);
  const [isGoing, setGoing] = useState(false);
  const [done, setDone] = useState<Answer<'takeInWork'> | null>(null);
  const query = useQuery({
    queryKey: ['classStudents', hands.classId],
    queryFn: ({ signal }) => call('classStudents', { params: { class: hands.classId }, signal }),
  });
  const students = query.data?.students ?? [];
  const likely = students.find(({ name }) => name.toLowerCase() === file?.name.trim().toLowerCase());
  const student = chosen ?? likely?.id ?? '';
  const choose = async (picked: File | undefined): Promise<void> => {
    if (!picked) return;
    const found = await read(picked);
    setDone(null);
    setChosen(null);
    setFile(typeof found === 'string' ? null : found);
    setProblem(typeof found === 'string' ? t(`classes.workProblem.${found}`, { file: picked.name }) : '');
  };
  const take = async (): Promise<void> => {
    setGoing(true);
    setProblem('');
    try {
      const answer = await call('takeInWork', {
        params: { class: hands.classId },
        body: { student, file: file!.content },
      });
      setDone(answer);
      hands.says(t('classes.workTaken', { name: students.find(({ id }) => id === student)?.name ?? '' }));
    } catch (error) {
      setProblem(tell(error));
    } finally {
      setGoing(false);
    }
  };
  return (
    <Panel open onClose={onClose} title={t('classes.takeWork')} lead={t('classes.takeWorkLead')}>
      <input
        ref={field}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        tabIndex={-1}
        aria-label={t('classes.workFile')}
        onChange={(event) => {
          void choose(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <div>
        <Button primary={!file} onClick={() => field.current?.click()}>
          {t('classes.workFile')}
        </Button>
      </div>
      <ProblemText error={query.error} />
      {problem && (
        <p role="alert" className="text-[13.5px] text-bad">
          {problem}
        </p>
      )}
      {file && !done && (
        <>
          <p className="text-[13.5px]">
            {file.name
              ? t('classes.workOf', { title: file.title, name: file.name })
              : t('classes.workOfNobody', { title: file.title })}
          </p>
          <Choice
            label={t('classes.workFor')}
            value={student}
            choices={['', ...students.map(({ id }) => id)]}
            name={(id) => students.find((other) => other.id === id)?.name ?? t('classes.workChoose')}
            onChange={setChosen}
          />
          <p className="text-[13px] text-soft">{t('classes.workNew')}</p>
          <div className="flex gap-2">
            <Button primary disabled={student === '' || isGoing} onClick={() => void take()}>
              {isGoing ? t('classes.workGoing') : t('classes.workTake')}
            </Button>
            <Button onClick={onClose}>{t('classes.cancel')}</Button>
          </div>
        </>
      )}
      {done && (
        <div role="status" className="flex flex-col gap-2 text-[13.5px]" data-work-taken>
          <p>
            {t('classes.workStages', { count: done.works })}{' '}
            {t('classes.workTasks', { count: done.tasks, passed: done.passed })}
          </p>
          {done.left.length > 0 && (
            <>
              <p>{t('classes.workLeft')}</p>
              <ul className="flex list-disc flex-col gap-1 pl-5">
                {done.left.map(({ sheet, told }) => (
                  <li key={`${sheet} ${told.code}`}>
                    {sheet}: {tell(told)}
                  </li>
                ))}
              </ul>
            </>
          )}
        </div>
      )}
    </Panel>
  );
}
