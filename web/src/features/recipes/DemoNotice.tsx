import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { healthQuery, useResetDemo } from '@/api';
import { Button, ErrorMessage } from '@/ui';

/** Says that what is shown is the demo, and puts it back when asked twice. */
export function DemoNotice() {
  const { data: health } = useQuery(healthQuery());
  const reset = useResetDemo();
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
          <Button
            look="primary"
            disabled={reset.isPending}
            onClick={() => reset.mutate({}, { onSuccess: () => setAsking(false) })}
          >
            Reset
          </Button>
          <Button onClick={() => setAsking(false)}>Cancel</Button>
        </span>
      ) : (
        <Button look="outline" onClick={() => setAsking(true)}>
          Reset the demo
        </Button>
      )}
      <ErrorMessage fault={reset.error} />
    </aside>
  );
}
