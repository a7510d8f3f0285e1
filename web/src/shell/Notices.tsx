import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';

import { api, client, unwrap, type Unreadable } from '../api/client';
import { isKnown, left, letGo, OWN_TURN_MS, sendAgain, type Kept } from '../api/outbox';
import { reach } from '../api/reach';
import { sentence } from '../lib/format';
import { store, stored } from '../lib/stored';
import { Dialog } from '../ui/Dialog';
import { Notice } from '../ui/Notice';
import { Refused } from '../ui/Refused';

/** What has to be said on every page, once there is something: what another window left, what can’t be read, where else the house was open. */
export function Notices() {
  return (
    <div className="flex flex-col gap-2 px-3 pt-2 empty:hidden sm:px-4 print:hidden">
      <LeftBehind />
      <NotReadable />
      <OpenElsewhere />
    </div>
  );
}

interface Sent {
  written: number;
  refused: { kept: Kept; why: string }[];
}

/** Sends what was done while the server was away by a window that is closed now, and says what became of it. */
function LeftBehind() {
  const cache = useQueryClient();
  const [sent, setSent] = useState<Sent>({ written: 0, refused: [] });
  useEffect(() => {
    let under = false;
    const send = async () => {
      if (under) return;
      under = true;
      const found: Sent = { written: 0, refused: [] };
      for (const kept of left()) {
        const why = isKnown(kept) ? await sendAgain(kept) : 'it is more than a day and a half old';
        if (why === null) break;
        letGo(kept.key);
        if (why) found.refused.push({ kept, why });
        else found.written += 1;
      }
      under = false;
      if (found.written + found.refused.length === 0) return;
      setSent(({ written, refused }) => ({
        written: written + found.written,
        refused: [...refused, ...found.refused],
      }));
      await cache.invalidateQueries();
    };
    void send();
    // What was put there just before this window opened has its turn by then.
    const again = window.setTimeout(() => void send(), OWN_TURN_MS + 500);
    const forget = reach.subscribe(() => void (reach.isGone() || send()));
    return () => {
      window.clearTimeout(again);
      forget();
    };
  }, [cache]);
  if (sent.written + sent.refused.length === 0) return null;
  const many = sent.written === 1 ? 'One change' : `${String(sent.written)} changes`;
  return (
    <>
      {sent.written > 0 && (
        <Notice quiet text={`${many} waiting in this browser ${sent.written === 1 ? 'is' : 'are'} saved now.`}>
          <button type="button" className="btn" onClick={() => setSent({ ...sent, written: 0 })}>
            OK
          </button>
        </Notice>
      )}
      {sent.refused.map(({ kept, why }) => (
        <Notice key={kept.key} text={`A change waiting in this browser can’t be saved: ${sentence(why)}`}>
          <details className="w-full text-base">
            <summary className="cursor-pointer">The change</summary>
            <pre className="overflow-auto text-sm whitespace-pre-wrap">{`${kept.path}\n${kept.body}`}</pre>
          </details>
          <button
            type="button"
            className="btn"
            onClick={() => setSent({ ...sent, refused: sent.refused.filter((each) => each.kept !== kept) })}
          >
            Discard it
          </button>
        </Notice>
      ))}
    </>
  );
}

const TAKEN_OUT = {
  lot: (id: string) => client.DELETE('/api/lots/{lot_id}', { params: { path: { lot_id: Number(id) } } }),
  batch: (id: string) => client.DELETE('/api/batches/{batch_id}', { params: { path: { batch_id: Number(id) } } }),
  preparation: (slug: string) => client.DELETE('/api/preparations/{slug}', { params: { path: { slug } } }),
  evening: () => client.DELETE('/api/evening', {}),
  drink: () => Promise.resolve(),
} as const;

/** What is kept and can’t be read: shown with its text, to be set right or taken out. */
function NotReadable() {
  const found = useQuery(api.queryOptions('get', '/api/unreadable', {}, { staleTime: 60_000 })).data ?? [];
  const [open, setOpen] = useState(false);
  if (found.length === 0) return null;
  const words = found.length === 1 ? 'One saved item' : `${String(found.length)} saved items`;
  return (
    <Notice text={`${words} can’t be read, so no list shows ${found.length === 1 ? 'it' : 'them'}.`}>
      <button type="button" className="btn btn-primary" onClick={() => setOpen(true)}>
        Show {found.length === 1 ? 'it' : 'them'}
      </button>
      {open && (
        <Dialog wide heading="Unreadable items" onClose={() => setOpen(false)}>
          <ul className="flex flex-col gap-3">
            {found.map((each) => (
              <UnreadableLine key={`${each.kind} ${each.known_by}`} told={each} />
            ))}
          </ul>
        </Dialog>
      )}
    </Notice>
  );
}

function UnreadableLine({ told }: { told: Unreadable }) {
  const cache = useQueryClient();
  const [fault, setFault] = useState<{ detail: string } | null>(null);
  const takeOut = async () => {
    try {
      await TAKEN_OUT[told.kind](told.known_by);
      await cache.invalidateQueries();
    } catch (refused) {
      setFault(refused as { detail: string });
    }
  };
  return (
    <li className="flex flex-col gap-1 rounded-xl border border-base-300 p-3 text-base">
      <p className="text-lg font-semibold">
        {told.name} <span className="font-normal text-quiet">({told.kind})</span>
      </p>
      <p>{sentence(told.why)}</p>
      <details>
        <summary className="cursor-pointer">Its text</summary>
        <pre className="overflow-auto text-sm whitespace-pre-wrap">{told.text}</pre>
      </details>
      {told.removable && (
        <button type="button" className="btn self-start text-base font-normal" onClick={() => void takeOut()}>
          Delete
        </button>
      )}
      <Refused fault={fault} className="text-error" />
    </li>
  );
}

const SEEN = 'oenomel.openElsewhere';
const isList = (kept: unknown): kept is string[] =>
  Array.isArray(kept) && kept.every((each) => typeof each === 'string');

/** Another address of this machine at which the house was open: what a browser couldn’t have written down there waits there. */
function OpenElsewhere() {
  const [addresses, setAddresses] = useState<string[]>([]);
  useEffect(() => {
    const ask = async () => {
      const { elsewhere } = unwrap(await client.POST('/api/opened', {}));
      const seen = stored(SEEN, isList) ?? [];
      setAddresses(elsewhere.map(({ address }) => address).filter((each) => !seen.includes(each)));
    };
    // A device that may only look is refused: it left nothing anywhere.
    ask().catch(() => undefined);
  }, []);
  const [address] = addresses;
  if (!address) return null;
  return (
    <Notice quiet text={`Oenomel was open at ${address} before. Anything unsaved is still there.`}>
      <a className="btn" href={address}>
        Open it
      </a>
      <button
        type="button"
        className="btn btn-primary"
        onClick={() => {
          store(SEEN, [...(stored(SEEN, isList) ?? []), address]);
          setAddresses(addresses.slice(1));
        }}
      >
        Nothing is unsaved there
      </button>
    </Notice>
  );
}
