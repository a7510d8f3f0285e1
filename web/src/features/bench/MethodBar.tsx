import type { Prediction, Spec } from '../../api/client';
import { volume } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { IceDialog } from './IceDialog';

interface Props {
  spec: Spec;
  forecast: Prediction | undefined;
  onChange?: (of: (spec: Spec) => Spec, what: string) => void;
}

type Method = Spec['method'];

const DONE: Record<Method['technique'], string> = {
  shake: 'Shaken',
  stir: 'Stirred',
  build: 'Built',
  blend: 'Blended',
  swizzle: 'Swizzled',
  roll: 'Rolled',
  none: 'Not mixed',
};
const ICE: Record<Method['ice'], string> = {
  none: 'without ice',
  cubes: 'with cubes',
  large: 'with a large cube',
  crushed: 'with crushed ice',
};
const SCHOOL: Record<string, string> = { curve: 'the curve', 'heat balance': 'heat balance', estimate: 'estimate' };
const REFERENCE: Partial<Record<Method['technique'], number>> = { shake: 12, stir: 30 };
const SECONDS = { shake: [3, 5, 8, 10, 12, 15, 20, 30], stir: [10, 15, 20, 25, 30, 40, 45, 60] };

/** How the tin is worked, and the water that takes from the ice. */
export function MethodBar({ spec, forecast, onChange }: Props) {
  const { shown } = useSettings();
  const { method } = spec;
  const timed = method.technique === 'shake' || method.technique === 'stir' ? SECONDS[method.technique] : null;
  const seconds = method.seconds ?? REFERENCE[method.technique] ?? 0;
  const set = (change: Partial<Method>) =>
    onChange?.((present) => ({ ...present, method: { ...present.method, ...change } }), 'method');
  const water =
    forecast &&
    (forecast.dilution.model === 'none'
      ? 'No water from ice.'
      : `The ice gives ${volume(forecast.dilution.water_ml, shown, spec.ounce_ml)}, by ${SCHOOL[forecast.dilution.model] ?? 'estimate'}.`);
  return (
    <div className="flex flex-wrap items-center gap-2 border-t border-base-300 px-3 py-2">
      <Choice
        label="Technique"
        value={method.technique}
        names={DONE}
        readOnly={!onChange}
        onChoose={(technique) => set({ technique, seconds: null })}
      />
      {timed && (
        <Choice
          label="Seconds"
          value={String(seconds)}
          names={Object.fromEntries(
            [...new Set([...timed, seconds])].sort((a, b) => a - b).map((each) => [String(each), `${each} s`]),
          )}
          readOnly={!onChange}
          onChoose={(chosen) => set({ seconds: Number(chosen) })}
        />
      )}
      <Choice label="Ice" value={method.ice} names={ICE} readOnly={!onChange} onChoose={(ice) => set({ ice })} />
      <div className="flex basis-full items-center gap-2">
        <span className="grow text-quiet">{water}</span>
        {onChange && <IceDialog />}
      </div>
    </div>
  );
}

interface ChoiceProps<T extends string> {
  label: string;
  value: T;
  names: Record<T, string>;
  readOnly: boolean;
  onChoose: (value: T) => void;
}

function Choice<T extends string>({ label, value, names, readOnly, onChoose }: ChoiceProps<T>) {
  if (readOnly) return <span className="text-lg">{names[value]}</span>;
  return (
    <select
      aria-label={label}
      className="select select-ghost min-h-11 w-auto border-base-300 text-base"
      value={value}
      onChange={(event) => onChoose(event.target.value as T)}
    >
      {Object.entries<string>(names).map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </select>
  );
}
