import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { ApiProblem, call } from '../api/call.js';

const key = ['session'];

/** Who is signed in. */
export function useWho() {
  return useQuery({ queryKey: key, queryFn: ({ signal }) => call('session', { signal }), staleTime: 60_000 });
}

/** Forgets everything that the server said to whoever was signed in before. */
export function useForgetAll(): () => Promise<void> {
  const client = useQueryClient();
  return async () => {
    client.clear();
    await client.invalidateQueries({ queryKey: key });
  };
}

export function useSignOut(): () => void {
  const navigate = useNavigate();
  const forget = useForgetAll();
  const { mutate } = useMutation({
    mutationFn: () => call('signOut', { body: {} }),
    onSuccess: async () => {
      await forget();
      await navigate('/join');
    },
  });
  return () => mutate();
}

/** Sends whoever is not signed in, or as somebody else, to the right door. */
export function useDoor(error: Error | null, door: '/sign-in' | '/join'): void {
  const navigate = useNavigate();
  const closed =
    error instanceof ApiProblem &&
    (error.problem.type === 'not-signed-in' || error.problem.type === 'not-allowed');
  useEffect(() => {
    if (closed) void navigate(`${door}?to=${encodeURIComponent(location.pathname)}`, { replace: true });
  }, [closed, door, navigate]);
}

/** Where to go after signing in: only ever a place of our own. */
export function placeAfter(search: URLSearchParams, otherwise: string): string {
  const to = search.get('to');
  return to && /^\/(?![/\\])/.test(to) ? to : otherwise;
}
