import type { Spec } from '@/api';
import { ChoiceChips, SuggestField } from '@/ui';

type RimEntry = NonNullable<Spec['serve']['edge']>;

interface Props {
  edge: RimEntry | null | undefined;
  onEdge: (edge: RimEntry) => void;
}

const FRUIT = ['lime', 'lemon', 'orange', 'grapefruit', 'honey', 'water'];

/** How what is on the edge gets there: round all of it or half, and wetted with what. */
export function RimFields({ edge, onEdge }: Props) {
  const { half, wetted_with } = edge ?? { half: false, wetted_with: '' };
  return (
    <div className="grid items-start gap-3 sm:grid-cols-2">
      <ChoiceChips
        legend="How much of the rim"
        options={[
          ['whole', 'the whole rim'],
          ['half', 'half the rim'],
        ]}
        value={half ? 'half' : 'whole'}
        onChoose={(chosen: string) => onEdge({ half: chosen === 'half', wetted_with })}
      />
      <SuggestField
        label="Wet it with"
        value={wetted_with}
        hint="the fruit in the drink"
        usual={FRUIT}
        onWrite={(text) => onEdge({ half, wetted_with: text })}
      />
    </div>
  );
}
