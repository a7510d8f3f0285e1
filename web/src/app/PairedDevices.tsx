import { useQuery } from '@tanstack/react-query';

import { type Sharing as SharingTold, sharingQuery, useForgetDevice, useForgetTries } from '@/api';
import { dayText } from '@/lib';
import { Button, ErrorMessage } from '@/ui';

/** How a phone is let in, and which devices were; each can be forgotten. */
export function PairedDevices() {
  const { data: sharing } = useQuery(sharingQuery());
  const forget = useForgetDevice();
  const letTry = useForgetTries();
  if (!sharing) return null;
  return (
    <section aria-labelledby="sharing-heading" className="border-t border-base-300 pt-3">
      <h3 id="sharing-heading" className="text-lg font-semibold">
        Phones and tablets
      </h3>
      <p className="text-quiet">{sharing.words}</p>
      {sharing.waits_s > 0 && (
        <p role="status" className="flex flex-wrap items-center gap-3 py-1">
          <span>
            Too many wrong codes. The next phone can try again in {Math.ceil(sharing.waits_s)} s. Were they yours?
          </span>
          <Button onClick={() => letTry.mutate({})}>Allow it now</Button>
        </p>
      )}
      <div className="mt-2 grid gap-4 md:grid-cols-2">
        {sharing.ways.map((way) => (
          <PairingOption key={way.code} way={way} />
        ))}
      </div>
      {sharing.devices.length > 0 && (
        <ul aria-label="Connected devices" className="mt-2">
          {sharing.devices.map(({ id, name, may_write, paired_at, here }) => (
            <li key={id} className="flex flex-wrap items-center gap-x-3 border-t border-base-300 py-1.5">
              <span className="min-w-0 grow wrap-anywhere">
                <strong className="font-semibold">{name}</strong>{' '}
                <span className="text-quiet">
                  {here ? 'this device,' : ''}
                  {may_write ? 'can edit' : 'view only'}, connected {dayText(paired_at)}
                </span>
              </span>
              <Button
                aria-label={`Disconnect ${name}`}
                onClick={() => forget.mutate({ params: { path: { device_id: id } } })}
              >
                Disconnect
              </Button>
            </li>
          ))}
        </ul>
      )}
      <ErrorMessage fault={forget.error ?? letTry.error} />
    </section>
  );
}

/** A picture for the phone's camera, and what to type where it has none. */
function PairingOption({ way }: { way: SharingTold['ways'][number] }) {
  const { address, code, picture, may_write } = way;
  const words = may_write ? 'Can edit' : 'View only';
  return (
    <figure className="flex min-w-0 items-center gap-3">
      <img src={picture} alt={`${words}: QR code of the address`} className="size-36 shrink-0 rounded-xl" />
      <figcaption>
        <strong className="block text-lg font-semibold">{words}</strong>
        <span className="block text-quiet">Point the phone’s camera here, or open</span>
        <span className="block wrap-anywhere">{address}</span>
        <span className="text-quiet">and enter</span>{' '}
        <span className="font-figure text-xl">
          {code.slice(0, 4)} {code.slice(4)}
        </span>
      </figcaption>
    </figure>
  );
}
