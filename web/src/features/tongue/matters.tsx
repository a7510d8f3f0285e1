import { Wind } from 'lucide-react';

import type { Matter } from '../../api/client';
import { AxisMark } from '../../ui/AxisMark';

/** What a triangle can ask of, in the order in which it is learnt. */
export const MATTERS: readonly (readonly [Matter, string])[] = [
  ['sugar', 'Sweetness'],
  ['acid', 'Acidity'],
  ['abv', 'Strength'],
  ['smell', 'An aroma'],
];

/** The sign of what is asked: an axis has its own everywhere. */
export function MatterMark({ matter, size = 18 }: { matter: Matter; size?: number }) {
  return matter === 'smell' ? (
    <Wind size={size} aria-hidden className="shrink-0" />
  ) : (
    <AxisMark axis={matter} size={size} />
  );
}
