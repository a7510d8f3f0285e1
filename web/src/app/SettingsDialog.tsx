import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';

import { devicesQuery } from '@/api';
import { changeSettings, type Country, type Settings, useSettings } from '@/hooks';
import { ChoiceChips, Dialog } from '@/ui';
import { DataFileSettings } from './DataFileSettings';
import { PairedDevices } from './PairedDevices';

const OUNCES: [number, string][] = [
  [30, '30 ml, bar ounce'],
  [29.5735, '29.57 ml, US fluid ounce'],
];
const LADDER: [Settings['aim']['grid'], string][] = [
  [2.5, '2.5 ml'],
  [5, '5 ml'],
  [7.5, '7.5 ml (¼ oz)'],
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
        <ChoiceChips
          legend="Volumes"
          options={[
            ['ml', 'millilitres'],
            ['oz', 'ounces'],
          ]}
          value={shown}
          onChoose={(chosen: Settings['shown']) => changeSettings({ shown: chosen })}
        />
        <ChoiceChips
          legend="Ounce"
          options={OUNCES}
          value={ounceMl}
          onChoose={(ml) => changeSettings({ ounceMl: ml })}
        />
        <ChoiceChips
          legend="Jigger marks"
          options={LADDER}
          value={aim.grid}
          onChoose={(grid) => changeSettings({ aim: { ...aim, grid } })}
        />
        <ChoiceChips
          legend="Standard drink"
          options={COUNTRIES}
          value={country}
          onChoose={(chosen) => changeSettings({ country: chosen })}
        />
        <Measuring />
        <ChoiceChips
          legend="Theme"
          options={[
            ['lamplight', 'light'],
            ['late', 'dark'],
          ]}
          value={theme}
          onChoose={(chosen: Settings['theme']) => changeSettings({ theme: chosen })}
        />
      </div>
      <p className="text-quiet">
        A recipe in ounces keeps its own ounce. Choose the palate to use under{' '}
        <Link to="/tasting/palates" className="underline">
          Palates
        </Link>
        .
      </p>
      <DataFileSettings />
      <PairedDevices />
    </Dialog>
  );
}

/** By what the water is foreseen, and what readings come from. */
function Measuring() {
  const { supposed, devices } = useSettings();
  const known = useQuery(devicesQuery());
  return (
    <>
      <ChoiceChips
        legend="Dilution"
        options={[
          ['curve', 'standard estimate'],
          ['heat balance', 'heat balance'],
        ]}
        value={supposed.dilution ?? 'curve'}
        onChoose={(dilution: 'curve' | 'heat balance') => changeSettings({ supposed: { ...supposed, dilution } })}
      />
      <ChoiceChips
        legend="Own dilution readings"
        options={[
          ['yes', 'used'],
          ['no', 'not used'],
        ]}
        value={supposed.own === false ? 'no' : 'yes'}
        onChoose={(own: 'yes' | 'no') => {
          changeSettings({ supposed: { ...supposed, own: own === 'yes' } });
        }}
      />
      <ChoiceChips
        legend="Measuring devices"
        options={[
          ['simulated', 'simulated'],
          ['by hand', 'none, typed in'],
        ]}
        value={Object.values(devices).includes('by hand') ? 'by hand' : 'simulated'}
        onChoose={(make: string) =>
          changeSettings({ devices: Object.fromEntries((known.data ?? []).map(({ device }) => [device, make])) })
        }
      />
    </>
  );
}
