import type { Preparation, PreparationLine, PreparationStep } from '@/api';
import { Button } from '@/ui';

type Template = Pick<Preparation, 'name' | 'kind' | 'lines' | 'steps'>;

const line = (what: string, amount: number, unit: PreparationLine['unit']): PreparationLine => ({
  what,
  amount,
  unit,
  g_per_cup: null,
});
const step = (what: PreparationStep['do'], minutes: number | null = null): PreparationStep => ({
  do: what,
  minutes,
  discard: [],
  evaporated_g: null,
});

const TEMPLATES: [string, Template][] = [
  [
    'Simple syrup, by weight',
    {
      name: 'House syrup',
      kind: 'syrup',
      lines: [line('sugar', 500, 'g'), line('water', 500, 'g')],
      steps: [step('dissolve')],
    },
  ],
  [
    'Fruit syrup, by the cup',
    {
      name: 'House fruit syrup',
      kind: 'fruit syrup',
      lines: [line('raspberries', 2, 'cup'), line('sugar', 1, 'cup'), line('water', 1, 'cup')],
      steps: [step('simmer', 10), step('skim'), step('strain'), step('cool', 40)],
    },
  ],
  [
    'Honey syrup',
    {
      name: 'House honey',
      kind: 'thinned honey',
      lines: [line('honey', 300, 'g'), line('water', 100, 'g')],
      steps: [step('dissolve')],
    },
  ],
  [
    'Saline, 20%',
    {
      name: 'House saline',
      kind: 'saline',
      lines: [line('salt', 20, 'g'), line('water', 80, 'g')],
      steps: [step('dissolve')],
    },
  ],
  [
    'Orange, as sharp as lime',
    {
      name: 'Sharp orange',
      kind: 'adjusted juice',
      lines: [line('orange juice', 1, 'l'), line('citric acid', 32, 'g'), line('malic acid', 20, 'g')],
      steps: [step('dissolve')],
    },
  ],
  [
    'Infusion',
    {
      name: 'House infusion',
      kind: 'infusion',
      lines: [line('london dry gin', 700, 'ml'), line('bay leaves', 5, 'g')],
      steps: [step('steep', 60), step('strain')],
    },
  ],
];

/** What others begin with: lines and steps to change, where nothing was written yet. */
export function Templates({ onStart }: { onStart: (begun: Template) => void }) {
  return (
    <div role="group" aria-label="Start from" className="flex flex-wrap items-center gap-1.5">
      <span className="text-lg text-quiet">Start from</span>
      {TEMPLATES.map(([words, begun]) => (
        <Button
          key={words}

          look="outline"
          onClick={() => onStart({ ...begun })}
        >
          {words}
        </Button>
      ))}
    </div>
  );
}
