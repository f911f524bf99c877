import { rosterLimits } from '@bogen/contract/limits';
import { useMutation } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { call } from '../api/instructorCall.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Choice } from '../ui/Choice.js';
import { Panel } from '../ui/Panel.js';
import { ProblemText } from '../ui/ProblemText.js';
import type { DeskHands } from './hands.js';
import { likelyNames, nameChoices, namesOf, readRoster } from './roster.js';

/** Bytes of a file with names; more is no list of a class. */
const mostBytes = 1_000_000;
/** Signs of a name. */
const longest = 60;

/** Puts students on the list of a class before they come, by their names. */
export function RosterPanel({ hands, onClose }: { hands: DeskHands; onClose: () => void }) {
  const { t } = useTranslation();
  const field = useId();
  const [text, setText] = useState('');
  const [columns, setColumns] = useState<string | undefined>();
  const [unread, setUnread] = useState(false);
  const add = useMutation({
    mutationFn: (names: readonly string[]) =>
      call('addStudents', { params: { class: hands.classId }, body: { names: [...names] } }),
    onSuccess: ({ added, taken }) => {
      onClose();
      hands.givesKeys({ students: added, taken });
    },
  });
  const roster = readRoster(text);
  const choices = roster ? nameChoices(roster) : [];
  const chosen = choices.find((choice) => choice.join() === columns) ?? (roster ? likelyNames(roster) : []);
  const names = roster ? namesOf(roster, chosen) : [];
  const tooLong = names.find((name) => name.length > longest);
  const wrong =
    names.length > rosterLimits.atOnce
      ? t('classes.tooMany', { most: rosterLimits.atOnce, count: names.length })
      : tooLong
        ? t('classes.tooLong', { name: tooLong.slice(0, 80) })
        : text.trim() !== '' && names.length === 0
          ? t('classes.noNames')
          : '';
  const nameOfColumn = (column: number): string => roster?.heads?.[column] || String(column + 1);
  const take = (next: string): void => {
    setText(next);
    setColumns(undefined);
    add.reset();
  };
  const takeFile = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const read = file.size <= mostBytes ? await textOf(file) : undefined;
    setUnread(read === undefined);
    if (read !== undefined) take(read);
  };
  return (
    <Panel open onClose={onClose} title={t('classes.addTitle')} lead={t('classes.addLead')}>
      <div className="flex flex-col gap-1">
        <label htmlFor={field} className="text-[13px] font-medium">
          {t('classes.names')}
        </label>
        <textarea
          id={field}
          autoFocus
          rows={9}
          value={text}
          onChange={(event) => take(event.target.value.slice(0, mostBytes))}
          className="rounded-md border border-strong bg-sheet px-3 py-2 text-[15px]"
        />
      </div>
      <label className="inline-flex h-7 w-fit cursor-pointer items-center rounded-md border border-strong bg-sheet px-2.5 text-[13px] font-medium focus-within:outline-2 hover:bg-tint">
        {t('classes.fromFile')}
        <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          className="sr-only"
          onChange={(event) => {
            void takeFile(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </label>
      {unread && (
        <p role="alert" className="text-[13px] text-bad">
          {t('classes.fileUnread')}
        </p>
      )}
      {choices.length > 1 && (
        <Choice
          label={t('classes.column')}
          value={chosen.join()}
          choices={choices.map((choice) => choice.join())}
          name={(choice) => {
            const [first, second] = choice.split(',').map(Number) as [number, number?];
            const name =
              second === undefined
                ? nameOfColumn(first)
                : t('classes.joinColumns', { first: nameOfColumn(first), second: nameOfColumn(second) });
            const example = roster ? (namesOf(roster, choice.split(',').map(Number))[0] ?? '') : '';
            return t('classes.columnLine', { name, example: example.slice(0, 30) });
          }}
          onChange={setColumns}
        />
      )}
      {wrong && (
        <p role="alert" className="text-[13px] text-bad">
          {wrong}
        </p>
      )}
      <ProblemText error={add.error} />
      <div className="flex gap-2">
        <Button
          primary
          disabled={names.length === 0 || wrong !== '' || add.isPending}
          onClick={() => add.mutate(names)}
        >
          {t('classes.add', { count: names.length })}
        </Button>
        <Button onClick={onClose}>{t('classes.cancel')}</Button>
      </div>
    </Panel>
  );
}

/** The text of a file, in UTF-8 or else as older programs write it. @returns `undefined` where it is no text */
async function textOf(file: File): Promise<string | undefined> {
  const bytes = await file.arrayBuffer();
  if (new Uint8Array(bytes).includes(0)) return undefined;
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
