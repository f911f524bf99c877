import '../text/enPages.js';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { InstructorBar } from '../account/InstructorBar.js';
import { call } from '../api/instructorCall.js';
import { useSignInWhenNeeded } from '../session/useAccount.js';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { SearchField } from '../ui/SearchField.js';
import { Failure, Loading } from '../ui/States.js';
import { CourseShelf } from './CourseShelf.js';
import { Found } from './Found.js';
import type { Done, ShelfHands } from './hands.js';
import { NameForm } from './NameForm.js';
import { Deleted, PutAway } from './PutAway.js';
import { useShelf, useShelfChange } from './useShelf.js';

/** Where an instructor's courses, lessons and classes stand. */
export function ShelfPage() {
  const { t } = useTranslation();
  const tell = useTold();
  const shelf = useShelf();
  const client = useQueryClient();
  const change = useShelfChange();
  const [done, setDone] = useState<Done | null>(null);
  const [problem, setProblem] = useState('');
  const [sought, setSought] = useState('');
  useSignInWhenNeeded(shelf.error, '/sign-in');
  const createCourse = useMutation({
    mutationFn: (title: string) => call('createCourse', { body: { title } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['shelf'] }),
  });
  if (shelf.error) return <Failure error={shelf.error} onRetry={() => void shelf.refetch()} />;
  if (!shelf.data) return <Loading />;
  const { courses, deleted } = shelf.data;
  const hands: ShelfHands = {
    does: (what, said) => {
      setProblem('');
      change.mutate(what, {
        onSuccess: () => setDone(said),
        onError: (error) => {
          setDone(null);
          setProblem(tell(error));
        },
      });
    },
    tells: setProblem,
    says: (words) => {
      setProblem('');
      setDone({ words });
    },
  };
  const standing = courses.filter(({ archived }) => !archived);
  return (
    <div className="flex min-h-full flex-col">
      <InstructorBar />
      <main className="mx-auto w-full max-w-[1080px] flex-1 px-4 py-9 sm:px-8">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
          <h1 className="flex-1 font-serif text-[30px] font-medium">{t('shelf.title')}</h1>
          <SearchField
            label={t('shelf.find')}
            value={sought}
            onChange={(text) => setSought(text.slice(0, 100))}
            onEnter={() => undefined}
          />
          <NameForm trigger={t('shelf.newCourse')} label={t('shelf.courseTitle')} mutation={createCourse} />
        </div>
        <div role="status" className="min-h-6 pt-2 text-[13.5px]" data-shelf-done>
          {done && (
            <>
              {done.words}{' '}
              {done.undo && (
                <button
                  type="button"
                  className="text-accent underline underline-offset-4"
                  onClick={() => hands.does(done.undo!, { words: t('shelf.undone') })}
                >
                  {t('save.undo')}
                </button>
              )}
            </>
          )}
        </div>
        {problem && (
          <p role="alert" className="text-[13.5px] text-bad">
            {problem}
          </p>
        )}
        {sought.trim() !== '' ? (
          <Found text={sought.trim()} />
        ) : (
          <>
            {courses.length === 0 && <p className="prose-text mt-8 max-w-[520px]">{t('shelf.empty')}</p>}
            {standing.map((course, index) => (
              <CourseShelf
                key={course.id}
                course={course}
                courses={courses}
                hands={hands}
                before={standing[index - 1]}
                after={standing[index + 1]}
              />
            ))}
            <PutAway courses={courses} hands={hands} />
            <Deleted deleted={deleted} hands={hands} />
          </>
        )}
      </main>
    </div>
  );
}
