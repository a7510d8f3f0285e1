import { Command as CommandSign, Moon, Settings2, Sun } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';

import { useOffer } from '../lib/commands';
import { changeSettings, useSettings } from '../lib/settings';
import { IconButton } from './IconButton';
import { KeysDialog } from './KeysDialog';
import { Palette, type PaletteCommand } from './Palette';
import { SettingsDialog } from './SettingsDialog';
import { useHotkeys } from './useHotkeys';

/** ml or oz, light or dim, the palette of commands, the settings: the same on every page. */
export function ViewSwitches() {
  const { shown, theme } = useSettings();
  const [open, setOpen] = useState<'palette' | 'settings' | 'keys' | null>(null);
  const navigate = useNavigate();
  const late = theme === 'late';
  useHotkeys({
    k: { ctrl: true, anywhere: true, run: () => setOpen('palette') },
    '?': { run: () => setOpen('keys') },
    ',': { run: () => setOpen('settings') },
  });
  useOffer(
    'everywhere',
    useMemo(
      (): PaletteCommand[] => [
        { group: 'Go to', words: 'The book of drinks', run: () => void navigate('/book') },
        { group: 'Go to', words: 'The shelf', run: () => void navigate('/shelf') },
        { group: 'Go to', words: 'The family tree', run: () => void navigate('/tree') },
        { group: 'Go to', words: 'Palates: who likes what', run: () => void navigate('/palates') },
        {
          group: 'Screen',
          words: shown === 'ml' ? 'Volumes in ounces' : 'Volumes in millilitres',
          run: () => changeSettings({ shown: shown === 'ml' ? 'oz' : 'ml' }),
        },
        {
          group: 'Screen',
          words: late ? 'Light theme' : 'Dim theme',
          run: () => changeSettings({ theme: late ? 'lamplight' : 'late' }),
        },
        { group: 'Screen', words: 'Settings', hotkey: ',', run: () => setOpen('settings') },
        { group: 'Screen', words: 'Keys', hotkey: '?', run: () => setOpen('keys') },
      ],
      [shown, late, navigate],
    ),
  );
  return (
    <>
      <IconButton icon={CommandSign} label="Do anything" hotkey="Ctrl K" onClick={() => setOpen('palette')} />
      <div className="join" role="group" aria-label="Volumes in">
        {(['ml', 'oz'] as const).map((unit) => (
          <button
            key={unit}
            type="button"
            aria-pressed={shown === unit}
            className={`btn join-item min-h-11 px-2.5 ${shown === unit ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
            onClick={() => changeSettings({ shown: unit })}
          >
            {unit}
          </button>
        ))}
      </div>
      <IconButton
        icon={late ? Sun : Moon}
        label={late ? 'Light theme' : 'Dim theme'}
        className="max-sm:hidden"
        onClick={() => changeSettings({ theme: late ? 'lamplight' : 'late' })}
      />
      <IconButton icon={Settings2} label="Settings" hotkey="," onClick={() => setOpen('settings')} />
      {open === 'palette' && <Palette onClose={() => setOpen((now) => (now === 'palette' ? null : now))} />}
      {open === 'settings' && <SettingsDialog onClose={() => setOpen(null)} />}
      {open === 'keys' && <KeysDialog onClose={() => setOpen(null)} />}
    </>
  );
}
