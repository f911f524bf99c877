import '../text/enPages.js';
import { everyonesPaths } from '@bogen/contract/paths/everyone';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../api/call.js';
import { continueAt } from '../session/useAccount.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Panel } from '../ui/Panel.js';
import { EraseForm } from './EraseForm.js';
import { saveData } from './saveData.js';

/** What is kept of whoever is signed in: to take along, and to erase. */
export function OwnData({ name, isStudent }: { name: string; isStudent: boolean }) {
  const { t } = useTranslation();
  const [asking, setAsking] = useState(false);
  const take = useMutation({
    mutationFn: () => saveData(everyonesPaths.ownData.path, `bogen, ${name}.json`),
  });
  const erase = useMutation({
    mutationFn: (typed: string) => call('eraseOwnData', { body: { name: typed } }),
    onSuccess: () => continueAt(isStudent ? '/join' : '/sign-in'),
  });
  return (
    <>
      <p className="text-[14px] text-soft">{t('account.dataLead')}</p>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button disabled={take.isPending} onClick={() => take.mutate()}>
          {t(take.isPending ? 'account.gettingData' : 'account.takeData')}
        </Button>
        <Button
          onClick={() => {
            erase.reset();
            setAsking(true);
          }}
        >
          {t('account.erase')}
        </Button>
      </div>
      {take.error && (
        <p role="alert" className="mt-2 text-[14px] text-bad">
          {t('account.dataFailed')}
        </p>
      )}
      <Panel
        open={asking}
        onClose={() => setAsking(false)}
        title={t('account.erase')}
        lead={t(isStudent ? 'account.eraseStudentLead' : 'account.eraseLead')}
      >
        <EraseForm
          name={name}
          isPending={erase.isPending}
          error={erase.error}
          onErase={(typed) => erase.mutate(typed)}
          onCancel={() => setAsking(false)}
        />
      </Panel>
    </>
  );
}
