import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';

import { devicesQuery } from '../api/queries/house';
import { changeSettings, useSettings, type Country, type Settings } from '../lib/settings';
import { Chips } from '../ui/Chips';
import { Dialog } from '../ui/Dialog';
import { DataFile } from './DataFile';
import { Sharing } from './Sharing';

const OUNCES: [number, string][] = [
  [30, '30 ml, at the bar'],
  [29.5735, '29.57 ml, US fluid'],
];
const LADDER: [Settings['aim']['grid'], string][] = [
  [2.5, '2.5 ml'],
  [5, '5 ml'],
  [7.5, '7.5 ml, a quarter ounce'],
];
const COUNTRIES: [Country, string][] = [
  ['us', 'US, 14 g'],
  ['uk', 'UK, 8 g'],
  ['au', 'Australia, 10 g'],
];

/** What holds for every drink on this screen. */
export function SettingsDialog({ onClose }: { onClose: () => void }) {
  const { ounceMl, aim, country, shown, theme } = useSettings();
  return (
    <Dialog heading="Settings" wide onClose={onClose}>
      <div className="grid gap-4 md:grid-cols-2">
        <Chips
          legend="Volumes in"
          options={[
            ['ml', 'millilitres'],
            ['oz', 'ounces'],
          ]}
          value={shown}
          onChoose={(chosen: Settings['shown']) => changeSettings({ shown: chosen })}
        />
        <Chips
          legend="An ounce is"
          options={OUNCES}
          value={ounceMl}
          onChoose={(ml) => changeSettings({ ounceMl: ml })}
        />
        <Chips
          legend="Steps of the jigger"
          options={LADDER}
          value={aim.grid}
          onChoose={(grid) => changeSettings({ aim: { ...aim, grid } })}
        />
        <Chips
          legend="Standard drinks of"
          options={COUNTRIES}
          value={country}
          onChoose={(chosen) => changeSettings({ country: chosen })}
        />
        <Measuring />
        <Chips
          legend="Light"
          options={[
            ['lamplight', 'lamplight'],
            ['late', 'dim'],
          ]}
          value={theme}
          onChoose={(chosen: Settings['theme']) => changeSettings({ theme: chosen })}
        />
      </div>
      <p className="text-quiet">
        A drink in which something is written in ounces keeps the ounce it was written in. Whose palate counts is chosen
        among the{' '}
        <Link to="/palates" className="underline">
          palates
        </Link>
        .
      </p>
      <DataFile />
      <Sharing />
    </Dialog>
  );
}

/** By what the water is foreseen, and what readings come from. */
function Measuring() {
  const { supposed, devices } = useSettings();
  const known = useQuery(devicesQuery());
  return (
    <>
      <Chips
        legend="Water from the ice, foreseen by"
        options={[
          ['curve', 'the curve'],
          ['heat balance', 'heat balance'],
        ]}
        value={supposed.dilution ?? 'curve'}
        onChoose={(dilution: 'curve' | 'heat balance') => changeSettings({ supposed: { ...supposed, dilution } })}
      />
      <Chips
        legend="Own measurements of water"
        options={[
          ['yes', 'count'],
          ['no', 'are left out'],
        ]}
        value={supposed.own === false ? 'no' : 'yes'}
        onChoose={(own: 'yes' | 'no') => {
          changeSettings({ supposed: { ...supposed, own: own === 'yes' } });
        }}
      />
      <Chips
        legend="Devices for readings"
        options={[
          ['simulated', 'simulated'],
          ['by hand', 'none: typed by hand'],
        ]}
        value={Object.values(devices).includes('by hand') ? 'by hand' : 'simulated'}
        onChoose={(make: string) =>
          changeSettings({ devices: Object.fromEntries((known.data ?? []).map(({ device }) => [device, make])) })
        }
      />
    </>
  );
}
