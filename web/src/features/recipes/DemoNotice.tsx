import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { api } from '@/api/client';
import { healthQuery } from '@/api/queries/system';
import { ErrorMessage } from '@/ui/ErrorMessage';

/** Says that what is shown is the demo, and puts it back when asked twice. */
export function DemoNotice() {
  const { data: health } = useQuery(healthQuery());
  const queryClient = useQueryClient();
  const reset = api.useMutation('post', '/api/demo/reset', { onSuccess: () => queryClient.resetQueries() });
  const [asking, setAsking] = useState(false);
  if (!health?.demo) return null;
  return (
    <aside
      aria-label="Demo"
      className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-2xl bg-secondary px-4 py-3"
    >
      <p className="min-w-60 flex-1">
        <strong className="font-semibold">Demo.</strong> The Orangery at Quillmere and its drinks are invented. Try
        anything: none of your own data is here.
      </p>
      {asking ? (
        <span className="flex flex-wrap items-center gap-2">
          Everything you added here is deleted.
          <button
            type="button"
            className="btn btn-primary min-h-11"
            disabled={reset.isPending}
            onClick={() => reset.mutate({}, { onSuccess: () => setAsking(false) })}
          >
            Reset
          </button>
          <button type="button" className="btn min-h-11" onClick={() => setAsking(false)}>
            Cancel
          </button>
        </span>
      ) : (
        <button type="button" className="btn btn-ghost min-h-11 border-base-300" onClick={() => setAsking(true)}>
          Reset the demo
        </button>
      )}
      <ErrorMessage fault={reset.error} />
    </aside>
  );
}
