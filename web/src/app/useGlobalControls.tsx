import { Command as CommandSign, Moon, Settings2, Sun, type LucideIcon } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';

import {
  changeSettings,
  type PaletteCommand,
  shownKey,
  useCommands,
  useHotkeys,
  useIsIdle,
  useSettings,
} from '@/hooks';
import { lazyComponent, SECTIONS } from '@/ui';
import { NAV_ITEM } from './SideNav';

const CommandPalette = lazyComponent(async () => (await import('./CommandPalette')).CommandPalette);
const SettingsDialog = lazyComponent(async () => (await import('./SettingsDialog')).SettingsDialog);
const ShortcutsDialog = lazyComponent(async () => (await import('./ShortcutsDialog')).ShortcutsDialog);

type Open = 'palette' | 'settings' | 'keys' | null;

/** What can be done on every page. */
function useEverywhere(setOpen: (open: Open) => void) {
  const { shown, theme } = useSettings();
  const navigate = useNavigate();
  const screen = (words: string, run: () => void): PaletteCommand => ({ group: 'Screen', words, run });
  useCommands('everywhere', () => [
    ...SECTIONS.flatMap(({ name, tabs }) =>
      tabs.map(({ to, name: tab, does }) => ({
        group: 'Go to' as const,
        words: `${name}, ${tab}: ${does}`,
        run: () => void navigate(to),
      })),
    ),
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

/** ml or oz, light or dark, the commands, the settings: the same on every page, with the dialogs that they open. */
export function useGlobalControls(): { switches: ReactNode; dialogs: ReactNode } {
  const { shown, theme } = useSettings();
  const [open, setOpen] = useState<Open>(null);
  const late = theme === 'late';
  useEverywhere(setOpen);
  const isIdle = useIsIdle();
  useEffect(() => {
    if (isIdle) for (const dialog of [CommandPalette, SettingsDialog, ShortcutsDialog]) dialog.preload();
  }, [isIdle]);
  const switches = (
    <>
      <Switch
        icon={CommandSign}
        word="Commands"
        title={`Commands (${shownKey('palette')})`}
        onPress={() => setOpen('palette')}
      />
      <div role="group" aria-label="Volumes" className="flex items-center justify-center gap-0.5">
        {(['ml', 'oz'] as const).map((unit) => (
          <button
            key={unit}
            type="button"
            title={unit === 'ml' ? 'Show millilitres' : 'Show ounces'}
            aria-pressed={shown === unit}
            className={`min-h-11 grow cursor-pointer rounded-lg text-sm ${shown === unit ? 'bg-secondary font-semibold' : 'text-quiet hover:bg-secondary'}`}
            onClick={() => changeSettings({ shown: unit })}
          >
            {unit}
          </button>
        ))}
      </div>
      <Switch
        icon={late ? Sun : Moon}
        word={late ? 'Light' : 'Dark'}
        title={late ? 'Light theme' : 'Dark theme'}
        onPress={() => changeSettings({ theme: late ? 'lamplight' : 'late' })}
      />
      <Switch
        icon={Settings2}
        word="Settings"
        title={`Settings (${shownKey('settings')})`}
        onPress={() => setOpen('settings')}
      />
    </>
  );
  const dialogs = (
    <>
      {open === 'palette' && <CommandPalette onClose={() => setOpen((now) => (now === 'palette' ? null : now))} />}
      {open === 'settings' && <SettingsDialog onClose={() => setOpen(null)} />}
      {open === 'keys' && <ShortcutsDialog onClose={() => setOpen(null)} />}
    </>
  );
  return { switches, dialogs };
}

interface SwitchProps {
  icon: LucideIcon;
  word: string;
  title: string;
  onPress: () => void;
}

function Switch({ icon: Icon, word, title, onPress }: SwitchProps) {
  return (
    <button type="button" title={title} className={NAV_ITEM} onClick={onPress}>
      <Icon size={20} aria-hidden /> {word}
    </button>
  );
}
