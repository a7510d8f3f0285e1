import { Wind } from 'lucide-react';

import type { TriangleSubject } from '@/api';
import { AxisMark } from '@/ui';

/** What a triangle can ask of, in the order in which it is learnt. */
export const SUBJECTS: readonly (readonly [TriangleSubject, string])[] = [
  ['sugar', 'Sweetness'],
  ['acid', 'Acidity'],
  ['abv', 'Strength'],
  ['smell', 'An aroma'],
];

/** The sign of what is asked: an axis has its own everywhere. */
export function SubjectMark({ matter, size = 18 }: { matter: TriangleSubject; size?: number }) {
  return matter === 'smell' ? (
    <Wind size={size} aria-hidden className="shrink-0" />
  ) : (
    <AxisMark axis={matter} size={size} />
  );
}
