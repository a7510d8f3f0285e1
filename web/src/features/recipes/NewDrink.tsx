import { useState } from 'react';
import { useNavigate } from 'react-router';

import { type Family, type School, useCreateDrink } from '@/api';
import { useSettings } from '@/hooks';
import { amountWords, type NameOf } from '@/spec';
import { capital } from '@/lib';
import { Button, ErrorMessage, TextField } from '@/ui';

interface Props {
  families: Family[];
  /** Whether the book is still empty. */
  first: boolean;
  nameOf: NameOf;
}

/** A family, a school of proportion, a name: the shortest way to something on the bench. */
export function NewDrink({ families, first, nameOf }: Props) {
  const [familySlug, setFamily] = useState(families[0]?.slug);
  const family = families.find(({ slug }) => slug === familySlug);
  const [schoolSlug, setSchool] = useState<string>();
  const school = family?.schools.find(({ slug }) => slug === schoolSlug) ?? family?.schools[0];
  const [name, setName] = useState('');
  const { ounceMl } = useSettings();
  const start = useCreateDrink();
  const navigate = useNavigate();
  if (!family || !school) return null;
  const fallback = family.homes.length > 0 ? `New ${family.slug}` : 'New drink';
  const submit = () => {
    const called = name.trim() || fallback;
    const body = {
      name: called,
      spec: { ...school.spec, name: called, ounce_ml: ounceMl },
      trial_name: school.name,
      reason: 'First version, by the ratio.',
      parents: [],
      notes: '',
    };
    start.mutate({ body }, { onSuccess: ({ id }) => void navigate(`/bench/${id}`) });
  };

  return (
    <form
      className="panel order-2 flex flex-col gap-4 p-4 lg:sticky lg:top-4 lg:max-h-[calc(100dvh-6rem)] lg:overflow-y-auto"
      aria-labelledby="start-heading"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <h2 id="start-heading" className="font-display text-2xl font-semibold">
        {first ? 'Start a drink' : 'New drink'}
      </h2>
      <div role="group" aria-label="Family" className="join w-full">
        {families.map((item) => (
          <button
            key={item.slug}
            type="button"
            aria-pressed={item.slug === family.slug}
            onClick={() => setFamily(item.slug)}
            className={`btn join-item min-h-12 flex-1 text-lg ${item.slug === family.slug ? 'btn-primary' : 'btn-ghost border-base-300'}`}
          >
            {item.name}
          </button>
        ))}
      </div>
      <fieldset>
        <legend className="mb-2 text-quiet">Ratio: {family.words}</legend>
        {branches(family.schools).map(([branch, schools]) => (
          <div key={branch} className="flex flex-col gap-2">
            {branch && <p className="mt-3 text-base font-semibold">{capital(branch)}</p>}
            {schools.map((item) => (
              <SchoolChoice
                key={item.slug}
                school={item}
                chosen={item.slug === school.slug}
                onChoose={() => setSchool(item.slug)}
                nameOf={nameOf}
              />
            ))}
          </div>
        ))}
      </fieldset>
      <div className="flex flex-col gap-3 border-base-300 bg-base-100 lg:sticky lg:-bottom-4 lg:-mx-4 lg:-mb-4 lg:border-t lg:p-4">
        <TextField label="Name" value={name} hint={fallback} onWrite={setName} />
        <ErrorMessage fault={start.error} />
        <Button type="submit" look="primary" large disabled={start.isPending}>
          Open on the bench
        </Button>
      </div>
    </form>
  );
}

/** Schools under the branch of the family that they make, in the order in which they come. */
function branches(schools: School[]): [string, School[]][] {
  const kinds = [...new Set(schools.map(({ branch }) => branch))];
  return kinds.map((kind) => [kind, schools.filter(({ branch }) => branch === kind)]);
}

interface ChoiceProps {
  school: School;
  chosen: boolean;
  onChoose: () => void;
  nameOf: NameOf;
}

function SchoolChoice({ school, chosen, onChoose, nameOf }: ChoiceProps) {
  const { shown } = useSettings();
  const pours = school.spec.pours.map((pour) => {
    return `${amountWords(pour, shown, school.spec.ounce_ml)} ${nameOf(pour.ingredient).toLowerCase()}`;
  });
  return (
    <label
      className={`flex cursor-pointer gap-3 rounded-xl border p-3 ${chosen ? 'border-base-content bg-secondary' : 'border-base-300'}`}
    >
      <input type="radio" name="school" className="radio mt-0.5" checked={chosen} onChange={onChoose} />
      <span>
        <strong className="font-semibold">{school.name}</strong>
        {chosen && <span className="block text-quiet">{school.words}</span>}
        {chosen && <span className="mt-1 block">{pours.join(' · ')}</span>}
      </span>
    </label>
  );
}
