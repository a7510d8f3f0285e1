import type { Fault } from '../api/client';
import { sentence } from '../lib/format';

/** Why something was refused, as a sentence; nothing where it wasn’t. */
export function Refused({
  fault,
  className = '',
}: {
  fault: Pick<Fault, 'detail'> | null | undefined;
  className?: string;
}) {
  return (
    fault && (
      <p role="alert" className={className}>
        {sentence(fault.detail)}
      </p>
    )
  );
}
