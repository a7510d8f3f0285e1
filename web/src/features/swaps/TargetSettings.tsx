import { changeSettings, type SwapTarget, useSettings } from '@/hooks';
import { Checkbox, NumberField, Select } from '@/ui';

const TARGETS: [SwapTarget['target'], string][] = [
  ['parent', 'trial 1'],
  ['home', 'the middle of its typical range'],
  ['typed', 'my own figures'],
];
const FIGURES = [
  ['sugar', 'Sweetness, g sugar/100 ml'],
  ['acid', 'Acidity, g acid/100 ml'],
  ['abv', 'Strength, % ABV'],
] as const;
const WEIGHTS: [number, string][] = [
  [0, 'not at all'],
  [1, 'normally'],
  [4, 'most'],
];

interface Props {
  hasHome: boolean;
  /** The target was chosen on the field. */
  chosen?: boolean;
}

/** What a rebalancing goes for: its target, the jigger's step, who may join, what counts. */
export function TargetSettings({ hasHome, chosen = false }: Props) {
  const { aim, shown } = useSettings();
  const set = (change: Partial<SwapTarget>) => changeSettings({ aim: { ...aim, ...change } });
  return (
    <div className="flex flex-col gap-2 pb-2 text-base">
      <label className={`flex flex-wrap items-center gap-2 ${chosen ? 'hidden' : ''}`}>
        Aim for
        <Select
          value={aim.target}
          options={TARGETS.filter(([target]) => hasHome || target !== 'home')}
          onPick={(target) => set({ target })}
        />
      </label>
      {aim.target === 'typed' && !chosen && <OwnFigures aim={aim} set={set} />}
      {shown === 'ml' && (
        <div role="group" aria-label="Jigger marks" className="flex items-center gap-2">
          in marks of
          {([2.5, 5, 7.5] as const).map((grid) => (
            <button
              key={grid}
              type="button"
              aria-pressed={aim.grid === grid}
              className={`btn min-h-11 text-base ${aim.grid === grid ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
              onClick={() => set({ grid })}
            >
              {grid} ml
            </button>
          ))}
        </div>
      )}
      <Checkbox
        words="Also use syrup, citrus, acid, spirit or water"
        on={aim.joining}
        onChange={(joining) => set({ joining })}
      />
      <Checkbox
        words="Count sweetness by kind of sugar"
        on={aim.sweetness !== 'grams'}
        onChange={(on) => set({ sweetness: on ? 'sucrose equivalents' : 'grams' })}
      />
      <Checkbox words="Change base and liqueur least" on={aim.character} onChange={(character) => set({ character })} />
      <AxisWeights aim={aim} set={set} />
    </div>
  );
}

interface PartProps {
  aim: SwapTarget;
  set: (change: Partial<SwapTarget>) => void;
}

function OwnFigures({ aim, set }: PartProps) {
  return (
    <div className="grid grid-cols-3 gap-2">
      {FIGURES.map(([axis, words]) => (
        <label key={axis} className="flex flex-col gap-1">
          <span className="text-quiet">{words}</span>
          <NumberField
            className="input min-h-11 w-full font-figure text-base"
            value={aim.typed[axis]}
            onFigure={(figure) => set({ typed: { ...aim.typed, [axis]: figure } })}
          />
        </label>
      ))}
    </div>
  );
}

/** How much each axis counts. */
function AxisWeights({ aim, set }: PartProps) {
  return (
    <div className="flex flex-wrap gap-2">
      {FIGURES.map(([axis, words]) => (
        <label key={axis} className="flex flex-col gap-1">
          <span className="text-quiet">{words.split(',')[0]} counts</span>
          <Select
            value={aim.weights[axis]}
            options={WEIGHTS}
            onPick={(weight) => set({ weights: { ...aim.weights, [axis]: weight } })}
          />
        </label>
      ))}
    </div>
  );
}
