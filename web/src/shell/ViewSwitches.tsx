import { Command as CommandSign, Moon, Settings2, Sun } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';

import { changeSettings, useSettings } from '../lib/settings';
import { IconButton } from '../ui/IconButton';
import { useOffer, type PaletteCommand } from './commands';
import { shownKey } from './keys';
import { KeysDialog } from './KeysDialog';
import { Palette } from './Palette';
import { ROOMS } from './rooms';
import { SettingsDialog } from './SettingsDialog';
import { useHotkeys } from './useHotkeys';

type Open = 'palette' | 'settings' | 'keys' | null;

/** What can be done on every page. */
function useEverywhere(setOpen: (open: Open) => void) {
  const { shown, theme } = useSettings();
  const navigate = useNavigate();
  const screen = (words: string, run: () => void): PaletteCommand => ({ group: 'Screen', words, run });
  useOffer('everywhere', () => [
    { group: 'Go to' as const, words: 'Today', run: () => void navigate('/today') },
    { group: 'Go to' as const, words: 'Recipes', run: () => void navigate('/book') },
    ...ROOMS.map(([to, name, words]) => ({
      group: 'Go to' as const,
      words: `${name}: ${words}`,
      run: () => void navigate(to),
    })),
    { group: 'Go to' as const, words: 'Paste a recipe', run: () => void navigate('/paste') },
    screen(shown === 'ml' ? 'Show ounces' : 'Show millilitres', () =>
      changeSettings({ shown: shown === 'ml' ? 'oz' : 'ml' }),
    ),
    screen(theme === 'late' ? 'Light theme' : 'Dark theme', () =>
      changeSettings({ theme: theme === 'late' ? 'lamplight' : 'late' }),
    ),
    screen('Connect a phone or tablet', () => setOpen('settings')),
    { ...screen('Settings', () => setOpen('settings')), hotkey: 'settings' },
    { ...screen('Keyboard shortcuts', () => setOpen('keys')), hotkey: 'keys' },
  ]);
  useHotkeys({
    palette: () => setOpen('palette'),
    keys: () => setOpen('keys'),
    settings: () => setOpen('settings'),
  });
}

/** ml or oz, light or dim, the palette of commands, the settings: the same on every page. */
export function ViewSwitches() {
  const { shown, theme } = useSettings();
  const [open, setOpen] = useState<Open>(null);
  const late = theme === 'late';
  useEverywhere(setOpen);
  return (
    <>
      <IconButton icon={CommandSign} label="Commands" hotkey={shownKey('palette')} onClick={() => setOpen('palette')} />
      <div className="join" role="group" aria-label="Volumes">
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
        label={late ? 'Light theme' : 'Dark theme'}
        className="max-sm:hidden"
        onClick={() => changeSettings({ theme: late ? 'lamplight' : 'late' })}
      />
      <IconButton icon={Settings2} label="Settings" hotkey={shownKey('settings')} onClick={() => setOpen('settings')} />
      {open === 'palette' && <Palette onClose={() => setOpen((now) => (now === 'palette' ? null : now))} />}
      {open === 'settings' && <SettingsDialog onClose={() => setOpen(null)} />}
      {open === 'keys' && <KeysDialog onClose={() => setOpen(null)} />}
    </>
  );
}
