import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';

import {
  abandonedWrites,
  api,
  connectivity,
  deleteUnreadable,
  forgetWrite,
  isStillRetryable,
  otherAddresses,
  OWN_TURN_MS,
  resend,
} from '@/api';
import type { Unreadable, UnsentWrite } from '@/api';
import { persisted, setPersisted } from '@/hooks';
import { asSentence, textsIn } from '@/lib';
import { Button, Dialog, ErrorMessage, Notice } from '@/ui';

/** What has to be said on every page, once there is something: what another window left, what can’t be read, where else the house was open. */
export function Notices() {
  return (
    <div className="flex flex-col gap-2 px-3 pt-2 empty:hidden sm:px-4 print:hidden">
      <AbandonedWrites />
      <UnreadableRows />
      <OpenElsewhereNotice />
    </div>
  );
}

interface Sent {
  written: number;
  refused: { kept: UnsentWrite; why: string }[];
}

/** Sends what was done while the server was away by a window that is closed now, and says what became of it. */
function AbandonedWrites() {
  const cache = useQueryClient();
  const [sent, setSent] = useState<Sent>({ written: 0, refused: [] });
  useEffect(() => {
    let under = false;
    const send = async () => {
      if (under) return;
      under = true;
      const sent: Sent = { written: 0, refused: [] };
      for (const unsentWrite of abandonedWrites()) {
        const why = isStillRetryable(unsentWrite) ? await resend(unsentWrite) : 'it is more than a day and a half old';
        if (why === null) break;
        forgetWrite(unsentWrite.key);
        if (why) sent.refused.push({ kept: unsentWrite, why });
        else sent.written += 1;
      }
      under = false;
      if (sent.written + sent.refused.length === 0) return;
      setSent(({ written, refused }) => ({
        written: written + sent.written,
        refused: [...refused, ...sent.refused],
      }));
      await cache.invalidateQueries();
    };
    void send();
    // What was put there just before this window opened has its turn by then.
    const again = window.setTimeout(() => void send(), OWN_TURN_MS + 500);
    const forget = connectivity.subscribe(() => void (connectivity.isUnreachable() || send()));
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
          <Button onClick={() => setSent({ ...sent, written: 0 })}>OK</Button>
        </Notice>
      )}
      {sent.refused.map(({ kept, why }) => (
        <Notice key={kept.key} text={`A change waiting in this browser can’t be saved: ${asSentence(why)}`}>
          <details className="w-full text-base">
            <summary className="cursor-pointer">The change</summary>
            <pre className="overflow-auto text-sm whitespace-pre-wrap">{`${kept.path}\n${kept.body}`}</pre>
          </details>
          <Button onClick={() => setSent({ ...sent, refused: sent.refused.filter((item) => item.kept !== kept) })}>
            Discard it
          </Button>
        </Notice>
      ))}
    </>
  );
}

/** What is kept and can’t be read: shown with its text, to be set right or taken out. */
function UnreadableRows() {
  const found = useQuery(api.queryOptions('get', '/api/unreadable', {}, { staleTime: 60_000 })).data ?? [];
  const [open, setOpen] = useState(false);
  if (found.length === 0) return null;
  const words = found.length === 1 ? 'One saved item' : `${String(found.length)} saved items`;
  return (
    <Notice text={`${words} can’t be read, so no list shows ${found.length === 1 ? 'it' : 'them'}.`}>
      <Button look="primary" onClick={() => setOpen(true)}>
        Show {found.length === 1 ? 'it' : 'them'}
      </Button>
      {open && (
        <Dialog wide heading="Unreadable items" onClose={() => setOpen(false)}>
          <ul className="flex flex-col gap-3">
            {found.map((item) => (
              <UnreadableLine key={`${item.kind} ${item.known_by}`} told={item} />
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
      await deleteUnreadable(told);
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
      <p>{asSentence(told.why)}</p>
      <details>
        <summary className="cursor-pointer">Its text</summary>
        <pre className="overflow-auto text-sm whitespace-pre-wrap">{told.text}</pre>
      </details>
      {told.removable && (
        <Button className="self-start font-normal" onClick={() => void takeOut()}>
          Delete
        </Button>
      )}
      <ErrorMessage fault={fault} className="text-error" />
    </li>
  );
}

/** Addresses at which nothing is unsaved, as somebody said. */
const settled = persisted<string[]>('oenomel.openElsewhere', [], textsIn);

/** Another address of this machine at which the house was open: what a browser couldn’t have written down there waits there. */
function OpenElsewhereNotice() {
  const [addresses, setAddresses] = useState<string[]>([]);
  useEffect(() => {
    const ask = async () => {
      const elsewhere = await otherAddresses();
      const seen = settled.getState().value;
      setAddresses(elsewhere.filter((text) => !seen.includes(text)));
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
      <Button
        look="primary"
        onClick={() => {
          setPersisted(settled, (now) => [...now, address]);
          setAddresses(addresses.slice(1));
        }}
      >
        Nothing is unsaved there
      </Button>
    </Notice>
  );
}
