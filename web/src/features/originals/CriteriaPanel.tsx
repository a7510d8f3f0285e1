import { useQuery } from '@tanstack/react-query';

import { type Criteria, stockQuery } from '@/api';
import { Button, Checkbox, ChoiceChips, Disclosure, NumberField } from '@/ui';
import { ActiveCriteria } from './ActiveCriteria';
import { MoreCriteria } from './MoreCriteria';
import { IngredientCriteria } from './IngredientCriteria';
import { ANYTHING, toAddress } from './criteria';

interface Props {
  wish: Criteria;
  /** Whether all but the family waits folded. */
  isFolded: boolean;
  onChange: (wish: Criteria) => void;
}

const FAMILIES = [
  ['sour', 'Sour'],
  ['daisy', 'Daisy'],
  ['fizz', 'Fizz'],
] as const;
const WITHOUT = [
  ['alcohol', 'No alcohol'],
  ['egg', 'No egg'],
  ['milk', 'No milk'],
  ['tree nuts', 'No nuts'],
] as const;

/** What the drinks are wished to be. */
export function CriteriaPanel({ wish, isFolded, onChange }: Props) {
  const set = (change: Partial<Criteria>) => onChange({ ...wish, ...change });
  return (
    <div className="panel flex flex-col gap-3 p-3">
      <ChoiceChips
        legend="Family"
        legendShown={false}
        options={FAMILIES}
        value={wish.family}
        onChoose={(family) => set({ family, form: '', shape: [] })}
      />
      <ActiveCriteria wish={wish} onChange={onChange} />
      {isFolded ? (
        <Disclosure title="Wishes">
          <Wishes wish={wish} onChange={onChange} />
        </Disclosure>
      ) : (
        <Wishes wish={wish} onChange={onChange} />
      )}
      {toAddress(wish) !== '{}' && (
        <Button look="outline" onClick={() => onChange(ANYTHING)}>
          Clear all wishes
        </Button>
      )}
    </div>
  );
}

/** All that can be wished besides the family. */
function Wishes({ wish, onChange }: Omit<Props, 'isFolded'>) {
  const shelf = useQuery(stockQuery());
  const set = (change: Partial<Criteria>) => onChange({ ...wish, ...change });
  const toggle = (word: string) =>
    set({
      without: wish.without.includes(word) ? wish.without.filter((text) => text !== word) : [...wish.without, word],
    });
  return (
    <div className="flex flex-col gap-3">
      <IngredientCriteria wish={wish} onChange={onChange} />
      <div className="flex flex-wrap gap-x-4">
        {WITHOUT.map(([word, words]) => (
          <Checkbox key={word} words={words} on={wish.without.includes(word)} onChange={() => toggle(word)} />
        ))}
        <Checkbox words="Only what is in stock" on={wish.at_hand} onChange={(at_hand) => set({ at_hand })} />
        <Checkbox
          words="Use up what won’t keep"
          on={wish.use_up_soon}
          onChange={(use_up_soon) => set({ use_up_soon })}
        />
      </div>
      {wish.at_hand && shelf.data?.length === 0 && (
        <p className="text-base">Nothing is marked in stock yet. Mark it under Ingredients, Stock.</p>
      )}
      <ChoiceChips
        legend="Sweetness"
        options={[
          ['dry', 'Dry'],
          ['', 'Typical'],
          ['sweet', 'Sweet'],
        ]}
        value={wish.sweetness}
        onChoose={(sweetness) => set({ sweetness })}
      />
      <Strength wish={wish} onChange={onChange} />
      <Disclosure title="More wishes">
        <MoreCriteria wish={wish} onChange={onChange} />
      </Disclosure>
    </div>
  );
}

function Strength({ wish, onChange }: Omit<Props, 'isFolded'>) {
  const [low, high] = wish.abv ?? [];
  const set = (next: [number | null | undefined, number | null | undefined]) => {
    const [least, most] = next;
    const none = (least === null || least === undefined) && (most === null || most === undefined);
    onChange({ ...wish, abv: none ? null : [least ?? 0, most ?? 40] });
  };
  const field = 'input min-h-11 w-14 px-2 font-figure';
  return (
    <div className="flex flex-wrap items-center gap-2 text-base" role="group" aria-label="Strength as served">
      Strength, %
      <NumberField
        aria-label="Strength from, %"
        className={field}
        most={60}
        value={low}
        placeholder="any"
        onFigure={(item) => set([item, high])}
      />
      to
      <NumberField
        aria-label="Strength to, %"
        className={field}
        most={60}
        value={high}
        placeholder="any"
        onFigure={(item) => set([low, item])}
      />
    </div>
  );
}
