import { useQuery } from '@tanstack/react-query';

import { aromasQuery, type Criteria, familiesQuery, rulesQuery, tastersQuery } from '@/api';
import { capital } from '@/lib';
import { NumberField, Select } from '@/ui';
import { formWords } from '@/spec';

interface Props {
  wish: Criteria;
  onChange: (wish: Criteria) => void;
}

const BOX = 'select min-h-11 w-full text-base';
const NOBODY = '-';
const FROM_BOOK: [Criteria['from_book'], string][] = [
  ['', 'Close to your recipes or far from them'],
  ['near', 'Close to your recipes'],
  ['far', 'Far from your recipes'],
];

/** Wishes that are seldom told: they wait folded. */
export function MoreCriteria(props: Props) {
  return (
    <div className="grid gap-2 pt-1 text-base">
      <DrinkCriteria {...props} />
      <BarCriteria {...props} />
    </div>
  );
}

/** Its form, smell, colour, season, how many ingredients. */
function DrinkCriteria({ wish, onChange }: Props) {
  const { data: rules } = useQuery(rulesQuery());
  const { data: families } = useQuery(familiesQuery());
  const { data: aromas } = useQuery(aromasQuery());
  const set = (change: Partial<Criteria>) => onChange({ ...wish, ...change });
  const groups = [...new Set(aromas?.map(({ group }) => group))].filter((text) => !wish.aroma.includes(text));
  const forms = families?.find(({ slug }) => slug === wish.family)?.forms ?? [];
  return (
    <>
      <Select
        label="Form"
        className={BOX}
        value={wish.form}
        options={[['', 'Any form'], ...forms.map(({ name }): [string, string] => [name, formWords(name)])]}
        onPick={(form) => set({ form })}
      />
      <Select
        label="Aroma"
        className={BOX}
        value=""
        options={[['', 'Any aroma'], ...said(groups)]}
        onPick={(text) => text && set({ aroma: [...wish.aroma, text] })}
      />
      <Select
        label="Colour"
        className={BOX}
        value={wish.colour}
        options={[['', 'Any colour'], ...said(rules?.colours)]}
        onPick={(colour) => set({ colour })}
      />
      <Select
        label="Season"
        className={BOX}
        value={wish.season}
        options={[['', 'Any season'], ...said(rules?.seasons)]}
        onPick={(season) => set({ season: season as Criteria['season'] })}
      />
      <Select
        label="How many ingredients"
        className={BOX}
        value={wish.most_ingredients}
        options={[3, 4, 5, 6].map((most) => [most, most === 3 ? 'Three ingredients' : `Up to ${most} ingredients`])}
        onPick={(most_ingredients) => set({ most_ingredients })}
      />
    </>
  );
}

/** Whose tongue, how far from the book, the price, the seed. */
function BarCriteria({ wish, onChange }: Props) {
  const { data: tasters } = useQuery(tastersQuery());
  const set = (change: Partial<Criteria>) => onChange({ ...wish, ...change });
  const palates = tasters?.map(({ taster }): [string, string] => [taster, `${taster}’s palate`]) ?? [];
  return (
    <>
      <Select
        label="Distance from your recipes"
        className={BOX}
        value={wish.from_book}
        options={FROM_BOOK}
        onPick={(from_book) => set({ from_book })}
      />
      <Select
        label="Palate"
        className={BOX}
        value={wish.palate ?? NOBODY}
        options={[[NOBODY, 'No palate'], ['', 'The team’s palate'], ...palates]}
        onPick={(taster) => set({ palate: taster === NOBODY ? null : taster })}
      />
      <label className="flex items-center gap-2">
        <span className="w-28">Cost per serve, at most</span>
        <NumberField
          className="input min-h-11 w-24 font-figure"
          value={wish.most_cost}
          placeholder="any"
          onFigure={(most_cost) => set({ most_cost })}
        />
      </label>
      <label className="flex items-center gap-2">
        <span className="w-28">Random seed</span>
        <NumberField
          className="input min-h-11 w-24 font-figure"
          value={wish.seed}
          most={1e9}
          onFigure={(seed) => seed !== null && Number.isInteger(seed) && set({ seed })}
        />
      </label>
    </>
  );
}

function said(words: string[] | undefined): [string, string][] {
  return (words ?? []).map((word) => [word, capital(word)]);
}
