import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';

import { changeEvent, eventPlanQuery, holdWrite, newIdempotencyKey } from '@/api';
import type { Assumptions, EventChange, EventPlanEntry, Fault } from '@/api';

type Drink = EventPlanEntry['drinks'][number];
type Change = EventChange & { drink_id: number | null };

/** A change on its way, by the key that the server knows it by. */
interface Waiting {
  key: string;
  change: Change;
}

const NEW: Omit<Drink, 'drink_id' | 'serves'> = { service: '', batch_id: null, container_ml: null };

/**
 * The evening as this window tells it: each change is shown at once and sent by itself, one after the other, so that what another window
 * changes stays. What was changed there meanwhile is kept beside mine until one is chosen.
 */
export function useEventPlan(written: EventPlanEntry, query: Assumptions) {
  const cache = useQueryClient();
  const [told, setTold] = useState<readonly Waiting[]>([]);
  const [refused, setRefused] = useState<{ change: Change; fault: Fault } | null>(null);
  const entry = told.reduce((shown, { change }) => withChange(shown, change), written);
  // What waits, the one under way first; what is shown is a copy of it.
  const waiting = useRef<readonly Waiting[]>([]);
  const isSending = useRef(false);
  const wait = (changes: readonly Waiting[]) => {
    waiting.current = changes;
    setTold(changes);
  };
  const send = async () => {
    if (isSending.current) return;
    isSending.current = true;
    for (let next = waiting.current[0]; next; next = waiting.current[0]) {
      try {
        const answer = await changeEvent(next.change, query, next.key);
        // What is being read may tell of before; and what is told here is taken away only once the answer is in sight.
        await cache.cancelQueries({ queryKey: eventPlanQuery(query).queryKey });
        cache.setQueryData(eventPlanQuery(query).queryKey, answer);
        await new Promise((seen) => setTimeout(seen));
      } catch (fault) {
        setRefused({ change: next.change, fault: fault as Fault });
      }
      wait(waiting.current.slice(1));
    }
    isSending.current = false;
    await cache.invalidateQueries();
  };
  const add = (change: Change) => {
    setRefused(null);
    const changes = withNext(waiting.current, change);
    const last = changes.at(-1);
    // Held in the browser until it is answered, also where the window is closed before its turn.
    if (last) holdWrite(last.key, 'PATCH', '/api/evening', last.change);
    wait(changes);
    void send();
  };
  return {
    entry,
    tell: (what: Change['what'], to: Change['to'], drink_id: number | null = null) => {
      // What the hand saw, be it older than what was answered meanwhile.
      const was = what === 'pours' ? null : valueOf(entry, what, drink_id);
      if (what === 'pours' || was !== to) add({ what, to, was, drink_id });
    },
    refused,
    letGo: () => setRefused(null),
    insist: () => {
      if (!refused) return;
      const { what, to, drink_id } = refused.change;
      add({ what, to, drink_id });
    },
  };
}

/** A change behind those that wait: several of one thing, where the first isn’t under way, become one. */
function withNext(waiting: readonly Waiting[], change: Change): readonly Waiting[] {
  const last = waiting.length > 1 ? waiting.at(-1) : undefined;
  const same =
    last && last.change.what === change.what && last.change.drink_id === change.drink_id && change.what !== 'pours';
  return same
    ? [...waiting.slice(0, -1), { ...last, change: { ...last.change, to: change.to } }]
    : [...waiting, { key: newIdempotencyKey(), change }];
}

function valueOf(entry: EventPlanEntry, what: Exclude<Change['what'], 'pours'>, drink_id: number | null): Change['to'] {
  if (what === 'name' || what === 'at' || what === 'hands') return entry[what];
  return entry.drinks.find((drink) => drink.drink_id === drink_id)?.[what] ?? null;
}

function withChange(entry: EventPlanEntry, { what, to, drink_id }: Change): EventPlanEntry {
  if (what === 'pours') {
    const others = entry.drinks.filter((drink) => drink.drink_id !== drink_id);
    return { ...entry, drinks: to ? [...others, { ...NEW, drink_id: drink_id ?? 0, serves: Number(to) }] : others };
  }
  if (what === 'name' || what === 'at' || what === 'hands') return { ...entry, [what]: to };
  return {
    ...entry,
    drinks: entry.drinks.map((drink) => (drink.drink_id === drink_id ? { ...drink, [what]: to } : drink)),
  };
}
