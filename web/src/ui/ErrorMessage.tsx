import type { Fault } from '@/api';
import { asSentence } from '@/lib';

/** Why something was refused, as a sentence; nothing where it wasn’t. */
export function ErrorMessage({
  fault,
  className = '',
}: {
  fault: Pick<Fault, 'detail'> | null | undefined;
  className?: string;
}) {
  return (
    fault && (
      <p role="alert" className={className}>
        {asSentence(fault.detail)}
      </p>
    )
  );
}
