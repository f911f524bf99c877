import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { ApiProblem, call } from '../api/call.js';

const key = ['session'];

/** Who is signed in. */
export function useAccount() {
  return useQuery({ queryKey: key, queryFn: ({ signal }) => call('session', { signal }), staleTime: 60_000 });
}

/**
 * Goes on as somebody else, by loading the page anew: nothing that belonged to whoever was here before
 * stays in memory. What they had not sent yet rests on the device, under the name of their own work.
 */
export function continueAt(place: string): void {
  location.assign(place);
}

export function useSignOut(): () => void {
  const { mutate } = useMutation({
    mutationFn: () => call('signOut', { body: {} }),
    onSuccess: () => continueAt('/join'),
  });
  return () => mutate();
}

/** Sends whoever is not signed in, or as somebody else, to where that is done. */
export function useSignInWhenNeeded(error: Error | null, entry: '/sign-in' | '/join'): void {
  const navigate = useNavigate();
  const closed =
    error instanceof ApiProblem &&
    (error.problem.type === 'not-signed-in' || error.problem.type === 'not-allowed');
  useEffect(() => {
    if (closed) void navigate(`${entry}?to=${encodeURIComponent(location.pathname)}`, { replace: true });
  }, [closed, entry, navigate]);
}

/** Where to go after signing in: only ever a place of our own. */
export function placeAfter(search: URLSearchParams, otherwise: string): string {
  const to = search.get('to');
  return to && /^\/(?![/\\])/.test(to) ? to : otherwise;
}
