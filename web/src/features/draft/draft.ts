import type { Spec } from '@/api';

/** What lies on the bench: the spec and the trial it is compared with. */
export interface Draft {
  spec: Spec;
  parentTrialId: number;
  /** Pours that were locked or freed by hand, by `lockKey`: true where locked. */
  locks: Record<string, boolean>;
}
