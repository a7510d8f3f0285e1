import type { Ingredient } from '@/api';
import { type AxisName, levelText } from '@/lib';
import { AxisMark } from '@/ui';

interface Props {
  listId: string;
  /** What is made for the slot, and the rest of the larder. */
  fitting: Ingredient[];
  others: Ingredient[];
  title: string;
  highlighted: Ingredient | undefined;
  onPoint: (ingredient: Ingredient) => void;
  onTake: (ingredient: Ingredient) => void;
}

const ELSEWHERE = 'Other ingredients';

/** Ingredients for a new pour, those that are made for it first. */
export function Candidates({ listId, fitting, others, title, highlighted, onPoint, onTake }: Props) {
  const groups = [
    { name: title, members: fitting, told: false },
    { name: ELSEWHERE, members: others, told: fitting.length > 0 },
  ];
  return groups.map(
    ({ name, members, told }) =>
      members.length > 0 && (
        <div key={name} role="group" aria-label={name}>
          {told && (
            <p aria-hidden className="px-2 pt-3 pb-1 text-quiet">
              {name}
            </p>
          )}
          {members.map((ingredient) => (
            <Candidate
              key={ingredient.slug}
              id={`${listId}-${ingredient.slug}`}
              ingredient={ingredient}
              highlighted={ingredient === highlighted}
              onPoint={() => onPoint(ingredient)}
              onTake={() => onTake(ingredient)}
            />
          ))}
        </div>
      ),
  );
}

interface CandidateProps {
  id: string;
  ingredient: Ingredient;
  highlighted: boolean;
  onPoint: () => void;
  onTake: () => void;
}

function Candidate({ id, ingredient, highlighted, onPoint, onTake }: CandidateProps) {
  return (
    <div
      id={id}
      role="option"
      aria-selected={highlighted}
      className={`flex min-h-14 cursor-pointer items-center gap-2 rounded-xl px-2 py-1 ${highlighted ? 'bg-secondary' : ''}`}
      onPointerMove={onPoint}
      onClick={onTake}
    >
      <span className="min-w-0 grow">
        <span className="block text-lg leading-tight font-semibold">
          {ingredient.name}
          {ingredient.found_by && <span className="font-normal text-quiet"> · {ingredient.found_by}</span>}
        </span>
        <span className="block text-sm leading-snug text-quiet">{ingredient.impression || ingredient.kind}</span>
      </span>
      <Levels ingredient={ingredient} />
    </div>
  );
}

function Levels({ ingredient }: { ingredient: Ingredient }) {
  const axes: AxisName[] = ['sugar', 'acid', 'abv'];
  return (
    <span className="grid shrink-0 grid-cols-3 gap-x-2 font-figure text-base">
      {axes.map((axis) => (
        <span key={axis} className="flex w-15 items-center justify-end gap-1">
          {ingredient[axis] > 0 && (
            <>
              {levelText(ingredient[axis], axis === 'acid' ? 'sugar' : axis)}
              {axis === 'abv' ? '%' : ' g'} <AxisMark axis={axis} size={11} />
            </>
          )}
        </span>
      ))}
    </span>
  );
}
