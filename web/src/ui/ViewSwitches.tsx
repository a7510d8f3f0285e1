import { Moon, Sun } from 'lucide-react';

import { changeSettings, useSettings } from '../lib/settings';
import { IconButton } from './IconButton';
import { Shortcuts } from './Shortcuts';

/** ml or oz, light or dim: everywhere at once. */
export function ViewSwitches() {
  const { shown, theme } = useSettings();
  const late = theme === 'late';
  return (
    <>
      <div className="join" role="group" aria-label="Volumes in">
        {(['ml', 'oz'] as const).map((unit) => (
          <button
            key={unit}
            type="button"
            aria-pressed={shown === unit}
            className={`btn join-item min-h-11 px-3 ${shown === unit ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
            onClick={() => changeSettings({ shown: unit })}
          >
            {unit}
          </button>
        ))}
      </div>
      <IconButton
        icon={late ? Sun : Moon}
        label={late ? 'Light theme' : 'Dim theme'}
        onClick={() => changeSettings({ theme: late ? 'lamplight' : 'late' })}
      />
      <Shortcuts />
    </>
  );
}
