import { changeSettings, useSettings, type Aim } from '../../lib/settings';
import { Check } from '../../ui/Check';
import { Figure } from '../../ui/Field';
import { Pick } from '../../ui/Pick';

const TARGETS: [Aim['target'], string][] = [
  ['parent', 'where its parent stands'],
  ['home', 'the middle of its home'],
  ['typed', 'figures of my own'],
];
const FIGURES = [
  ['sugar', 'Sweetness, g / 100 ml'],
  ['acid', 'Acidity, g / 100 ml'],
  ['abv', 'Strength, % ABV'],
] as const;
const WEIGHTS: [number, string][] = [
  [0, 'no matter'],
  [1, 'as usual'],
  [4, 'above all'],
];

interface Props {
  hasHome: boolean;
  /** The target was chosen on the field. */
  chosen?: boolean;
}

/** What a rebalancing goes for: its target, the jigger's step, who may join, what counts. */
export function AimSettings({ hasHome, chosen = false }: Props) {
  const { aim } = useSettings();
  const set = (change: Partial<Aim>) => changeSettings({ aim: { ...aim, ...change } });
  return (
    <div className="flex flex-col gap-2 pb-2 text-base">
      <label className={`flex flex-wrap items-center gap-2 ${chosen ? 'hidden' : ''}`}>
        Bring it to
        <Pick
          value={aim.target}
          options={TARGETS.filter(([target]) => hasHome || target !== 'home')}
          onPick={(target) => set({ target })}
        />
      </label>
      {aim.target === 'typed' && !chosen && <OwnFigures aim={aim} set={set} />}
      <div role="group" aria-label="Steps of the jigger" className="flex items-center gap-2">
        in steps of
        {([2.5, 5, 7.5] as const).map((grid) => (
          <button
            key={grid}
            type="button"
            aria-pressed={aim.grid === grid}
            className={`btn min-h-11 text-base ${aim.grid === grid ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
            onClick={() => set({ grid })}
          >
            {grid === 7.5 ? '¼ oz' : `${grid} ml`}
          </button>
        ))}
      </div>
      <Check
        words="Others may join: syrup, citrus, acid, spirit, water"
        on={aim.joining}
        onChange={(joining) => set({ joining })}
      />
      <Check
        words="Count sweetness by kind of sugar, not by weight"
        on={aim.sweetness !== 'grams'}
        onChange={(on) => set({ sweetness: on ? 'sucrose equivalents' : 'grams' })}
      />
      <Check
        words="Keep what the drink is known by: liqueur and accents before base, base before citrus and syrup"
        on={aim.character}
        onChange={(character) => set({ character })}
      />
      <WhatCounts aim={aim} set={set} />
    </div>
  );
}

interface PartProps {
  aim: Aim;
  set: (change: Partial<Aim>) => void;
}

function OwnFigures({ aim, set }: PartProps) {
  return (
    <div className="grid grid-cols-3 gap-2">
      {FIGURES.map(([axis, words]) => (
        <label key={axis} className="flex flex-col gap-1">
          <span className="text-quiet">{words}</span>
          <Figure
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
function WhatCounts({ aim, set }: PartProps) {
  return (
    <div className="flex flex-wrap gap-2">
      {FIGURES.map(([axis, words]) => (
        <label key={axis} className="flex flex-col gap-1">
          <span className="text-quiet">{words.split(',')[0]} counts</span>
          <Pick
            value={aim.weights[axis]}
            options={WEIGHTS}
            onPick={(weight) => set({ weights: { ...aim.weights, [axis]: weight } })}
          />
        </label>
      ))}
    </div>
  );
}
