import '../text/enGlossary.js';
import '../text/enPages.js';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Pencil, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { call } from '../api/instructorCall.js';
import { benchOf } from '../bench/store.js';
import { useSignInWhenNeeded } from '../session/useAccount.js';
import { useShelf } from '../shelf/useShelf.js';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Choice } from '../ui/Choice.js';
import { Field } from '../ui/Field.js';
import { IconButton } from '../ui/IconButton.js';
import { Panel } from '../ui/Panel.js';
import { Failure, Loading } from '../ui/States.js';
import { TopBar } from '../ui/TopBar.js';
import { AskedTerm } from './AskedTerm.js';
import { allTerms, type OwnTerm } from './terms.js';

/** The glossary of a course: the terms of its own, to add and to change, and those that every course has. */
export function GlossaryPage() {
  const { t } = useTranslation();
  const tell = useTold();
  const client = useQueryClient();
  const { course } = useParams() as { course: string };
  const terms = useQuery({
    queryKey: ['terms', course],
    queryFn: ({ signal }) => call('terms', { params: { course }, signal }),
  });
  const shelf = useShelf();
  useSignInWhenNeeded(terms.error, '/sign-in');
  const [edited, setEdited] = useState<OwnTerm | 'new' | null>(null);
  const [removed, setRemoved] = useState<OwnTerm | null>(null);
  const refresh = () => client.invalidateQueries({ queryKey: ['terms', course] });
  const remove = useMutation({
    mutationFn: ({ id }: OwnTerm) => call('removeTerm', { params: { course, term: id }, body: {} }),
    onSuccess: async (_, term) => {
      setRemoved(term);
      await refresh();
    },
  });
  const bringBack = useMutation({
    mutationFn: ({ term, sentence, figure }: OwnTerm) =>
      call('addTerm', { params: { course }, body: { term, sentence, ...(figure ? { figure } : {}) } }),
    onSuccess: async () => {
      setRemoved(null);
      await refresh();
    },
  });
  if (terms.error) return <Failure error={terms.error} onRetry={() => void terms.refetch()} />;
  if (!terms.data) return <Loading />;
  const own = terms.data.terms;
  const error = remove.error ?? bringBack.error;
  const common = allTerms(own).filter(({ id }) => !own.some((mine) => mine.id === id));
  return (
    <div className="flex min-h-full flex-col">
      <TopBar
        place={
          <Link to="/shelf" className="text-soft underline-offset-4 hover:underline">
            {shelf.data?.courses.find(({ id }) => id === course)?.title ?? ''}
          </Link>
        }
      />
      <main className="mx-auto w-full max-w-[760px] flex-1 px-4 py-9 sm:px-8">
        <div className="flex items-baseline justify-between">
          <h1 className="font-serif text-[30px] font-medium">{t('glossary.title')}</h1>
          <Button quiet onClick={() => setEdited('new')}>
            {t('glossary.add')}
          </Button>
        </div>
        <p className="mt-1 text-[14px] text-soft">
          {t('glossary.lead', { course: shelf.data?.courses.find(({ id }) => id === course)?.title ?? '' })}
        </p>
        <p role="status" className="min-h-6 pt-1 text-[13.5px]">
          {removed && (
            <>
              {t('glossary.removed', { term: removed.term })}{' '}
              <button
                type="button"
                className="text-accent underline underline-offset-4"
                onClick={() => bringBack.mutate(removed)}
              >
                {t('save.undo')}
              </button>
            </>
          )}
          {error && <span className="text-bad">{tell(error)}</span>}
        </p>
        <h2 className="mt-3 border-b border-line pb-1 font-serif text-[19px]">{t('glossary.own')}</h2>
        {own.length === 0 && <p className="mt-2 text-soft">{t('glossary.noOwn')}</p>}
        <ul data-own-terms>
          {own.map((one) => (
            <li key={one.id} className="flex items-start gap-3 border-b border-line py-2">
              <div className="flex-1">
                <h3 className="font-serif text-[16px] font-medium">{one.term}</h3>
                <p className="text-[14.5px]">{one.sentence}</p>
              </div>
              <IconButton label={t('glossary.change', { term: one.term })} onPress={() => setEdited(one)}>
                <Pencil size={14} />
              </IconButton>
              <IconButton label={t('glossary.remove', { term: one.term })} onPress={() => remove.mutate(one)}>
                <Trash2 size={14} />
              </IconButton>
            </li>
          ))}
        </ul>
        <h2 className="mt-8 border-b border-line pb-1 font-serif text-[19px]">{t('glossary.everyCourse')}</h2>
        <ul>
          {common.map((one) => (
            <li key={one.id} className="border-b border-line py-2">
              <h3 className="font-serif text-[16px] font-medium">
                <AskedTerm term={one}>{one.term}</AskedTerm>
              </h3>
              <p className="text-[14.5px]">{one.sentence}</p>
            </li>
          ))}
        </ul>
      </main>
      <Panel
        open={edited !== null}
        onClose={() => setEdited(null)}
        title={edited && edited !== 'new' ? t('glossary.change', { term: edited.term }) : t('glossary.add')}
      >
        {edited && (
          <TermForm
            course={course}
            edited={edited === 'new' ? null : edited}
            onDone={() => {
              setEdited(null);
              void refresh();
            }}
          />
        )}
      </Panel>
    </div>
  );
}

function TermForm({
  course,
  edited,
  onDone,
}: {
  course: string;
  edited: OwnTerm | null;
  onDone: () => void;
}) {
  const { t } = useTranslation();
  const tell = useTold();
  const [term, setTerm] = useState(edited?.term ?? '');
  const [sentence, setSentence] = useState(edited?.sentence ?? '');
  const [from, setFrom] = useState('');
  const bench = useQuery({ queryKey: ['bench', 'account'], queryFn: () => benchOf('instructor').list() });
  const save = useMutation({
    mutationFn: async (): Promise<unknown> => {
      const figure = bench.data?.find(({ id }) => id === from)?.figure;
      const body = { term: term.trim(), sentence: sentence.trim(), ...(figure ? { figure } : {}) };
      return edited
        ? call('changeTerm', { params: { course, term: edited.id }, body })
        : call('addTerm', { params: { course }, body });
    },
    onSuccess: onDone,
  });
  const isWhole = term.trim() !== '' && sentence.trim() !== '';
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (isWhole) save.mutate();
      }}
    >
      <Field
        autoFocus
        label={t('glossary.term')}
        title={t('glossary.termHelp')}
        maxLength={80}
        value={term}
        onChange={(event) => setTerm(event.target.value)}
      />
      <label className="flex flex-col gap-1 text-[13px] font-medium">
        {t('glossary.sentence')}
        <textarea
          rows={4}
          maxLength={600}
          value={sentence}
          onChange={(event) => setSentence(event.target.value)}
          className="rounded-md border border-strong bg-sheet px-3 py-2 font-serif text-[15px] font-normal"
        />
      </label>
      <Choice
        label={t('glossary.figure')}
        value={from}
        choices={['', ...(bench.data ?? []).map(({ id }) => id)]}
        name={(id) =>
          id === ''
            ? t(edited?.figure ? 'glossary.keepFigure' : 'glossary.noFigure')
            : t('glossary.fromBench', { name: bench.data?.find((one) => one.id === id)?.name ?? '' })
        }
        onChange={setFrom}
      />
      {save.error && (
        <p role="alert" className="text-[13px] text-bad">
          {tell(save.error)}
        </p>
      )}
      <Button primary type="submit" className="self-start" disabled={!isWhole || save.isPending}>
        {t('glossary.set')}
      </Button>
    </form>
  );
}
