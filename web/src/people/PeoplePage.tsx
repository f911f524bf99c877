import '../text/enPages.js';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { UserPlus } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { InstructorBar } from '../account/InstructorBar.js';
import { call } from '../api/instructorCall.js';
import { useAccount, useSignInWhenNeeded } from '../session/useAccount.js';
import { useTranslation } from '../text/text.js';
import { shownDay, shownTime } from '../text/time.js';
import { Button } from '../ui/Button.js';
import { Menu } from '../ui/Menu.js';
import { Panel } from '../ui/Panel.js';
import { ProblemText } from '../ui/ProblemText.js';
import { Failure, Loading } from '../ui/States.js';
import { ErasePersonPanel } from './ErasePersonPanel.js';
import { InvitePanel } from './InvitePanel.js';
import { LinkToGive, type GivenLink } from './LinkPanel.js';
import type { Person } from './person.js';

/** Who has an account here, for administrators. */
export function PeoplePage() {
  const { t } = useTranslation();
  const client = useQueryClient();
  const who = useAccount().data;
  const people = useQuery({ queryKey: ['people'], queryFn: ({ signal }) => call('people', { signal }) });
  const [inviting, setInviting] = useState(false);
  const [erasing, setErasing] = useState<Person | null>(null);
  const [given, setGiven] = useState<{ person: Person; link: GivenLink } | null>(null);
  const [said, setSaid] = useState('');
  const again = () => client.invalidateQueries({ queryKey: ['people'] });
  const change = useMutation({
    mutationFn: async ({ person, role }: { person: Person; role: Person['role'] }) => {
      await call('changePerson', { params: { person: person.id }, body: { role } });
      setSaid(t('people.roleChanged', { name: person.name, role: t(`account.role.${role}`) }));
    },
    onSettled: again,
  });
  const reset = useMutation({
    mutationFn: (person: Person) => call('makeResetLink', { params: { person: person.id }, body: {} }),
    onSuccess: (link, person) => setGiven({ link, person }),
  });
  const withdraw = useMutation({
    mutationFn: async ({ id, email }: { id: string; email: string }) => {
      await call('withdrawInvitation', { params: { invitation: id }, body: {} });
      setSaid(t('people.withdrawn', { email }));
    },
    onSettled: again,
  });
  useSignInWhenNeeded(people.error, '/sign-in');
  if (people.error) return <Failure error={people.error} onRetry={() => void people.refetch()} />;
  if (!people.data) return <Loading />;
  const own = who?.who === 'instructor' ? who.instructor.id : '';
  const { invitations } = people.data;
  return (
    <div className="flex min-h-full flex-col">
      <InstructorBar here={t('people.title')} />
      <main className="mx-auto w-full max-w-[980px] flex-1 px-4 py-9 sm:px-8">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
          <h1 className="flex-1 font-serif text-[30px] font-medium">{t('people.title')}</h1>
          <Link to="/people/log" className="text-accent underline underline-offset-4">
            {t('people.audit')}
          </Link>
          <Button primary onClick={() => setInviting(true)}>
            <UserPlus aria-hidden size={15} />
            {t('people.invite')}
          </Button>
        </div>
        <p className="mt-1 text-[14px] text-soft">{t('people.lead')}</p>
        <p role="status" className="min-h-6 pt-2 text-[13.5px]">
          {said}
        </p>
        <ProblemText error={change.error ?? reset.error ?? withdraw.error} />
        <div className="overflow-x-auto">
          <table className="w-full border-collapse text-left" data-people>
            <thead>
              <tr className="border-y border-line text-[13px]">
                {(['name', 'email', 'role'] as const).map((key) => (
                  <th key={key} scope="col" className="py-2 pr-4 font-semibold">
                    {t(`people.${key}`)}
                  </th>
                ))}
                <th scope="col" className="py-2 pr-4 font-semibold">
                  {t('people.seen')}
                </th>
                <td />
              </tr>
            </thead>
            <tbody>
              {people.data.people.map((person) => {
                const { id, name, role, courses, seen, isDemo } = person;
                return (
                  <tr key={id} className="border-b border-line">
                    <th scope="row" className="py-2 pr-4 font-serif text-[16px] font-normal">
                      {name}
                      {(id === own || isDemo) && (
                        <span className="ml-2 font-sans text-[13px] text-soft">
                          {[id === own && t('people.you'), isDemo && t('people.demo')]
                            .filter(Boolean)
                            .join(', ')}
                        </span>
                      )}
                    </th>
                    <td className="py-2 pr-4 text-[14px]">{person.email}</td>
                    <td className="py-2 pr-4 text-[14px]">
                      {t(`account.role.${role}`)}
                      <span className="block text-[13px] text-soft">
                        {t('people.courses', { count: courses })}
                      </span>
                    </td>
                    <td className="py-2 pr-4 text-[13px] text-soft">
                      {seen ? shownTime(seen) : t('people.never')}
                    </td>
                    <td className="py-2 text-right">
                      <Menu
                        label={t('people.menu', { name })}
                        rows={[
                          role === 'instructor'
                            ? {
                                label: t('people.makeAdministrator'),
                                act: () => change.mutate({ person, role: 'administrator' }),
                              }
                            : {
                                label: t('people.makeInstructor'),
                                act: () => change.mutate({ person, role: 'instructor' }),
                              },
                          { label: t('people.resetLink'), act: () => reset.mutate(person) },
                          id !== own && { label: t('people.erase'), act: () => setErasing(person) },
                        ]}
                      />
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
        <section aria-labelledby="invited" className="mt-10">
          <h2 id="invited" className="border-b border-line pb-2 font-serif text-[20px]">
            {t('people.invitations')}
          </h2>
          {invitations.length === 0 && (
            <p className="mt-2 text-[14px] text-soft">{t('people.noInvitations')}</p>
          )}
          <ul className="divide-y divide-line" data-invitations>
            {invitations.map(({ id, email, role, until, by }) => {
              const day = shownDay(until);
              return (
                <li key={id} className="flex flex-wrap items-center gap-x-6 py-2 text-[14px]">
                  <span className="min-w-[220px]">{email}</span>
                  <span className="flex-1 text-[13px] text-soft">
                    {t(`account.role.${role}`)},{' '}
                    {by === null
                      ? t('people.invitedUntil', { day })
                      : t('people.invitedBy', { name: by, day })}
                  </span>
                  <Button
                    quiet
                    aria-label={`${t('people.withdraw')}: ${email}`}
                    disabled={withdraw.isPending}
                    onClick={() => withdraw.mutate({ id, email })}
                  >
                    {t('people.withdraw')}
                  </Button>
                </li>
              );
            })}
          </ul>
        </section>
      </main>
      {inviting && <InvitePanel onClose={() => setInviting(false)} />}
      {erasing && (
        <ErasePersonPanel
          person={erasing}
          heirs={people.data.people.filter(({ id }) => id !== erasing.id)}
          onDone={() => {
            setSaid(t('people.erased', { name: erasing.name }));
            setErasing(null);
            void again();
          }}
          onClose={() => setErasing(null)}
        />
      )}
      {given && (
        <Panel
          open
          onClose={() => setGiven(null)}
          title={t('people.resetTitle', { name: given.person.name })}
        >
          <LinkToGive link={given.link} email={given.person.email} onDone={() => setGiven(null)} />
        </Panel>
      )}
    </div>
  );
}
