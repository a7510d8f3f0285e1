import { useNavigate } from 'react-router';

import { api } from '@/api/client';
import type { Original, Criteria } from '@/api/types';
import { useShowDrink } from '@/api/queries/drinks';

/** Puts an original into the book with where it comes from, and opens the bench. */
export function useOpenOriginal(wish: Criteria) {
  const navigate = useNavigate();
  const start = api.useMutation('post', '/api/drinks', { onSuccess: useShowDrink() });
  const lay = ({ spec, reasons }: Original) => {
    const body = {
      name: spec.name,
      spec,
      trial_name: 'As suggested',
      reason: `A new idea. ${reasons[0] ?? ''}`,
      parents: [],
      notes: '',
      wish,
    };
    start.mutate({ body }, { onSuccess: ({ id }) => void navigate(`/bench/${id}`) });
  };
  return { lay, isPending: start.isPending, error: start.error };
}
