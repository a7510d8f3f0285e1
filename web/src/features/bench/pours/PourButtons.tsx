import { EllipsisVertical, Eye, EyeOff, Lock, LockOpen } from 'lucide-react';

import type { Forecast } from '@/api';

export function OmitButton({ name, out, onOut }: { name: string; out: boolean; onOut: () => void }) {
  const Sign = out ? EyeOff : Eye;
  return (
    <button
      type="button"
      aria-pressed={out}
      aria-label={`Leave out ${name}`}
      title={out ? 'Left out. Put it back (O)' : 'Optional: see the drink without it (O)'}
      className="flex h-11 w-7 cursor-pointer items-center justify-center rounded-lg text-quiet"
      onClick={onOut}
    >
      <Sign size={18} aria-hidden />
    </button>
  );
}

export function LockButton({ name, locked, onLock }: { name: string; locked: boolean; onLock: () => void }) {
  const Sign = locked ? Lock : LockOpen;
  return (
    <button
      type="button"
      aria-pressed={locked}
      aria-label={`Lock ${name}`}
      title={locked ? 'Locked for rebalancing (L unlocks)' : 'Rebalancing can change it (L locks)'}
      className={`flex h-11 w-7 cursor-pointer items-center justify-center rounded-lg ${locked ? 'text-base-content' : 'text-quiet'}`}
      onClick={onLock}
    >
      <Sign size={17} aria-hidden />
    </button>
  );
}

export function MoreButton({ name, onMore }: { name: string; onMore: () => void }) {
  return (
    <button
      type="button"
      className="grid h-11 w-6.5 cursor-pointer place-items-center rounded-lg text-quiet hover:text-base-content"
      aria-label={`More about ${name}`}
      title="Role, unit, order, optional, range (.)"
      onClick={onMore}
    >
      <EllipsisVertical size={18} aria-hidden />
    </button>
  );
}

/** What a pour brings, as three tiny bars: one sees where the sweetness comes from. */
export function Shares({ share }: { share: Forecast['pours'][number] }) {
  const bars = [
    { of: 'sugar', part: share.sugar_share, className: 'bg-sweet' },
    { of: 'acid', part: share.acid_share, className: 'bg-sharp' },
    { of: 'alcohol', part: share.alcohol_share, className: 'bg-strong' },
  ];
  const words = bars
    .filter(({ part }) => part > 0.005)
    .map(({ of, part }) => `${Math.round(part * 100)}% of the ${of}`);
  return (
    <span
      className="flex flex-col gap-1 border-l border-base-300 py-1"
      title={words.join(', ') || 'adds no sugar, acid or alcohol'}
    >
      <span className="sr-only">{words.length ? `Adds ${words.join(', ')}` : 'Adds no sugar, acid or alcohol'}</span>
      {bars.map(({ of, part, className }) => (
        <span
          key={of}
          aria-hidden
          className={`block h-1.5 rounded-r-full ${className}`}
          style={{ width: `${part * 100}%` }}
        />
      ))}
    </span>
  );
}
