import { useNavigate } from 'react-router';

import { type Criteria, type Original, useCreateDrink } from '@/api';

/** Puts an original into the book with where it comes from, and opens the bench. */
export function useOpenOriginal(wish: Criteria) {
  const navigate = useNavigate();
  const start = useCreateDrink();
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
