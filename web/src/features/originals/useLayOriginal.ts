import { useNavigate } from 'react-router';

import { api, type Original, type Wish } from '../../api/client';
import { useTellDrink } from '../../api/queries/drinks';

/** Puts an original into the book with where it comes from, and opens the bench. */
export function useLayOriginal(wish: Wish) {
  const navigate = useNavigate();
  const start = api.useMutation('post', '/api/drinks', { onSuccess: useTellDrink() });
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
