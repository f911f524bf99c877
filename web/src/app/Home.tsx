import { Navigate } from 'react-router';
import { useAccount } from '../session/useAccount.js';
import { Failure, Loading } from '../ui/States.js';

/** The start page: sends everybody to their own first page. */
export function Home() {
  const { data, error, refetch } = useAccount();
  if (error) return <Failure error={error} onRetry={() => void refetch()} />;
  if (!data) return <Loading />;
  const places = { nobody: '/join', instructor: '/shelf', student: '/class' };
  return <Navigate replace to={places[data.who]} />;
}
